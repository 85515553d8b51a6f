package rescient.core.plan;

import static org.assertj.core.api.Assertions.assertThat;
import static rescient.core.Example.buy;
import static rescient.core.Example.day;
import static rescient.core.Example.make;

import java.util.List;
import net.jqwik.api.ForAll;
import net.jqwik.api.Property;
import org.junit.jupiter.api.Test;
import rescient.core.ChangingCompany;
import rescient.core.Example;
import rescient.core.base.Periods;
import rescient.core.base.Quantity;
import rescient.core.company.PlanningData;
import rescient.core.company.Source;
import rescient.core.company.Stage;
import rescient.core.snapshot.PlanOptions;

/** Periods and the time-phased record: today is Monday 2 March 2026. */
class PeriodsTest {
    private static List<String> starts(Periods periods) {
        return periods.starts().stream().map(Example::text).toList();
    }

    @Test
    void weeksBeginOnMondayAndMonthsOnTheFirst() {
        assertThat(starts(Periods.of(Periods.Scale.WEEKS, day("4 Mar"), day("17 Mar"))))
                .containsExactly("4 Mar", "9 Mar", "16 Mar");
        assertThat(starts(Periods.of(Periods.Scale.MONTHS, day("4 Mar"), day("17 May"))))
                .containsExactly("4 Mar", "1 Apr", "1 May");
        Periods days = Periods.of(Periods.Scale.DAYS, day("4 Mar"), day("6 Mar"));
        assertThat(starts(days)).containsExactly("4 Mar", "5 Mar", "6 Mar");
        assertThat(days.endOf(2)).isEqualTo(day("6 Mar"));
    }

    /** Days from Wednesday 4 March to Sunday the 22nd, 13 weeks to Sunday 21 June, then months. */
    @Test
    void mixedPeriodsGrowWithTheirDistance() {
        List<String> starts = starts(Periods.of(Periods.Scale.MIXED, day("4 Mar"), day("31 Aug")));
        assertThat(starts.subList(0, 19)).startsWith("4 Mar").endsWith("22 Mar");
        assertThat(starts.subList(19, 32)).startsWith("23 Mar", "30 Mar").endsWith("15 Jun");
        assertThat(starts.subList(32, starts.size())).containsExactly("22 Jun", "1 Jul", "1 Aug");
    }

    /** 4 March 2026 is a Wednesday. */
    @Test
    void weeksBeginOnTheDayThatIsAskedFor() {
        assertThat(starts(Periods.of(Periods.Scale.WEEKS, day("4 Mar"), day("17 Mar"), java.time.DayOfWeek.SUNDAY)))
                .containsExactly("4 Mar", "8 Mar", "15 Mar");
        assertThat(starts(Periods.of(Periods.Scale.WEEKS, day("4 Mar"), day("17 Mar"), java.time.DayOfWeek.SATURDAY)))
                .containsExactly("4 Mar", "7 Mar", "14 Mar");
    }

    @Test
    void everyDayLiesInOnePeriod() {
        Periods weeks = Periods.of(Periods.Scale.WEEKS, day("4 Mar"), day("17 Mar"));
        assertThat(weeks.at(day("1 Jan"))).isZero();
        assertThat(weeks.at(day("8 Mar"))).isZero();
        assertThat(weeks.at(day("9 Mar"))).isEqualTo(1);
        assertThat(weeks.at(day("31 Dec"))).isEqualTo(2);
        assertThat(weeks.endOf(0)).isEqualTo(day("8 Mar"));
    }

    /**
     * 20 legs on hand. In the first week an order takes 5 and 8 go into two chairs that are made by Friday the 6th and
     * start on the 5th; a purchase of 10 comes on the 11th. On the 12th 40 are sold: 17 are left, so 23 are bought for
     * the 12th, starting on the 9th.
     */
    @Test
    void aRecordAddsUp() {
        Plan plan = new Example()
                .planned(make("CHAIR").leadTimeDays(1), buy("LEG").leadTimeDays(3))
                .bom("CHAIR", "LEG", "4")
                .stock("LEG", 20)
                .open("P1", Source.BUY, Stage.RELEASED, "LEG", 10, "11 Mar")
                .wanted("CHAIR", 2, "6 Mar")
                .wanted("LEG", 5, "4 Mar")
                .wanted("LEG", 40, "12 Mar")
                .plan();
        PeriodRecord record = plan.point("LEG", "W")
                .orElseThrow()
                .record(Periods.of(Periods.Scale.WEEKS, day("2 Mar"), day("22 Mar")))
                .orElseThrow();

        assertThat(record.opening()).isEqualTo(Quantity.of(20));
        assertThat(record.cells().stream()
                        .map(c -> List.of(
                                c.customerOrders() / Quantity.ONE,
                                c.components() / Quantity.ONE,
                                c.openReceipts() / Quantity.ONE,
                                c.plannedReceipts() / Quantity.ONE,
                                c.balance() / Quantity.ONE,
                                c.lowest() / Quantity.ONE,
                                c.plannedStarts() / Quantity.ONE)))
                .containsExactly(
                        List.of(5L, 8L, 0L, 0L, 7L, 7L, 0L),
                        List.of(40L, 0L, 10L, 23L, 0L, 0L, 23L),
                        List.of(0L, 0L, 0L, 0L, 0L, 0L, 0L));
    }

