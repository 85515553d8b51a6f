package rescient.core.trace;

import static org.assertj.core.api.Assertions.assertThat;

import java.math.BigDecimal;
import java.time.LocalDate;
import java.util.Arrays;
import java.util.List;
import java.util.Map;
import org.junit.jupiter.api.Test;
import rescient.core.base.WorkCalendar;
import rescient.core.company.OpenOrder;
import rescient.core.company.Source;
import rescient.core.company.Stage;

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

    private static Workbench.Job job(String number, int due, Workbench.State state) {
        OpenOrder order = new OpenOrder(
                number,
                "1",
                Source.MAKE,
                Stage.RELEASED,
                "LATH",
                "W",
                null,
                null,
                1_000_000,
                THURSDAY + due,
                OpenOrder.NO_DAY,
                false);
        Workbench.Operation saw = new Workbench.Operation("10", "SAW", BigDecimal.valueOf(300), 1_000_000);
        return new Workbench.Job(order, state, saw, List.of(), null, null);
    }

    private static List<String> turns(List<Workbench.Job> jobs, Map<String, BigDecimal> kept, Workbench.Hours hours) {
        return BenchSequence.turns(jobs, order -> kept.get(order.number()), hours, THURSDAY).stream()
                .map(turn -> turn.job().order().number()
                        + (turn.slot() == null ? "" : " " + (turn.slot().ends() - THURSDAY))
                        + (turn.late() ? " late" : ""))
                .toList();
    }

    /**
     * What runs comes first although it is due on Monday; then what is due today, of whose 300 minutes 120 are left for tomorrow; then
     * what is due tomorrow. Put before all, MO-1 is done today, and MO-3 ends tomorrow, behind what runs.
     */
    @Test
    void whatRunsThenWhatIsDueAndWhereSomebodyPutIt() {
        List<Workbench.Job> jobs = List.of(
                job("MO-1", 1, Workbench.State.CAN_START),
                job("MO-2", 4, Workbench.State.RUNS),
                job("MO-3", 0, Workbench.State.CAN_START));
        Workbench.Hours hours = new Workbench.Hours(WorkCalendar.mondayToFriday(THURSDAY), BigDecimal.valueOf(480));
        assertThat(turns(jobs, Map.of(), hours)).containsExactly("MO-2 0", "MO-3 1 late", "MO-1 1");
        assertThat(turns(jobs, Map.of("MO-1", BigDecimal.valueOf(-2_000_000)), hours))
                .containsExactly("MO-1 0", "MO-2 1", "MO-3 1 late");
    }

    /** Without a work center nobody knows when it ends: late is what was due yesterday. Two of one day go by number. */
    @Test
    void withoutAWorkCenterTheDayItIsDueDecides() {
        assertThat(turns(
                        List.of(
                                job("MO-10", 0, Workbench.State.WAITS),
                                job("MO-09", 0, Workbench.State.WAITS),
                                job("MO-08", -1, Workbench.State.WAITS)),
                        Map.of(),
                        null))
                .containsExactly("MO-08 late", "MO-09", "MO-10");
    }
}
