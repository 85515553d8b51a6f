package rescient.core.base;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static rescient.core.Example.TODAY;
import static rescient.core.Example.day;

import java.math.BigDecimal;
import java.util.Map;
import org.junit.jupiter.api.Test;

class CalendarAndQuantityTest {
    private final WorkCalendar weekdays = WorkCalendar.mondayToFriday(TODAY);

    @Test
    void steppingBackOverAWeekendCountsWorkingDaysOnly() {
        // Tue 17 Mar, three working days back: Mon 16, Fri 13, Thu 12
        assertThat(weekdays.back(day("17 Mar"), 3)).isEqualTo(day("12 Mar"));
    }

    @Test
    void aDayThatDoesNotWorkIsMovedFirst() {
        // Sat 7 Mar moves back to Fri 6, forwards to Mon 9
        assertThat(weekdays.back(day("7 Mar"), 0)).isEqualTo(day("6 Mar"));
        assertThat(weekdays.forth(day("7 Mar"), 0)).isEqualTo(day("9 Mar"));
        assertThat(weekdays.back(day("7 Mar"), 1)).isEqualTo(day("5 Mar"));
        assertThat(weekdays.forth(day("7 Mar"), 1)).isEqualTo(day("10 Mar"));
    }

    @Test
    void exceptionsCloseWeekdaysAndOpenWeekends() {
        WorkCalendar calendar = new WorkCalendar(
                new boolean[] {true, true, true, true, true, false, false},
                Map.of(day("9 Mar"), false, day("7 Mar"), true),
                TODAY);
        // Fri 6, Sat 7 (open), Mon 9 (closed), Tue 10
        assertThat(calendar.forth(day("6 Mar"), 2)).isEqualTo(day("10 Mar"));
        assertThat(calendar.back(day("10 Mar"), 1)).isEqualTo(day("7 Mar"));
    }

    @Test
    void farAwayDaysFollowTheSameWeekdays() {
        int monday = day("2 Mar") + 7 * 2_000;
        assertThat(weekdays.forth(monday, 5)).isEqualTo(monday + 7);
        assertThat(weekdays.back(monday, 5)).isEqualTo(monday - 7);
        int longAgo = day("2 Mar") - 7 * 2_000;
        assertThat(weekdays.back(longAgo, 3_000)).isEqualTo(longAgo - 4_200);
    }

    @Test
    void theDistanceIsTheNumberOfStepsThatReachADay() {
        // from Thu 5 Mar: 1 step Fri 6, 2 steps Mon 9; Sat 7 is reached by the second
        assertThat(weekdays.distance(day("5 Mar"), day("6 Mar"))).isEqualTo(1);
        assertThat(weekdays.distance(day("5 Mar"), day("7 Mar"))).isEqualTo(2);
        assertThat(weekdays.distance(day("5 Mar"), day("5 Mar"))).isZero();
        assertThat(weekdays.distance(day("5 Mar"), day("1 Mar"))).isZero();
    }

    @Test
    void aCalendarWithoutWorkingDayIsRefused() {
        assertThatThrownBy(() -> new WorkCalendar(new boolean[7], Map.of(), TODAY))
                .isInstanceOf(PlanningException.class)
                .hasMessageContaining("working weekday");
    }

    @Test
    void quantitiesAreExactAndTooLargeOnesRefused() {
        assertThat(Quantity.text(Quantity.of("0.1") + Quantity.of("0.2"))).isEqualTo("0.3");
        assertThat(Quantity.text(Quantity.of("1000000000000"))).isEqualTo("1000000000000");
        assertThatThrownBy(() -> Quantity.of("0.0000001")).isInstanceOf(PlanningException.class);
        assertThatThrownBy(() -> Quantity.plus(Long.MAX_VALUE, 1)).isInstanceOf(PlanningException.class);
    }

    @Test
    void aRatioRoundsOnceAndOnlyWhereItMust() {
        // 20 pieces, 2 each with 5 % scrap: 42 exactly; 0.333 kg each: 6.66 up to 6.66, in whole kg 7
        Ratio withScrap = Ratio.of(new BigDecimal("2")).times(Ratio.of(new BigDecimal("1.05")));
        assertThat(withScrap.up(Quantity.of(20), Quantity.ONE)).isEqualTo(Quantity.of(42));
        Ratio third = Ratio.of(new BigDecimal("0.333"));
        assertThat(third.up(Quantity.of(20), Quantity.step(2))).isEqualTo(Quantity.of("6.66"));
        assertThat(third.up(Quantity.of(20), Quantity.ONE)).isEqualTo(Quantity.of(7));
        assertThat(third.down(Quantity.of(20), Quantity.ONE)).isEqualTo(Quantity.of(6));
    }

    @Test
    void aRatioOfLargeNumbersStaysExact() {
        // 10^12 × 2.5 does not fit; 10^12 × 0.000003 = 3 000 000 does, though the product in between does not
        long huge = Quantity.of("1000000000000");
        assertThat(Ratio.of(new BigDecimal("0.000003")).up(huge, Quantity.ONE)).isEqualTo(Quantity.of(3_000_000));
        assertThatThrownBy(() -> Ratio.of(new BigDecimal("25")).up(huge, Quantity.ONE))
                .isInstanceOf(PlanningException.class);
    }

    @Test
    void numbersOfDocumentsSortByValueThenByCodePoint() {
        assertThat(java.util.stream.Stream.of("B-2", "10", "9", "B-10", "007").sorted(DocumentOrder.INSTANCE))
                .containsExactly("007", "9", "10", "B-10", "B-2");
    }
}
