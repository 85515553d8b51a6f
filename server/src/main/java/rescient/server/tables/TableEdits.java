package rescient.server.tables;

import com.fasterxml.jackson.databind.node.ArrayNode;
import com.fasterxml.jackson.databind.node.JsonNodeFactory;
import com.fasterxml.jackson.databind.node.ObjectNode;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import rescient.dataset.Column;
import rescient.dataset.DeskTables;
import rescient.dataset.FactChange;
import rescient.dataset.Facts;
import rescient.dataset.Row;
import rescient.dataset.Table;

/** Changes of facts as edits of the rows that are kept. */
final class TableEdits {
    /** The columns under which rows of a table are replaced together; else those of its key. */
    private static final Map<String, List<String>> TOGETHER = Map.of(
            "supplier_items", List.of("supplier", "item"),
            "forecasts", List.of("set", "item", "site"),
            "customer_orders", List.of("number"),
            "calendar_exceptions", List.of("calendar"),
            "history_corrections", List.of("item", "site"),
            "forecast_adjustments", List.of("item", "site"),
            "forecast_versions", List.of("set", "item", "site"),
            "stock", List.of("item", "site"));

    private TableEdits() {}

    static List<Edit> of(KeptRows kept, Facts facts, List<FactChange> changes) {
        Facts after = facts.after(FactChange.ofCompany(changes));
        Map<Map<String, String>, Edit> edits = new LinkedHashMap<>();
        OpenOrderEdits orders = new OpenOrderEdits(kept);
        for (FactChange change : changes) {
            if (OpenOrderEdits.TABLES.contains(change.table().name())) {
                orders.add(change);
                continue;
            }
            Map<String, String> key = key(change);
            Map<String, String> place = new LinkedHashMap<>(key);
            place.put("", change.table().name());
            edits.computeIfAbsent(
                    place,
                    p -> edit(
                            kept,
                            change.table(),
                            key,
                            DeskTables.has(change.table()) ? change.after() : rows(after, change.table(), key)));
        }
        List<Edit> all = new ArrayList<>(edits.values());
        all.addAll(orders.edits());
        return all;
    }

    private static Map<String, String> key(FactChange change) {
        Row row = (change.after().isEmpty() ? change.before() : change.after()).get(0);
        Map<String, String> key = new LinkedHashMap<>();
        columns(change.table()).forEach(column -> key.put(column, row.text(column)));
        return key;
    }

    private static List<String> columns(Table table) {
        return TOGETHER.getOrDefault(
                table.name(),
                table.columns().stream().filter(Column::key).map(Column::name).toList());
    }

    private static List<Row> rows(Facts facts, Table table, Map<String, String> key) {
        Map.Entry<String, String> first = key.entrySet().iterator().next();
        return facts.rows(table.name(), first.getKey(), first.getValue()).stream()
                .filter(row ->
                        key.entrySet().stream().allMatch(k -> Objects.equals(k.getValue(), row.text(k.getKey()))))
                .toList();
    }

    private static Edit edit(KeptRows kept, Table table, Map<String, String> key, List<Row> rows) {
        ArrayNode after = JsonNodeFactory.instance.arrayNode();
        for (Row row : rows) {
            ObjectNode json = after.addObject();
            for (Column column : table.columns()) {
                json.put(column.name(), row.text(column.name()));
            }
        }
        return new Edit(table.name(), key, kept.read(table.name(), key), after);
    }
}
