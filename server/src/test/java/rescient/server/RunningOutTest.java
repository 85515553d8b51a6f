package rescient.server;

import static org.assertj.core.api.Assertions.assertThat;

import com.fasterxml.jackson.databind.JsonNode;
import java.util.ArrayList;
import java.util.List;
import org.junit.jupiter.api.Test;
import rescient.core.plan.Balance;
import rescient.core.plan.PointView;

/** What runs out if nothing more is ordered. */
class RunningOutTest extends ServerTest {
    private JsonNode list(String query) throws Exception {
        Reply reply = get("ida", "/api/plan/running-out?" + query);
        assertThat(reply.status()).as(String.valueOf(reply.body())).isEqualTo(200);
        return reply.body();
    }

    /** Every stock point whose balance without planned orders falls below zero, the soonest first. */
    @Test
    void allThatRunOutInTurn() throws Exception {
        JsonNode all = list("limit=1000");
        List<String> phantoms = jdbc.queryForList("select code from items where kind = 'phantom'", String.class);
        assertThat(phantoms).isNotEmpty();
        long expected = live.current().plan().points().stream()
                .filter(point -> !phantoms.contains(point.item()))
                .filter(point -> point.balancesWithoutPlanned().stream().anyMatch(b -> b.balance() < 0))
                .count();
        assertThat(all.get("total").asLong()).isEqualTo(expected).isPositive();
        List<String> days = new ArrayList<>();
        all.get("rows").forEach(row -> days.add(row.get("out").asText()));
        assertThat(days).isSorted();
        JsonNode bearing = list("words=BRG-6202").get("rows").get(0);
        PointView point = live.current().plan().point("BRG-6202", "LARKMOOR").orElseThrow();
        Balance first = point.balancesWithoutPlanned().stream()
                .filter(b -> b.balance() < 0)
                .findFirst()
                .orElseThrow();
        assertThat(bearing.get("days").asInt())
                .isEqualTo(first.day() - live.current().plan().snapshot().today());
        assertThat(keys("BRG-6202")).contains(bearing.get("order").asText());
        String last = all.get("rows").get(all.get("rows").size() - 1).get("key").asText();
        assertThat(list("limit=0&place=" + last).get("place").asLong()).isEqualTo(expected - 1);
    }

    /** What the same supplier has short at the same site is counted, and found by the supplier. */
    @Test
    void whatTheSameSupplierHasShort() throws Exception {
        JsonNode with = null;
        for (JsonNode row : list("limit=1000").get("rows")) {
            with = with == null && row.get("others").asInt() > 0 ? row : with;
        }
        String supplier = with.get("supplier").asText();
        int here = 0;
        JsonNode ofTheSame = list("supplier=" + supplier + "&limit=1000").get("rows");
        for (JsonNode row : ofTheSame) {
            assertThat(row.get("supplier").asText()).isEqualTo(supplier);
            here += row.get("site").equals(with.get("site")) ? 1 : 0;
        }
        assertThat(with.get("others").asInt()).isEqualTo(here - 1);
        assertThat(list("before=2000-01-01").get("total").asInt()).isZero();
    }
}
