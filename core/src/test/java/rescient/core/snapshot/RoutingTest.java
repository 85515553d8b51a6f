package rescient.core.snapshot;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static rescient.core.Example.TODAY;
import static rescient.core.Example.buy;
import static rescient.core.Example.day;
import static rescient.core.Example.make;
import static rescient.core.Example.orders;
import static rescient.core.Example.signals;

import java.util.Map;
import org.junit.jupiter.api.Test;
import rescient.core.Example;
import rescient.core.base.Quantity;
import rescient.core.base.Ratio;
import rescient.core.base.WorkCalendar;
import rescient.core.company.BomLine;
import rescient.core.company.Operation;
import rescient.core.company.WorkCenter;
import rescient.core.plan.Plan;

/** Section 7, orders with a routing. Work center M works 480 minutes a day, Monday to Friday. */
class RoutingTest {
    private static final Ratio NONE = new Ratio(0, 1);

    private static Ratio minutes(long value) {
        return new Ratio(value, 1);
    }

    private static Example routed(long... setupAndRun) {
        Example example = new Example().planned(make("A").leadTimeDays(40));
        example.builder.workCenter(new WorkCenter("M", "W", null, minutes(480), Ratio.ONE));
        for (int i = 0; i < setupAndRun.length; i += 2) {
            operation(example, Integer.toString((i / 2 + 1) * 10), null, "M", setupAndRun[i], setupAndRun[i + 1]);
        }
        return example;
    }

    private static void operation(Example example, String step, String site, String center, long setup, long run) {
        example.builder.operation(new Operation("A", step, site, center, NONE, minutes(setup), minutes(run), NONE));
    }

    private static void line(Example example, String component, String step) {
        example.planned(buy(component).leadTimeDays(1));
        example.builder.bomLine(
                new BomLine("A", component, component, Ratio.ONE, false, Integer.MIN_VALUE, Integer.MAX_VALUE, step));
    }

    @Test
    void operationsAreLaidEndToEndBackwardsFromTheDayBefore() {
        // 30 on Fri 20 Mar. Step 20: 60 + 30 × 28 = 900 min = 1.875 days: Thu 19 and 7/8 of Wed 18; step 10: 240 min =
        // half
        // a day: the first eighth of Wed 18 and 3/8 of Tue 17. B is needed by step 20 on 18 Mar, D at the start on 17
        // Mar
        Example example = routed(0, 8, 60, 28).wanted("A", 30, "20 Mar");
        line(example, "B", "20");
        line(example, "D", null);
        assertThat(orders(example.plan()))
                .containsExactly("A 30: 17 Mar > 20 Mar", "B 30: 17 Mar > 18 Mar", "D 30: 16 Mar > 17 Mar");
    }

    @Test
    void thirdsOfADayAddUpToADayExactly() {
        // three operations of 160 of 480 minutes fill Thu 19 Mar and no more
        assertThat(orders(
                        routed(160, 0, 160, 0, 160, 0).wanted("A", 1, "20 Mar").plan()))
                .containsExactly("A 1: 19 Mar > 20 Mar");
        // one minute more reaches into Wed 18
        assertThat(orders(
                        routed(161, 0, 160, 0, 160, 0).wanted("A", 1, "20 Mar").plan()))
                .containsExactly("A 1: 18 Mar > 20 Mar");
    }

    @Test
    void anOperationThatFillsItsDayIsFollowedByTheDayBefore() {
        assertThat(orders(routed(480, 0, 480, 0).wanted("A", 1, "20 Mar").plan()))
                .containsExactly("A 1: 18 Mar > 20 Mar");
    }

    @Test
    void weekendsAndHolidaysOfTheWorkCenterAreStepped() {
        // due Tue 17 Mar; M rests on Mon 16: Fri 13; two days more: Thu 12, Wed 11
        Example example = routed().wanted("A", 1, "17 Mar");
        example.builder.workCenter(new WorkCenter(
                "M",
                "W",
                new WorkCalendar(
                        new boolean[] {true, true, true, true, true, false, false},
                        Map.of(day("16 Mar"), false),
                        TODAY),
                minutes(480),
                Ratio.ONE));
        operation(example, "10", null, "M", 1440, 0);
        assertThat(orders(example.plan())).containsExactly("A 1: 11 Mar > 17 Mar");
    }

