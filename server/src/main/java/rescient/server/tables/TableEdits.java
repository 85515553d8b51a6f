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
import rescient.dataset.ColumnType;
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
            "forecast_versions", List.of("set", "item", "site"));

    private TableEdits() {}

    static List<Edit> of(KeptRows kept, Facts facts, List<FactChange> changes) {
        Facts after = facts.after(FactChange.ofCompany(changes));
        Map<Place, Edit> edits = new LinkedHashMap<>();
        OpenOrderEdits orders = new OpenOrderEdits(kept);
        for (FactChange change : changes) {
            if (OpenOrderEdits.TABLES.contains(change.table().name())) {
                orders.add(change);
                continue;
            }
            Place place = new Place(change.table(), key(change));
            edits.computeIfAbsent(
                    place,
                    p -> DeskTables.has(change.table())
                            ? edit(place, change.before(), change.after())
                            : edit(place, rows(facts, change, place), rows(after, change, place)));
        }
        List<Edit> all = new ArrayList<>(edits.values());
        all.addAll(orders.edits());
        return all;
    }

    /** Rows that are edited together. */
    private record Place(Table table, Map<String, String> key) {}

    private static Edit edit(Place place, List<Row> before, List<Row> after) {
        return new Edit(place.table.name(), place.key, before.size(), written(place.table, after));
    }

    /** Under the key as it is kept; nothing and no are the same there. */
    private static Map<String, String> key(FactChange change) {
        Row row = (change.before().isEmpty() ? change.after() : change.before()).get(0);
        Map<String, String> key = new LinkedHashMap<>();
        Table table = change.table();
        for (String name : columns(table)) {
            ColumnType type = table.columns().get(table.indexOf(name)).type();
            key.put(name, type == ColumnType.FLAG && !row.flag(name, false) ? null : row.text(name));
        }
        return key;
    }

    private static List<String> columns(Table table) {
        return TOGETHER.getOrDefault(
                table.name(),
                table.columns().stream().filter(Column::key).map(Column::name).toList());
    }

    private static List<Row> rows(Facts facts, FactChange change, Place place) {
        if (!TOGETHER.containsKey(place.table.name())) {
            return facts.together(change.any());
        }
        Map.Entry<String, String> first = place.key.entrySet().iterator().next();
        return facts.rows(place.table.name(), first.getKey(), first.getValue()).stream()
                .filter(row ->
                        place.key.entrySet().stream().allMatch(k -> Objects.equals(k.getValue(), row.text(k.getKey()))))
                .toList();
    }

    private static ArrayNode written(Table table, List<Row> rows) {
        ArrayNode written = JsonNodeFactory.instance.arrayNode();
        for (Row row : rows) {
            ObjectNode json = written.addObject();
            for (Column column : table.columns()) {
                json.put(column.name(), row.text(column.name()));
            }
        }
        return written;
    }
}
