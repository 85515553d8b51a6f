package rescient.core.order;

import rescient.core.plan.Demand;
import rescient.core.plan.PlannedOrder;
import rescient.core.plan.PointView;
import rescient.core.snapshot.DemandKind;

/** What is usual at a stock point, and what is so far from it that it may be a slip of the hand. */
public final class Usual {
    /** So many times what is usual. */
    private static final int FAR = 50;
    /** In working days. */
    private static final int YEAR = 260;

    private Usual() {}

    /** The largest planned order, in millionths; 0 if there is none. */
    public static long order(PointView point) {
        return point.planned()
                ? point.plannedOrders().stream()
                        .mapToLong(PlannedOrder::quantity)
                        .max()
                        .orElse(0)
                : 0;
    }

    /** The most that a customer wants at once, in millionths; 0 if none wants anything. */
    public static long customerOrder(PointView point) {
        return point.demands().stream()
                .filter(demand -> demand.kind() == DemandKind.CUSTOMER_ORDER)
                .mapToLong(Demand::quantity)
                .max()
                .orElse(0);
    }

    /** The most that is asked for at once, in millionths; 0 if nothing is. */
    public static long demand(PointView point) {
        return point.planned()
                ? point.demands().stream().mapToLong(Demand::quantity).max().orElse(0)
                : 0;
    }

    /**
     * How many times what is usual a quantity is, if that is far.
     *
     * @param usual in the unit of the quantity; 0 or less: nothing is known
     * @return 0 if it is not far
     */
    public static long timesOver(long quantity, long usual) {
        return usual <= 0 || quantity / FAR < usual ? 0 : quantity / usual;
    }

    /**
     * Whether a lead time is far from what is usual.
     *
     * @param days working days
     * @param present the one that is planned with now
     */
    public static boolean isLong(int days, int present) {
        return days > Math.max(YEAR, present);
    }
}
