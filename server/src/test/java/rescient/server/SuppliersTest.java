package rescient.server;

import static org.assertj.core.api.Assertions.assertThat;
import static org.springframework.security.test.web.servlet.request.SecurityMockMvcRequestPostProcessors.csrf;

import com.fasterxml.jackson.databind.JsonNode;
import java.time.LocalDate;
import java.util.List;
import java.util.Map;
import java.util.UUID;
import org.junit.jupiter.api.Test;
import org.springframework.test.web.servlet.request.MockMvcRequestBuilders;

/** How suppliers deliver, by the record: ten motors are on order of TANDEM with PO-2041. */
class SuppliersTest extends ServerTest {
    private static final String ORDER = "PO-2041";

    private LocalDate today() {
        return live.current().today();
    }

    private JsonNode record(String more) throws Exception {
        Reply reply = get("bram", "/api/suppliers/record?supplier=TANDEM" + more);
        assertThat(reply.status()).as(String.valueOf(reply.body())).isEqualTo(200);
        return reply.body();
    }

    private void confirm(LocalDate day) throws Exception {
        Reply reply = decide(
                "bram", "{'kind':'CONFIRMED','number':'" + ORDER + "','lines':[{'line':'1','date':'" + day + "'}]}");
        assertThat(reply.status()).as(String.valueOf(reply.body())).isEqualTo(201);
        knowing();
    }

    private JsonNode postStock(String lines) throws Exception {
        Reply reply =
                post("stella", "/api/stock/postings", UUID.randomUUID(), "{'reason':'so','lines':[" + lines + "]}");
        assertThat(reply.status()).as(String.valueOf(reply.body())).isEqualTo(201);
        knowing();
        return reply.body();
    }

    private List<Map<String, Object>> receipts() {
        return jdbc.queryForList("select * from receipts where number = ? order by received_date", ORDER);
    }

    /** He promised it for today and then for later; that it came today is in time, by what he said first. */
    @Test
    void whatCameIsHeldAgainstTheFirstPromise() throws Exception {
        int before = record("").get("sum").get("lines").asInt();
        confirm(today());
        confirm(today().plusDays(7));
        assertThat(record("").get("sum").get("lines").asInt()).isEqualTo(before + 1);
        assertThat(record("&figure=in_time&item=MOTOR-180").get("lines").findValuesAsText("number"))
                .doesNotContain(ORDER);

        JsonNode received = postStock("{'act':'RECEIVE','number':'" + ORDER + "','line':'1'}");
        JsonNode line = null;
        for (JsonNode one : record("&figure=in_time&item=MOTOR-180").get("lines")) {
            line = one.get("number").asText().equals(ORDER) ? one : line;
        }
        assertThat(line).isNotNull();
        assertThat(line.get("by").asText()).isEqualTo(today().toString());
        assertThat(line.get("promised").asBoolean()).isTrue();
        assertThat(line.get("days").asInt()).isZero();
        assertThat(line.get("inTime").asDouble()).isEqualTo(10);

        // two go back: what came is lowered in the history, and counted as gone back here
        postStock("{'act':'RETURN_TO_SUPPLIER','number':'" + ORDER
                + "','line':'1','item':'MOTOR-180','site':'LARKMOOR','quantity':2}");
        assertThat(receipts()).extracting(row -> row.get("quantity").toString()).containsExactly("8.000000");
        assertThat(record("&figure=returned").get("lines").findValuesAsText("number"))
                .contains(ORDER);
        assertThat(received.get("key").asText()).isNotBlank();
    }

    /** Sent today: that day stands with each receipt, and is gone with it when that is taken back. */
    @Test
    void aReceiptKnowsWhenItsOrderWasSent() throws Exception {
        jdbc.update("update supply_order_lines set state = 'ready' where order_number = ?", ORDER);
        store.replace(store.read().dataset(), "Larkmoor Hives", true);
        Reply sent = reply(
                "bram",
                MockMvcRequestBuilders.post("/api/purchases/sent?number=" + ORDER)
                        .with(csrf())
                        .header("Idempotency-Key", UUID.randomUUID()));
        assertThat(sent.status()).as(String.valueOf(sent.body())).isEqualTo(200);
        knowing();
        confirm(today().plusDays(3));
        JsonNode done = postStock("{'act':'RECEIVE','number':'" + ORDER + "','line':'1','quantity':4}");
        assertThat(receipts()).hasSize(1);
        Map<String, Object> row = receipts().get(0);
        assertThat(row.get("ordered_date")).hasToString(today().toString());
        assertThat(row.get("first_confirmed_date"))
                .hasToString(today().plusDays(3).toString());
        assertThat(row.get("supplier")).isEqualTo("TANDEM");
        // it goes out with the company, and comes in again
        store.replace(store.readWhole().dataset(), "Larkmoor Hives", true);
        assertThat(receipts()).hasSize(1);
        postStock("{'act':'REVERSE','reverses':'" + done.get("key").asText() + "'}");
        assertThat(receipts()).isEmpty();
    }

    /** Each figure of the demo opens as many lines as it says, and all suppliers stand beside each other. */
    @Test
    void everyFigureOpensItsLines() throws Exception {
        boolean some = false;
        for (JsonNode sum : get("bram", "/api/suppliers").body()) {
            String of = "/api/suppliers/record?supplier=" + sum.get("code").asText();
            for (String figure : List.of("in_time", "late", "short", "overdue", "over")) {
                String count = switch (figure) {
                    case "in_time" -> "inTime";
                    case "short" -> "cut";
                    default -> figure;
                };
                JsonNode view = get("bram", of + "&figure=" + figure).body();
                assertThat(view.get("total").asInt())
                        .as(of + figure)
                        .isEqualTo(sum.get(count).asInt());
                some |= figure.equals("late") && view.get("total").asInt() > 0;
            }
            int items = 0;
            for (JsonNode item : get("bram", of).body().get("items")) {
                items += item.get("lines").asInt();
            }
            assertThat(items).isEqualTo(sum.get("lines").asInt());
        }
        assertThat(some).isTrue();
        assertThat(get("bram", "/api/suppliers?words=tandem").body()).hasSize(1);
        assertThat(get("bram", "/api/suppliers/record?supplier=NOBODY").status())
                .isEqualTo(404);
        assertThat(get("bram", "/api/suppliers/record?supplier=TANDEM&figure=odd")
                        .status())
                .isEqualTo(422);
        assertThat(get("bram", "/api/suppliers?days=0").status()).isEqualTo(400);
    }
}
