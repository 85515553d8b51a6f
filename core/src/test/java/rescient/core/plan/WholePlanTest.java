package rescient.core.plan;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static rescient.core.Example.TODAY;
import static rescient.core.Example.buy;
import static rescient.core.Example.day;
import static rescient.core.Example.make;
import static rescient.core.Example.orders;
import static rescient.core.Example.signals;

import java.math.BigDecimal;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.stream.IntStream;
import java.util.stream.Stream;
import net.jqwik.api.ForAll;
import net.jqwik.api.Property;
import org.junit.jupiter.api.Test;
import rescient.core.ChangingCompany;
import rescient.core.Example;
import rescient.core.base.PlanningException;
import rescient.core.base.Quantity;
import rescient.core.base.Ratio;
import rescient.core.base.WorkCalendar;
import rescient.core.company.CustomerOrderLine;
import rescient.core.company.OpenOrder;
import rescient.core.company.PeriodUnit;
import rescient.core.company.PlanningData;
import rescient.core.company.PlanningRule;
import rescient.core.company.Source;
import rescient.core.company.Stage;
import rescient.core.netting.Signals;
import rescient.core.snapshot.PlanOptions;
import rescient.core.snapshot.Signal;
import rescient.core.snapshot.Snapshot;

/** Calendars, sizes at their limits, and signals, through whole plans. */
class WholePlanTest {
    private static final boolean[] WEEKDAYS = {true, true, true, true, true, false, false};

    @Test
    void aSuppliersHolidaysCountForWhatIsBought() {
        // due Fri 20 Mar, lead 3; the supplier rests on Wed 18 Mar: Thu 19, Tue 17, Mon 16
        Example example = new Example().planned(buy("A").leadTimeDays(3)).wanted("A", 5, "20 Mar");
        example.builder.supplier("S", new WorkCalendar(WEEKDAYS, Map.of(day("18 Mar"), false), TODAY));
        assertThat(orders(example.plan())).containsExactly("A 5: 16 Mar > 20 Mar");
    }

    @Test
    void aSupplierWithoutACalendarUsesTheReceivingSites() {
        Example example = new Example().planned(buy("A").leadTimeDays(3)).wanted("A", 5, "20 Mar");
        example.builder.supplier("S", null).site("W", new WorkCalendar(WEEKDAYS, Map.of(day("18 Mar"), false), TODAY));
        assertThat(orders(example.plan())).containsExactly("A 5: 16 Mar > 20 Mar");
    }

    @Test
    void aTransferFollowsTheSendingSitesCalendar() {
        Example example = new Example()
                .planned(new PlanningData("A", "D", Source.TRANSFER)
                        .fromSite("W")
                        .leadTimeDays(1))
                .stock("A", 50)
                .wanted("A", "D", 5, "20 Mar", 5);
        example.builder.site("W", new WorkCalendar(WEEKDAYS, Map.of(day("19 Mar"), false), TODAY));
        assertThat(orders(example.plan())).containsExactly("A 5: 18 Mar > 20 Mar");
    }

    @Test
    void theReceivingSiteMustWorkOnTheDueDate() {
        // needed on Sun 22 Mar: receipt is moved back to Fri 20; a day of safety time makes it Thu 19
        assertThat(orders(new Example()
                        .planned(make("A"))
                        .wanted("A", 5, "22 Mar")
                        .plan()))
                .containsExactly("A 5: 20 Mar > 20 Mar");
        assertThat(orders(new Example()
                        .planned(make("A").safetyTimeDays(1))
                        .wanted("A", 5, "22 Mar")
                        .plan()))
                .containsExactly("A 5: 19 Mar > 19 Mar");
    }

    @Test
    void leadTimeGrowsWithTheQuantityAndIsRoundedUp() {
        // 2 + 0.05 × 50 = 4.5 → 5 working days before 20 Mar: 13 Mar
        Plan plan = new Example()
                .planned(make("A").leadTimeDays(2).leadTimePerUnit(Ratio.of(new BigDecimal("0.05"))))
                .wanted("A", 50, "20 Mar")
                .plan();
        assertThat(orders(plan)).containsExactly("A 50: 13 Mar > 20 Mar");
    }

