package rescient.server.decisions;

import com.fasterxml.jackson.databind.JsonNode;
import com.fasterxml.jackson.databind.node.ArrayNode;
import com.fasterxml.jackson.databind.node.ObjectNode;
import java.math.BigDecimal;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;
import java.util.Set;
import rescient.dataset.Column;
import rescient.dataset.FactChange;
import rescient.dataset.Facts;
import rescient.dataset.Row;
import rescient.dataset.Table;
import rescient.server.planning.OpenOrderRows;
import rescient.server.platform.FactCodec;

/**
 * What edits of the database's tables come to as rows of the company. Those of a table that a dataset knows are the same;
 * an open order is put together from its head, its lines and what they still have to issue.
 */
final class EditedRows {
    private static final String HEADS = "supply_orders";
    private static final String LINES = "supply_order_lines";
    private static final String COMPONENTS = "supply_order_components";
    private static final Table OPEN_ORDERS = Table.named("open_orders");
    private static final Table ISSUES = Table.named("open_order_components");

    private final Facts facts;
    private final List<FactChange> changes = new ArrayList<>();

    private EditedRows(Facts facts) {
        this.facts = facts;
    }

    static List<FactChange> of(Facts facts, List<Edit> edits) {
        EditedRows rows = new EditedRows(facts);
        Map<String, List<Edit>> orders = new LinkedHashMap<>();
        for (Edit edit : edits) {
            Table table = Table.named(edit.table());
            if (table != null) {
                rows.add(table, edit);
            } else if (List.of(HEADS, LINES, COMPONENTS).contains(edit.table())) {
                String number = edit.key().get(edit.table().equals(HEADS) ? "number" : "order_number");
                orders.computeIfAbsent(number, n -> new ArrayList<>()).add(edit);
            }
        }
        orders.forEach(rows::order);
        return rows.changes;
    }

    private void add(Table table, Edit edit) {
        Map<List<String>, Row> before = byKey(table, edit.before());
        Map<List<String>, Row> after = byKey(table, edit.after());
        before.forEach((key, row) -> {
            Row instead = after.remove(key);
            if (instead == null || !instead.values().equals(row.values())) {
                changes.add(FactChange.of(row, instead));
            }
        });
        after.values().forEach(row -> changes.add(FactChange.of(null, row)));
    }

    private static Map<List<String>, Row> byKey(Table table, ArrayNode rows) {
        Map<List<String>, Row> byKey = new LinkedHashMap<>();
        for (JsonNode cells : rows) {
            Row row = FactCodec.row(table, cells);
            byKey.put(
                    table.columns().stream()
                            .filter(Column::key)
                            .map(column -> row.text(column.name(), ""))
                            .toList(),
                    row);
        }
        return byKey;
    }

    private void order(String number, List<Edit> edits) {
        JsonNode head = null;
        Set<String> lines = new LinkedHashSet<>();
        Map<String, JsonNode> after = new LinkedHashMap<>();
        Map<String, List<Row>> issues = null;
        for (Edit edit : edits) {
            switch (edit.table()) {
                case HEADS ->
                    head = edit.after().isEmpty() ? null : edit.after().get(0);
                case LINES -> {
                    edit.before().forEach(row -> lines.add(row.get("line").asText()));
                    edit.after().forEach(row -> {
                        lines.add(row.get("line").asText());
                        after.put(row.get("line").asText(), row);
                    });
                }
                default -> {
                    issues = new LinkedHashMap<>();
                    for (JsonNode row : edit.before()) {
                        lines.add(row.get("line").asText());
                    }
                    for (JsonNode row : edit.after()) {
                        lines.add(row.get("line").asText());
                        if (isOpen(row)) {
                            issues.computeIfAbsent(row.get("line").asText(), l -> new ArrayList<>())
                                    .add(FactCodec.row(ISSUES, named(row, number)));
                        }
                    }
                }
            }
        }
        boolean known = edits.stream().anyMatch(edit -> edit.table().equals(LINES));
        for (String line : lines) {
            Row row = known ? line(number, line, head, after.get(line)) : facts.row(OPEN_ORDERS.name(), number, line);
            List<Row> open = row == null
                    ? List.of()
                    : issues == null ? facts.components(number, line) : issues.getOrDefault(line, List.of());
            OpenOrderRows.add(changes, facts, number, line, row, open);
        }
    }

    /** The line as the company knows it, or null if nothing of it is open. */
    private Row line(String number, String line, JsonNode head, JsonNode cells) {
        if (cells == null || !isOpen(cells)) {
            return null;
        }
        ObjectNode all = named(cells, number);
        if (head != null) {
            for (String column : List.of("kind", "site", "from_site", "supplier")) {
                all.set(column, head.get(column));
            }
            return FactCodec.row(OPEN_ORDERS, all);
        }
        Row before = facts.row(OPEN_ORDERS.name(), number, line);
        for (String column : List.of("kind", "site", "from_site", "supplier")) {
            all.put(column, before == null ? null : before.text(column));
        }
        return FactCodec.row(OPEN_ORDERS, all);
    }

    private static boolean isOpen(JsonNode row) {
        JsonNode quantity = row.get("quantity");
        return quantity != null && new BigDecimal(quantity.asText()).signum() > 0;
    }

    private static ObjectNode named(JsonNode row, String number) {
        return row.<ObjectNode>deepCopy().put("number", number);
    }
}
