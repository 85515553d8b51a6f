package rescient.core.snapshot;

import rescient.core.base.Quantity;
import rescient.core.company.OpenOrder;

/**
 * Something about an order or a stock point that wants a person (section 10).
 *
 * @param orderNumber open order, customer order or lot; empty if none; so is {@code orderLine}
 * @param day the date it speaks of, {@link OpenOrder#NO_DAY} if none; so is {@code newDay}
 * @param quantity millionths, {@link Quantity#NOT_SET} if none
 * @param days calendar days, {@link #NO_DAYS} if none
 * @param causeItem the stock point to blame, empty if none
 */
public record Signal(
        Kind kind,
        String item,
        String site,
        String orderNumber,
        String orderLine,
        int day,
        int newDay,
        long quantity,
        int days,
        String causeItem,
        String causeSite) {
    public static final int NO_DAYS = Integer.MIN_VALUE;

    /** What a signal says; in the order of their names in a dataset. */
    public enum Kind {
        BELOW_SAFETY,
        BRING_FORWARD,
        CANCEL,
        DEMAND_LATE,
        EXPIRING,
        INSIDE_FENCE,
        LOOP,
        NO_SOURCE,
        NO_SUPPLIER,
        PUSH_BACK,
        RECEIPT_OVERDUE,
        RELEASE_DUE,
        /** The application's own, no signal of the planning rules: {@link ReorderNeed} is higher than the reorder point. */
        REORDER_POINT_LOW,
        START_OVERDUE,
        /** A fact of the stock point cannot be calculated; see {@code PointView#unplannable()}. */
        UNPLANNABLE
    }

    public static Signal of(Kind kind, StockPoint point, int day, int newDay, long quantity, int days) {
        return new Signal(kind, point.itemCode, point.siteCode, "", "", day, newDay, quantity, days, "", "");
    }

    public static Signal of(Kind kind, OpenOrder order, int day, int newDay, long quantity, int days) {
        return new Signal(
                kind, order.item(), order.site(), order.number(), order.line(), day, newDay, quantity, days, "", "");
    }
}
