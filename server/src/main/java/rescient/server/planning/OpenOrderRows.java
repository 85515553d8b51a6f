package rescient.server.planning;

import java.util.ArrayList;
import java.util.List;
import rescient.core.base.Quantity;
import rescient.core.company.Change;
import rescient.core.company.OpenOrder;
import rescient.core.company.OpenOrderComponent;
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
        return new Row(ORDERS, 0, new String[] {
            order.number(),
            order.line(),
            Words.word(order.kind()),
            Words.word(order.stage()),
            order.item(),
            order.site(),
            text(order.fromSite()),
            text(order.supplier()),
            Quantity.text(order.quantity()),
            Words.date(order.dueDay()).toString(),
            order.startDay() == OpenOrder.NO_DAY
                    ? ""
                    : Words.date(order.startDay()).toString(),
            Boolean.toString(order.locked()),
            Quantity.text(order.quantity()),
            Quantity.text(order.startQuantity())
        });
    }

    private static Row row(OpenOrderComponent component) {
        return new Row(COMPONENTS, 0, new String[] {
            component.number(),
            component.line(),
            component.component(),
            Quantity.text(component.quantity()),
            Words.date(component.neededDay()).toString()
        });
    }

    private static String text(String value) {
        return value == null ? "" : value;
    }
}
