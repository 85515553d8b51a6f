package rescient.server.exchange;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.Collections;
import java.util.Comparator;
import java.util.List;
import rescient.dataset.Row;

/**
 * Open orders as the application keeps them: the order, its lines, and what these still have to issue.
 *
 * @param columns of the table, separated by commas
 * @param rows the texts of these columns, by number and line; empty where not set
 */
record SupplyRows(String table, String columns, List<List<String>> rows) {
    private static final List<String> ORDER = List.of("number", "kind", "supplier", "site", "from_site");
    /** Where nothing is said of what was ordered, all of it is still to come. */
    private static final List<String> LINE = List.of(
            "number",
            "line",
            "stage",
            "item",
            "ordered",
            "quantity",
            "due_date",
            "start_date",
            "locked",
            "start_quantity",
            "for_order",
            "for_line",
            "unit",
            "price",
            "scrapped",
            "confirmed_date",
            "split_of",
            "state",
            "purchase_state",
            "sent_date",
            "first_confirmed_date",
            "closed_date");

    private static final List<String> COMPONENT = List.of(
            "number",
            "line",
            "component",
            "quantity",
            "needed_date",
            "step",
            "planned",
            "issued",
            "used",
            "value",
            "per",
            "issue");

    /** The three tables, those that others refer to first. What an order has in common stands in its first line. */
    static List<SupplyRows> of(List<Row> openOrders, List<Row> components) {
        List<Row> lines = byLine(openOrders);
        List<List<String>> orders = new ArrayList<>();
        String number = null;
        for (Row line : lines) {
            if (!line.text("number").equals(number)) {
                number = line.text("number");
                orders.add(texts(line, ORDER));
            }
        }
        return List.of(
                new SupplyRows("supply_orders", "number, kind, supplier, site, from_site", orders),
                new SupplyRows(
                        "supply_order_lines",
                        "order_number, line, stage, item, ordered, quantity, due_date, start_date, locked, start_quantity,"
                                + " for_order, for_line, unit, unit_price, scrapped, confirmed_date, split_of, state,"
                                + " purchase_state, sent_date, first_confirmed_date, closed_date",
                        lines.stream()
                                .map(l -> texts(l.with("ordered", l.text("ordered", l.text("quantity"))), LINE))
                                .toList()),
                new SupplyRows(
                        "supply_order_components",
                        "order_number, line, component, quantity, needed_date, step, planned, issued, used, value, per,"
                                + " issue",
                        byLine(components).stream()
                                .map(c -> texts(c, COMPONENT))
                                .toList()));
    }

    private static List<Row> byLine(List<Row> rows) {
        Row[] sorted = rows.toArray(Row[]::new);
        Arrays.parallelSort(
                sorted, Comparator.<Row, String>comparing(r -> r.text("number")).thenComparing(r -> r.text("line")));
        return Collections.unmodifiableList(Arrays.asList(sorted));
    }

    private static List<String> texts(Row row, List<String> columns) {
        return columns.stream()
                .map(column -> row.table().indexOf(column) < 0 ? "" : row.text(column, ""))
                .toList();
    }
}
