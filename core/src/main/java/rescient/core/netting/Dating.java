package rescient.core.netting;

import rescient.core.base.PlanningException;
import rescient.core.base.Quantity;
import rescient.core.snapshot.StockPoint;

/** Section 7 of the planning rules: lead times, starts and due dates of planned orders. */
public final class Dating {
    private static final int LONGEST_LEAD_TIME = 20_000;

    private final StockPoint point;
    private final int today;

    public Dating(StockPoint point, int today) {
        this.point = point;
        this.today = today;
    }

    /** Working days from start to due date for an order that starts this quantity. */
    int leadTime(long started) {
        if (point.leadTimePerUnit.isZero()) {
            return point.leadTimeDays;
        }
        long days = point.leadTimeDays + point.leadTimePerUnit.up(started, Quantity.ONE) / Quantity.ONE;
        if (days > LONGEST_LEAD_TIME) {
            throw new PlanningException("An order of " + Quantity.text(started) + " " + point.itemCode + " at "
                    + point.siteCode + " would take " + days + " working days; check its lead time per unit");
        }
        return (int) days;
    }

    /** The day an order due on {@code due} has to start. */
    public int start(int due, long started) {
        if (point.phantom) {
            return due;
        }
        return point.routing != null
                ? point.routing.starts(due, started)[0]
                : point.leadCalendar.back(due, leadTime(started));
    }

    /** The earliest working day of the site, not before {@code from}, for which the start is not before today. */
    public int earliestDue(int from, long started) {
        return dueFrom(today, from, started);
    }

    /** When a planned purchase order can really be there: on its due date, or the earliest whose start is not past. */
    public int possibleIfBought(PlannedOrders planned, int o) {
        int due = planned.due[o];
        return planned.start[o] >= today ? due : Math.max(due, earliestDue(today, planned.started[o]));
    }

    /** The earliest working day of the site, neither before {@code from} nor due for an order started before a day. */
    public int dueFrom(int start, int from, long started) {
        if (point.routing != null) {
            return byRouting(start, Math.max(from, start), started);
        }
        int reached = point.leadCalendar.forth(start, leadTime(started));
        return point.siteCalendar.forth(Math.max(from, reached), 0);
    }

    /** A later due date never starts earlier, so the first that fits is found by halving. */
    private int byRouting(int start, int from, long started) {
        int high = 1;
        while (start(point.siteCalendar.forth(from, high), started) < start) {
            if (high > LONGEST_LEAD_TIME) {
                throw new PlanningException("The routing of " + point.itemCode + " at " + point.siteCode
                        + " would take more than " + LONGEST_LEAD_TIME + " working days");
            }
            high *= 2;
        }
        int low = 0;
        while (low < high) {
            int middle = (low + high) / 2;
            if (start(point.siteCalendar.forth(from, middle), started) >= start) {
                high = middle;
            } else {
                low = middle + 1;
            }
        }
        return point.siteCalendar.forth(from, low);
    }

    /** Working days of the site between the start and the due date of an order. */
    public int workingDays(int start, int due, long started) {
        return point.routing != null ? point.siteCalendar.distance(start, due) : leadTime(started);
    }

    /** The due date for a hard need, before it is asked whether it may wait. */
    int dueForHardNeed(int needDay) {
        return point.phantom ? needDay : point.receipt(needDay, today);
    }

    /**
     * Whether the safety stock lets an order wait that would have to have started.
     *
     * @param coveredDay covered on the day of need, before the orders of this need
     */
    boolean mayWait(int due, long coveredDay, long started) {
        return coveredDay >= 0 && !point.phantom && start(due, started) < today;
    }

    /**
     * The due date of an order that may wait.
     *
     * @param negativeDay the first later day on which covered would be below zero without the orders of this need, or
     *     {@link Integer#MAX_VALUE}
     */
    int waiting(int due, int negativeDay, long started) {
        int latest = negativeDay == Integer.MAX_VALUE ? negativeDay : point.receipt(negativeDay, today);
        return Math.max(due, Math.min(earliestDue(today, started), latest));
    }

    /**
     * The due date for a soft need: one orders on the day of the need, not before.
     *
     * @param shortDay the first later day on which covered would be below safety stock, or {@link Integer#MAX_VALUE}
     */
    int dueForSoftNeed(int needDay, int shortDay, long started) {
        int early = dueFrom(needDay, needDay, started);
        return shortDay == Integer.MAX_VALUE ? early : Math.min(early, point.receipt(shortDay, today));
    }

    /** The due date behind the frozen fence. */
    int behindFence(int due) {
        return point.frozenDays > 0 && due < today + point.frozenDays
                ? point.siteCalendar.forth(today + point.frozenDays, 0)
                : due;
    }
}
