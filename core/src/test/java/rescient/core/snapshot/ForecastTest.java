package rescient.core.snapshot;

import static org.assertj.core.api.Assertions.assertThat;
import static rescient.core.Example.buy;
import static rescient.core.Example.day;

import java.util.List;
import java.util.Map;
import java.util.Set;
import org.junit.jupiter.api.Test;
import rescient.core.Example;
import rescient.core.base.Quantity;
import rescient.core.base.WorkCalendar;
import rescient.core.company.CustomerOrderLine;
import rescient.core.company.ForecastBucket;
import rescient.core.company.ItemKind;
import rescient.core.company.PeriodUnit;
import rescient.core.company.PlanningData;
import rescient.core.company.Shipment;
import rescient.core.plan.Peg;
import rescient.core.plan.Plan;

/** Section 3: buckets, their dates, and who takes what from them. Today is Monday 2 March. */
class ForecastTest {

    private static Example forecast(PlanningData data) {
        return new Example().planned(data);
    }

    private static Example week(Example example, String from, long pieces) {
        return bucket(example, "A", from, PeriodUnit.WEEK, pieces);
    }

    private static Example bucket(Example example, String item, String from, PeriodUnit length, long pieces) {
        example.builder.forecast(new ForecastBucket("Base", item, "W", day(from), length, Quantity.of(pieces)));
        return example;
    }

    /** Forecast demands of an item as "2 Mar 20". */
    private static List<String> net(Example example, String item) {
        return net(example.plan(), item);
    }

    private static List<String> net(Plan plan, String item) {
        return plan.point(item, "W").orElseThrow().demands().stream()
                .filter(d -> d.kind() == DemandKind.FORECAST)
                .map(d -> Example.text(d.dueDay()) + " " + Quantity.text(d.quantity()))
                .toList();
    }

    @Test
    void aBucketFallsOnItsFirstWorkingDay() {
        Example example = week(forecast(buy("A")), "7 Mar", 70);
        bucket(example, "A", "16 Mar", PeriodUnit.DAY, 5);
        // Sat 7 Mar to Fri 13 Mar: Mon 9 Mar
        assertThat(net(example, "A")).containsExactly("9 Mar 70", "16 Mar 5");
    }

    @Test
    void aBucketWithoutAWorkingDayFallsOnItsFirst() {
        Example example = week(forecast(buy("A")), "9 Mar", 70);
        example.builder.site(
                "W",
                new WorkCalendar(
                        new boolean[] {true, true, true, true, true, false, false},
                        Map.of(
                                day("9 Mar"),
                                false,
                                day("10 Mar"),
                                false,
                                day("11 Mar"),
                                false,
                                day("12 Mar"),
                                false,
                                day("13 Mar"),
                                false),
                        Example.TODAY));
        assertThat(net(example, "A")).containsExactly("9 Mar 70");
    }

    @Test
    void theBucketOfTodayCountsTodayAndEndedOnesNotAtAll() {
        Example example = forecast(buy("A"));
        week(example, "23 Feb", 50);
        bucket(example, "A", "2 Mar", PeriodUnit.DAY, 9);
        assertThat(net(example, "A")).containsExactly("2 Mar 9");
    }

    @Test
    void aMonthIsTheCalendarMonthOnlyWhenItStartsOnTheFirst() {
        assertThat(new ForecastBucket("Base", "A", "W", day("1 Apr"), PeriodUnit.MONTH, 0).lastDay())
                .isEqualTo(day("30 Apr"));
        assertThat(new ForecastBucket("Base", "A", "W", day("15 Mar"), PeriodUnit.MONTH, 0).lastDay())
                .isEqualTo(day("14 Apr"));
    }

    @Test
    void anOrderTakesFromItsBucketThenEarlierThenLaterOnes() {
        // 60 on 11 Mar: 40 from its week; back 7 days: 20 from the week that ends on 8 Mar
        Example back = forecast(buy("A").consume(7, 0)).wanted("A", 60, "11 Mar");
        week(week(week(back, "2 Mar", 40), "9 Mar", 40), "16 Mar", 40);
        assertThat(net(back, "A")).containsExactly("2 Mar 20", "16 Mar 40");
        // back 2 days do not reach 8 Mar (3 days before); forward 5 days reach 16 Mar
        Example forward = forecast(buy("A").consume(2, 5)).wanted("A", 60, "11 Mar");
        week(week(week(forward, "2 Mar", 40), "9 Mar", 40), "16 Mar", 40);
        assertThat(net(forward, "A")).containsExactly("2 Mar 40", "16 Mar 20");
    }

