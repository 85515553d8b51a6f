package rescient.core.trace;

import java.math.BigDecimal;
import java.math.RoundingMode;
import java.util.ArrayList;
import java.util.List;
import rescient.core.base.WorkCalendar;

/**
 * When what lies at a work center is done, one after the other as it lies there: each begins when the one before is done, and not
 * before its parts are there. The minutes of a day that are not used go on to the next work.
 */
public final class BenchSequence {
    /**
     * A piece of work.
     *
     * @param minutes of the work center, 0 or more
     * @param from the day before which it cannot begin; null: it can
     */
    public record Work(BigDecimal minutes, Integer from) {}

    /** The days on which it begins and ends. */
    public record Slot(int begins, int ends) {}

    private BenchSequence() {}

    /**
     * A place between two others.
     *
     * @param before null: it comes first; {@code after} null: it comes last
     */
    public static BigDecimal between(BigDecimal before, BigDecimal after) {
        if (before == null) {
            return after == null ? BigDecimal.ZERO : after.subtract(BigDecimal.ONE);
        }
        return after == null
                ? before.add(BigDecimal.ONE)
                : before.add(after)
                        .divide(BigDecimal.valueOf(2), before.scale() + after.scale() + 1, RoundingMode.HALF_UP)
                        .stripTrailingZeros();
    }

    /**
     * @param minutesPerDay more than 0
     * @param today the first day that counts, as a whole
     */
    public static List<Slot> of(List<Work> sequence, BigDecimal minutesPerDay, WorkCalendar calendar, int today) {
        List<Slot> slots = new ArrayList<>();
        int day = calendar.forth(today, 0);
        BigDecimal used = BigDecimal.ZERO;
        for (Work work : sequence) {
            if (work.from() != null && work.from() > day) {
                day = calendar.forth(work.from(), 0);
                used = BigDecimal.ZERO;
            }
            if (used.compareTo(minutesPerDay) >= 0 && work.minutes().signum() > 0) {
                day = calendar.forth(day + 1, 0);
                used = BigDecimal.ZERO;
            }
            int begins = day;
            BigDecimal left = work.minutes();
            while (used.add(left).compareTo(minutesPerDay) > 0) {
                left = left.subtract(minutesPerDay.subtract(used));
                day = calendar.forth(day + 1, 0);
                used = BigDecimal.ZERO;
            }
            used = used.add(left);
            slots.add(new Slot(begins, day));
        }
        return slots;
    }
}
