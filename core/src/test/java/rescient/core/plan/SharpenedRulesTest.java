package rescient.core.plan;

import static org.assertj.core.api.Assertions.assertThat;
import static rescient.core.Example.buy;
import static rescient.core.Example.day;
import static rescient.core.Example.make;
import static rescient.core.Example.orders;
import static rescient.core.Example.signals;

import java.math.BigDecimal;
import java.util.List;
import org.junit.jupiter.api.Test;
import rescient.core.Example;
import rescient.core.base.Quantity;
import rescient.core.base.Ratio;
import rescient.core.base.WorkCalendar;
import rescient.core.company.Change;
import rescient.core.company.CustomerOrderLine;
import rescient.core.company.ForecastBucket;
import rescient.core.company.ItemKind;
import rescient.core.company.OpenOrder;
import rescient.core.company.Operation;
import rescient.core.company.PeriodUnit;
import rescient.core.company.PlanningData;
import rescient.core.company.PlanningRule;
import rescient.core.company.Source;
import rescient.core.company.Stage;
import rescient.core.company.SupplierTerms;
import rescient.core.company.WorkCenter;
import rescient.core.promise.Promise;
import rescient.core.snapshot.PlanOptions;
import rescient.core.snapshot.Signal;
import rescient.core.trace.PlanThread;

/** The sentences of the rules that could be read in two ways, each worked out by hand. */
class SharpenedRulesTest {
    private static String possible(Plan plan, String item) {
        return plan.point(item, "W").orElseThrow().demands().stream()
                .map(d -> d.possibleDay() == null ? "never" : Example.text(d.possibleDay()))
                .reduce((a, b) -> a + ", " + b)
                .orElse("");
    }

    private static String cause(Plan plan, String order) {
        return plan.signals().stream()
                .filter(s ->
                        s.kind() == Signal.Kind.DEMAND_LATE && s.orderNumber().equals(order))
                .map(s -> s.causeItem() + " " + s.causeSite())
                .reduce("", (a, b) -> a + b);
    }

    /** Clause 1: 0.4 of 0.3 of 0.002 for each, through two kits: 7 × 0.00024 = 0.00168, rounded up once: 1. */
    @Test
    void ratiosAreMultipliedExactlyAndRoundedOnce() {
        Example example = new Example().planned(buy("LABEL").leadTimeDays(1));
        example.item("BIG", ItemKind.KIT).item("MID", ItemKind.KIT).item("SMALL", ItemKind.KIT);
        example.bom("BIG", "MID", "0.4").bom("MID", "SMALL", "0.3").bom("SMALL", "LABEL", "0.002");
        assertThat(orders(example.wanted("BIG", 7, "20 Mar").plan())).containsExactly("LABEL 1: 19 Mar > 20 Mar");
    }

    /** 19 digits and more after five kits: 3,000,000 × 0.123457⁵ = 86.04…, so 87. */
    @Test
    void aFactorMayHaveMoreDigitsThanANumberOfTheMachine() {
        Ratio each = Ratio.of(new BigDecimal("0.123457"));
        Ratio five = each.times(each).times(each).times(each).times(each);
        BigDecimal exact = new BigDecimal("0.123457").pow(5).multiply(new BigDecimal(3_000_000));
        assertThat(exact).isBetween(new BigDecimal("86"), new BigDecimal("87"));
        assertThat(five.up(Quantity.of(3_000_000), Quantity.ONE)).isEqualTo(Quantity.of(87));
        assertThat(five.down(Quantity.of(3_000_000), Quantity.ONE)).isEqualTo(Quantity.of(86));
        assertThat(five.times(five.inverse())).isEqualTo(Ratio.ONE);
    }

    /** What the coater's premises are is not who the order goes to. */
    @Test
    void aSubcontractOrderNamesTheSupplierOfItsRow() {
        PlanningData row = new PlanningData("DRUM", "W", Source.SUBCONTRACT)
                .fromSite("C")
                .supplier("COATER")
                .leadTimeDays(2);
        Plan plan = new Example().planned(row).wanted("DRUM", 3, "20 Mar").plan();
        assertThat(plan.plannedOrders())
                .extracting(PlannedOrder::supplier, PlannedOrder::fromSite)
                .containsExactly(org.assertj.core.groups.Tuple.tuple("COATER", "C"));
    }