    @Test
    void aVeryLongLeadTimeReachesFarIntoThePast() {
        // 3 000 working days are 600 weeks: 4 200 days before Fri 20 Mar 2026
        Plan plan = new Example()
                .planned(buy("A").leadTimeDays(3_000))
                .wanted("A", 5, "20 Mar")
                .plan();
        assertThat(plan.plannedOrders().get(0).startDay()).isEqualTo(day("20 Mar") - 4_200);
        assertThat(plan.plannedOrders().get(0).possibleDay()).isEqualTo(TODAY + 4_200);
    }

    @Test
    void anAbsurdLeadTimePerUnitIsNamed() {
        Example example = new Example()
                .planned(make("A").leadTimePerUnit(Ratio.of(BigDecimal.ONE)))
                .wanted("A", 1_000_000, "20 Mar");
        assertThat(Example.unplannable(example.plan()))
                .singleElement()
                .asString()
                .contains("A at W would take 1000000 working days");
    }

    @Test
    void sixtyLevelsArePlannedOneAfterTheOther() {
        Example example = new Example();
        for (int level = 0; level < 60; level++) {
            example.planned(make("L%02d".formatted(level)).leadTimeDays(1));
            if (level > 0) {
                example.bom("L%02d".formatted(level - 1), "L%02d".formatted(level), "1");
            }
        }
        Plan plan = example.wanted("L00", 1, "30 Nov").plan();
        // 60 working days are 12 weeks before Mon 30 Nov: Mon 7 Sep
        assertThat(orders(plan)).hasSize(60).last().isEqualTo("L59 1: 7 Sep > 8 Sep");
    }

    @Test
    void oneComponentOfManyParentsGathersAllOfThem() {
        Example example = new Example().planned(buy("Z"));
        for (int parent = 0; parent < 2_000; parent++) {
            String code = "P%04d".formatted(parent);
            example.planned(make(code)).bom(code, "Z", "2").wanted(code, 1, "20 Mar");
        }
        Plan plan = example.plan();
        assertThat(orders(plan)).contains("Z 4000: 20 Mar > 20 Mar").hasSize(2_001);
    }

    @Test
    void quantitiesOfATrillionStayExact() {
        Plan plan = new Example()
                .planned(make("A").multiple(Quantity.of(7)))
                .wanted("A", 1_000_000_000_000L, "20 Mar")
                .plan();
        // 10^12 mod 7 = 1: six more
        assertThat(Quantity.text(plan.plannedOrders().get(0).quantity())).isEqualTo("1000000000006");
    }

    @Test
    void aPeriodOfAMonthEndsBeforeTheSameDayOfTheNext() {
        // from 9 Mar to 8 Apr: 10 + 4 + 6; 9 Apr begins anew
        Plan plan = new Example()
                .planned(make("A").rule(PlanningRule.PERIOD).period(1, PeriodUnit.MONTH))
                .wanted("A", 10, "9 Mar")
                .wanted("A", 4, "1 Apr")
                .wanted("A", 6, "8 Apr")
                .wanted("A", 3, "9 Apr")
                .plan();
        assertThat(orders(plan)).containsExactly("A 20: 9 Mar > 9 Mar", "A 3: 9 Apr > 9 Apr");
    }

    @Test
    void aPeriodKnowsWhatArrivesWithinIt() {
        // 10 on 9 Mar and 10 on 13 Mar, 10 arrive on 12 Mar: never more than 10 are short
        Plan plan = new Example()
                .planned(make("A")
                        .rule(PlanningRule.PERIOD)
                        .period(1, PeriodUnit.WEEK)
                        .pullInDays(0))
                .open("M1", Source.MAKE, Stage.RELEASED, "A", 10, "12 Mar")
                .wanted("A", 10, "9 Mar")
                .wanted("A", 10, "13 Mar")
                .plan();
        assertThat(orders(plan)).containsExactly("A 10: 9 Mar > 9 Mar");
    }

    @Test
    void perOrderFillsTheSafetyStockByAnOrderOfItsOwn() {
        // safety 5, stock 2: 3 for the safety stock, then 6 for the order
        Plan plan = new Example()
                .planned(make("A").rule(PlanningRule.PER_ORDER).safetyStock(Quantity.of(5)))
                .stock("A", 2)
                .wanted("A", 6, "2 Mar")
                .plan();
        assertThat(plan.plannedOrders())
                .extracting(o -> Quantity.text(o.quantity()) + " for " + o.forOrder())
                .containsExactly("3 for null", "6 for 1");
    }

