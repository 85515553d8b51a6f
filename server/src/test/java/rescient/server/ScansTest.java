package rescient.server;

import static org.assertj.core.api.Assertions.assertThat;
import static org.springframework.security.test.web.servlet.request.SecurityMockMvcRequestPostProcessors.user;

import com.fasterxml.jackson.databind.JsonNode;
import com.lowagie.text.pdf.PdfReader;
import com.lowagie.text.pdf.parser.PdfTextExtractor;
import java.util.UUID;
import org.junit.jupiter.api.Test;
import org.springframework.test.web.servlet.request.MockMvcRequestBuilders;
import org.springframework.web.util.UriComponentsBuilder;
import rescient.server.access.SignedIn;

/** What scanned codes mean, and the labels that bear them. */
class ScansTest extends ServerTest {
    private JsonNode scan(String code) throws Exception {
        Reply reply = reply(
                "stella",
                MockMvcRequestBuilders.get(UriComponentsBuilder.fromPath("/api/stock/scan")
                        .queryParam("code", "{code}")
                        .build(code)));
        assertThat(reply.status()).as(String.valueOf(reply.body())).isEqualTo(200);
        return reply.body();
    }

    private JsonNode only(String code) throws Exception {
        JsonNode found = scan(code);
        assertThat(found).hasSize(1);
        return found.get(0);
    }

    @Test
    void ourOwnNumbersAreKnown() throws Exception {
        assertThat(only("SYRUP-5").get("kind").asText()).isEqualTo("item");
        assertThat(only("PO-2041").get("kind").asText()).isEqualTo("order");
        JsonNode lot = only("S-2605");
        assertThat(lot.get("kind").asText()).isEqualTo("lot");
        assertThat(lot.get("item").asText()).isEqualTo("SYRUP-5");
        String customers =
                jdbc.queryForObject("select min(number) from customer_orders where state is null", String.class);
        assertThat(only(customers).get("kind").asText()).isEqualTo("customer_order");
        JsonNode nothing = only("NEVER-SEEN");
        assertThat(nothing.get("kind").asText()).isEqualTo("nothing");
        assertThat(nothing.get("sentence").asText()).contains("NEVER-SEEN");
    }

    /** As a scanner sends a label of ours: item, lot, the last day it serves, how many. */
    @Test
    void aLabelSaysAllAtOnce() throws Exception {
        JsonNode label = only("240SYRUP-5\u001d10S-9999\u001d17270131" + "3024");
        assertThat(label.get("kind").asText()).isEqualTo("lot");
        assertThat(label.get("item").asText()).isEqualTo("SYRUP-5");
        assertThat(label.get("lot").asText()).isEqualTo("S-9999");
        assertThat(label.get("expiry").asText()).isEqualTo("2027-02-01");
        assertThat(label.get("count").asInt()).isEqualTo(24);
        // a lot that is known tells its item
        assertThat(only("(10)S-2605").get("item").asText()).isEqualTo("SYRUP-5");
    }

    /** A trade number means the item that a supplier calls so. */
    @Test
    void aTradeNumberIsASuppliersCode() throws Exception {
        assertThat(only("(01)04006381333931").get("kind").asText()).isEqualTo("nothing");
        String key = "{'supplier':'SWEETMOSS','item':'SYRUP-5','from_quantity':'0','valid_from':''}";
        Reply kept = decide(
                "ida",
                "{'kind':'DATA','rows':[{'table':'supplier_items','key':" + key
                        + ",'fields':{'supplier_code':'4006381333931'}}]}");
        assertThat(kept.status()).as(String.valueOf(kept.body())).isEqualTo(201);
        assertThat(only("(01)04006381333931").get("item").asText()).isEqualTo("SYRUP-5");
    }

    private byte[] paper(String query) throws Exception {
        return mvc.perform(MockMvcRequestBuilders.get("/api/stock/papers/labels" + query)
                        .with(user((SignedIn) users.loadUserByUsername("stella"))))
                .andReturn()
                .getResponse()
                .getContentAsByteArray();
    }

    private static String text(byte[] pdf) throws Exception {
        PdfReader reader = new PdfReader(pdf);
        StringBuilder text = new StringBuilder();
        for (int page = 1; page <= reader.getNumberOfPages(); page++) {
            text.append(new PdfTextExtractor(reader).getTextFromPage(page)).append('\n');
        }
        return text.toString();
    }

    /** One label for each lot that lies somewhere, for each movement that came, and a sheet to try. */
    @Test
    void labelsArePrinted() throws Exception {
        String here = text(paper("?item=SYRUP-5&site=LARKMOOR"));
        assertThat(here).contains("Lot S-2605, 70 pcs").contains("Lot S-2611, 90 pcs");
        Reply came = post(
                "stella",
                "/api/stock/postings",
                UUID.randomUUID(),
                "{'lines':[{'act':'RECEIVE','number':'PO-2044','line':'1','quantity':20,'lot':'F-77'}]}");
        assertThat(text(paper("?key=" + came.body().get("key").asText())))
                .contains("FONDANT-2")
                .contains("Lot F-77, 20 pcs")
                .contains("Came on PO-2044");
        assertThat(text(paper(""))).contains("S-2605").contains("Purchase order");
        assertThat(get("stella", "/api/stock/papers/labels?item=SYRUP-5&site=NOWHERE")
                        .status())
                .isEqualTo(404);
    }
}
