package rescient.core.order;

import rescient.core.company.Source;
import rescient.core.plan.PlannedOrder;

/** Why an order cannot be given to anybody. */
public enum Obstacle {
    /** It is bought, and nobody sells it. */
    NO_SUPPLIER,
    /** It comes from another site, and nobody says which. */
    NO_SENDING_SITE;

    /** What keeps a planned order from being given out, or null. */
    public static Obstacle of(PlannedOrder order) {
        return of(order.source(), order.supplier(), order.fromSite());
    }

    /** The same of an order that somebody wants. */
    public static Obstacle of(OrderDraft order) {
        return of(order.source(), order.supplier(), order.fromSite());
    }

    private static Obstacle of(Source source, String supplier, String fromSite) {
        if (source == Source.BUY && supplier == null) {
            return NO_SUPPLIER;
        }
        boolean elsewhere = source == Source.TRANSFER || source == Source.SUBCONTRACT;
        return elsewhere && fromSite == null ? NO_SENDING_SITE : null;
    }
}