    @Test
    void surplusOfOneOrderServesTheNextDemand() {
        // multiples of 10: 6 are ordered as 10, the 4 over serve the second order of the day
        Plan plan = new Example()
                .planned(make("A").rule(PlanningRule.PER_ORDER).multiple(Quantity.of(10)))
                .wanted("A", 6, "20 Mar")
                .wanted("A", 4, "20 Mar")
                .plan();
        assertThat(plan.plannedOrders())
                .extracting(o -> Quantity.text(o.quantity()) + " for " + o.forOrder())
                .containsExactly("10 for 1");
        assertThat(plan.point("A", "W").orElseThrow().pegs()).hasSize(2);
    }

    @Test
    void firmedOrdersThatShouldStartSaySoAndReleasedOnesDoNot() {
        Example example = new Example()
                .planned(make("A"))
                .open("F1", Source.MAKE, Stage.FIRMED, "A", 5, "10 Mar", "26 Feb", false)
                .open("F2", Source.MAKE, Stage.FIRMED, "A", 5, "11 Mar", "3 Mar", false)
                .open("R1", Source.MAKE, Stage.RELEASED, "A", 5, "12 Mar", "26 Feb", false)
                .wanted("A", 5, "10 Mar")
                .wanted("A", 5, "11 Mar")
                .wanted("A", 5, "12 Mar");
        example.builder.releaseAheadDays(1);
        // F1 starts 2 working days late, so the order it serves is too
        assertThat(signals(example.plan()))
                .containsExactly(
                        "demand_late 1 10 Mar > 12 Mar",
                        "release_due F2 3 Mar > 11 Mar",
                        "start_overdue F1 26 Feb > 10 Mar");
    }

    @Test
    void aBoughtItemWithoutSupplierSaysHowMuchAndWhen() {
        Plan plan = new Example()
                .planned(new PlanningData("A", "W", Source.BUY))
                .wanted("A", 4, "9 Mar")
                .wanted("A", 5, "11 Mar")
                .plan();
        Signal signal = plan.signals().get(0);
        assertThat(signal.kind()).isEqualTo(Signal.Kind.NO_SUPPLIER);
        assertThat(signal.day()).isEqualTo(day("9 Mar"));
        assertThat(signal.quantity()).isEqualTo(Quantity.of(9));
        assertThat(plan.plannedOrders()).hasSize(2);
    }

    @Test
    void aComponentWithoutPlanningDataHasNoSource() {
        Plan plan = new Example()
                .items("B")
                .planned(make("A"))
                .bom("A", "B", "1")
                .wanted("A", 4, "9 Mar")
                .plan();
        assertThat(signals(plan)).contains("no_source B 9 Mar", "below_safety B 9 Mar");
    }

    @Test
    void theReorderPointKeepsAnOrderThatSafetyStockWouldNot() {
        // 50 + P1 20 − 10 = 60; reorder point 55: without P1 the position is 40, so it stays; with 40 it could go
        Example example = new Example()
                .stock("A", 50)
                .open("P1", Source.BUY, Stage.RELEASED, "A", 20, "9 Mar")
                .wanted("A", 10, "16 Mar");
        PlanningData data = buy("A").rule(PlanningRule.MIN_MAX).orderUpTo(Quantity.of(90));
        example.planned(data.reorderPoint(Quantity.of(55)));
        assertThat(signals(example.plan())).isEmpty();
        data.reorderPoint(Quantity.of(40));
        assertThat(signals(example.plan())).containsExactly("cancel P1 9 Mar");
    }

    @Test
    void whatATransferStillHasToShipIsWantedAtTheSendingSite() {
        Example example = new Example()
                .planned(buy("A").leadTimeDays(1), new PlanningData("A", "D", Source.TRANSFER).fromSite("W"));
        example.builder.openOrder(new OpenOrder(
                "T1",
                "1",
                Source.TRANSFER,
                Stage.RELEASED,
                "A",
                "D",
                "W",
                null,
                Quantity.of(8),
                day("12 Mar"),
                day("10 Mar"),
                false));
        example.stillToIssue("T1", "A", 8, "10 Mar").wanted("A", "D", 8, "12 Mar", 5);
        assertThat(orders(example.plan())).containsExactly("A 8: 9 Mar > 10 Mar");
        assertThat(orders(example.plan(PlanOptions.without(PlanOptions.Kind.TRANSFER))))
                // site D before site W
                .containsExactly("A 8: 12 Mar > 12 Mar", "A 8: 11 Mar > 12 Mar");
    }

