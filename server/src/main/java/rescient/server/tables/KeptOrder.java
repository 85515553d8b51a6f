package rescient.server.tables;

import com.fasterxml.jackson.databind.JsonNode;
import com.fasterxml.jackson.databind.node.ArrayNode;
import com.fasterxml.jackson.databind.node.JsonNodeFactory;
import com.fasterxml.jackson.databind.node.ObjectNode;
import java.math.BigDecimal;
import java.time.LocalDate;
import java.util.List;
import java.util.Map;

/** One order as its rows are kept: its head, its lines, and what they still have to issue. */
record KeptOrder(ArrayNode head, ArrayNode lines, ArrayNode components) {
    private static final String HEADS = "supply_orders";
    private static final String LINES = "supply_order_lines";
    private static final String COMPONENTS = "supply_order_components";

    static KeptOrder none() {
        JsonNodeFactory json = JsonNodeFactory.instance;
        return new KeptOrder(json.arrayNode(), json.arrayNode(), json.arrayNode());
    }

    static KeptOrder read(KeptRows rows, String number) {
        return new KeptOrder(
                rows.read(HEADS, Map.of("number", number)),
                rows.read(LINES, Map.of("order_number", number)),
                rows.read(COMPONENTS, Map.of("order_number", number)));
    }

    KeptOrder copy() {
        return new KeptOrder(head.deepCopy(), lines.deepCopy(), components.deepCopy());
    }

    ObjectNode line(String line) {
        for (JsonNode row : lines) {
            if (row.get("line").asText().equals(line)) {
                return (ObjectNode) row;
            }
        }
        throw new IllegalArgumentException("No line " + line);
    }

    /** Takes a line away, and the order with its last one. */
    void remove(String line) {
        removeComponents(line);
        for (int i = lines.size() - 1; i >= 0; i--) {
            if (lines.get(i).get("line").asText().equals(line)) {
                lines.remove(i);
            }
        }
        if (lines.isEmpty()) {
            head.removeAll();
        }
    }

    void removeComponents(String line) {
        for (int i = components.size() - 1; i >= 0; i--) {
            if (components.get(i).get("line").asText().equals(line)) {
                components.remove(i);
            }
        }
    }

    /** What makes this of the order that was. */
    List<Edit> from(KeptOrder before, String number) {
        return List.of(
                new Edit(HEADS, Map.of("number", number), before.head.size(), head),
                new Edit(LINES, Map.of("order_number", number), before.lines.size(), lines),
                new Edit(COMPONENTS, Map.of("order_number", number), before.components.size(), components));
    }

    static String text(JsonNode row, String column) {
        JsonNode value = row.get(column);
        return value == null || value.isNull() ? null : value.asText();
    }

    static BigDecimal decimal(JsonNode row, String column) {
        String text = text(row, column);
        return text == null ? null : new BigDecimal(text);
    }

    static LocalDate date(JsonNode row, String column) {
        String text = text(row, column);
        return text == null ? null : LocalDate.parse(text);
    }
}
