package rescient.core.netting;

import static org.assertj.core.api.Assertions.assertThat;
import static rescient.core.Example.balances;
import static rescient.core.Example.buy;
import static rescient.core.Example.make;
import static rescient.core.Example.orders;
import static rescient.core.Example.signals;

import org.junit.jupiter.api.Test;
import rescient.core.Example;
import rescient.core.base.Quantity;
import rescient.core.company.CustomerOrderLine;
import rescient.core.company.PlanningData;
import rescient.core.company.PlanningRule;
import rescient.core.company.Source;
import rescient.core.company.Stage;
import rescient.core.plan.Plan;
import rescient.core.snapshot.PlanOptions;
import rescient.core.snapshot.Signal;

/** Section 5: hard and soft needs, pull-in, push-back, cancel. */
class NettingTest {

    @Test
    void stockServesUntilItIsUsedUp() {
        // 35; 20 on 9, 16 and 23 Mar: 15, −5 → 5 due 16 Mar, start 5 working days before; then 20
        Plan plan = new Example()
                .planned(buy("A").leadTimeDays(5))
                .stock("A", 35)
                .wanted("A", 20, "9 Mar")
                .wanted("A", 20, "16 Mar")
                .wanted("A", 20, "23 Mar")
                .plan();
        assertThat(orders(plan)).containsExactly("A 5: 9 Mar > 16 Mar", "A 20: 16 Mar > 23 Mar");
        assertThat(balances(plan, "A")).containsExactly("2 Mar 35", "9 Mar 15", "16 Mar 0", "23 Mar 0");
    }

    @Test
    void aDemandOfThePastCountsToday() {
        Plan plan = new Example()
                .planned(buy("A").leadTimeDays(2))
                .wanted("A", 3, "20 Feb")
                .plan();
        // needed today: start 26 Feb is past; it can be there on 4 Mar, 12 days after 20 Feb
        assertThat(orders(plan)).containsExactly("A 3: 26 Feb > 2 Mar");
        assertThat(signals(plan)).containsExactly("demand_late 1 20 Feb > 4 Mar", "start_overdue A 26 Feb > 2 Mar");
        assertThat(plan.signals().get(0).days()).isEqualTo(12);
    }

    @Test
    void demandsBehindTheHorizonDoNotCount() {
        Example example = new Example().planned(buy("A"));
        example.builder.customerOrder(
                new CustomerOrderLine("9", "1", "A", "W", Quantity.of(5), Example.day("31 Dec") + 1, 5));
        assertThat(orders(example.plan())).isEmpty();
    }

    @Test
    void anOpenOrderIsBroughtForwardBeforeAnythingIsPlanned() {
        // 10 needed on 9 Mar; P1 brings 10 on 16 Mar: bring forward to 9 Mar, nothing planned
        Plan plan = new Example()
                .planned(buy("A").leadTimeDays(1))
                .open("P1", Source.BUY, Stage.RELEASED, "A", 10, "16 Mar")
                .wanted("A", 10, "9 Mar")
                .plan();
        assertThat(orders(plan)).isEmpty();
        assertThat(signals(plan)).containsExactly("bring_forward P1 16 Mar > 9 Mar", "demand_late 1 9 Mar > 16 Mar");
        assertThat(balances(plan, "A")).containsExactly("2 Mar 0", "9 Mar 0");
    }

    @Test
    void pullingInStopsAtItsLimitAndAtLockedOrders() {
        // P1 is locked, P2 lies 14 days later but only 7 are allowed: both stay, 10 are planned
        Plan plan = new Example()
                .planned(buy("A").leadTimeDays(1).pullInDays(7))
                .open("P1", Source.BUY, Stage.RELEASED, "A", 10, "13 Mar", null, true)
                .open("P2", Source.BUY, Stage.RELEASED, "A", 10, "23 Mar")
                .wanted("A", 10, "9 Mar")
                .plan();
        assertThat(orders(plan)).containsExactly("A 10: 6 Mar > 9 Mar");
        // without P2 nothing falls below zero; P1 is locked, so nothing is said about it
        assertThat(signals(plan)).containsExactly("cancel P2 23 Mar");
    }

    @Test
    void releasedOrdersArePulledInBeforeFirmedOnesOfTheSameDay() {
        Plan plan = new Example()
                .planned(buy("A"))
                .open("F1", Source.BUY, Stage.FIRMED, "A", 10, "16 Mar")
                .open("R1", Source.BUY, Stage.RELEASED, "A", 10, "16 Mar")
                .wanted("A", 10, "9 Mar")
                .wanted("A", 10, "16 Mar")
                .plan();
        assertThat(signals(plan)).containsExactly("bring_forward R1 16 Mar > 9 Mar", "demand_late 1 9 Mar > 16 Mar");
    }

