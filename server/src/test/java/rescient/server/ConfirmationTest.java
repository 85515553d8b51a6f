package rescient.server;

import static org.assertj.core.api.Assertions.assertThat;
import static org.springframework.security.test.web.servlet.request.SecurityMockMvcRequestPostProcessors.user;

import com.fasterxml.jackson.databind.JsonNode;
import com.lowagie.text.pdf.PdfReader;
import com.lowagie.text.pdf.parser.PdfTextExtractor;
import java.util.UUID;
import org.junit.jupiter.api.Test;
import org.springframework.beans.factory.annotation.Autowired;
import org.springframework.test.web.servlet.request.MockMvcRequestBuilders;
import rescient.server.mail.SentMails;

/** Orders are confirmed to their customers: as a document, and by mail. */
class ConfirmationTest extends ServerTest {
    @Autowired
    SentMails sent;

    private Reply confirm(String login, UUID key, String number) throws Exception {
        return post(login, "/api/demand/confirmation?number=" + number, key, "{}");
    }

    private String pdf(String path) throws Exception {
        byte[] bytes = mvc.perform(MockMvcRequestBuilders.get(path).with(user(users.loadUserByUsername("sven"))))
                .andReturn()
                .getResponse()
                .getContentAsByteArray();
        try (PdfReader reader = new PdfReader(bytes)) {
            return new PdfTextExtractor(reader).getTextFromPage(1);
        }
    }

    /** Promised as it is planned, it goes out once however often it is asked for, with every line in the document. */
    @Test
    void anOrderIsConfirmedOnce() throws Exception {
        assertThat(decide("sven", ordering("'customer':'C110','reference':'P 17',", "EXTR-4", "12", "2027-03-15"))
                        .status())
                .isEqualTo(201);
        knowing();
        UUID key = UUID.randomUUID();
        Reply early = confirm("sven", UUID.randomUUID(), "SO-792");
        assertThat(early.status()).isEqualTo(422);
        assertThat(early.body().get("detail").asText()).contains("has no promise yet");
        assertThat(decide("sven", "{'kind':'AMEND','orders':['SO-792~1'],'asPlanned':true}")
                        .status())
                .isEqualTo(201);
        knowing();
        Reply first = confirm("sven", key, "SO-792");
        assertThat(first.status()).as(String.valueOf(first.body())).isEqualTo(201);
        Reply again = confirm("sven", key, "SO-792");
        assertThat(again.body().get("id")).isEqualTo(first.body().get("id"));
        assertThat(count("mails where about = 'SO-792'")).isEqualTo(1);

        assertThat(sent.after()).singleElement().satisfies(mail -> {
            assertThat(mail.subject()).isEqualTo("Your order SO-792");
            assertThat(mail.to()).isEqualTo("office@c110.example");
        });
        JsonNode kept = get("sven", "/api/mails?about=SO-792").body().get(0);
        assertThat(kept.hasNonNull("sentAt")).isTrue();
        String text = pdf("/api/mails/" + kept.get("id").asLong() + "/attachment");
        assertThat(text).contains("Larkmoor Hives", "SO-792", "your reference P 17", "EXTR-4", "12 pcs", "15 Mar 2027");
        // twelve at 449
        assertThat(text).contains("5388.00");
    }

    /** A day that the plan does not keep is told to nobody; the new one is. */
    @Test
    void whatThePlanDoesNotKeepIsNotConfirmed() throws Exception {
        Reply refused = confirm("sven", UUID.randomUUID(), "SO-790");
        assertThat(refused.status()).isEqualTo(422);
        assertThat(refused.body().get("detail").asText()).contains("the plan does not keep");
        JsonNode line = get("sven", "/api/demand/order?number=SO-790")
                .body()
                .get("lines")
                .get(0);
        assertThat(line.get("broken").asBoolean()).isTrue();
        String possible = line.get("possible").asText();
        assertThat(decide("sven", "{'kind':'AMEND','orders':['SO-790~1'],'promised':'" + possible + "'}")
                        .status())
                .isEqualTo(201);
        knowing();
        assertThat(confirm("sven", UUID.randomUUID(), "SO-790").status()).isEqualTo(201);
        assertThat(confirm("emil", UUID.randomUUID(), "SO-790").status()).isEqualTo(403);
        assertThat(confirm("sven", UUID.randomUUID(), "SO-0").status()).isEqualTo(404);
    }

    /** A kit that shows its parts names them. */
    @Test
    void aKitNamesItsPartsWhereItIsToDoSo() throws Exception {
        String number = null;
        for (JsonNode row : get("sven", "/api/demand/lines?kit=true").body().get("rows")) {
            number = row.get("item").asText().equals("KIT-BEGIN")
                    ? row.get("number").asText()
                    : number;
        }
        assertThat(pdf("/api/demand/confirmation?number=" + number)).doesNotContain("Smoker");
        assertThat(decide(
                                "ida",
                                "{'kind':'DATA','rows':[{'table':'items','key':{'code':'KIT-BEGIN'},'fields':{'show_parts':'true'}}]}")
                        .status())
                .isEqualTo(201);
        knowing();
        assertThat(pdf("/api/demand/confirmation?number=" + number)).contains("Smoker");
    }
}