    /** Clause 5: below the reorder point on Wed 18 Mar only, so started that day and due Mon 23, though lead is 3 only. */
    @Test
    void aReorderPointIsWhereOneOrdersAndNotALevelToBeHeld() {
        PlanningData row = buy("A").rule(PlanningRule.FIXED_QUANTITY)
                .reorderPoint(Quantity.of(20))
                .fixedQuantity(Quantity.of(30))
                .leadTimeDays(3);
        Plan plan = new Example()
                .planned(row)
                .stock("A", 24)
                .wanted("A", 5, "18 Mar")
                .plan();
        assertThat(orders(plan)).containsExactly("A 30: 18 Mar > 23 Mar");
    }

    /**
     * Clause 8: 2 on stock, minimum 6. The first wants 5 on 10 Mar: 3 are missing, 6 are made, 3 of them for it. The second
     * wants 2 on 11 Mar: it gets what the minimum added; of the stock nothing is left, for the first took it.
     */
    @Test
    void whatSizingAddsServesTheNextAndNotItsOwn() {
        PlanningData row = make("A")
                .rule(PlanningRule.PER_ORDER)
                .minQuantity(Quantity.of(6))
                .leadTimeDays(1);
        Plan plan = new Example()
                .planned(row)
                .stock("A", 2)
                .wanted("A", 5, "10 Mar")
                .wanted("A", 2, "11 Mar")
                .plan();
        assertThat(plan.point("A", "W").orElseThrow().pegs())
                .extracting(p -> p.demand().number() + " " + p.supply().kind() + " " + Quantity.text(p.quantity()))
                .containsExactly("1 PLANNED 3", "1 STOCK 2", "2 PLANNED 2");
        assertThat(orders(plan)).containsExactly("A 6: 9 Mar > 10 Mar");
    }

    /** Split at 4: for the 9 that one order misses 4, 4 and 1 are made, with a multiple of 4 the last is 4 too. */
    @Test
    void aSplitServesItsOrderWithNoMoreThanItsPart() {
        PlanningData row =
                make("A").rule(PlanningRule.PER_ORDER).multiple(Quantity.of(4)).maxQuantity(Quantity.of(4));
        Plan plan = new Example()
                .planned(row)
                .wanted("A", 9, "10 Mar")
                .wanted("A", 3, "12 Mar")
                .plan();
        assertThat(plan.point("A", "W").orElseThrow().pegs())
                .extracting(p -> p.demand().number() + " " + Quantity.text(p.quantity()))
                .containsExactly("1 4", "1 4", "1 1", "2 3");
    }

    /** Clause 9: what can never be met is late without a date, though nothing of it is late by days. */
    @Test
    void aLineThatCanNeverBeMetIsLate() {
        Plan plan = new Example()
                .planned(new PlanningData("A", "W", Source.NONE))
                .stock("A", 3)
                .wanted("A", 3, "10 Mar")
                .wanted("A", 1, "12 Mar")
                .plan();
        assertThat(possible(plan, "A")).isEqualTo("10 Mar, never");
        assertThat(signals(plan)).contains("demand_late 2 12 Mar").noneMatch(s -> s.startsWith("demand_late 1"));
        assertThat(cause(plan, "2")).isEqualTo("A W");
    }

    private static Example onALoop() {
        return new Example()
                .planned(make("TOP").leadTimeDays(1), make("MID").leadTimeDays(1), make("X"), make("Y"), buy("LOW"))
                .bom("TOP", "MID", "1")
                .bom("MID", "LOW", "1")
                .bom("X", "Y", "1")
                .bom("Y", "X", "1")
                .bom("X", "LOW", "1");
    }

    /** Clause 4: LOW is below the loop of X and Y, so it is not planned, and MID and TOP above it can never be. */
    @Test
    void whatStandsAboveALoopOrAboveWhatIsBelowOneIsNeverPossible() {
        Plan plan = onALoop().stock("LOW", 100).wanted("TOP", 2, "12 Mar").plan();
        assertThat(possible(plan, "TOP")).isEqualTo("never");
        assertThat(possible(plan, "MID")).isEqualTo("never");
        assertThat(cause(plan, "6")).isEqualTo("LOW W");
        assertThat(plan.plannedOrders()).extracting(PlannedOrder::possibleDay).containsExactly(null, null);
        assertThat(plan.lateOrderCount()).isEqualTo(1);
        // the thread leads down to what has no supply
        assertThat(PlanThread.ofCustomerOrder(plan, "6").bars())
                .extracting(b -> b.kind() + " " + b.item() + " " + b.deciding())
                .containsExactly("CUSTOMER_ORDER TOP true", "PLANNED TOP true", "PLANNED MID true", "MISSING LOW true");
    }