    @Test
    void belowSafetyButNotBelowZeroIsPulledInWithoutASignal() {
        // safety 5: 8 − 5 = 3 on 9 Mar is below safety, P1 counts on 9 Mar from then on, nobody is asked to hurry
        Plan plan = new Example()
                .planned(buy("A").safetyStock(Quantity.of(5)))
                .stock("A", 8)
                .open("P1", Source.BUY, Stage.RELEASED, "A", 10, "16 Mar")
                .wanted("A", 5, "9 Mar")
                .plan();
        assertThat(orders(plan)).isEmpty();
        assertThat(signals(plan)).isEmpty();
        assertThat(balances(plan, "A")).containsExactly("2 Mar 8", "9 Mar 13");
    }

    @Test
    void anOrderThatComesTooEarlyIsPushedBackToTheFirstDayThatNeedsIt() {
        // 10 on 6 Mar, needed on 16 Mar only; safety time 1 day: proposed 13 Mar
        Plan plan = new Example()
                .planned(buy("A").safetyTimeDays(1))
                .open("P1", Source.BUY, Stage.RELEASED, "A", 10, "6 Mar")
                .wanted("A", 10, "16 Mar")
                .plan();
        assertThat(signals(plan)).containsExactly("push_back P1 6 Mar > 13 Mar");
    }

    @Test
    void withinTheToleranceAnOrderIsLeftAlone() {
        Plan plan = new Example()
                .planned(buy("A").rescheduleTolerance(10))
                .open("P1", Source.BUY, Stage.RELEASED, "A", 10, "6 Mar")
                .wanted("A", 10, "16 Mar")
                .plan();
        assertThat(signals(plan)).isEmpty();
    }

    @Test
    void ofTwoOrdersTheLatestIsJudgedFirst() {
        // 10 needed on 20 Mar; P1 on 6 Mar and P2 on 13 Mar: P2 is not needed, then P1 only on 20 Mar
        Plan plan = new Example()
                .planned(buy("A"))
                .open("P1", Source.BUY, Stage.RELEASED, "A", 10, "6 Mar")
                .open("P2", Source.BUY, Stage.RELEASED, "A", 10, "13 Mar")
                .wanted("A", 10, "20 Mar")
                .plan();
        assertThat(signals(plan)).containsExactly("cancel P2 13 Mar", "push_back P1 6 Mar > 20 Mar");
    }

    @Test
    void anOverdueReceiptCountsToday() {
        Plan plan = new Example()
                .planned(buy("A"))
                .open("P1", Source.BUY, Stage.RELEASED, "A", 10, "26 Feb")
                .wanted("A", 10, "2 Mar")
                .plan();
        assertThat(orders(plan)).isEmpty();
        assertThat(signals(plan)).containsExactly("receipt_overdue P1 26 Feb");
    }

    @Test
    void safetyStockIsUsedWhenAnOrderWouldStartInThePast() {
        // 15 of safety 20, lead 10: start would lie before today and nothing is below zero: as soon as possible, 16 Mar
        Plan plan = new Example()
                .planned(buy("A").safetyStock(Quantity.of(20)).leadTimeDays(10))
                .stock("A", 15)
                .plan();
        assertThat(orders(plan)).containsExactly("A 5: 2 Mar > 16 Mar");
        assertThat(signals(plan)).containsExactly("below_safety A 2 Mar > 16 Mar", "release_due A 2 Mar > 16 Mar");
    }

    @Test
    void butNoLaterThanTheDayThatWouldFallBelowZero() {
        // as above, but 18 are wanted on 11 Mar: 15 − 18 < 0, so the 5 are due on 11 Mar and should have started 25
        // Feb;
        // on 11 Mar covered is 15 + 5 − 18 = 2, 18 below safety and not below zero: 18 more, as soon as possible 16 Mar
        Plan plan = new Example()
                .planned(buy("A").safetyStock(Quantity.of(20)).leadTimeDays(10))
                .stock("A", 15)
                .wanted("A", 18, "11 Mar")
                .plan();
        assertThat(orders(plan)).containsExactly("A 5: 25 Feb > 11 Mar", "A 18: 2 Mar > 16 Mar");
    }

    @Test
    void theReorderPointIsASoftNeedDueAsEarlyAsItCanBe() {
        // 50, reorder point 45, up to 90; 10 wanted on 4 Mar: position 40 < 45 that day → 50, started
        // on the day of need and not before: due forth(4 Mar, 5) = 11 Mar
        Plan plan = new Example()
                .planned(buy("A").rule(PlanningRule.MIN_MAX)
                        .reorderPoint(Quantity.of(45))
                        .orderUpTo(Quantity.of(90))
                        .leadTimeDays(5))
                .stock("A", 50)
                .wanted("A", 10, "4 Mar")
                .plan();
        assertThat(orders(plan)).containsExactly("A 50: 4 Mar > 11 Mar");
    }

    @Test
    void atTheReorderPointNothingIsOrdered() {
        Plan plan = new Example()
                .planned(buy("A").rule(PlanningRule.MIN_MAX)
                        .reorderPoint(Quantity.of(45))
                        .orderUpTo(Quantity.of(90)))
                .stock("A", 45)
                .plan();
        assertThat(orders(plan)).isEmpty();
    }

