package rescient.core.stock;

import java.math.BigDecimal;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;

/** What stock was worth at the end of days before, from what it is worth now and what moved since. */
public final class ValueHistory {
    private ValueHistory() {}

    /** At the end of a day. */
    public record DayValue(LocalDate day, BigDecimal value) {}

    /**
     * The values of days that follow each other.
     *
     * @param now at the end of {@code to}
     * @param moved value that moved in (above 0) or out on a day, of each day after {@code from} and not after {@code to}
     * @return from {@code from} on, {@code to} last
     */
    public static List<DayValue> of(BigDecimal now, Map<LocalDate, BigDecimal> moved, LocalDate from, LocalDate to) {
        List<DayValue> days = new ArrayList<>();
        BigDecimal value = now;
        for (LocalDate day = to; !day.isBefore(from); day = day.minusDays(1)) {
            days.add(0, new DayValue(day, value));
            value = value.subtract(moved.getOrDefault(day, BigDecimal.ZERO));
        }
        return days;
    }
}
