package rescient.server;

import static org.assertj.core.api.Assertions.assertThat;

import com.fasterxml.jackson.databind.JsonNode;
import java.util.ArrayList;
import java.util.List;
import java.util.UUID;
import org.junit.jupiter.api.Test;

/** What customers were promised against what was shipped. */
class KeptPromisesTest extends ServerTest {
    private JsonNode kept(String asked) throws Exception {
        Reply reply = get("stella", "/api/demand/kept?limit=1000" + asked);
        assertThat(reply.status()).as(String.valueOf(reply.body())).isEqualTo(200);
        return reply.body();
    }

    /** Sums of months, customers and groups are those of their lines. */
    @Test
    void sumsAreThoseOfTheLines() throws Exception {
        JsonNode all = kept("");
        assertThat(all.get("total").asInt()).isGreaterThan(200);
        for (String by : List.of("months", "customers", "groups")) {
            int lines = 0;
            int good = 0;
            for (JsonNode sum : all.get(by)) {
                lines += sum.get("lines").asInt();
                good += sum.get("kept").asInt();
            }
            assertThat(lines).as(by).isEqualTo(all.get("total").asInt());
            assertThat(good).as(by).isEqualTo(all.get("sum").get("kept").asInt());
        }
        List<Integer> days = new ArrayList<>();
        all.get("rows").forEach(row -> days.add(row.get("days").asInt()));
        assertThat(days).as("the latest first").isSortedAccordingTo((a, b) -> b - a);
    }

    /** One month alone: its lines, while the other months stay in sight. */
    @Test
    void whatIsChosenIsListed() throws Exception {
        JsonNode all = kept("");
        JsonNode month = all.get("months").get(2);
        JsonNode chosen = kept("&month=" + month.get("code").asText());
        assertThat(chosen.get("total").asInt()).isEqualTo(month.get("lines").asInt());
        assertThat(chosen.get("months").size()).isEqualTo(all.get("months").size());
        chosen.get("rows")
                .forEach(row -> assertThat(row.get("promised").asText())
                        .startsWith(month.get("code").asText()));
        JsonNode broken = kept("&broken=true");
        assertThat(broken.get("total").asInt())
                .isEqualTo(all.get("total").asInt() - all.get("sum").get("kept").asInt());
        broken.get("rows").forEach(row -> assertThat(row.get("turned").asText()).isNotEqualTo("kept"));
        assertThat(get("stella", "/api/demand/kept?month=2026-13").status()).isEqualTo(400);
    }

    /** An order that is shipped today, before its day, was kept. */
    @Test
    void whatIsShippedIsHeldAgainstItsPromise() throws Exception {
        JsonNode line = get("ida", "/api/demand/lines?promised=true&limit=1")
                .body()
                .get("rows")
                .get(0);
        String number = line.get("number").asText();
        assertThat(kept("&words=" + number).get("total").asInt()).isZero();
        Reply stock = post(
                "stella",
                "/api/stock/postings",
                UUID.randomUUID(),
                "{'lines':[{'act':'ADJUST','item':'" + line.get("item").asText() + "','site':'"
                        + line.get("site").asText() + "','quantity':"
                        + line.get("quantity").asText() + "}]}");
        assertThat(stock.status()).as(String.valueOf(stock.body())).isEqualTo(201);
        Reply shipped = post(
                "stella",
                "/api/stock/postings",
                UUID.randomUUID(),
                "{'lines':[{'act':'SHIP','number':'" + number + "','line':'"
                        + line.get("line").asText() + "'}]}");
        assertThat(shipped.status()).as(String.valueOf(shipped.body())).isEqualTo(201);
        knowing();
        JsonNode one = kept("&words=" + number).get("rows").get(0);
        assertThat(one.get("turned").asText()).isEqualTo("kept");
        assertThat(one.get("last").asText()).isEqualTo(live.current().today().toString());
        assertThat(one.get("days").asInt()).isNotPositive();
    }
}
