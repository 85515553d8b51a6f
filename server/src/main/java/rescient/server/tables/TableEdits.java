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
        Map<Edit.Place, ArrayNode> becomes = new LinkedHashMap<>();
        OpenOrderEdits orders = new OpenOrderEdits(kept);
        for (FactChange change : changes) {
            if (OpenOrderEdits.TABLES.contains(change.table().name())) {
                orders.add(change);
                continue;
            }
            Edit.Place place = new Edit.Place(change.table().name(), key(change));
            becomes.computeIfAbsent(
                    place,
                    p -> written(
                            change.table(),
                            DeskTables.has(change.table())
                                    ? change.after()
                                    : rows(after, change.table(), place.key())));
        }
        List<Edit.Place> places = List.copyOf(becomes.keySet());
        List<ArrayNode> before = kept.read(places);
        List<Edit> all = new ArrayList<>();
        for (int i = 0; i < places.size(); i++) {
            Edit.Place place = places.get(i);
            all.add(new Edit(place.table(), place.key(), before.get(i), becomes.get(place)));
        }
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
