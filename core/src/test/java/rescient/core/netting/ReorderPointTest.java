package rescient.core.netting;

import static org.assertj.core.api.Assertions.assertThat;
import static rescient.core.Example.buy;
import static rescient.core.Example.signals;

import java.util.List;
import org.junit.jupiter.api.Test;
import rescient.core.Example;
import rescient.core.base.Quantity;
import rescient.core.company.PlanningRule;
import rescient.core.plan.Plan;
import rescient.core.snapshot.ReorderNeed;
import rescient.core.snapshot.Signal;

class ReorderPointTest {
    /**
     * 305 pieces in the 305 days from 2 March to 31 December are one a day. An order of today, Monday, is there 10 working
     * days later, on Monday 16 March: 14 days, 14 pieces; with 6 of safety stock 20.
     */
    private static Plan with(int reorderPoint) {
        return new Example()
                .planned(buy("A").leadTimeDays(10)
                        .rule(PlanningRule.FIXED_QUANTITY)
                        .fixedQuantity(Quantity.of(50))
                        .safetyStock(Quantity.of(6))
                        .reorderPoint(Quantity.of(reorderPoint)))
                .stock("A", 400)
                .wanted("A", 100, "9 Mar")
                .wanted("A", 205, "1 Jun")
                .plan();
    }

    private static List<Signal> low(Plan plan) {
        return plan.allSignals().stream()
                .filter(s -> s.kind() == Signal.Kind.REORDER_POINT_LOW)
                .toList();
    }

    @Test
    void theReorderPointCoversTheLeadTimeAndTheSafetyStock() {
        assertThat(with(19).point("A", "W").orElseThrow().reorderNeed())
                .contains(new ReorderNeed(Quantity.of(305), 305, 14, Quantity.of(6), Quantity.of(20)));
        assertThat(low(with(19))).singleElement().satisfies(signal -> {
            assertThat(signal.quantity()).isEqualTo(Quantity.of(20));
            assertThat(signal.days()).isEqualTo(14);
        });
        assertThat(low(with(20))).isEmpty();
    }

    @Test
    void itIsNoSignalOfThePlanningRules() {
        assertThat(signals(with(19))).isEmpty();
    }

    /** Twice five million million are more than can be held; one half comes from stock, so that the plan holds all else. */
    @Test
    void demandThatCannotBeAddedUpIsPlannedWithoutTheHint() {
        Plan plan = new Example()
                .planned(buy("A").leadTimeDays(1)
                        .rule(PlanningRule.MIN_MAX)
                        .reorderPoint(Quantity.of(1))
                        .orderUpTo(Quantity.of(10)))
                .stock("A", 5_000_000_000_000L)
                .wanted("A", 5_000_000_000_000L, "9 Mar")
                .wanted("A", 5_000_000_000_000L, "1 Jun")
                .plan();
        // 10 when the stock is used up on 9 March, and what is wanted in June
        assertThat(plan.plannedOrderCount()).isEqualTo(2);
        assertThat(plan.point("A", "W").orElseThrow().reorderNeed()).isEmpty();
        assertThat(low(plan)).isEmpty();
    }

    @Test
    void whatIsNotOrderedByItsPositionHasNone() {
        Plan plan = new Example()
                .planned(buy("A").leadTimeDays(10).reorderPoint(Quantity.of(1)))
                .wanted("A", 100, "1 Jun")
                .plan();
        assertThat(plan.point("A", "W").orElseThrow().reorderNeed()).isEmpty();
        assertThat(low(plan)).isEmpty();
    }
}
