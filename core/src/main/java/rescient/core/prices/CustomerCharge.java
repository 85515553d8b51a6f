package rescient.core.prices;

import java.math.BigDecimal;
import java.util.Collection;
import rescient.core.company.InvoiceFacts;
import rescient.core.company.ItemFacts;
import rescient.core.company.OrderFacts;

/**
 * What a customer is to be charged for a line of an order: what was shipped less what came back, less what was charged before, at
 * the price of the line, or else of the item.
 *
 * @param shipped less what came back, in the item's unit; {@code charged} of it before
 * @param price of one; null: none is known
 */
public record CustomerCharge(OrderFacts.CustomerOrder line, BigDecimal shipped, BigDecimal charged, BigDecimal price) {
    /**
     * The charge of a line.
     *
     * @param invoiced lines of invoices; of others than this line nothing counts, nor of what suppliers charged
     */
    public static CustomerCharge of(
            OrderFacts.CustomerOrder line,
            ItemFacts.Item item,
            BigDecimal shipped,
            Collection<InvoiceFacts.InvoiceLine> invoiced) {
        BigDecimal charged = invoiced.stream()
                .filter(one -> one.customer() != null
                        && line.number().equals(one.orderNumber())
                        && line.line().equals(one.orderLine()))
                .map(InvoiceFacts.InvoiceLine::quantity)
                .reduce(BigDecimal.ZERO, BigDecimal::add);
        return new CustomerCharge(line, shipped, charged, line.price() != null ? line.price() : item.price());
    }

    /** Below 0: it is credited. */
    public BigDecimal left() {
        return shipped.subtract(charged);
    }
}
