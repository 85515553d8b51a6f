package rescient.server.decisions;

import com.fasterxml.jackson.databind.node.ArrayNode;
import com.fasterxml.jackson.databind.node.JsonNodeFactory;
import com.fasterxml.jackson.databind.node.ObjectNode;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;
import java.util.Set;
import rescient.dataset.Column;
import rescient.dataset.Dataset;
import rescient.dataset.Row;
import rescient.dataset.Table;

/** What makes one company of another, as edits of the rows that differ. */
final class TableEdits {
    private static final String OPEN_ORDERS = "open_orders";

    /** The columns under which rows of a table are replaced together; else those of its key. */
    private static final Map<String, List<String>> TOGETHER = Map.of(
            "supplier_items", List.of("supplier", "item"),
            "forecasts", List.of("set", "item", "site"),
            "customer_orders", List.of("number"),
            "calendar_exceptions", List.of("calendar"),
            "stock", List.of("item", "site"));

    private TableEdits() {}

    /** Of open orders only the due dates may differ. */
    static List<Edit> between(KeptRows kept, Dataset before, Dataset after) {
        List<Edit> edits = new ArrayList<>();
        for (Table table : Table.ALL) {
            List<Row> was = before.rows(table.name());
            List<Row> is = after.rows(table.name());
            if (was != is) {
                Map<Map<String, String>, List<Row>> rowsBefore = byKey(table, was);
                Map<Map<String, String>, List<Row>> rowsAfter = byKey(table, is);
                Set<Map<String, String>> keys = new LinkedHashSet<>(rowsBefore.keySet());
                keys.addAll(rowsAfter.keySet());
                for (Map<String, String> key : keys) {
                    List<Row> old = rowsBefore.getOrDefault(key, List.of());
                    List<Row> now = rowsAfter.getOrDefault(key, List.of());
                    if (!values(old).equals(values(now))) {
                        edits.add(edit(kept, table, key, now));
                    }
                }
            }
        }
        return edits;
    }

    private static Edit edit(KeptRows kept, Table table, Map<String, String> key, List<Row> rows) {
        if (table.name().equals(OPEN_ORDERS)) {
            Map<String, String> line = new LinkedHashMap<>();
            line.put("order_number", key.get("number"));
            line.put("line", key.get("line"));
            ArrayNode before = kept.read("supply_order_lines", line);
            ArrayNode after = before.deepCopy();
            after.forEach(row -> ((ObjectNode) row).put("due_date", rows.get(0).text("due_date")));
            return new Edit("supply_order_lines", line, before, after);
        }
        ArrayNode after = JsonNodeFactory.instance.arrayNode();
        for (Row row : rows) {
            ObjectNode json = after.addObject();
            for (Column column : table.columns()) {
                json.put(column.name(), row.text(column.name()));
            }
        }
        return new Edit(table.name(), key, kept.read(table.name(), key), after);
    }

    private static Map<Map<String, String>, List<Row>> byKey(Table table, List<Row> rows) {
        List<String> columns = TOGETHER.getOrDefault(
                table.name(),
                table.columns().stream().filter(Column::key).map(Column::name).toList());
        Map<Map<String, String>, List<Row>> byKey = new LinkedHashMap<>();
        for (Row row : rows) {
            Map<String, String> key = new LinkedHashMap<>();
            columns.forEach(column -> key.put(column, row.text(column)));
            byKey.computeIfAbsent(key, k -> new ArrayList<>()).add(row);
        }
        return byKey;
    }

    private static List<List<String>> values(List<Row> rows) {
        return rows.stream().map(Row::values).toList();
    }
}
