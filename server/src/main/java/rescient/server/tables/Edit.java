package rescient.server.tables;

import com.fasterxml.jackson.databind.node.ArrayNode;
import java.util.Map;

/**
 * The rows of a table of the database under one key, as they were and as they become.
 *
 * @param key column and value
 * @param before rows as JSON, without what the database numbers itself; so is {@code after}
 */
record Edit(String table, Map<String, String> key, ArrayNode before, ArrayNode after) {
    /** Where it stands. */
    record Place(String table, Map<String, String> key) {}
}
