package rescient.server.decisions;

import com.fasterxml.jackson.databind.node.ArrayNode;
import java.util.Map;
import java.util.Set;

/**
 * The rows of a table under one key, as they were and as they became: what undoing a decision puts back.
 *
 * @param key column and value
 * @param before rows as JSON, without what the database numbers itself; so is {@code after}
 */
record Edit(String table, Map<String, String> key, ArrayNode before, ArrayNode after) {
    private static final Set<String> TOLD_IN_FULL =
            Set.of("supply_orders", "supply_order_lines", "supply_order_components", "holds", "change_requests");

    /** Whether the company has to be read again to know it: all but whole orders, holds and requests. */
    boolean anew() {
        return !TOLD_IN_FULL.contains(table) || (table.equals("supply_order_lines") && key.containsKey("line"));
    }

    Edit reversed() {
        return new Edit(table, key, after, before);
    }
}
