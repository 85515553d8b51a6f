package rescient.server;

import static org.assertj.core.api.Assertions.assertThat;

import com.fasterxml.jackson.databind.JsonNode;
import java.util.stream.StreamSupport;
import org.junit.jupiter.api.Test;

/** The health of the demo company's data: its trouble is found, waived for a reason, and told again when it changes. */
class HealthApiTest extends ServerTest {
    private JsonNode health(String query) throws Exception {
        Reply reply = get("ida", "/api/data/health" + query);
        assertThat(reply.status()).as(String.valueOf(reply.body())).isEqualTo(200);
        return reply.body();
    }

    private static JsonNode first(JsonNode health, String kind) {
        return StreamSupport.stream(health.get("rows").spliterator(), false)
                .map(row -> row.get("finding"))
                .filter(finding -> finding.get("kind").asText().equals(kind))
                .findFirst()
                .orElse(null);
    }

    private void waive(String id, String reason) throws Exception {
        String body =
                json.createObjectNode().put("id", id).put("reason", reason).toString();
        assertThat(post("ida", "/api/data/health/waivers", null, body).status()).isEqualTo(204);
    }

    @Test
    void theTroublesOfTheDemoAreFound() throws Exception {
        JsonNode health = health("");
        assertThat(first(health, "no_supplier")).isNotNull();
        assertThat(first(health, "reorder_point_low")).isNotNull();
        assertThat(health.get("open").asInt())
                .isEqualTo(health.get("total").asInt())
                .isPositive();
        JsonNode only = health("?kind=no_supplier");
        assertThat(only.get("total").asInt())
                .isEqualTo(health.get("kinds").get("no_supplier").asInt());
    }

    @Test
    void whatIsWaivedStaysSoUntilTheDataChange() throws Exception {
        JsonNode finding = first(health(""), "reorder_point_low");
        String item = finding.get("item").asText();
        waive(finding.get("id").asText(), "It runs out this year");
        assertThat(health("?kind=reorder_point_low&words=" + item).get("total").asInt())
                .isZero();
        JsonNode waived = health("?waived=true").get("rows").get(0);
        assertThat(waived.get("waiver").get("reason").asText()).isEqualTo("It runs out this year");
        assertThat(waived.get("waiver").get("name").asText()).isEqualTo("Ida Holm");

        String lower = finding.get("value")
                .decimalValue()
                .subtract(java.math.BigDecimal.ONE)
                .toPlainString();
        Reply kept = decide(
                "ida",
                "{'kind':'DATA','rows':[{'table':'planning','key':{'item':'" + item + "','site':'"
                        + finding.get("site").asText() + "'},'fields':{'reorder_point':'" + lower + "'}}]}");
        assertThat(kept.status()).as(String.valueOf(kept.body())).isEqualTo(201);
        knowing();
        assertThat(health("?kind=reorder_point_low&words=" + item).get("total").asInt())
                .isEqualTo(1);
    }

    /** What it proposes is taken, and the finding is gone. */
    @Test
    void aFindingIsRepairedWhereItStands() throws Exception {
        JsonNode finding = first(health(""), "reorder_point_low");
        StringBuilder key = new StringBuilder();
        finding.get("row")
                .properties()
                .forEach(field -> key.append(key.isEmpty() ? "" : ",")
                        .append("'" + field.getKey() + "':'" + field.getValue().asText() + "'"));
        decide(
                "ida",
                "{'kind':'DATA','rows':[{'table':'" + finding.get("table").asText() + "','key':{" + key
                        + "},'fields':{'" + finding.get("column").asText() + "':'"
                        + finding.get("would").asText() + "'}}]}");
        knowing();
        assertThat(health("?kind=reorder_point_low&words=" + finding.get("item").asText())
                        .get("total")
                        .asInt())
                .isZero();
    }
}
