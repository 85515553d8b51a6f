package rescient.server.decisions;

import java.math.BigDecimal;
import java.util.ArrayList;
import java.util.List;
import rescient.core.company.OrderFacts;
import rescient.core.company.UnfitException;
import rescient.core.order.CustomerOrderEntry;
import rescient.dataset.Codec;
import rescient.dataset.FactChange;
import rescient.dataset.Facts;

/** Lines of customer orders that come in. */
public final class CustomerOrderRows {
    private static final String LINES = "lines.";

    private CustomerOrderRows() {}

    /**
     * The rows of an order that comes in.
     *
     * @throws UnfitException with the field that is missing, unknown or impossible; see {@link CustomerOrderEntry#order}
     */
    public static List<FactChange> of(Facts facts, CustomerOrderEntry.Head head, List<CustomerOrderEntry.Line> lines) {
        CustomerOrderEntry entry = new CustomerOrderEntry(facts);
        List<OrderFacts.CustomerOrder> order = entry.order(head, lines);
        List<FactChange> rows = new ArrayList<>();
        for (int i = 0; i < order.size(); i++) {
            List<FactChange> ofLine = new ArrayList<>();
            ofLine.add(added(order.get(i)));
            OrderFacts.CustomerOrder line = order.get(i);
            entry.parts(line.number(), line.line(), line.item(), lines.get(i).parts())
                    .forEach(part -> ofLine.add(added(part)));
            try {
                PlanningRows.checked(facts, ofLine, "This cannot be a customer order");
            } catch (UnfitException e) {
                throw new UnfitException(
                        order.size() == 1 ? e.getMessage() : "Line " + (i + 1) + ": " + e.getMessage(),
                        LINES + i + "." + e.field());
            }
            rows.addAll(ofLine);
        }
        return PlanningRows.checked(facts, rows, "This cannot be a customer order");
    }

    /**
     * How much a line asks for, in the item's unit.
     *
     * @throws UnfitException with what of the line is missing, unknown or impossible
     */
    public static BigDecimal quantity(Facts facts, CustomerOrderEntry.Line line) {
        BigDecimal quantity = new CustomerOrderEntry(facts).quantity(line);
        try {
            of(facts, new CustomerOrderEntry.Head(null, null, null, null, false, false), List.of(line));
        } catch (UnfitException e) {
            throw new UnfitException(e.getMessage(), e.field().replaceFirst("^lines\\.0\\.", ""));
        }
        return quantity;
    }

    private static FactChange added(OrderFacts.CustomerOrder line) {
        return FactChange.of(null, Codec.of(OrderFacts.CustomerOrder.class).write(line));
    }

    private static FactChange added(OrderFacts.CustomerOrderPart part) {
        return FactChange.of(null, Codec.of(OrderFacts.CustomerOrderPart.class).write(part));
    }
}
