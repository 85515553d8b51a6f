package rescient.server.planning;

import java.util.ArrayList;
import java.util.HashSet;
import java.util.List;
import java.util.Set;
import rescient.core.Change;
import rescient.core.OpenOrder;
import rescient.core.OpenOrderComponent;
import rescient.core.Quantity;
import rescient.dataset.Dataset;
import rescient.dataset.Row;
import rescient.dataset.Table;

/** Changes of open orders as rows of a dataset. */
final class OpenOrderRows {
    private static final Table ORDERS = Table.named("open_orders");
    private static final Table COMPONENTS = Table.named("open_order_components");

    private OpenOrderRows() {}

    static Dataset after(Dataset dataset, List<Change> changes) {
        List<Row> orders = new ArrayList<>(dataset.rows(ORDERS.name()));
        List<Row> components = new ArrayList<>(dataset.rows(COMPONENTS.name()));
        Set<List<String>> touched = new HashSet<>();
        for (Change change : changes) {
            if (change instanceof Change.Order order) {
                touched.add(List.of(order.order().number(), order.order().line()));
            } else if (change instanceof Change.NoOrder order) {
                touched.add(List.of(order.number(), order.line()));
            } else {
                throw new IllegalArgumentException("Only open orders are told one by one, not " + change);
            }
        }
        orders.removeIf(row -> touched.contains(List.of(row.text("number"), row.text("line"))));
        components.removeIf(row -> touched.contains(List.of(row.text("number"), row.text("line"))));
        for (Change change : changes) {
            if (change instanceof Change.Order order) {
                orders.add(row(order.order()));
                order.components().forEach(c -> components.add(row(c)));
            }
        }
        return dataset.with(ORDERS.name(), orders).with(COMPONENTS.name(), components);
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
            Boolean.toString(order.locked())
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
