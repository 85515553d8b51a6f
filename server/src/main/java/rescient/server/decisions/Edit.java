package rescient.server.decisions;

import com.fasterxml.jackson.databind.node.ArrayNode;
import java.util.Map;

/**
 * The rows of a table under one key, as they were and as they became: what undoing a decision puts back.
 *
 * @param key column and value
 * @param before rows as JSON, without what the database numbers itself; so is {@code after}
 */
public record Edit(String table, Map<String, String> key, ArrayNode before, ArrayNode after) {
    Edit reversed() {
        return new Edit(table, key, after, before);
    }
}