    @Test
    void aSoftNeedIsDueNoLaterThanTheFirstShortDay() {
        // lead 10 would be 16 Mar, but 50 leave on 11 Mar: 44 − 50 < 0, so due 11 Mar, start 25 Feb
        Plan plan = new Example()
                .planned(buy("A").rule(PlanningRule.MIN_MAX)
                        .reorderPoint(Quantity.of(45))
                        .orderUpTo(Quantity.of(100))
                        .leadTimeDays(10))
                .stock("A", 44)
                .wanted("A", 50, "11 Mar")
                .plan();
        assertThat(orders(plan)).startsWith("A 56: 25 Feb > 11 Mar");
    }

    @Test
    void sourceNoneMakesNoOrderAndSaysSo() {
        Plan plan = new Example()
                .planned(new PlanningData("A", "W", Source.NONE))
                .wanted("A", 4, "9 Mar")
                .wanted("A", 3, "11 Mar")
                .plan();
        assertThat(orders(plan)).isEmpty();
        Signal none = plan.signals().stream()
                .filter(s -> s.kind() == Signal.Kind.NO_SOURCE)
                .findFirst()
                .orElseThrow();
        // 4 are missing on 9 Mar, 7 in the end
        assertThat(none.day()).isEqualTo(Example.day("9 Mar"));
        assertThat(none.quantity()).isEqualTo(Quantity.of(7));
    }

    @Test
    void expiringStockServesBeforeItsDateAndLeavesOnIt() {
        // 40 until 12 Mar and 30 for ever; 25 on 10 Mar from the 40, 15 expire, 25 on 16 Mar from the 30
        Plan plan = new Example()
                .planned(buy("A").leadTimeDays(1))
                .lot("A", "L1", 40, "12 Mar")
                .stock("A", 30)
                .wanted("A", 25, "10 Mar")
                .wanted("A", 25, "16 Mar")
                .plan();
        assertThat(balances(plan, "A")).containsExactly("2 Mar 70", "10 Mar 45", "12 Mar 30", "16 Mar 5");
        assertThat(signals(plan)).containsExactly("expiring L1 12 Mar");
        assertThat(plan.signals().get(0).quantity()).isEqualTo(Quantity.of(15));
    }

    /** On its expiry day a lot has left: what is wanted then is made anew, and the lot goes to waste whole. */
    @Test
    void aLotServesNothingOnItsExpiryDay() {
        Plan plan = new Example()
                .planned(buy("A").leadTimeDays(1))
                .lot("A", "L1", 40, "12 Mar")
                .wanted("A", 25, "12 Mar")
                .plan();
        assertThat(orders(plan)).containsExactly("A 25: 11 Mar > 12 Mar");
        assertThat(signals(plan)).containsExactly("expiring L1 12 Mar");
        assertThat(plan.signals().get(0).quantity()).isEqualTo(Quantity.of(40));
    }

    @Test
    void stockThatHasExpiredDoesNotCount() {
        Plan plan = new Example()
                .planned(buy("A").leadTimeDays(1))
                .lot("A", "L1", 40, "2 Mar")
                .wanted("A", 5, "10 Mar")
                .plan();
        assertThat(orders(plan)).containsExactly("A 5: 9 Mar > 10 Mar");
        assertThat(signals(plan)).containsExactly("expiring L1 2 Mar");
    }

    @Test
    void insideTheFrozenFenceAnOrderMovesBehindIt() {
        // due 4 Mar, frozen for 5 days: first working day from 7 Mar on is Mon 9 Mar
        Plan plan = new Example()
                .planned(make("A").leadTimeDays(1).frozenDays(5))
                .wanted("A", 2, "4 Mar")
                .plan();
        assertThat(orders(plan)).containsExactly("A 2: 6 Mar > 9 Mar");
        assertThat(signals(plan)).contains("inside_fence A 4 Mar > 9 Mar");
    }

    @Test
    void whatIsLeftOutDoesNotCount() {
        Example example = new Example()
                .planned(buy("A").safetyStock(Quantity.of(3)))
                .stock("A", 10)
                .open("P1", Source.BUY, Stage.FIRMED, "A", 4, "4 Mar")
                .wanted("A", 12, "9 Mar")
                .wanted("A", 5, "10 Mar");
        // 10 + 4 − 12 = 2 of 3; without stock 4 − 12 = −8 of 3; without line 1 10 + 4 − 5 = 9
        assertThat(orders(example.plan())).containsExactly("A 1: 9 Mar > 9 Mar", "A 5: 10 Mar > 10 Mar");
        assertThat(orders(example.plan(PlanOptions.without(PlanOptions.Kind.SAFETY_STOCK))))
                .containsExactly("A 3: 10 Mar > 10 Mar");
        assertThat(orders(example.plan(PlanOptions.without(PlanOptions.Kind.FIRMED))))
                .containsExactly("A 5: 9 Mar > 9 Mar", "A 5: 10 Mar > 10 Mar");
        assertThat(orders(example.plan(
                        new PlanOptions(java.util.Set.of(), java.util.Set.of(new PlanOptions.Line("1", "1"))))))
                .isEmpty();
    }
}