    /** Nothing is due within the horizon: what a planned order asks for after it is no demand, wherever it is asked. */
    @Test
    void anOpenOrderThatStillHasToIssueWhatIsOnALoopIsNeverPossible() {
        Plan plan = onALoop()
                .open("M1", Source.MAKE, Stage.RELEASED, "TOP", 2, "11 Mar")
                .stillToIssue("M1", "X", 1, "10 Mar")
                .wanted("TOP", 2, "12 Mar")
                .plan();
        assertThat(possible(plan, "TOP")).isEqualTo("never");
        assertThat(cause(plan, "6")).isEqualTo("X W");
    }

    /** Lines for what lies on the loop or below it itself: the rules say "loop" only, the application counts them. */
    @Test
    void linesForWhatIsOnALoopAreNeverMetInTheApplication() {
        Plan plan =
                onALoop().wanted("X", 2, "12 Mar").wanted("LOW", 1, "13 Mar").plan();
        assertThat(signals(plan)).containsExactly("loop X", "loop Y");
        assertThat(plan.neverMet())
                .extracting(Signal::orderNumber, Signal::causeItem)
                .containsExactly(
                        org.assertj.core.groups.Tuple.tuple("7", "LOW"), org.assertj.core.groups.Tuple.tuple("6", "X"));
        assertThat(plan.allSignals()).containsAll(plan.neverMet());
        assertThat(plan.lateOrderCount()).isEqualTo(2);
        assertThat(plan.isLate("6", "1", "X", "W")).isTrue();
        assertThat(Promise.of(plan)).extracting(Promise::possibleDay).containsExactly(null, null);
        // as if the line were not there
        PlanOptions without = new PlanOptions(java.util.Set.of(), java.util.Set.of(new PlanOptions.Line("6", "1")));
        assertThat(onALoop().wanted("X", 2, "12 Mar").plan(without).neverMet()).isEmpty();
    }

    /** Clause 2: 4 PAIR on 4 Mar; both parts are bought with 3 days, so both are there on 5 Mar: A9 comes before B1. */
    @Test
    void ofPartsOfAKitThatAreEquallyLateTheFirstByItemIsToBlame() {
        Example example =
                new Example().planned(buy("B1").leadTimeDays(3), buy("A9").leadTimeDays(3));
        example.item("PAIR", ItemKind.KIT).bom("PAIR", "B1", "1").bom("PAIR", "A9", "1");
        Plan plan = example.wanted("PAIR", 4, "4 Mar").plan();
        assertThat(plan.lateLines())
                .singleElement()
                .extracting(Signal::item, Signal::causeItem, Signal::newDay)
                .containsExactly("PAIR", "A9", day("5 Mar"));
        assertThat(Promise.of(plan))
                .singleElement()
                .extracting(Promise::causeItem)
                .isEqualTo("A9");
        assertThat(PlanThread.ofCustomerOrder(plan, "3").bars().get(1).item()).isEqualTo("A9");
    }

    /** A kit with one part there in time and one below a loop has no possible date, and is late because of that part. */
    @Test
    void aKitWithAPartBelowALoopIsNeverThere() {
        Example example = onALoop().planned(buy("BOX")).item("SET", ItemKind.KIT);
        example.bom("SET", "BOX", "1").bom("SET", "LOW", "2");
        Plan plan = example.wanted("SET", 1, "12 Mar").plan();
        assertThat(plan.neverMet())
                .singleElement()
                .extracting(Signal::item, Signal::causeItem)
                .containsExactly("SET", "LOW");
        assertThat(Promise.of(plan))
                .singleElement()
                .extracting(Promise::possibleDay, Promise::causeItem)
                .containsExactly(null, "LOW");
    }

    /** Clause 8: of the week's forecasts BULB's own comes first, then those of the kits by item: KIT1 before KIT2. */
    @Test
    void anItemsOwnForecastComesBeforeThoseOfKits() {
        Example example = new Example().planned(buy("BULB")).stock("BULB", 11);
        example.item("KIT2", ItemKind.KIT).item("KIT1", ItemKind.KIT);
        example.bom("KIT2", "BULB", "1").bom("KIT1", "BULB", "1").bom("KIT1", "BULB", "1");
        for (String item : List.of("KIT2", "KIT1", "BULB")) {
            int each = item.equals("BULB") ? 5 : item.equals("KIT1") ? 3 : 4;
            example.builder.forecast(
                    new ForecastBucket("F", item, "W", day("9 Mar"), PeriodUnit.WEEK, Quantity.of(each)));
        }
        // 5 of its own, 3 and 3 of KIT1 from the 11 on stock; the 4 of KIT2 are bought
        assertThat(example.plan().point("BULB", "W").orElseThrow().demands())
                .extracting(d -> Quantity.text(d.quantity()))
                .containsExactly("5", "3", "3", "4");
    }