    /** 60 on 11 Mar take 40 of their week and, back 7 days, 20 of the week before; 5 more on 12 Mar find 20 there. */
    @Test
    void whoTookWhatOfABucketIsTold() {
        Example example =
                forecast(buy("A").consume(7, 0)).wanted("A", 60, "11 Mar").wanted("A", 5, "12 Mar");
        week(week(week(example, "2 Mar", 40), "9 Mar", 40), "16 Mar", 40);
        Plan plan = example.plan();
        assertThat(ForecastConsumption.told(plan.snapshot(), "A", "W", plan.options()).stream()
                        .map(one -> Example.text(one.bucket().fromDay()) + ": "
                                + one.takes().stream()
                                        .map(take -> take.number() + " " + Quantity.text(take.quantity()))
                                        .toList()
                                + ", " + Quantity.text(one.left())))
                .containsExactly("2 Mar: [1 20, 2 5], 15", "9 Mar: [1 40], 0", "16 Mar: [], 40");
        assertThat(ForecastConsumption.told(plan.snapshot(), "B", "W", plan.options()))
                .isEmpty();
    }

    @Test
    void aBucketNeverGoesBelowZeroAndTheOrderStaysWhole() {
        Example example = week(forecast(buy("A")).wanted("A", 60, "11 Mar"), "9 Mar", 40);
        assertThat(net(example, "A")).isEmpty();
        assertThat(Example.orders(example.plan())).containsExactly("A 60: 11 Mar > 11 Mar");
    }

    @Test
    void whatWasShippedThisPeriodIsNoLongerForecast() {
        // the month of March holds today: 12 shipped on 1 and 2 Mar count, those of February and of tomorrow do not
        Example example = bucket(forecast(buy("A").consume(99, 99)), "A", "1 Mar", PeriodUnit.MONTH, 40);
        example.builder
                .shipment(new Shipment("A", "W", day("1 Mar"), "1", Quantity.of(5)))
                .shipment(new Shipment("A", "W", day("2 Mar"), "2", Quantity.of(7)))
                .shipment(new Shipment("A", "W", day("27 Feb"), "3", Quantity.of(9)))
                .shipment(new Shipment("A", "W", day("3 Mar"), "4", Quantity.of(9)));
        assertThat(net(example, "A")).containsExactly("2 Mar 28");
    }

    @Test
    void overdueOrdersAndThoseBehindTheHorizonConsumeToo() {
        Example example = forecast(buy("A").consume(60, 60)).wanted("A", 3, "27 Feb");
        week(example, "2 Mar", 10);
        bucket(example, "A", "30 Dec", PeriodUnit.DAY, 10);
        example.builder.customerOrder(new CustomerOrderLine("9", "1", "A", "W", Quantity.of(4), day("31 Dec") + 5, 5));
        assertThat(net(example, "A")).containsExactly("2 Mar 7", "30 Dec 6");
    }

    @Test
    void insideTheDemandFenceOnlyTodaysBucketCounts() {
        // fence 10 days: before 12 Mar only the week of today counts
        Example example = forecast(buy("A").demandFenceDays(10));
        week(week(week(example, "2 Mar", 10), "9 Mar", 20), "16 Mar", 30);
        assertThat(net(example, "A")).containsExactly("2 Mar 10", "16 Mar 30");
    }

    @Test
    void consumptionCanBeTurnedOff() {
        Example example = week(forecast(buy("A")).wanted("A", 6, "11 Mar"), "9 Mar", 40);
        example.builder.forecastConsumption(false);
        assertThat(net(example, "A")).containsExactly("9 Mar 40");
    }

    @Test
    void whatIsLeftOutTakesNothing() {
        Example example = week(forecast(buy("A")).wanted("A", 6, "11 Mar"), "9 Mar", 40);
        assertThat(net(example, "A")).containsExactly("9 Mar 34");
        assertThat(net(example.plan(new PlanOptions(Set.of(), Set.of(new PlanOptions.Line("1", "1")))), "A"))
                .containsExactly("9 Mar 40");
        assertThat(net(example.plan(PlanOptions.without(PlanOptions.Kind.FORECAST)), "A"))
                .isEmpty();
    }

    @Test
    void aKitsForecastIsConsumedByItsOwnOrdersBeforeItIsResolved() {
        // 10 K forecast less 4 ordered: 6 K, 12 B; B's own forecast of 8 is not touched by the kit's order
        Example example = new Example()
                .item("K", ItemKind.KIT)
                .planned(buy("B"))
                .bom("K", "B", "2")
                .wanted("K", 4, "11 Mar");
        bucket(bucket(example, "K", "9 Mar", PeriodUnit.WEEK, 10), "B", "9 Mar", PeriodUnit.WEEK, 8);
        assertThat(net(example, "B")).containsExactlyInAnyOrder("9 Mar 12", "9 Mar 8");
    }

    @Test
    void forecastIsServedAfterOrdersOfTheSameDayAndNamesItsBucket() {
        Example example = forecast(buy("A")).stock("A", 5).wanted("A", 5, "9 Mar");
        example.builder.forecastConsumption(false);
        week(example, "9 Mar", 5);
        List<Peg> pegs = example.plan().point("A", "W").orElseThrow().pegs();
        assertThat(pegs)
                .extracting(p -> p.demand().number() + " " + p.demand().line() + " "
                        + p.supply().kind())
                .containsExactly("1 1 STOCK", "Base 2026-03-09 PLANNED");
    }
}
