package rescient.core.compare;

import java.util.Objects;
import rescient.core.plan.PlannedOrder;

/** What two planned orders that are the same have in common: item, site, source, partner, days and quantities. */
final class Likeness {
    private final PlannedOrder order;
    private final int hash;

    Likeness(PlannedOrder order) {
        this.order = order;
        int days = order.startDay() * 31 + order.dueDay();
        this.hash = (days * 31 + Long.hashCode(order.quantity())) * 31
                + order.item().hashCode();
    }

    /** Whether two are the same. */
    static boolean alike(PlannedOrder a, PlannedOrder b) {
        return a.startDay() == b.startDay()
                && a.dueDay() == b.dueDay()
                && a.quantity() == b.quantity()
                && a.startQuantity() == b.startQuantity()
                && a.source() == b.source()
                && a.item().equals(b.item())
                && a.site().equals(b.site())
                && Objects.equals(a.supplier(), b.supplier())
                && Objects.equals(a.fromSite(), b.fromSite());
    }

    @Override
    public boolean equals(Object other) {
        return other instanceof Likeness that && hash == that.hash && alike(order, that.order);
    }

    @Override
    public int hashCode() {
        return hash;
    }
}