    /** Ordered on Monday the 2nd, legs come after ten working days, on Monday the 16th; they are wanted on the 4th. */
    @Test
    void periodsAreLateFromTheNeedToTheDayBeforeItsPossibleDate() {
        Plan plan = new Example()
                .planned(buy("LEG").leadTimeDays(10), buy("SEAT").leadTimeDays(1))
                .wanted("LEG", 5, "4 Mar")
                .wanted("SEAT", 5, "4 Mar")
                .plan();
        Periods weeks = Periods.of(Periods.Scale.WEEKS, day("2 Mar"), day("22 Mar"));
        assertThat(plan.point("LEG", "W")
                        .orElseThrow()
                        .marks(weeks)
                        .orElseThrow()
                        .waiting())
                .containsExactly(true, true, false);
        assertThat(plan.point("SEAT", "W")
                        .orElseThrow()
                        .marks(weeks)
                        .orElseThrow()
                        .waiting())
                .containsExactly(false, false, false);
    }

    /** 10 on hand and nobody brings more: after 6 on the 4th 4 are left, under the safety stock of 6; 5 more are not there. */
    @Test
    void periodsAreMarkedWhereTheBalanceFallsBelowSafetyStockAndBelowZero() {
        Plan plan = new Example()
                .planned(
                        new PlanningData("SEAT", "W", Source.NONE).safetyStock(Quantity.of(6)),
                        new PlanningData("LEG", "W", Source.NONE))
                .stock("SEAT", 10)
                .stock("LEG", 10)
                .wanted("SEAT", 6, "4 Mar")
                .wanted("SEAT", 5, "12 Mar")
                .wanted("LEG", 10, "4 Mar")
                .plan();
        Periods weeks = Periods.of(Periods.Scale.WEEKS, day("2 Mar"), day("15 Mar"));
        PeriodMarks seats = plan.point("SEAT", "W").orElseThrow().marks(weeks).orElseThrow();
        assertThat(seats.stock()).containsExactly(PeriodMarks.Stock.BELOW_SAFETY, PeriodMarks.Stock.BELOW_ZERO);
        assertThat(seats.any()).isTrue();
        PeriodMarks legs = plan.point("LEG", "W").orElseThrow().marks(weeks).orElseThrow();
        assertThat(legs.stock()).containsOnly(PeriodMarks.Stock.ENOUGH);
        assertThat(legs.any()).isFalse();
    }

    @Test
    void whatAPointIsMadeOfAndHowDeepItLies() {
        Plan plan = new Example()
                .planned(make("CHAIR"), buy("LEG"))
                .bom("CHAIR", "LEG", "4")
                .plan();
        PointView chair = plan.point("CHAIR", "W").orElseThrow();
        assertThat(chair.level()).isZero();
        assertThat(chair.components()).extracting(PointView::item).containsExactly("LEG");
        assertThat(chair.components().get(0).level()).isEqualTo(1);
    }

    @Property(tries = 200)
    void theCellsReproduceTheBalancesOfTheDays(@ForAll long seed) {
        Plan plan = new Planner().plan(new ChangingCompany(seed).snapshot(), PlanOptions.ALL);
        Periods.Scale scale = Periods.Scale.values()[Math.floorMod(seed, 4)];
        Periods periods = Periods.of(scale, Example.TODAY, day("31 Dec"));
        for (PointView point : plan.points()) {
            PeriodRecord record = point.record(periods).orElseThrow();
            long before = record.opening();
            for (int p = 0; p < periods.size(); p++) {
                PeriodRecord.Cell cell = record.cells().get(p);
                long after = before - cell.gross() - cell.expired() + cell.openReceipts() + cell.plannedReceipts();
                assertThat(cell.balance()).isEqualTo(after);
                assertThat(cell.balance()).isEqualTo(balance(point, periods.endOf(p), record.opening()));
                assertThat(cell.lowest()).isLessThanOrEqualTo(cell.balance());
                before = after;
            }
        }
    }

    private static long balance(PointView point, int day, long opening) {
        long balance = opening;
        for (Balance row : point.balances()) {
            balance = row.day() <= day ? row.balance() : balance;
        }
        return balance;
    }
}
