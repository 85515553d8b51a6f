package rescient.core.base;

import java.time.LocalDate;
import java.util.Map;

/**
 * The working days of a site, a supplier or a work center: working weekdays plus dated exceptions.
 *
 * <p>{@link #back} and {@link #forth} take constant time within {@value #REACH} days of the day it was made for, and
 * step day by day beyond.
 */
public final class WorkCalendar {
    private static final int REACH = 6000;
    private static final int LONGEST_PAUSE = 4000;

    private final boolean[] weekdays;
    private final Map<Integer, Boolean> exceptions;
    private final int first;
    /** For each day from {@code first}: how many working days lie at or before it, from {@code first} on. */
    private final int[] count;

    private final int[] workingDays;

    /**
     * @param weekdays seven flags, Monday first; at least one is true
     * @param exceptions days that work or do not, whatever their weekday
     * @param around the day around which most questions will be asked
     */
    public WorkCalendar(boolean[] weekdays, Map<Integer, Boolean> exceptions, int around) {
        this.weekdays = weekdays.clone();
        this.exceptions = Map.copyOf(exceptions);
        boolean any = false;
        for (boolean works : this.weekdays) {
            any |= works;
        }
        if (!any) {
            throw new PlanningException("A calendar needs at least one working weekday");
        }
        this.first = around - REACH;
        this.count = new int[2 * REACH + 1];
        int[] working = new int[count.length];
        int n = 0;
        for (int i = 0; i < count.length; i++) {
            if (computed(first + i)) {
                working[n++] = first + i;
            }
            count[i] = n;
        }
        this.workingDays = java.util.Arrays.copyOf(working, n);
    }

    /** Monday to Friday, without exceptions. */
    public static WorkCalendar mondayToFriday(int around) {
        return new WorkCalendar(new boolean[] {true, true, true, true, true, false, false}, Map.of(), around);
    }

    /** Each day works. */
    public static WorkCalendar everyDay(int around) {
        return new WorkCalendar(new boolean[] {true, true, true, true, true, true, true}, Map.of(), around);
    }

    /** Whether the day works. */
    public boolean works(int day) {
        int i = day - first;
        if (i > 0 && i < count.length) {
            return count[i] > count[i - 1];
        }
        return computed(day);
    }

    /** The day moved back to a working day if it is none, then {@code n} working days further back. */
    public int back(int day, int n) {
        int i = day - first;
        if (i >= 0 && i < count.length && count[i] - 1 - n >= 0) {
            return workingDays[count[i] - 1 - n];
        }
        return step(day, n, -1);
    }

    /** The day moved forwards to a working day if it is none, then {@code n} working days further on. */
    public int forth(int day, int n) {
        int i = day - first;
        if (i > 0 && i < count.length) {
            int position = count[i - 1] + n;
            if (position < workingDays.length) {
                return workingDays[position];
            }
        }
        return step(day, n, 1);
    }

    /** The smallest {@code n} of 0 or more with {@code forth(from, n)} not before {@code to}. */
    public int distance(int from, int to) {
        if (to <= from) {
            return 0;
        }
        int i = from - first;
        int j = to - first;
        if (i > 0 && j < count.length) {
            return Math.max(0, count[j - 1] - count[i - 1]);
        }
        int n = 0;
        int day = forth(from, 0);
        while (day < to) {
            day = forth(day + 1, 0);
            n++;
        }
        return n;
    }

    private int step(int day, int n, int direction) {
        int d = day;
        int left = n;
        int pause = 0;
        while (true) {
            if (works(d)) {
                pause = 0;
                if (left-- == 0) {
                    return d;
                }
            } else if (++pause > LONGEST_PAUSE) {
                throw new PlanningException(
                        "A calendar has no working day for ten years around " + LocalDate.ofEpochDay(day));
            }
            d += direction;
        }
    }

    private boolean computed(int day) {
        Boolean exception = exceptions.get(day);
        return exception != null ? exception : weekdays[Math.floorMod(day + 3, 7)];
    }
}
