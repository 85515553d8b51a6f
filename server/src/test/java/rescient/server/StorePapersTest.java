package rescient.server;

import static org.assertj.core.api.Assertions.assertThat;
import static org.springframework.security.test.web.servlet.request.SecurityMockMvcRequestPostProcessors.user;

import com.fasterxml.jackson.databind.JsonNode;
import com.lowagie.text.pdf.PdfReader;
import com.lowagie.text.pdf.parser.PdfTextExtractor;
import java.util.UUID;
import org.junit.jupiter.api.Test;
import org.springframework.test.web.servlet.request.MockMvcRequestBuilders;

/** The stores' papers: what is to be fetched, and what goes with what was posted. */
class StorePapersTest extends ServerTest {
    /** Its text, without what stands between words. */
    private String paper(String address) throws Exception {
        byte[] pdf = mvc.perform(MockMvcRequestBuilders.get(address).with(user(users.loadUserByUsername("stella"))))
                .andReturn()
                .getResponse()
                .getContentAsByteArray();
        try (PdfReader reader = new PdfReader(pdf)) {
            return new PdfTextExtractor(reader).getTextFromPage(1).replaceAll("\\s+", "");
        }
    }

    private UUID posted(String lines) throws Exception {
        Reply reply = post("stella", "/api/stock/postings", UUID.randomUUID(), "{'lines':[" + lines + "]}");
        assertThat(reply.status()).as(String.valueOf(reply.body())).isEqualTo(201);
        knowing();
        return UUID.fromString(reply.body().get("key").asText());
    }

    /** What a posting would take now, of several orders together; what is not there stands with what is missing. */
    @Test
    void aPickListIsWhatAPostingWouldTake() throws Exception {
        // 500 tops, 1000 sides and 500 bottoms lie ready or are put there
        posted("{'act':'COUNT','item':'FR-TOP','site':'LARKMOOR','quantity':520},"
                + "{'act':'COUNT','item':'FR-SIDE','site':'LARKMOOR','quantity':1000},"
                + "{'act':'COUNT','item':'FR-BOT','site':'LARKMOOR','quantity':500},"
                + "{'act':'COUNT','item':'FRAME-B','site':'LARKMOOR','quantity':200}");
        String both = paper("/api/stock/papers/pick-list?number=MO-319&number=TO-57");
        assertThat(both).contains("Picklist", "forMO-319,TO-57");
        assertThat(both).contains("FR-BOT").contains("500pcsMO-319").contains("1000pcsMO-319");
        assertThat(both).contains("150pcsTO-57").doesNotContain("missing");
        // looking takes nothing
        assertThat(paper("/api/stock/papers/pick-list?number=MO-319&number=TO-57"))
                .isEqualTo(both);

        posted("{'act':'COUNT','item':'FR-TOP','site':'LARKMOOR','quantity':380}");
        String less = paper("/api/stock/papers/pick-list?number=MO-319");
        assertThat(less).contains("missing:120pcs").contains("1000pcsMO-319");
        assertThat(get("stella", "/api/stock/papers/pick-list?number=PO-2041").status())
                .isEqualTo(404);
    }

    /** From zone to zone, each with what is posted once it was fetched; what is short has nothing to be ticked. */
    @Test
    void whatIsToBeFetchedIsListedByZone() throws Exception {
        String zones = "";
        for (String item : new String[] {"FR-TOP", "FR-SIDE", "FR-BOT"}) {
            zones += (zones.isEmpty() ? "" : ",") + "{'table':'planning','key':{'item':'" + item
                    + "','site':'LARKMOOR'},'fields':{'zone':'" + (item.equals("FR-BOT") ? "A 02" : "A 10") + "'}}";
        }
        assertThat(decide("ida", "{'kind':'DATA','rows':[" + zones + "]}").status())
                .isEqualTo(201);
        posted("{'act':'COUNT','item':'FR-TOP','site':'LARKMOOR','quantity':380}");
        JsonNode picks = get("stella", "/api/stock/papers/pick-list/lines?number=MO-319")
                .body()
                .get("picks");
        assertThat(picks)
                .extracting(pick ->
                        pick.get("zone").asText() + " " + pick.get("item").asText())
                .containsExactly("A 02 FR-BOT", "A 10 FR-SIDE", "A 10 FR-TOP");
        JsonNode bottom = picks.get(0);
        assertThat(bottom.get("act").asText()).isEqualTo("ISSUE");
        assertThat(bottom.get("part").asText()).isEqualTo("FR-BOT");
        assertThat(bottom.get("line").asText()).isEqualTo("1");
        assertThat(bottom.get("quantity").asInt()).isEqualTo(500);
        assertThat(bottom.hasNonNull("missing")).isFalse();
        assertThat(picks.get(2).get("missing").asInt()).isEqualTo(120);
        assertThat(get("stella", "/api/stock/papers/pick-list/lines?number=PO-2041")
                        .body()
                        .get("picks"))
                .isEmpty();
    }

    /** With what goes to another site, and what came from a supplier, goes a note. */
    @Test
    void aNoteGoesWithWhatWasPosted() throws Exception {
        UUID came = posted("{'act':'RECEIVE','number':'PO-2041','line':'1','quantity':4}");
        assertThat(paper("/api/stock/papers/note?key=" + came))
                .contains("Receiptnote", "TandemDrives", "PO-20411", "MOTOR-180", "4pcs");
        UUID counted = posted("{'act':'COUNT','item':'FRAME-B','site':'LARKMOOR','quantity':200}");
        UUID sent = posted("{'act':'SHIP_TRANSFER','number':'TO-57','line':'1','quantity':120}");
        assertThat(paper("/api/stock/papers/note?key=" + sent)).contains("Shippingnote", "TO-571", "FRAME-B", "120pcs");
        assertThat(get("stella", "/api/stock/papers/note?key=" + counted).status())
                .isEqualTo(404);
        assertThat(get("stella", "/api/stock/papers/note?key=" + UUID.randomUUID())
                        .status())
                .isEqualTo(404);
    }
}
