package rescient.server.planning;

import rescient.core.company.OrderFacts;
import rescient.core.order.DirectShipment;
import rescient.server.platform.Nullable;

/** Whom a purchase goes to that never comes to a site. */
public final class StraightTo {
    private StraightTo() {}

    /** The customer of an open order line, by name or else his order's number; null: it comes into stock. */
    @Nullable
    public static String customer(Directory directory, String number, String line) {
        for (OrderFacts.OpenOrder order : directory.facts().where(OrderFacts.OpenOrder.class, "number", number)) {
            if (order.line().equals(line) && order.forOrder() != null) {
                var lines = directory.facts().where(OrderFacts.CustomerOrder.class, "number", order.forOrder());
                if (DirectShipment.of(order, lines, null, null) != null) {
                    String customer = lines.get(0).customer();
                    return customer == null ? order.forOrder() : directory.customerName(customer);
                }
            }
        }
        return null;
    }
}
