package rescient.server;

import static org.assertj.core.api.Assertions.assertThat;

import com.fasterxml.jackson.databind.JsonNode;
import java.util.Map;
import org.junit.jupiter.api.Test;
import rescient.core.company.Source;
import rescient.core.plan.PointView;

/** A line of a customer order that goes from its own site, with a transfer of its own from another. */
class BroughtForLineTest extends ServerTest {
    private static final String WANTED = "2027-02-15";

    /** Something that the depot gets from the works, asked for at the works. */
    private String item() {
        return live.current().plan().points().stream()
                .filter(point -> point.site().equals("QUAYSIDE") && point.source() == Source.TRANSFER)
                .map(PointView::item)
                .findFirst()
                .orElseThrow();
    }

    private String line(String from, String more) {
        return "{'item':'" + item() + "','site':'LARKMOOR','quantity':3,'wanted':'" + WANTED + "','transferFrom':'"
                + from + "'" + more + "}";
    }

    /** The order and its transfer come together and go together. */
    @Test
    void theTransferIsFirmedWithTheOrder() throws Exception {
        Reply kept = decide(
                "sven",
                "{'kind':'ENTER','number':'SO-990','lines':[" + line("QUAYSIDE", ",'due':'" + WANTED + "'") + "]}");
        assertThat(kept.status()).as(String.valueOf(kept.body())).isEqualTo(201);
        knowing();
        Map<String, Object> transfer = jdbc.queryForMap(
                "select kind, stage, item, site, from_site, quantity, due_date::text as due from open_orders"
                        + " where number in (select number from supply_orders where note = 'for SO-990 line 1')");
        assertThat(transfer)
                .containsEntry("kind", "transfer")
                .containsEntry("stage", "firmed")
                .containsEntry("item", item())
                .containsEntry("site", "LARKMOOR")
                .containsEntry("from_site", "QUAYSIDE")
                .containsEntry("due", WANTED);
        assertThat(transfer.get("quantity").toString()).startsWith("3");
        assertThat(undo("sven", kept).status()).isEqualTo(200);
        knowing();
        assertThat(count("customer_orders where number = 'SO-990'")).isZero();
        assertThat(count("supply_orders where note = 'for SO-990 line 1'")).isZero();
    }

    /** Nobody sends anything from the coater to the works: it is said where it is asked for, and nothing is kept. */
    @Test
    void whereNobodyKnowsTheWayItIsSaid() throws Exception {
        JsonNode answer = post("sven", "/api/promise", null, "{'lines':[" + line("SILVERLEAF", "") + "]}")
                .body()
                .get(0);
        assertThat(answer.get("fault").asText()).contains("Nobody knows how long a transfer of " + item());
        Reply kept = decide(
                "sven",
                "{'kind':'ENTER','number':'SO-990','lines':[" + line("SILVERLEAF", ",'due':'" + WANTED + "'") + "]}");
        assertThat(kept.status()).isEqualTo(422);
        assertThat(count("customer_orders where number = 'SO-990'")).isZero();
    }

    /** What is bought for the line alone needs no transfer, whatever else is said. */
    @Test
    void whatIsBoughtForALineIsNotBroughtToo() throws Exception {
        Reply kept = decide(
                "sven",
                "{'kind':'ENTER','number':'SO-990','lines':["
                        + line("QUAYSIDE", ",'due':'" + WANTED + "','supply':'OWN'") + "]}");
        assertThat(kept.status()).as(String.valueOf(kept.body())).isEqualTo(201);
        knowing();
        assertThat(count("supply_orders where note = 'for SO-990 line 1'")).isZero();
    }
}
