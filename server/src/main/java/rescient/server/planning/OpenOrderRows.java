package rescient.server.planning;

import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import rescient.core.base.Quantity;
import rescient.core.company.Change;
import rescient.core.company.Earmark;
import rescient.core.company.MadeFor;
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
                        row(
                                facts.row(
                                        ORDERS.name(),
                                        order.order().number(),
                                        order.order().line()),
                                order.order()),
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

    /** @param before what was ordered, at which price and in which unit, stays so; null if there was none */
    private static Row row(Row before, OpenOrder order) {
        Earmark line = Earmark.of(order.item());
        MadeFor made = order.madeFor();
        String quantity = Quantity.text(order.quantity());
        Row row = before == null ? Row.of(ORDERS, Map.of("number", order.number(), "line", order.line())) : before;
        return row.with("kind", Words.word(order.kind()))
                .with("stage", Words.word(order.stage()))
                .with("item", line == null ? order.item() : line.item())
                .with("site", order.site())
                .with("from_site", order.fromSite())
                .with("supplier", order.supplier())
                .with("quantity", quantity)
                .with("ordered", quantity)
                .with("due_date", Words.date(order.dueDay()).toString())
                .with("confirmed_date", null)
                .with(
                        "start_date",
                        order.startDay() == OpenOrder.NO_DAY
                                ? null
                                : Words.date(order.startDay()).toString())
                .with("locked", Boolean.toString(order.locked()))
                .with("start_quantity", Quantity.text(order.startQuantity()))
                .with("for_order", line != null ? line.number() : made == null ? null : made.number())
                .with("for_line", line != null ? line.line() : made == null ? null : made.line());
    }

    private static Row row(OpenOrderComponent component) {
        return Row.of(
                COMPONENTS,
                Map.of(
                        "number", component.number(),
                        "line", component.line(),
                        "component", component.component(),
                        "quantity", Quantity.text(component.quantity()),
                        "needed_date", Words.date(component.neededDay()).toString()));
    }
}
