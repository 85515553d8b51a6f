package rescient.server.decisions;

import com.fasterxml.jackson.databind.JsonNode;
import com.fasterxml.jackson.databind.node.ArrayNode;
import com.fasterxml.jackson.databind.node.JsonNodeFactory;
import com.fasterxml.jackson.databind.node.ObjectNode;
import java.math.BigDecimal;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.HashSet;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Set;
import rescient.core.base.Quantity;
import rescient.core.company.Change;
import rescient.core.company.OpenOrder;
import rescient.core.company.OpenOrderComponent;
import rescient.core.company.Source;
import rescient.core.company.Stage;

/** The rows of one order: its head, its lines, and what they still have to issue. */
record OrderImage(ArrayNode head, ArrayNode lines, ArrayNode components) {
    private static final String HEADS = "supply_orders";
    private static final String LINES = "supply_order_lines";
    private static final String COMPONENTS = "supply_order_components";

    static OrderImage none() {
        JsonNodeFactory json = JsonNodeFactory.instance;
        return new OrderImage(json.arrayNode(), json.arrayNode(), json.arrayNode());
    }

    static OrderImage read(KeptRows rows, String number) {
        return new OrderImage(
                rows.read(HEADS, Map.of("number", number)),
                rows.read(LINES, Map.of("order_number", number)),
                rows.read(COMPONENTS, Map.of("order_number", number)));
    }

    OrderImage copy() {
        return new OrderImage(head.deepCopy(), lines.deepCopy(), components.deepCopy());
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
    List<Edit> from(OrderImage before, String number) {
        return List.of(
                new Edit(HEADS, Map.of("number", number), before.head, head),
                new Edit(LINES, Map.of("order_number", number), before.lines, lines),
                new Edit(COMPONENTS, Map.of("order_number", number), before.components, components));
    }

    /** What the plan has to know of edits of orders. */
    static List<Change> changes(List<Edit> edits) {
        Map<String, OrderImage> before = new LinkedHashMap<>();
        Map<String, OrderImage> after = new LinkedHashMap<>();
        for (Edit edit : edits) {
            String number = edit.key().get(edit.table().equals(HEADS) ? "number" : "order_number");
            if (number == null || !List.of(HEADS, LINES, COMPONENTS).contains(edit.table())) {
                continue;
            }
            before.computeIfAbsent(number, n -> none()).rows(edit.table()).addAll(edit.before());
            after.computeIfAbsent(number, n -> none()).rows(edit.table()).addAll(edit.after());
        }
        List<Change> changes = new ArrayList<>();
        before.forEach((number, was) -> {
            Set<String> still = new HashSet<>();
            OrderImage is = after.get(number);
            for (JsonNode line : is.lines) {
                if (decimal(line, "quantity").signum() > 0) {
                    still.add(line.get("line").asText());
                    changes.add(is.change(line));
                }
            }
            for (JsonNode line : was.lines) {
                if (!still.contains(line.get("line").asText())) {
                    changes.add(new Change.NoOrder(number, line.get("line").asText()));
                }
            }
        });
        return changes;
    }

    private ArrayNode rows(String table) {
        return switch (table) {
            case HEADS -> head;
            case LINES -> lines;
            default -> components;
        };
    }

    private Change change(JsonNode line) {
        JsonNode order = head.get(0);
        String number = order.get("number").asText();
        String name = line.get("line").asText();
        List<OpenOrderComponent> issues = new ArrayList<>();
        for (JsonNode row : components) {
            if (row.get("line").asText().equals(name)
                    && decimal(row, "quantity").signum() > 0) {
                issues.add(new OpenOrderComponent(
                        number,
                        name,
                        row.get("component").asText(),
                        Quantity.of(decimal(row, "quantity")),
                        day(row, "needed_date")));
            }
        }
        return new Change.Order(
                new OpenOrder(
                        number,
                        name,
                        Source.valueOf(order.get("kind").asText().toUpperCase(Locale.ROOT)),
                        Stage.valueOf(line.get("stage").asText().toUpperCase(Locale.ROOT)),
                        line.get("item").asText(),
                        order.get("site").asText(),
                        text(order, "from_site"),
                        text(order, "supplier"),
                        Quantity.of(decimal(line, "quantity")),
                        day(line, "due_date"),
                        text(line, "start_date") == null ? OpenOrder.NO_DAY : day(line, "start_date"),
                        line.path("locked").asBoolean(false)),
                issues);
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

    private static int day(JsonNode row, String column) {
        return (int) date(row, column).toEpochDay();
    }
}
