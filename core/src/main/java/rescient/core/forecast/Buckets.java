package rescient.core.forecast;

import java.time.DayOfWeek;
import java.time.LocalDate;
import java.time.temporal.ChronoUnit;
import java.time.temporal.TemporalAdjusters;
import rescient.core.company.PeriodUnit;

/** Days, weeks from Monday on, or calendar months, one after the other. */
public record Buckets(PeriodUnit unit) {
    private static final int MONTHS = 12;
    private static final int WEEKS = 52;
    private static final int DAYS = 7;

    /** How many of them a season has: a year of months or weeks, a week of days. */
    public int season() {
        return switch (unit) {
            case MONTH -> MONTHS;
            case WEEK -> WEEKS;
            case DAY -> DAYS;
        };
    }

    /** The first day of the bucket that a day lies in. */
    public LocalDate start(LocalDate day) {
        return switch (unit) {
            case MONTH -> day.withDayOfMonth(1);
            case WEEK -> day.with(TemporalAdjusters.previousOrSame(DayOfWeek.MONDAY));
            case DAY -> day;
        };
    }

    /** The first day of the bucket that comes so many after another. */
    public LocalDate after(LocalDate start, int buckets) {
        return start.plus(buckets, step());
    }

    /** How many buckets lie between the first days of two. */
    public int between(LocalDate from, LocalDate to) {
        return Math.toIntExact(step().between(from, to));
    }

    private ChronoUnit step() {
        return switch (unit) {
            case MONTH -> ChronoUnit.MONTHS;
            case WEEK -> ChronoUnit.WEEKS;
            case DAY -> ChronoUnit.DAYS;
        };
    }
}
