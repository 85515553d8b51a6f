package rescient.server.planning;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.stream.Stream;
import rescient.core.base.Quantity;
import rescient.core.company.Change;
import rescient.core.company.OpenOrder;
import rescient.core.company.OpenOrderComponent;
import rescient.dataset.Dataset;
import rescient.dataset.Row;
import rescient.dataset.Table;

/**
 * The open orders of a company: as they were read, and what has been told of each since. Whoever asks for a line, or tells
 * of one, does not go through all of them.
 */
final class OpenOrders {
    private static final Table ORDERS = Table.named("open_orders");
    private static final Table COMPONENTS = Table.named("open_order_components");

    private final Dataset read;
    private final Map<List<String>, Row> lines;
    /** The last change of each line that was told of, in the order in which they were told. */
    private final Map<List<String>, Change> since;

    private volatile Dataset present;

    OpenOrders(Dataset read) {
        this(read, new HashMap<>(), Map.of());
        read.rows(ORDERS.name()).forEach(row -> lines.put(key(row), row));
    }

    private OpenOrders(Dataset read, Map<List<String>, Row> lines, Map<List<String>, Change> since) {
        this.read = read;
        this.lines = lines;
        this.since = since;
    }

    /** With what these changes say; there must be no others than of open orders. */
    OpenOrders after(List<Change> changes) {
        Map<List<String>, Change> told = new LinkedHashMap<>(since);
        for (Change change : changes) {
            List<String> key = key(change);
            told.remove(key);
            told.put(key, change);
        }
        return new OpenOrders(read, lines, told);
    }

    /** The same orders in a company that differs in other tables. */
    OpenOrders in(Dataset other) {
        return new OpenOrders(other, lines, since);
    }

    /** A line, or null. */
    Row line(String number, String line) {
        List<String> key = List.of(number, line);
        Change change = since.get(key);
        return change == null ? lines.get(key) : change instanceof Change.Order order ? row(order.order()) : null;
    }

    /** All lines, in no order. */
    Stream<Row> lines() {
        Stream<Row> untouched = lines.entrySet().stream()
                .filter(line -> !since.containsKey(line.getKey()))
                .map(Map.Entry::getValue);
        return Stream.concat(untouched, since.values().stream().flatMap(OpenOrders::row));
    }

    private static Stream<Row> row(Change change) {
        return change instanceof Change.Order order ? Stream.of(row(order.order())) : Stream.empty();
    }

    /** The company as it was read; of its tables, only those of open orders may have changed since. */
    Dataset read() {
        return read;
    }

    /** The company as it is. */
    Dataset dataset() {
        if (present == null) {
            present = since.isEmpty() ? read : told();
        }
        return present;
    }

    private Dataset told() {
        List<Row> orders = new ArrayList<>(read.rows(ORDERS.name()));
        List<Row> components = new ArrayList<>(read.rows(COMPONENTS.name()));
        orders.removeIf(row -> since.containsKey(key(row)));
        components.removeIf(row -> since.containsKey(key(row)));
        for (Change change : since.values()) {
            if (change instanceof Change.Order order) {
                orders.add(row(order.order()));
                order.components().forEach(c -> components.add(row(c)));
            }
        }
        return read.with(ORDERS.name(), orders).with(COMPONENTS.name(), components);
    }

    private static List<String> key(Row row) {
        return List.of(row.text("number"), row.text("line"));
    }

    private static List<String> key(Change change) {
        if (change instanceof Change.Order order) {
            return List.of(order.order().number(), order.order().line());
        }
        if (change instanceof Change.NoOrder order) {
            return List.of(order.number(), order.line());
        }
        throw new IllegalArgumentException("Only open orders are told one by one, not " + change);
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