    @Test
    void horizonAndItemsAreChecked() {
        assertThatThrownBy(() -> Snapshot.builder(TODAY, TODAY - 1)).isInstanceOf(PlanningException.class);
        Example example = new Example().wanted("NOTHING", 1, "9 Mar");
        assertThatThrownBy(example::plan)
                .isInstanceOf(PlanningException.class)
                .hasMessageContaining("There is no item NOTHING");
    }

    @Test
    void anOrderThatCanNeverBeMetIsLateWithoutADate() {
        // A is made of B, which has no source and no stock: A's order has no possible date, because of B
        Example example = new Example().planned(Example.make("A").leadTimeDays(1));
        example.items("B").bom("A", "B", "1").wanted("A", 4, "20 Mar");
        Plan plan = example.plan();
        assertThat(plan.point("A", "W").orElseThrow().demands())
                .singleElement()
                .extracting(Demand::possibleDay, Demand::daysLate)
                .containsExactly(null, null);
        assertThat(plan.signals())
                .extracting(Signal::kind, Signal::item)
                .containsExactlyInAnyOrder(
                        org.assertj.core.groups.Tuple.tuple(Signal.Kind.DEMAND_LATE, "A"),
                        org.assertj.core.groups.Tuple.tuple(Signal.Kind.NO_SOURCE, "B"),
                        org.assertj.core.groups.Tuple.tuple(Signal.Kind.BELOW_SAFETY, "B"));
        assertThat(plan.neverMet())
                .singleElement()
                .extracting(Signal::newDay, Signal::days, Signal::causeItem)
                .containsExactly(OpenOrder.NO_DAY, Signal.NO_DAYS, "B");
    }

    @Test
    void ofTwoOrdersNotNeededTheGreaterNumberIsLookedAtFirstWhateverTheirStage() {
        // 10 are wanted on 20 Mar; both orders bring 10 on 10 Mar. Looked at first, the greater number is not needed;
        // then the
        // other one is, on 20 Mar. Were the stage to count, firmed before released, it would be the other way round.
        Example example =
                new Example().planned(Example.buy("B").leadTimeDays(2)).wanted("B", 10, "20 Mar");
        for (Stage stage : Stage.values()) {
            String number = stage == Stage.RELEASED ? "P9" : "P1";
            example.builder.openOrder(new OpenOrder(
                    number,
                    "1",
                    Source.BUY,
                    stage,
                    "B",
                    "W",
                    null,
                    "S",
                    Quantity.of(10),
                    Example.day("10 Mar"),
                    OpenOrder.NO_DAY,
                    false));
        }
        assertThat(example.plan().signals())
                .extracting(Signal::kind, Signal::orderNumber)
                .containsExactly(
                        org.assertj.core.groups.Tuple.tuple(Signal.Kind.CANCEL, "P9"),
                        org.assertj.core.groups.Tuple.tuple(Signal.Kind.PUSH_BACK, "P1"));
    }

    /** Syrup is cooked from sugar, sugar won from molasses, molasses is left of syrup; water lies on no loop. */
    @Test
    void aLoopKnowsTheWayBackToItself() {
        Plan plan = new Example()
                .planned(make("SYRUP"), make("SUGAR"), make("MOLASSES"), buy("WATER"))
                .bom("SYRUP", "WATER", "1")
                .bom("SYRUP", "SUGAR", "1")
                .bom("SUGAR", "MOLASSES", "1")
                .bom("MOLASSES", "SYRUP", "1")
                .plan();
        assertThat(plan.point("SUGAR", "W").orElseThrow().loop())
                .extracting(PointView::item)
                .containsExactly("SUGAR", "MOLASSES", "SYRUP");
        assertThat(plan.point("WATER", "W").orElseThrow().loop()).isEmpty();
        // what is not planned still says why, and all points together say what the plan says
        assertThat(plan.point("SUGAR", "W").orElseThrow().signals())
                .extracting(Signal::kind)
                .containsExactly(Signal.Kind.LOOP);
        assertThat(plan.point("WATER", "W").orElseThrow().signals()).isEmpty();
    }

