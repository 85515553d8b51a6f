package rescient.server.decisions;

import java.util.ArrayList;
import java.util.Collection;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import rescient.core.company.InvoiceFacts;
import rescient.core.company.OrderFacts;
import rescient.core.prices.CustomerCharge;
import rescient.dataset.Facts;
import rescient.server.planning.Directory;
import rescient.server.platform.Nullable;
import rescient.server.tables.DeskRows;

/** What customers are to be charged ({@link CustomerCharge}), of all orders or of some. */
public final class CustomerCharges {
    private CustomerCharges() {}

    /**
     * Lines of which something is left, in the order of the documents.
     *
     * @param numbers of orders; null: all
     */
    public static List<CustomerCharge> of(Directory directory, DeskRows desk, @Nullable Collection<String> numbers) {
        Facts facts = directory.facts();
        Map<String, List<OrderFacts.CustomerOrder>> orders = new HashMap<>();
        List<CustomerCharge> charges = new ArrayList<>();
        for (DeskRows.Shipped shipped : desk.shipped(numbers)) {
            orders
                    .computeIfAbsent(
                            shipped.number(), number -> facts.where(OrderFacts.CustomerOrder.class, "number", number))
                    .stream()
                    .filter(line -> line.line().equals(shipped.line()) && line.customer() != null)
                    .map(line -> CustomerCharge.of(
                            line,
                            directory.item(line.item()),
                            shipped.quantity(),
                            facts.where(InvoiceFacts.InvoiceLine.class, "order_number", line.number())))
                    .filter(charge -> charge.left().signum() != 0)
                    .forEach(charges::add);
        }
        return charges;
    }
}
