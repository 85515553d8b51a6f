package rescient.server;

import static org.assertj.core.api.Assertions.assertThat;

import com.fasterxml.jackson.databind.JsonNode;
import java.util.ArrayList;
import java.util.List;
import java.util.Set;
import java.util.TreeSet;
import java.util.UUID;
import org.junit.jupiter.api.Test;

/** What customers are to get, and what of it can go today. */
class GoingOutTest extends ServerTest {
    private JsonNode out(String more) throws Exception {
        Reply reply = get("stella", "/api/stock/out?" + more);
        assertThat(reply.status()).as(String.valueOf(reply.body())).isEqualTo(200);
        return reply.body();
    }

    private static String ship(JsonNode rows) {
        List<String> lines = new ArrayList<>();
        rows.forEach(
                row -> lines.add("{'act':'SHIP','number':'" + row.get("number").asText() + "','line':'"
                        + row.get("line").asText() + "','quantity':"
                        + row.get("ready").asText() + "}"));
        return "{'lines':[" + String.join(",", lines) + "]}";
    }

    /** Nothing is there twice: all that is said to be there goes out in one posting, whole lines and parts of lines. */
    @Test
    void allThatIsThereCanGoTogether() throws Exception {
        JsonNode whole = out("state=whole");
        JsonNode part = out("state=part");
        assertThat(whole.get("rows").size()).isGreaterThan(5);
        List<JsonNode> all = new ArrayList<>();
        whole.get("rows").forEach(all::add);
        part.get("rows").forEach(all::add);
        com.fasterxml.jackson.databind.node.ArrayNode rows =
                new com.fasterxml.jackson.databind.ObjectMapper().createArrayNode();
        rows.addAll(all);
        Reply posted = post("stella", "/api/stock/postings", UUID.randomUUID(), ship(rows));
        assertThat(posted.status()).as(String.valueOf(posted.body())).isEqualTo(201);
        knowing();
        // what is left waits
        assertThat(out("").get("whole").asInt()).isZero();
        assertThat(out("").get("total").asInt()).isGreaterThan(0);
    }

    @Test
    void byDayCustomerAndWords() throws Exception {
        JsonNode all = out("").get("rows");
        String day = all.get(all.size() / 2).get("due").asText();
        out("until=" + day)
                .get("rows")
                .forEach(row -> assertThat(row.get("due").asText()).isLessThanOrEqualTo(day));
        assertThat(out("until=" + day).get("total").asInt()).isBetween(1, all.size() - 1);
        String customer = all.get(0).get("customer").asText();
        Set<String> customers =
                new TreeSet<>(out("customer=" + customer).get("rows").findValuesAsText("customer"));
        assertThat(customers).containsExactly(customer);
        String number = all.get(0).get("number").asText();
        assertThat(new TreeSet<>(out("words=" + number).get("rows").findValuesAsText("number")))
                .contains(number);
        assertThat(out("words=nobody").get("total").asInt()).isZero();
    }

    /** What goes together waits for its last line. */
    @Test
    void anOrderThatGoesTogetherWaitsForAllOfIt() throws Exception {
        JsonNode waits = null;
        for (JsonNode row : out("state=waits").get("rows")) {
            String number = row.get("number").asText();
            boolean others = false;
            for (JsonNode other : out("words=" + number).get("rows")) {
                others |= other.get("number").asText().equals(number)
                        && other.get("state").asText().equals("whole");
            }
            waits = others && waits == null ? row : waits;
        }
        assertThat(waits).isNotNull();
        String number = waits.get("number").asText();
        jdbc.update("update customer_orders set complete = true where number = ?", number);
        store.replace(store.read().dataset(), "Larkmoor Hives", true);
        knowing();
        Set<String> states = new TreeSet<>();
        out("words=" + number).get("rows").forEach(row -> {
            if (row.get("number").asText().equals(number)) {
                states.add(row.get("state").asText());
            }
        });
        assertThat(states).containsExactly("waits");
    }

    /** Twelve hives are to be assembled for a line, and all their parts are there: they go as if they were there. */
    @Test
    void whatIsAssembledForALineGoesWithIt() throws Exception {
        JsonNode line = null;
        for (JsonNode row : out("words=HIVE-10N").get("rows")) {
            line = row.get("item").asText().equals("HIVE-10N")
                            && row.get("site").asText().equals("LARKMOOR")
                            && row.get("ready").asInt() == 0
                            && row.get("open").asInt() <= 12
                    ? row
                    : line;
        }
        assertThat(line).as("a line that waits for hives").isNotNull();
        String number = line.get("number").asText();
        jdbc.update(
                "update supply_order_lines set for_order = ?, for_line = ? where order_number = 'AO-106'",
                number,
                line.get("line").asText());
        store.replace(store.read().dataset(), "Larkmoor Hives", true);
        knowing();
        JsonNode now = null;
        for (JsonNode row : out("words=" + number).get("rows")) {
            now = row.get("key").equals(line.get("key")) ? row : now;
        }
        assertThat(now.get("assembled").asInt()).isEqualTo(line.get("open").asInt());
        assertThat(now.get("state").asText()).isEqualTo("whole");
        com.fasterxml.jackson.databind.node.ArrayNode rows =
                new com.fasterxml.jackson.databind.ObjectMapper().createArrayNode();
        rows.add(now);
        Reply posted = post("stella", "/api/stock/postings", UUID.randomUUID(), ship(rows));
        assertThat(posted.status()).as(String.valueOf(posted.body())).isEqualTo(201);
        assertThat(new TreeSet<>(posted.body().get("posting").get("movements").findValuesAsText("kind")))
                .containsExactly("issue", "output", "shipment");
    }
}
