package rescient.core.plan;

import java.util.Comparator;
import rescient.core.base.DocumentOrder;
import rescient.core.company.Source;

/**
 * A planned order of a finished plan.
 *
 * @param sequence its place among the planned orders of its stock point, in the order they were made
 * @param supplier null unless bought from a known supplier
 * @param fromSite sending site or subcontractor's premises, null otherwise
 * @param quantity good quantity, millionths
 * @param startQuantity quantity started, before yield
 * @param startDay may lie before today: then it should have started
 * @param possibleDay the day it can really be there, or null if it never can
 * @param forOrder the customer order or parent it was made for (per order only), else null; so is {@code forLine}
 */
public record PlannedOrder(
        String item,
        String site,
        int sequence,
        Source source,
        String supplier,
        String fromSite,
        long quantity,
        long startQuantity,
        int startDay,
        int dueDay,
        Integer possibleDay,
        String forOrder,
        String forLine) {
    /** The order of those of one stock point. */
    public static final Comparator<PlannedOrder> OF_ONE_POINT = Comparator.comparingInt(PlannedOrder::dueDay)
            .thenComparingInt(PlannedOrder::startDay)
            .thenComparingLong(PlannedOrder::quantity)
            .thenComparing(o -> o.forOrder() == null ? "" : o.forOrder(), DocumentOrder.INSTANCE)
            .thenComparing(o -> o.forLine() == null ? "" : o.forLine(), DocumentOrder.INSTANCE);
}
