package rescient.server;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.UUID;
import org.junit.jupiter.api.Test;
import org.springframework.beans.factory.annotation.Autowired;
import org.springframework.transaction.support.TransactionTemplate;
import rescient.core.snapshot.Signal;
import rescient.server.platform.Cause;
import rescient.server.platform.Companies;

/** One number stops nobody: what cannot be planned is refused, and what came in all the same leaves its point out only. */
class ImpossibleFactsTest extends ServerTest {
    private static final String HUGE = ordering("HIVE-10N", "900000000000", "2026-12-09");

    @Autowired
    Companies companies;

    @Autowired
    TransactionTemplate transaction;

    @Test
    void whatCannotBePlannedIsRefusedWhenItIsLookedAtAndWhenItIsKept() throws Exception {
        String seen = consequence(HUGE).get("refusals").toString();
        assertThat(seen).contains("could not be planned any more").contains("too large");
        Reply kept = decide("ida", HUGE);
        assertThat(kept.status()).isEqualTo(422);
        assertThat(kept.body().get("detail").asText())
                .startsWith("Nothing was kept.")
                .contains("too large");
        assertThat(live.failure()).isNull();
        assertThat(decide("ida", HUGE.replace("900000000000", "9000000000000")).status())
                .isEqualTo(400);
        assertThat(count("customer_orders where quantity > 100000")).isZero();
    }

    /** A row that some other program has written leaves its stock point out, says so, and all else is planned. */
    @Test
    void aFactThatCannotBePlannedLeavesItsPointOut() throws Exception {
        int orders = live.current().plan().plannedOrders().size();
        jdbc.update("update customer_orders set quantity = 900000000000 where number = 'SO-790'");
        changedByAnotherProgram();
        assertThat(live.failure()).isNull();
        assertThat(live.current().plan().plannedOrders().size()).isBetween(orders / 2, orders);
        assertThat(live.current().plan().signals())
                .filteredOn(s -> s.kind() == Signal.Kind.UNPLANNABLE)
                .isNotEmpty();
        assertThat(get("ida", "/api/plan/signals").body())
                .filteredOn(signal -> signal.get("kind").asText().equals("unplannable"))
                .isNotEmpty()
                .allSatisfy(signal -> assertThat(signal.get("sentence").asText())
                        .contains("This cannot be planned, nor anything below it"));
        // everybody else goes on deciding
        assertThat(decide("ida", "{'kind':'FIRM','orders':['" + keys("SMOKER-S").get(0) + "']}")
                        .status())
                .isEqualTo(201);
        jdbc.update("update customer_orders set quantity = 4 where number = 'SO-790'");
        changedByAnotherProgram();
        assertThat(live.current().plan().signals()).noneMatch(s -> s.kind() == Signal.Kind.UNPLANNABLE);
    }

    private void changedByAnotherProgram() {
        transaction.executeWithoutResult(status ->
                companies.changed(new Cause(Cause.Kind.SETTING, null, "Somebody else changed the data"), null));
        knowing();
    }

    /** Repeated on a server that writes its fields in another order, with other zeros: the same command. */
    @Test
    void theSameKeyGivesTheSameAnswerHoweverItWasWritten() throws Exception {
        UUID key = UUID.randomUUID();
        String order = keys("ROD-12").get(0);
        Reply first = decide("ida", key, "{'kind':'CHANGE','orders':['" + order + "'],'quantity':130,'note':'soon'}");
        assertThat(first.status()).isEqualTo(201);
        jdbc.update(
                "update commands set request = ? where key = ?",
                "{\"orders\":[\"" + order
                        + "\"],\"quantity\":130.0,\"note\":\"soon\",\"kind\":\"CHANGE\",\"due\":null}",
                key);
        Reply again =
                decide("ida", key, "{'note':'soon','quantity':130.00,'kind':'CHANGE','orders':['" + order + "']}");
        assertThat(again.body()).isEqualTo(first.body());
        assertThat(decide("ida", key, "{'kind':'CHANGE','orders':['" + order + "'],'quantity':131,'note':'soon'}")
                        .status())
                .isEqualTo(409);

        UUID release = UUID.randomUUID();
        String other = keys("NAIL-20").get(0);
        Reply out = release("ida", release, false, other);
        assertThat(out.status()).isEqualTo(201);
        jdbc.update(
                "update commands set request = ? where key = ?",
                "{\"notes\":{},\"note\":\"\",\"leaveOut\":false,\"orders\":[\"" + other + "\"]}",
                release);
        assertThat(release("ida", release, false, other).body()).isEqualTo(out.body());
    }
}
