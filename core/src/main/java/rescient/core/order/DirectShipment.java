package rescient.core.order;

import java.math.BigDecimal;
import java.util.List;
import rescient.core.company.OrderFacts;
import rescient.core.company.Source;

/**
 * What a supplier brings straight to the customer: it is received and shipped in one posting, and never on hand.
 *
 * @param number of the customer order that it is bought for, with {@code line}
 * @param quantity that was received, in {@code unit}
 * @param unit null: the item's
 */
public record DirectShipment(String number, String line, BigDecimal quantity, String unit) {
    /**
     * The shipment that a receipt comes with.
     *
     * @param lines of customers, among them the one that the order is for
     * @param quantity that is received, in {@code unit}; null: all that is open
     * @param unit null: the one it was ordered in
     * @return null: it comes into stock
     */
    public static DirectShipment of(
            OrderFacts.OpenOrder order, List<OrderFacts.CustomerOrder> lines, BigDecimal quantity, String unit) {
        if (order.kind() != Source.BUY || order.forOrder() == null) {
            return null;
        }
        boolean direct = lines.stream()
                .anyMatch(line -> line.number().equals(order.forOrder())
                        && line.line().equals(order.forLine())
                        && line.agreed().supply() == OrderFacts.LineSupply.DIRECT);
        if (!direct) {
            return null;
        }
        return quantity == null
                ? new DirectShipment(order.forOrder(), order.forLine(), order.quantity(), null)
                : new DirectShipment(order.forOrder(), order.forLine(), quantity, unit == null ? order.unit() : unit);
    }
}
