package rescient.core.order;

import rescient.core.plan.PointView;

/**
 * When an order that somebody wants can really be there (section 9).
 *
 * @param day not before it is due
 * @param late calendar days after it is due
 * @param byComponents its own lead time would do, what it waits for does not
 */
public record DraftPossible(int day, int late, boolean byComponents) {
    /**
     * The later of what its own lead time and what the plan allow.
     *
     * @param point planned as the order is
     * @param inPlan the day on which the plan has it, null if the plan says nothing
     */
    public static DraftPossible of(OrderDraft order, PointView point, Integer inPlan) {
        int alone = Math.max(order.dueDay(), point.earliestDue(order.startQuantity()));
        int day = inPlan == null ? alone : Math.max(alone, inPlan);
        return new DraftPossible(day, day - order.dueDay(), day > alone);
    }
}
