package rescient.core.dates;

import rescient.core.base.WorkCalendar;
import rescient.core.company.OpenOrder;
import rescient.core.company.Stage;
import rescient.core.snapshot.StockPoint;

/**
 * The largest slip of each of some orders of one stock point: its own, or that of a component, in working days of its
 * site (section 9).
 */
public final class Delays {
    private static final int NONE = -1;

    private WorkCalendar calendar;
    private boolean phantom;
    private int today;
    private int[] largest = new int[8];
    private int[] causeItem = new int[8];
    private int[] due = new int[8];
    /** The point at the end of the chain that decides each. */
    int[] cause = new int[8];

    /** Begins anew for up to so many orders of a point. */
    public void of(StockPoint point, int present, int orders) {
        calendar = point.siteCalendar;
        phantom = point.phantom;
        today = present;
        if (orders > largest.length) {
            int capacity = Math.max(orders, largest.length * 2);
            largest = new int[capacity];
            causeItem = new int[capacity];
            due = new int[capacity];
            cause = new int[capacity];
        }
    }

    /** Begins anew for one open order; a released one, and one without a start date, has no slip of its own. */
    void ofOpen(StockPoint point, int present, int p, OpenOrder order) {
        boolean started = order.stage() == Stage.RELEASED || order.startDay() == OpenOrder.NO_DAY;
        of(point, present, 1);
        begin(0, p, started ? present : order.startDay(), order.dueDay());
    }

    /** The slip of its own: an order that should have started. */
    public void begin(int i, int p, int start, int dueDay) {
        due[i] = dueDay;
        largest[i] = start >= today ? 0 : between(start, today);
        cause[i] = p;
        causeItem[i] = NONE;
    }

    /**
     * A component of this item that is needed on one day and possible on another, which {@code point} decides.
     *
     * @return whether it slips most of all so far
     */
    public boolean waitFor(int i, int item, int needed, int possible, int point) {
        if (possible <= needed) {
            return false;
        }
        int slip = possible == PossibleDates.NEVER ? PossibleDates.NEVER : between(needed, possible);
        boolean tie = slip == largest[i] && slip > 0 && causeItem[i] != NONE && item < causeItem[i];
        if (slip > largest[i] || tie) {
            largest[i] = slip;
            cause[i] = point;
            causeItem[i] = item;
            return true;
        }
        return false;
    }

    /** The due date moved on by the slip, or {@link PossibleDates#NEVER}. */
    int movedOn(int i) {
        if (largest[i] == PossibleDates.NEVER) {
            return PossibleDates.NEVER;
        }
        int moved = largest[i] == 0 ? due[i] : phantom ? due[i] + largest[i] : calendar.forth(due[i], largest[i]);
        return Math.max(moved, today);
    }

    private int between(int from, int to) {
        return between(phantom, calendar, from, to);
    }

    /** By how much an order of a point slips if something of it is there on one day instead of another. */
    public static int between(StockPoint point, int from, int to) {
        return between(point.phantom, point.siteCalendar, from, to);
    }

    private static int between(boolean phantom, WorkCalendar calendar, int from, int to) {
        return phantom ? Math.max(0, to - from) : calendar.distance(from, to);
    }
}
