package rescient.core.plan;

import java.time.DayOfWeek;
import java.time.LocalDate;
import java.time.temporal.TemporalAdjusters;

/** When a planned order asks to be started, in the order of urgency. */
public enum Urgency {
    START_OVERDUE,
    START_TODAY,
    START_THIS_WEEK,
    START_LATER;

    /** @param weekStart the first day of the week for who looks */
    public static Urgency of(LocalDate start, LocalDate today, DayOfWeek weekStart) {
        if (start.isBefore(today)) {
            return START_OVERDUE;
        }
        if (start.equals(today)) {
            return START_TODAY;
        }
        LocalDate endOfWeek = today.with(TemporalAdjusters.nextOrSame(weekStart.minus(1)));
        return start.isAfter(endOfWeek) ? START_LATER : START_THIS_WEEK;
    }
}
