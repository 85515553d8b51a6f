package rescient.server.decisions;

import com.fasterxml.jackson.databind.JsonNode;
import com.fasterxml.jackson.databind.node.ArrayNode;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Set;
import rescient.dataset.Row;
import rescient.dataset.Table;

/**
 * The rows of a table under one key, as they were and as they became: what undoing a decision puts back.
 *
 * @param key column and value
 * @param before rows as JSON, without what the database numbers itself; so is {@code after}
 */
record Edit(String table, Map<String, String> key, ArrayNode before, ArrayNode after) {
    private static final String PLANNING = "planning";
    private static final Set<String> TOLD_IN_FULL =
            Set.of("supply_orders", "supply_order_lines", "supply_order_components", "holds", "change_requests");

    /** Whether the company has to be read again to know it: all but whole orders, holds, requests and planning rows. */
    boolean anew() {
        if (table.equals(PLANNING)) {
            return after.size() != 1;
        }
        return !TOLD_IN_FULL.contains(table) || (table.equals("supply_order_lines") && key.containsKey("line"));
    }

    /** The planning row that is there now; none if this is about something else. */
    List<Row> planning() {
        if (!table.equals(PLANNING)) {
            return List.of();
        }
        Map<String, String> values = new HashMap<>();
        after.get(0).properties().forEach(field -> {
            JsonNode value = field.getValue();
            String text = value.isNumber() ? value.decimalValue().toPlainString() : value.asText();
            values.put(field.getKey(), value.isNull() ? null : text);
        });
        return List.of(Row.of(Table.named(PLANNING), values));
    }

    Edit reversed() {
        return new Edit(table, key, after, before);
    }
}
