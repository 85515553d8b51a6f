package rescient.core.company;

import java.time.LocalDate;

/**
 * One row of the forecast that the calculation uses.
 *
 * @param set the forecast set it belongs to
 * @param fromDay its first day
 * @param length a day, a week of seven days, or a month: the calendar month when it starts on the 1st, else up to the day
 *     before the same day of the next month
 * @param quantity millionths, 0 or more
 */
public record ForecastBucket(String set, String item, String site, int fromDay, PeriodUnit length, long quantity) {
    /** Its last day. */
    public int lastDay() {
        LocalDate from = LocalDate.ofEpochDay(fromDay);
        LocalDate after = switch (length) {
            case DAY -> from.plusDays(1);
            case WEEK -> from.plusWeeks(1);
            case MONTH -> from.plusMonths(1);
        };
        return (int) after.toEpochDay() - 1;
    }
}
