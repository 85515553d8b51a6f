package rescient.server.decisions;

import java.math.BigDecimal;
import java.util.ArrayList;
import java.util.Collection;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import rescient.core.company.Fact;
import rescient.dataset.Facts;
import rescient.server.planning.Directory;
import rescient.server.platform.Nullable;
import rescient.server.tables.DeskRows;

/** What customers are to be charged: what was shipped to them less what came back, less what they were charged before. */
public final class CustomerCharges {
    private CustomerCharges() {}

    /**
     * A line of a customer order.
     *
     * @param shipped less what came back, in the item's unit; {@code charged} of it before
     * @param price of one; null: none is known
     */
    public record Charge(
            Fact.CustomerOrder line,
            BigDecimal shipped,
            BigDecimal charged,
            @Nullable BigDecimal price) {
        /** Below 0: it is credited. */
        public BigDecimal left() {
            return shipped.subtract(charged);
        }
    }

    /**
     * Lines of which something is left, in the order of the documents.
     *
     * @param numbers of orders; null: all
     */
    public static List<Charge> of(Directory directory, DeskRows desk, @Nullable Collection<String> numbers) {
        Facts facts = directory.facts();
        Map<String, List<Fact.CustomerOrder>> orders = new HashMap<>();
        List<Charge> charges = new ArrayList<>();
        for (DeskRows.Shipped shipped : desk.shipped(numbers)) {
            orders
                    .computeIfAbsent(
                            shipped.number(), number -> facts.where(Fact.CustomerOrder.class, "number", number))
                    .stream()
                    .filter(line -> line.line().equals(shipped.line()) && line.customer() != null)
                    .map(line -> new Charge(line, shipped.quantity(), charged(facts, line), price(directory, line)))
                    .filter(charge -> charge.left().signum() != 0)
                    .forEach(charges::add);
        }
        return charges;
    }

    private static BigDecimal charged(Facts facts, Fact.CustomerOrder line) {
        return facts.where(Fact.InvoiceLine.class, "order_number", line.number()).stream()
                .filter(one -> one.customer() != null && one.orderLine().equals(line.line()))
                .map(Fact.InvoiceLine::quantity)
                .reduce(BigDecimal.ZERO, BigDecimal::add);
    }

    @Nullable
    private static BigDecimal price(Directory directory, Fact.CustomerOrder line) {
        return line.price() != null ? line.price() : directory.item(line.item()).price();
    }
}
