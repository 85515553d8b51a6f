package rescient.core.order;

import rescient.core.plan.PointView;

/**
 * The day on which somebody wants an order, as it can be.
 *
 * @param day the working day that it means
 * @param moved the day that was named is a day off
 * @param beyond after the end of the plan, which does not count it
 */
public record WantedDay(int day, boolean moved, boolean beyond) {
    /** @param point where the order is received */
    public static WantedDay of(PointView point, int wanted, int horizonEnd) {
        int working = point.workingDay(wanted);
        return new WantedDay(working, working != wanted, working > horizonEnd);
    }

    /** Whether nothing can be wanted for that day or moved there any more. */
    public static boolean isPast(int wanted, int today) {
        return wanted < today;
    }

    /** Whether something can wait until that day. */
    public static boolean isAhead(int wanted, int today) {
        return wanted > today;
    }
}
