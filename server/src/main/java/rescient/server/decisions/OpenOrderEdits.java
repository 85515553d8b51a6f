package rescient.server.decisions;

import com.fasterxml.jackson.databind.JsonNode;
import com.fasterxml.jackson.databind.node.ArrayNode;
import com.fasterxml.jackson.databind.node.ObjectNode;
import java.math.BigDecimal;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.Set;
import org.springframework.http.HttpStatus;
import rescient.dataset.FactChange;
import rescient.dataset.Row;
import rescient.server.platform.JobProblem;

/**
 * Changes of open orders as edits of the rows that they are kept in: what all lines of an order have in common stands in its
 * head, and what the application knows of a line besides stays, as long as the line asks for the same.
 */
final class OpenOrderEdits {
    static final Set<String> TABLES = Set.of("open_orders", "open_order_components");

    private static final List<String> HEAD = List.of("kind", "supplier", "site", "from_site");
    private static final List<String> LINE = List.of(
            "stage", "item", "quantity", "start_quantity", "due_date", "start_date", "locked", "for_order", "for_line");
    /** Said in the unit of the supplier of what was ordered. */
    private static final List<String> BOUGHT = List.of("unit", "unit_quantity", "unit_price");

    private final KeptRows kept;
    private final Map<String, OrderImage> before = new LinkedHashMap<>();
    private final Map<String, OrderImage> after = new LinkedHashMap<>();

    OpenOrderEdits(KeptRows kept) {
        this.kept = kept;
    }

    void add(FactChange change) {
        OrderImage image = image(change.any().text("number"));
        if (change.table().name().equals("open_orders")) {
            if (change.after().isEmpty()) {
                image.remove(change.any().text("line"));
            } else {
                line(image, change.after().get(0));
            }
            return;
        }
        change.before().forEach(row -> component(image, row, false));
        change.after().forEach(row -> component(image, row, true));
    }

    private OrderImage image(String number) {
        return after.computeIfAbsent(number, n -> {
            OrderImage was = OrderImage.read(kept, n);
            before.put(n, was);
            return was.copy();
        });
    }

    List<Edit> edits() {
        List<Edit> edits = new ArrayList<>();
        after.forEach((number, image) -> edits.addAll(image.from(before.get(number), number)));
        return edits;
    }

    private static void line(OrderImage image, Row row) {
        ObjectNode head = image.head().isEmpty()
                ? image.head().addObject().put("number", row.text("number"))
                : (ObjectNode) image.head().get(0);
        boolean others = !image.lines().isEmpty()
                && (image.lines().size() > 1 || find(image.lines(), Map.of("line", row.text("line"))) == null);
        if (others
                && HEAD.stream().anyMatch(column -> !Objects.equals(OrderImage.text(head, column), row.text(column)))) {
            throw new JobProblem(
                    HttpStatus.UNPROCESSABLE_ENTITY,
                    "All lines of " + row.text("number") + " have kind, supplier and sites in common; line "
                            + row.text("line") + " has others. Give it a number of its own");
        }
        HEAD.forEach(column -> head.put(column, row.text(column)));
        ObjectNode line = find(image.lines(), Map.of("line", row.text("line")));
        if (line == null) {
            line = image.lines()
                    .addObject()
                    .put("order_number", row.text("number"))
                    .put("line", row.text("line"));
        }
        String ordered = row.text("ordered", row.text("quantity"));
        if (differs(line, "item", row.text("item")) || differs(line, "ordered", ordered)) {
            BOUGHT.forEach(line::putNull);
        }
        line.put("ordered", ordered);
        for (String column : LINE) {
            line.put(column, row.text(column));
        }
    }

    private static boolean differs(ObjectNode line, String column, String text) {
        String was = OrderImage.text(line, column);
        if (column.equals("item") || was == null) {
            return !Objects.equals(was, text);
        }
        return OrderImage.decimal(line, column).compareTo(new BigDecimal(text)) != 0;
    }

    private static void component(OrderImage image, Row row, boolean there) {
        Map<String, String> key = Map.of("line", row.text("line"), "component", row.text("component"));
        ObjectNode known = find(image.components(), key);
        if (!there) {
            for (int i = image.components().size() - 1; known != null && i >= 0; i--) {
                if (image.components().get(i) == known) {
                    image.components().remove(i);
                }
            }
            return;
        }
        ObjectNode issue = known == null ? image.components().addObject() : known;
        issue.put("order_number", row.text("number"));
        key.forEach(issue::put);
        issue.put("quantity", row.text("quantity"));
        issue.put("needed_date", row.text("needed_date"));
    }

    private static ObjectNode find(ArrayNode rows, Map<String, String> key) {
        for (JsonNode row : rows) {
            if (key.entrySet().stream()
                    .allMatch(k -> row.get(k.getKey()).asText().equals(k.getValue()))) {
                return (ObjectNode) row;
            }
        }
        return null;
    }
}