    @Property(tries = 200)
    void thePointsTogetherSayWhatThePlanSays(@ForAll long seed) {
        Plan plan = new Planner().plan(new ChangingCompany(seed).snapshot(), PlanOptions.ALL);
        List<Signal> ofKits = plan.allSignals().stream()
                .filter(s -> plan.point(s.item(), s.site()).isEmpty())
                .toList();
        List<Signal> ofPoints = IntStream.range(0, plan.snapshot().points.length)
                .mapToObj(p -> new PointView(plan, p))
                .flatMap(point -> point.signals().stream())
                .toList();
        assertThat(plan.allSignals())
                .containsExactlyInAnyOrderElementsOf(
                        Stream.concat(ofPoints.stream(), ofKits.stream()).toList());
        assertThat(plan.allSignals()).containsAll(plan.signals()).containsAll(plan.neverMet());
        assertThat(plan.allSignals()).isEqualTo(Signals.inOrder(new ArrayList<>(plan.allSignals())));
        for (Signal late : plan.lateLines()) {
            assertThat(plan.isLate(late.orderNumber(), late.orderLine(), late.item(), late.site()))
                    .isTrue();
        }
    }

    /** By start, then due date, then item; what starts later than asked, or of items not asked for, is not among them. */
    @Test
    void ordersAreFoundByTheirStart() {
        Plan plan = new Example()
                .planned(
                        Example.buy("A").leadTimeDays(2),
                        Example.buy("B").leadTimeDays(4),
                        Example.buy("C").leadTimeDays(2))
                .wanted("A", 1, "11 Mar")
                .wanted("A", 2, "20 Mar")
                .wanted("B", 3, "13 Mar")
                .wanted("C", 4, "11 Mar")
                .plan();
        assertThat(taken(OrdersByStart.of(plan, point -> true, Integer.MAX_VALUE, Integer.MAX_VALUE)))
                .containsExactly("A 1", "C 4", "B 3", "|", "A 2");
        OrdersByStart some =
                OrdersByStart.of(plan, point -> !point.item().equals("C"), Example.day("9 Mar"), Example.day("12 Mar"));
        assertThat(some.size()).isEqualTo(1);
        assertThat(taken(some)).containsExactly("A 1");
        assertThat(taken(OrdersByStart.of(plan, point -> false, 0, 0))).isEmpty();
    }

    /** More than are put in order at once. */
    @Test
    void manyOrdersAreFoundByTheirStartToTheLast() {
        Example company = new Example();
        for (int item = 0; item < 50; item++) {
            company.planned(Example.buy("I" + item).leadTimeDays(item % 7));
            for (int day = 0; day < 300; day++) {
                company.builder.customerOrder(new CustomerOrderLine(
                        item + "/" + day, "1", "I" + item, "W", Quantity.ONE, Example.TODAY + day, 5));
            }
        }
        Plan plan = company.plan();
        OrdersByStart orders = OrdersByStart.of(plan, point -> true, Integer.MAX_VALUE, Integer.MAX_VALUE);
        assertThat(orders.size()).isEqualTo(plan.plannedOrderCount()).isGreaterThan(10_000);
        List<PlannedOrder> all = new ArrayList<>();
        int before = Integer.MIN_VALUE;
        for (List<PlannedOrder> day = orders.next(); !day.isEmpty(); day = orders.next()) {
            assertThat(day)
                    .extracting(PlannedOrder::startDay)
                    .containsOnly(day.get(0).startDay());
            assertThat(day.get(0).startDay()).isGreaterThan(before);
            before = day.get(0).startDay();
            all.addAll(day);
        }
        assertThat(all).containsExactlyInAnyOrderElementsOf(plan.plannedOrders());
    }

    private static List<String> taken(OrdersByStart orders) {
        List<String> taken = new ArrayList<>();
        for (List<PlannedOrder> day = orders.next(); !day.isEmpty(); day = orders.next()) {
            if (!taken.isEmpty()) {
                taken.add("|");
            }
            day.forEach(o -> taken.add(o.item() + " " + Quantity.text(o.quantity())));
        }
        return taken;
    }
}
