package rescient.core.order;

import static org.assertj.core.api.Assertions.assertThat;
import static rescient.core.Example.buy;
import static rescient.core.Example.day;

import org.junit.jupiter.api.Test;
import rescient.core.Example;
import rescient.core.base.Quantity;
import rescient.core.company.Change;
import rescient.core.company.PlanningData;
import rescient.core.company.Source;
import rescient.core.snapshot.Snapshot;

/** How long an item takes from one site to another. Depot D gets A from W in two working days. */
class TransferRouteTest {
    private static final Snapshot COMPANY = new Example()
            .planned(
                    buy("A").leadTimeDays(30),
                    new PlanningData("A", "D", Source.TRANSFER).fromSite("W").leadTimeDays(2),
                    buy("B").leadTimeDays(4))
            .plan()
            .snapshot();

    @Test
    void asTheTransferThatIsPlannedInEitherDirection() {
        assertThat(TransferRoute.of(COMPANY, "A", "W", "D").days()).isEqualTo(2);
        assertThat(TransferRoute.of(COMPANY, "A", "D", "W").days()).isEqualTo(2);
    }

    @Test
    void whereNoneIsPlannedNobodyKnows() {
        assertThat(TransferRoute.of(COMPANY, "B", "W", "D")).isNull();
        assertThat(TransferRoute.of(COMPANY, "A", "C", "W")).isNull();
        assertThat(TransferRoute.of(COMPANY, "A", "W", "W")).isNull();
        assertThat(TransferRoute.of(COMPANY, "A", "NOWHERE", "W")).isNull();
    }

    /** To be at W on Tuesday the 10th it leaves D on Friday the 6th, and D has to have it then. */
    @Test
    void itLeavesInTime() {
        Change.Order order = TransferRoute.of(COMPANY, "A", "D", "W").order("T", Quantity.of(3), day("10 Mar"));
        assertThat(order.order().startDay()).isEqualTo(day("6 Mar"));
        assertThat(order.components()).singleElement().satisfies(row -> {
            assertThat(row.component()).isEqualTo("A");
            assertThat(row.quantity()).isEqualTo(Quantity.of(3));
            assertThat(row.neededDay()).isEqualTo(day("6 Mar"));
        });
    }
}
