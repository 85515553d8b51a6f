package rescient.core.netting;

import static org.assertj.core.api.Assertions.assertThat;
import static rescient.core.Example.buy;
import static rescient.core.Example.day;
import static rescient.core.Example.signals;

import org.junit.jupiter.api.Test;
import rescient.core.Example;
import rescient.core.base.Quantity;
import rescient.core.company.OpenOrder;
import rescient.core.company.PlanningData;
import rescient.core.company.Source;
import rescient.core.company.Stage;
import rescient.core.plan.Plan;

/** Section 5: orders that are there too early, or not wanted at all, the latest looked at first. */
class ReschedulingTest {
    private static Plan plan(PlanningData row, Example example) {
        return example.planned(row).plan();
    }

    private static Example open(Example example, String number, String line, long pieces, String due) {
        example.builder.openOrder(new OpenOrder(
                number,
                line,
                Source.BUY,
                Stage.RELEASED,
                "A",
                "W",
                null,
                null,
                Quantity.of(pieces),
                day(due),
                OpenOrder.NO_DAY,
                false));
        return example;
    }

    /** Of two orders of one day, one of which is enough, the one with the higher number goes: 10, not 2. */
    @Test
    void ofOneDayTheHighestNumberGoesFirst() {
        Example example = open(new Example(), "10", "1", 10, "16 Mar");
        open(example, "2", "1", 10, "16 Mar").wanted("A", 10, "16 Mar");
        assertThat(signals(plan(buy("A"), example))).containsExactly("cancel 10 16 Mar");
    }

    /** Of two lines of one order line 10 goes, not line 2. */
    @Test
    void ofOneOrderTheHighestLineGoesFirst() {
        Example example = open(new Example(), "7", "10", 10, "16 Mar");
        open(example, "7", "2", 10, "16 Mar").wanted("A", 10, "16 Mar");
        assertThat(plan(buy("A"), example).signals())
                .singleElement()
                .extracting(signal -> signal.orderLine())
                .isEqualTo("10");
    }

    /** Wanted on Fri 20 March and there on Mon 16, four days earlier: that is told if at most three are tolerated. */
    @Test
    void whatIsToleratedIsNotPushedBack() {
        Example four = open(new Example(), "P", "1", 10, "16 Mar").wanted("A", 10, "20 Mar");
        assertThat(signals(plan(buy("A").rescheduleTolerance(4), four))).isEmpty();
        Example three = open(new Example(), "P", "1", 10, "16 Mar").wanted("A", 10, "20 Mar");
        assertThat(signals(plan(buy("A").rescheduleTolerance(3), three)))
                .containsExactly("push_back P 16 Mar > 20 Mar");
    }

    /**
     * Two days of safety time. The 10 of B are wanted on Fri 20 March, so by Wed 18, a day on which nothing moves. Without
     * them on hand from then on only, the 5 of A are wanted on Tue 17, so by Fri 13.
     */
    @Test
    void aLaterOrderCountsOnItsProposedDateForEarlierOnes() {
        Example example = open(new Example(), "A", "1", 5, "9 Mar");
        open(example, "B", "1", 10, "12 Mar").wanted("A", 5, "17 Mar").wanted("A", 10, "20 Mar");
        assertThat(signals(plan(buy("A").safetyTimeDays(2), example)))
                .containsExactlyInAnyOrder("push_back B 12 Mar > 18 Mar", "push_back A 9 Mar > 13 Mar");
    }

    /** What is left exactly at safety stock is not below it: 15 come, 10 go, 5 are to stay; without the 5 of Q they do not. */
    @Test
    void exactlySafetyStockIsEnough() {
        Example example = open(new Example(), "P", "1", 10, "9 Mar");
        open(example, "Q", "1", 5, "9 Mar").wanted("A", 10, "9 Mar");
        assertThat(signals(plan(buy("A").safetyStock(Quantity.of(5)), example))).isEmpty();
    }
}
