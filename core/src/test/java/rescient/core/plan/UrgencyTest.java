package rescient.core.plan;

import static org.assertj.core.api.Assertions.assertThat;

import java.time.DayOfWeek;
import java.time.LocalDate;
import java.util.Arrays;
import java.util.EnumSet;
import java.util.Set;
import java.util.stream.Collectors;
import org.junit.jupiter.api.Test;
import rescient.core.snapshot.Signal;

class UrgencyTest {
    /** 2 March 2026 is a Monday. */
    private static final LocalDate MONDAY = LocalDate.of(2026, 3, 2);

    private static Urgency at(int daysLater, DayOfWeek weekStart) {
        return Urgency.of(MONDAY.plusDays(daysLater), MONDAY, weekStart);
    }

    @Test
    void aWeekEndsTheDayBeforeThePersonsFirst() {
        assertThat(at(-1, DayOfWeek.MONDAY)).isEqualTo(Urgency.START_OVERDUE);
        assertThat(at(0, DayOfWeek.MONDAY)).isEqualTo(Urgency.START_TODAY);
        assertThat(at(6, DayOfWeek.MONDAY)).isEqualTo(Urgency.START_THIS_WEEK);
        assertThat(at(7, DayOfWeek.MONDAY)).isEqualTo(Urgency.START_LATER);
        assertThat(at(5, DayOfWeek.SUNDAY)).isEqualTo(Urgency.START_THIS_WEEK);
        assertThat(at(6, DayOfWeek.SUNDAY)).isEqualTo(Urgency.START_LATER);
        assertThat(at(4, DayOfWeek.SATURDAY)).isEqualTo(Urgency.START_THIS_WEEK);
        assertThat(at(5, DayOfWeek.SATURDAY)).isEqualTo(Urgency.START_LATER);
    }

    /** What the rows of planned orders say themselves is asked once, there. */
    @Test
    void everySignalAsksSomethingButThoseThatPlannedOrdersSayThemselves() {
        Set<Signal.Kind> silent = Arrays.stream(Signal.Kind.values())
                .filter(kind -> Ask.of(kind) == null)
                .collect(Collectors.toCollection(() -> EnumSet.noneOf(Signal.Kind.class)));
        assertThat(silent)
                .containsExactly(Signal.Kind.INSIDE_FENCE, Signal.Kind.RELEASE_DUE, Signal.Kind.START_OVERDUE);
        assertThat(Ask.of(Signal.Kind.CANCEL)).isEqualTo(Ask.CHANGE_ORDER);
        assertThat(Ask.of(Signal.Kind.LOOP)).isEqualTo(Ask.CANNOT_PLAN);
        assertThat(Ask.of(Signal.Kind.DEMAND_LATE)).isEqualTo(Ask.LOOK);
    }
}