    /** Clause 7: the step without minutes is on Fri 13 Mar, its work center's last day; what comes before ends with it. */
    @Test
    void whatComesBeforeAStepWithoutMinutesEndsWithItsDay() {
        Example example = new Example().planned(make("A"));
        boolean[] everyDay = {true, true, true, true, true, true, true};
        boolean[] untilThursday = {true, true, true, true, false, false, false};
        example.builder.workCenter(new WorkCenter(
                "M", "W", new WorkCalendar(everyDay, java.util.Map.of(), Example.TODAY), minutes(480), Ratio.ONE));
        example.builder.workCenter(new WorkCenter(
                "N", "W", new WorkCalendar(untilThursday, java.util.Map.of(), Example.TODAY), minutes(480), Ratio.ONE));
        operation(example, "10", "M", 720);
        operation(example, "20", "N", 0);
        operation(example, "30", "M", 240);
        // due Mon 16: step 30 takes half of Sun 15; step 20 moves back to Thu 12; step 10 takes Thu 12 and half of Wed
        // 11
        assertThat(orders(example.wanted("A", 1, "16 Mar").plan())).containsExactly("A 1: 11 Mar > 16 Mar");
    }

    private static Ratio minutes(long value) {
        return new Ratio(value, 1);
    }

    private static void operation(Example example, String step, String center, long setup) {
        example.builder.operation(
                new Operation("A", step, null, center, Ratio.ZERO, minutes(setup), Ratio.ZERO, Ratio.ZERO));
    }

    /**
     * Clause 9: today Mon 2 Mar. By supplier T, whose base row says 4 days, F1 can be there on Fri 6; what it does not say
     * comes from the stock point: 8 days, Thu 12. A released one is believed, a firmed one that is due later too.
     */
    @Test
    void aFirmedPurchaseIsPossibleLikeAPlannedOne() {
        Example example = new Example().planned(buy("A").leadTimeDays(8), buy("B").leadTimeDays(8));
        example.builder.supplierTerms(new SupplierTerms(
                "T", "A", null, Quantity.ONE, 4, Quantity.NOT_SET, Quantity.NOT_SET, Quantity.NOT_SET, 1));
        firmed(example, "F1", Stage.FIRMED, "A", "T", "3 Mar");
        firmed(example, "F2", Stage.FIRMED, "B", "T", "3 Mar");
        firmed(example, "F3", Stage.RELEASED, "B", "T", "4 Mar");
        firmed(example, "F4", Stage.FIRMED, "B", "T", "20 Mar");
        Plan plan = example.wanted("A", 10, "3 Mar")
                .wanted("B", 10, "3 Mar")
                .wanted("B", 10, "4 Mar")
                .wanted("B", 10, "20 Mar")
                .plan();
        assertThat(possible(plan, "A")).isEqualTo("6 Mar");
        assertThat(possible(plan, "B")).isEqualTo("12 Mar, 4 Mar, 20 Mar");
        assertThat(cause(plan, "1")).isEqualTo("A W");
    }

    private static void firmed(Example example, String number, Stage stage, String item, String supplier, String due) {
        example.builder.openOrder(new OpenOrder(
                number,
                "1",
                Source.BUY,
                stage,
                item,
                "W",
                null,
                supplier,
                Quantity.of(10),
                day(due),
                OpenOrder.NO_DAY,
                false));
    }

    /** Nothing waits for M1, but it should have started on 25 Feb: 3 working days, so it comes on Thu 12 and not Mon 9. */
    @Test
    void anOrderThatServesNothingHasItsPossibleDateToo() {
        Plan plan = new Example()
                .planned(make("A"))
                .open("M1", Source.MAKE, Stage.FIRMED, "A", 5, "9 Mar", "25 Feb", false)
                .plan();
        assertThat(plan.point("A", "W").orElseThrow().possibleDay("M1", "1")).isEqualTo(day("12 Mar"));
    }

