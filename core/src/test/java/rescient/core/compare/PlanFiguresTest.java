package rescient.core.compare;

import static org.assertj.core.api.Assertions.assertThat;
import static rescient.core.Example.TODAY;
import static rescient.core.Example.buy;
import static rescient.core.Example.day;
import static rescient.core.Example.make;

import java.math.BigDecimal;
import java.time.YearMonth;
import java.util.List;
import java.util.Map;
import net.jqwik.api.ForAll;
import net.jqwik.api.Property;
import org.junit.jupiter.api.Test;
import rescient.core.ChangingCompany;
import rescient.core.Example;
import rescient.core.base.Periods;
import rescient.core.base.Quantity;
import rescient.core.base.Ratio;
import rescient.core.company.Operation;
import rescient.core.company.PlanningData;
import rescient.core.company.Source;
import rescient.core.company.Stage;
import rescient.core.company.WorkCenter;
import rescient.core.plan.Plan;
import rescient.core.plan.Planner;
import rescient.core.prices.Prices;
import rescient.core.snapshot.PlanOptions;

/** What a plan comes to. Today is Monday 2 March 2026. A costs 10, B costs 2; a supplier asks 3 for each B. */
class PlanFiguresTest {
    private static final YearMonth MARCH = YearMonth.of(2026, 3);
    private static final YearMonth APRIL = YearMonth.of(2026, 4);
    private static final Prices PRICES = new Prices() {
        @Override
        public BigDecimal standard(String item) {
            return Map.of("A", BigDecimal.TEN, "B", BigDecimal.valueOf(2)).get(item);
        }

        @Override
        public BigDecimal purchase(String item, String supplier, long units) {
            return supplier == null ? null : Quantity.decimal(units).multiply(BigDecimal.valueOf(3));
        }
    };

    private static PlanFigures figures(Plan plan) {
        return PlanFigures.of(plan, PRICES, Periods.of(Periods.Scale.WEEKS, TODAY, day("31 Dec")));
    }

    private static BigDecimal value(long euros) {
        return BigDecimal.valueOf(euros);
    }

    @Test
    void stockIsWorthWhatLiesThereAtTheEndOfEachWeek() {
        // 5 A and 8 B today; 3 A go on Wed 4 March, 8 B on Thu 12 March for 8 B wanted then
        Plan plan = new Example()
                .planned(make("A").leadTimeDays(1), buy("B").leadTimeDays(1))
                .stock("A", 5)
                .stock("B", 8)
                .wanted("A", 3, "4 Mar")
                .wanted("B", 8, "12 Mar")
                .plan();

        List<BigDecimal> stock = figures(plan).stockValue();
        assertThat(stock.get(0)).isEqualByComparingTo(value(2 * 10 + 8 * 2));
        assertThat(stock.get(1)).isEqualByComparingTo(value(2 * 10));
        assertThat(stock.get(stock.size() - 1)).isEqualByComparingTo(value(2 * 10));
    }

    @Test
    void whatIsMissingIsWorthNothing() {
        // nothing replenishes C: 4 are missing from 4 March on
        Plan plan = new Example()
                .planned(new PlanningData("A", "W", Source.NONE))
                .wanted("A", 4, "4 Mar")
                .plan();

        assertThat(figures(plan).stockValue()).allSatisfy(v -> assertThat(v).isEqualByComparingTo(BigDecimal.ZERO));
    }

    @Test
    void spendIsByTheMonthDueAndTheSupplier() {
        // 20 B planned for 20 March, 10 for 8 April; 7 lie with supplier S since February and count this month
        Plan plan = new Example()
                .planned(buy("B").leadTimeDays(5))
                .wanted("B", 27, "20 Mar")
                .wanted("B", 10, "8 Apr")
                .open("PO1", Source.BUY, Stage.RELEASED, "B", 7, "20 Feb")
                .plan();
        PlanFigures figures = figures(plan);

        assertThat(figures.plannedOrders()).containsEntry(Source.BUY, 2);
        assertThat(figures.spend().get(MARCH).get("S")).isEqualByComparingTo(value(20 * 3));
        assertThat(figures.spend().get(APRIL).get("S")).isEqualByComparingTo(value(10 * 3));
        // the order of February names no supplier, so nobody knows what it costs
        assertThat(figures.unpriced()).isEqualTo(1);
    }