    @Test
    void efficiencyQueueAndMoveCount() {
        // (480 ÷ 0.5 + 240 + 240) ÷ 480 = 3 days: 19, 18, 17 Mar
        Example example = routed().wanted("A", 1, "20 Mar");
        example.builder.workCenter(new WorkCenter("M", "W", null, minutes(480), new Ratio(1, 2)));
        example.builder.operation(new Operation("A", "10", null, "M", minutes(240), minutes(480), NONE, minutes(240)));
        assertThat(orders(example.plan())).containsExactly("A 1: 17 Mar > 20 Mar");
    }

    @Test
    void anOperationWithoutMinutesFallsOnTheDayTheNextOneStarts() {
        // step 20 takes a day: Thu 19; step 10 takes nothing, and its work center rests on Thursdays: Wed 18
        Example example = routed().wanted("A", 1, "20 Mar");
        example.builder.workCenter(new WorkCenter(
                "Q",
                "W",
                new WorkCalendar(new boolean[] {true, true, true, false, true, false, false}, Map.of(), TODAY),
                minutes(480),
                Ratio.ONE));
        operation(example, "10", null, "Q", 0, 0);
        operation(example, "20", null, "M", 480, 0);
        line(example, "B", "10");
        line(example, "D", "20");
        assertThat(orders(example.plan()))
                .containsExactly("A 1: 18 Mar > 20 Mar", "B 1: 17 Mar > 18 Mar", "D 1: 18 Mar > 19 Mar");
    }

    @Test
    void anOperationThatNamesTheSiteComesBeforeOneForEverySite() {
        Example example = routed(4800, 0).wanted("A", 1, "20 Mar");
        operation(example, "10", "W", "M", 480, 0);
        assertThat(orders(example.plan())).containsExactly("A 1: 19 Mar > 20 Mar");
        Example other = routed(480, 0).wanted("A", 1, "20 Mar");
        operation(other, "10", "D", "M", 4800, 0);
        assertThat(orders(other.plan())).containsExactly("A 1: 19 Mar > 20 Mar");
    }

    @Test
    void whatShouldHaveStartedIsPossibleByAsManyDaysLater() {
        // 5 days of work due on Thu 5 Mar: Wed 4 back to Thu 26 Feb, 2 working days before Mon 2 Mar: possible on Mon 9
        // Mar
        Plan plan = routed(2400, 0).wanted("A", 1, "5 Mar").plan();
        assertThat(orders(plan)).containsExactly("A 1: 26 Feb > 5 Mar");
        assertThat(signals(plan)).containsExactly("demand_late 1 5 Mar > 9 Mar", "start_overdue A 26 Feb > 5 Mar");
    }

    @Test
    void safetyStockIsFilledAsSoonAsTheRoutingAllows() {
        // 3 days of work from Mon 2 Mar: 2, 3, 4 Mar; due the day after, Thu 5 Mar
        Example example = new Example().planned(make("A").safetyStock(Quantity.of(5)));
        example.builder.workCenter(new WorkCenter("M", "W", null, minutes(480), Ratio.ONE));
        operation(example, "10", null, "M", 1440, 0);
        assertThat(orders(example.plan())).containsExactly("A 5: 2 Mar > 5 Mar");
    }

    @Test
    void absurdMinutesAreNamed() {
        Example example = routed(0, 1_000_000_000).wanted("A", 1_000_000, "20 Mar");
        assertThat(Example.unplannable(example.plan()))
                .singleElement()
                .asString()
                .contains("check its minutes");
        Example nowhere = routed().wanted("A", 1, "20 Mar");
        operation(nowhere, "10", null, "GONE", 1, 1);
        assertThatThrownBy(nowhere::plan).hasMessageContaining("There is no work center GONE");
    }
}
