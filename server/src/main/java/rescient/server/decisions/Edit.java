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
    private static final Set<String> MASTER_DATA = Set.of("planning", "bom_lines", "supplier_items");

    /** Whether it changes how the company is planned, not its documents. */
    boolean ofMasterData() {
        return MASTER_DATA.contains(table);
    }

    Edit reversed() {
        return new Edit(table, key, after, before);
    }
}
