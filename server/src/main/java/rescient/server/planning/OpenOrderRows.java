package rescient.server.planning;

import java.math.BigDecimal;
import java.util.ArrayList;
import java.util.List;
import rescient.core.base.Quantity;
import rescient.core.company.Change;
import rescient.core.company.Earmark;
import rescient.core.company.Fact;
import rescient.core.company.MadeFor;
import rescient.core.company.OpenOrder;
import rescient.core.company.OpenOrderComponent;
import rescient.dataset.Codec;
import rescient.dataset.FactChange;
import rescient.dataset.Facts;
import rescient.dataset.Row;
import rescient.dataset.Table;

/** Open orders as the rows that tell of them. */
public final class OpenOrderRows {
    private static final Table ORDERS = Table.named("open_orders");
    private static final Table COMPONENTS = Table.named("open_order_components");

    private OpenOrderRows() {}

    /** What becomes of the rows of open orders by these changes; there must be no others than of open orders. */
    public static List<FactChange> changes(Facts facts, List<Change> changes) {
        List<FactChange> rows = new ArrayList<>();
        for (Change change : changes) {
            if (change instanceof Change.Order order) {
                add(
                        rows,
                        facts,
                        order.order().number(),
                        order.order().line(),
                        row(order.order()),
                        order.components().stream().map(OpenOrderRows::row).toList());
            } else if (change instanceof Change.NoOrder order) {
                add(rows, facts, order.number(), order.line(), null, List.of());
            } else {
                throw new IllegalArgumentException("Only open orders are told so, not " + change);
            }
        }
        return rows;
    }

    /**
     * Adds what becomes of one line.
     *
     * @param after null if it is no longer open
     */
    public static void add(
            List<FactChange> rows, Facts facts, String number, String line, Row after, List<Row> components) {
        Row before = facts.row(ORDERS.name(), number, line);
        if (before != null || after != null) {
            rows.add(FactChange.of(before, after));
        }
        List<Row> issued = facts.components(number, line);
        if (!issued.isEmpty() || !components.isEmpty()) {
            rows.add(new FactChange(COMPONENTS, issued, components));
        }
    }

    private static Row row(OpenOrder order) {
        BigDecimal quantity = Quantity.decimal(order.quantity());
        Earmark line = Earmark.of(order.item());
        MadeFor made = order.madeFor();
        return Codec.of(Fact.OpenOrder.class)
                .write(new Fact.OpenOrder(
                        order.number(),
                        order.line(),
                        order.kind(),
                        order.stage(),
                        line == null ? order.item() : line.item(),
                        order.site(),
                        order.fromSite(),
                        order.supplier(),
                        quantity,
                        Words.date(order.dueDay()),
                        order.startDay() == OpenOrder.NO_DAY ? null : Words.date(order.startDay()),
                        order.locked(),
                        quantity,
                        Quantity.decimal(order.startQuantity()),
                        line != null ? line.number() : made == null ? null : made.number(),
                        line != null ? line.line() : made == null ? null : made.line()));
    }

    private static Row row(OpenOrderComponent component) {
        return Codec.of(Fact.OpenOrderComponent.class)
                .write(new Fact.OpenOrderComponent(
                        component.number(),
                        component.line(),
                        component.component(),
                        Quantity.decimal(component.quantity()),
                        Words.date(component.neededDay())));
    }
}
