package rescient.core.base;

import java.time.DayOfWeek;
import java.time.LocalDate;
import java.time.temporal.TemporalAdjusters;
import java.util.ArrayList;
import java.util.List;

/**
 * Consecutive periods from today to the end of the horizon. Weeks begin on Monday unless another day is asked for; the first and the last period may be
 * shorter than the others.
 *
 * @param starts the first day of each
 * @param end the last day of the last
 */
public record Periods(List<Integer> starts, int end) {
    /** How long periods are. */
    public enum Scale {
        DAYS,
        WEEKS,
        MONTHS,
        /** Days for two weeks, then weeks for a quarter of a year, then months. */
        MIXED
    }

    private static final int WEEK = 7;
    private static final int DAYS_FIRST = 2 * WEEK;
    private static final int WEEKS_NEXT = 13;

    public Periods {
        starts = List.copyOf(starts);
    }

    /** The periods of a scale, with weeks from Monday on. */
    public static Periods of(Scale scale, int today, int horizonEnd) {
        return of(scale, today, horizonEnd, DayOfWeek.MONDAY);
    }

    /** The periods of a scale, with weeks from {@code first} on. */
    public static Periods of(Scale scale, int today, int horizonEnd, DayOfWeek first) {
        List<Integer> starts = new ArrayList<>();
        int weeksFrom = scale == Scale.MIXED ? weekFrom(today + DAYS_FIRST, first) : today;
        int monthsFrom = weeksFrom + WEEKS_NEXT * WEEK;
        int day = today;
        while (day <= horizonEnd) {
            starts.add(day);
            Scale here = scale != Scale.MIXED
                    ? scale
                    : day < weeksFrom ? Scale.DAYS : day < monthsFrom ? Scale.WEEKS : Scale.MONTHS;
            day = switch (here) {
                case DAYS -> day + 1;
                case WEEKS -> weekFrom(day + 1, first);
                default -> month(day);
            };
        }
        return new Periods(starts, horizonEnd);
    }

    /** The first day of a week on or after a day. */
    private static int weekFrom(int day, DayOfWeek first) {
        LocalDate date = LocalDate.ofEpochDay(day);
        return (int) date.with(TemporalAdjusters.nextOrSame(first)).toEpochDay();
    }

    /** The first day of the next month. */
    private static int month(int day) {
        LocalDate date = LocalDate.ofEpochDay(day);
        return (int) date.with(TemporalAdjusters.firstDayOfNextMonth()).toEpochDay();
    }

    /** How many there are. */
    public int size() {
        return starts.size();
    }

    /** The last day of a period. */
    public int endOf(int period) {
        return period + 1 < starts.size() ? starts.get(period + 1) - 1 : end;
    }

    /** The period of a day, the first for days before it, the last for days behind. */
    public int at(int day) {
        int low = 0;
        int high = starts.size() - 1;
        while (low < high) {
            int middle = (low + high + 1) >>> 1;
            if (starts.get(middle) <= day) {
                low = middle;
            } else {
                high = middle - 1;
            }
        }
        return low;
    }
}
