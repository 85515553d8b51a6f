package rescient.server.tables;

import com.fasterxml.jackson.databind.node.ArrayNode;
import java.util.Map;

/**
 * The rows of a table of the database under one key, as they become.
 *
 * @param key column and value
 * @param before how many there were
 * @param after rows as JSON, without what the database numbers itself
 */
record Edit(String table, Map<String, String> key, int before, ArrayNode after) {}