    /**
     * Clause 5: stock 50, reorder point 40. 30 leave on 9 Mar: 20 and P1's 25, 45 in all. 10 leave on 16 Mar: 35, so 30 are
     * ordered that day. Without P1 the position on 9 Mar would be 20; that later order does not make up for it.
     */
    @Test
    void anOrderPlannedForALaterNeedMakesNoOpenOneSuperfluous() {
        PlanningData row = buy("A").rule(PlanningRule.FIXED_QUANTITY)
                .reorderPoint(Quantity.of(40))
                .fixedQuantity(Quantity.of(30))
                .leadTimeDays(2);
        Example example = new Example()
                .planned(row)
                .stock("A", 50)
                .open("P1", Source.BUY, Stage.RELEASED, "A", 25, "9 Mar")
                .wanted("A", 30, "9 Mar")
                .wanted("A", 10, "16 Mar");
        assertThat(orders(example.plan())).containsExactly("A 30: 16 Mar > 18 Mar");
        assertThat(signals(example.plan())).noneMatch(s -> s.startsWith("cancel"));
    }

    /** Stock 100, two orders for 20 that nothing needs: both go, the later one first. Without P2 115 are still enough. */
    @Test
    void aLaterOrderThatIsNotNeededDoesNotKeepAnEarlierOne() {
        PlanningData row = buy("A").rule(PlanningRule.MIN_MAX)
                .reorderPoint(Quantity.of(90))
                .orderUpTo(Quantity.of(120))
                .leadTimeDays(2);
        Example example = new Example()
                .planned(row)
                .stock("A", 80)
                .open("P1", Source.BUY, Stage.RELEASED, "A", 20, "9 Mar")
                .open("P2", Source.BUY, Stage.RELEASED, "A", 20, "16 Mar");
        // 80 + 20 + 20: without P2 the position is 100, enough; without P1 too it would be 80, below 90: P1 stays
        assertThat(signals(example.plan())).containsExactly("cancel P2 16 Mar");
    }

    /** A fact that cannot be calculated leaves out its point and all below, and nothing else; mended, all is back. */
    @Test
    void oneImpossibleFactLeavesTheRestOfThePlan() {
        Example example = new Example()
                .planned(make("A").leadTimeDays(1), buy("B"), buy("C").leadTimeDays(2))
                .bom("A", "B", "1")
                .wanted("A", 1, "12 Mar")
                .wanted("C", 4, "20 Mar");
        Plan good = example.plan();
        CustomerOrderLine huge =
                new CustomerOrderLine("9", "1", "A", "W", Quantity.of(9_000_000_000_000L), day("13 Mar"), 5);
        CustomerOrderLine another = new CustomerOrderLine("8", "1", "A", "W", huge.quantity(), day("13 Mar"), 5);
        Plan bad = good.after(List.of(new Change.CustomerOrder(huge), new Change.CustomerOrder(another)));
        assertThat(Example.unplannable(bad)).singleElement().asString().startsWith("A: ");
        assertThat(orders(bad)).containsExactly("C 4: 18 Mar > 20 Mar");
        assertThat(bad.point("B", "W").orElseThrow().planned()).isFalse();
        assertThat(bad.neverMet()).extracting(Signal::orderNumber).containsExactlyInAnyOrder("2", "8", "9");
        Plan again = bad.after(List.of(new Change.NoCustomerOrder("9", "1"), new Change.NoCustomerOrder("8", "1")));
        assertThat(orders(again)).isEqualTo(orders(good));
        assertThat(again.signals()).isEqualTo(good.signals());
    }

    /** What a huge minimum comes to in a purchase unit cannot be held: the point says so, whatever else there is. */
    @Test
    void aSizeThatCannotBeHeldLeavesItsPointOut() {
        Example example = new Example().planned(buy("A").minQuantity(Quantity.of(9_000_000_000_000L)), buy("C"));
        example.builder.supplierTerms(new SupplierTerms(
                "S",
                "A",
                Ratio.of(new BigDecimal("0.000001")),
                Quantity.ONE,
                1,
                Quantity.NOT_SET,
                Quantity.NOT_SET,
                Quantity.NOT_SET,
                1));
        Plan plan = example.wanted("A", 1, "20 Mar").wanted("C", 1, "20 Mar").plan();
        assertThat(Example.unplannable(plan)).singleElement().asString().contains("too large to be planned");
        assertThat(plan.plannedOrders()).extracting(PlannedOrder::item).containsExactly("C");
    }
}
