package rescient.core.trace;

import static org.assertj.core.api.Assertions.assertThat;

import java.math.BigDecimal;
import java.time.LocalDate;
import java.util.Arrays;
import java.util.List;
import org.junit.jupiter.api.Test;
import rescient.core.base.WorkCalendar;

/** A saw that works 480 minutes a day, Monday to Friday; today is Thursday, 3 December 2026. */
class BenchSequenceTest {
    private static final int THURSDAY = (int) LocalDate.of(2026, 12, 3).toEpochDay();

    private static List<String> days(BenchSequence.Work... works) {
        return BenchSequence.of(
                        Arrays.asList(works), BigDecimal.valueOf(480), WorkCalendar.mondayToFriday(THURSDAY), THURSDAY)
                .stream()
                .map(slot -> slot.begins() - THURSDAY + " " + (slot.ends() - THURSDAY))
                .toList();
    }

    private static BenchSequence.Work minutes(int minutes) {
        return new BenchSequence.Work(BigDecimal.valueOf(minutes), null);
    }

    /** 300 and 300 minutes: the second is done on Friday; 600 more reach into Monday, which is four days on. */
    @Test
    void oneAfterTheOtherOnWorkingDays() {
        assertThat(days(minutes(300), minutes(300), minutes(600))).containsExactly("0 0", "0 1", "1 4");
        assertThat(days(minutes(480), minutes(1))).as("a full day is over").containsExactly("0 0", "1 1");
    }

    /** What waits for parts until Monday keeps what lies behind it waiting; what comes on a Saturday is begun on Monday. */
    @Test
    void whatWaitsHoldsUpTheRest() {
        assertThat(days(new BenchSequence.Work(BigDecimal.valueOf(60), THURSDAY + 4), minutes(60)))
                .containsExactly("4 4", "4 4");
        assertThat(days(new BenchSequence.Work(BigDecimal.valueOf(60), THURSDAY + 2)))
                .containsExactly("4 4");
    }

    @Test
    void aPlaceBetweenTwoOthers() {
        BigDecimal two = BigDecimal.valueOf(2);
        assertThat(BenchSequence.between(two, BigDecimal.valueOf(3))).isEqualByComparingTo("2.5");
        assertThat(BenchSequence.between(new BigDecimal("2.5"), BigDecimal.valueOf(3)))
                .isEqualByComparingTo("2.75");
        assertThat(BenchSequence.between(null, two)).isEqualByComparingTo("1");
        assertThat(BenchSequence.between(two, null)).isEqualByComparingTo("3");
        assertThat(BenchSequence.between(null, null)).isEqualByComparingTo("0");
    }

    @Test
    void whatTakesNoTimeEndsWhereTheLastDid() {
        assertThat(days(minutes(480), minutes(0), minutes(5))).containsExactly("0 0", "0 0", "1 1");
    }
}