    @Test
    void hoursAreSetupAndRunByTheMonthTheyStart() {
        // each A takes 30 minutes on M after 60 of setup, at half efficiency: (60 + 30 × 4) ÷ 0.5 = 360 min = 6 hours
        Example example = new Example().planned(make("A").leadTimeDays(40));
        example.builder.workCenter(new WorkCenter("M", "W", null, new Ratio(480, 1), new Ratio(1, 2)));
        example.builder.operation(new Operation(
                "A", "10", null, "M", new Ratio(90, 1), new Ratio(60, 1), new Ratio(30, 1), new Ratio(0, 1)));
        PlanFigures figures = figures(example.wanted("A", 4, "20 Mar").plan());

        assertThat(figures.hours()).containsOnlyKeys(MARCH);
        assertThat(figures.hours().get(MARCH).get("M")).isEqualByComparingTo(value(6));
    }

    /** Open orders of the same kind take the routing's hours; what comes from elsewhere takes none of them. */
    @Test
    void hoursOfOpenOrdersCountIfTheyAreMadeLikePlannedOnes() {
        assertThat(hoursOf(Source.MAKE).get(MARCH).get("M")).isEqualByComparingTo(value(6));
        assertThat(hoursOf(Source.TRANSFER)).isEmpty();
    }

    /** 4 A on order for 20 March, when 4 are wanted: nothing more is planned. */
    private static Map<YearMonth, Map<String, BigDecimal>> hoursOf(Source kind) {
        Example example = new Example().planned(make("A"));
        example.builder.workCenter(new WorkCenter("M", "W", null, new Ratio(480, 1), new Ratio(1, 2)));
        example.builder.operation(new Operation(
                "A", "10", null, "M", new Ratio(90, 1), new Ratio(60, 1), new Ratio(30, 1), new Ratio(0, 1)));
        Plan plan = example.wanted("A", 4, "20 Mar")
                .open("O1", kind, Stage.RELEASED, "A", 4, "20 Mar")
                .plan();
        assertThat(plan.plannedOrders()).isEmpty();
        return figures(plan).hours();
    }

    @Test
    void lateOrdersAreCountedWithTheirDays() {
        // B takes 5 working days from Monday 2 March: Monday 9 March; 4 wanted on 5 March are 4 days late; nobody needs
        // C
        Plan plan = new Example()
                .planned(buy("B").leadTimeDays(5), buy("C"), new PlanningData("A", "W", Source.NONE))
                .wanted("B", 4, "5 Mar")
                .wanted("B", 4, "20 Mar")
                .wanted("A", 1, "20 Mar")
                .open("PO1", Source.BUY, Stage.RELEASED, "C", 40, "30 Apr")
                .plan();
        PlanFigures figures = figures(plan);

        assertThat(figures.lateLines()).isEqualTo(1);
        assertThat(figures.daysLate()).isEqualTo(4);
        assertThat(figures.neverMet()).isEqualTo(1);
        assertThat(figures.changesAsked()).isEqualTo(1);
    }

    /** Nothing about the figures depends on how the plan was reached. */
    @Property(tries = 100)
    void aPlanAfterChangesComesToWhatTheFullPlanDoes(@ForAll long seed) {
        ChangingCompany model = new ChangingCompany(seed);
        Plan plan = new Planner().plan(model.snapshot(), PlanOptions.ALL).after(List.of(model.change()));

        assertThat(figures(plan)).isEqualTo(figures(new Planner().plan(model.snapshot(), PlanOptions.ALL)));
    }
}
