package rescient.server.tables;

import com.fasterxml.jackson.databind.JsonNode;
import com.fasterxml.jackson.databind.node.ArrayNode;
import com.fasterxml.jackson.databind.node.ObjectNode;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.Set;
import org.springframework.http.HttpStatus;
import rescient.dataset.DeskTables;
import rescient.dataset.FactChange;
import rescient.dataset.Row;
import rescient.server.platform.JobProblem;

/**
 * Changes of open orders as edits of the rows that they are kept in: what all lines of an order have in common stands in its
 * head, beside what is kept with its number.
 */
final class OpenOrderEdits {
    static final Set<String> TABLES = Set.of("open_orders", "open_order_components", DeskTables.ORDER_HEADS.name());

    private static final List<String> HEAD = List.of("kind", "supplier", "site", "from_site");
    private static final List<String> NOTED = List.of("note", "created_by", "created_at");
    /** Columns of a line, as the dataset names them. */
    private static final List<String> LINE = List.of(
            "stage",
            "item",
            "quantity",
            "start_quantity",
            "due_date",
            "start_date",
            "locked",
            "for_order",
            "for_line",
            "unit",
            "scrapped",
            "confirmed_date",
            "split_of",
            "state",
            "purchase_state",
            "sent_date",
            "first_confirmed_date");

    private static final List<String> ISSUE =
            List.of("quantity", "needed_date", "planned", "issued", "used", "value", "per", "issue");

    private final KeptRows kept;
    private final Map<String, KeptOrder> before = new LinkedHashMap<>();
    private final Map<String, KeptOrder> after = new LinkedHashMap<>();
    private final Map<String, Row> noted = new LinkedHashMap<>();

    OpenOrderEdits(KeptRows kept) {
        this.kept = kept;
    }

    void add(FactChange change) {
        KeptOrder order = order(change.any().text("number"));
        switch (change.table().name()) {
            case "open_orders" -> {
                if (change.after().isEmpty()) {
                    order.remove(change.any().text("line"));
                } else {
                    line(order, change.after().get(0));
                }
            }
            case "open_order_components" -> {
                change.before().forEach(row -> component(order, row, false));
                change.after().forEach(row -> component(order, row, true));
            }
            default ->
                noted.put(
                        change.any().text("number"),
                        change.after().isEmpty() ? null : change.after().get(0));
        }
    }

    private KeptOrder order(String number) {
        return after.computeIfAbsent(number, n -> {
            KeptOrder was = KeptOrder.read(kept, n);
            before.put(n, was);
            return was.copy();
        });
    }

    List<Edit> edits() {
        noted.forEach((number, row) -> {
            for (JsonNode head : after.get(number).head()) {
                NOTED.forEach(column -> ((ObjectNode) head).put(column, row == null ? null : row.text(column)));
            }
        });
        List<Edit> edits = new ArrayList<>();
        after.forEach((number, order) -> edits.addAll(order.from(before.get(number), number)));
        return edits;
    }

    private static void line(KeptOrder order, Row row) {
        ObjectNode head = order.head().isEmpty()
                ? order.head().addObject().put("number", row.text("number"))
                : (ObjectNode) order.head().get(0);
        boolean others = !order.lines().isEmpty()
                && (order.lines().size() > 1 || find(order.lines(), Map.of("line", row.text("line"))) == null);
        if (others
                && HEAD.stream().anyMatch(column -> !Objects.equals(KeptOrder.text(head, column), row.text(column)))) {
            throw new JobProblem(
                    HttpStatus.UNPROCESSABLE_ENTITY,
                    "All lines of " + row.text("number") + " have kind, supplier and sites in common; line "
                            + row.text("line") + " has others. Give it a number of its own");
        }
        HEAD.forEach(column -> head.put(column, row.text(column)));
        ObjectNode line = find(order.lines(), Map.of("line", row.text("line")));
        if (line == null) {
            line = order.lines()
                    .addObject()
                    .put("order_number", row.text("number"))
                    .put("line", row.text("line"));
        }
        line.put("ordered", row.text("ordered", row.text("quantity")));
        line.put("unit_price", row.text("price"));
        for (String column : LINE) {
            line.put(column, row.text(column));
        }
    }

    private static void component(KeptOrder order, Row row, boolean there) {
        Map<String, String> key = new LinkedHashMap<>();
        key.put("line", row.text("line"));
        key.put("component", row.text("component"));
        key.put("step", row.text("step"));
        ObjectNode known = find(order.components(), key);
        if (!there) {
            for (int i = order.components().size() - 1; known != null && i >= 0; i--) {
                if (order.components().get(i) == known) {
                    order.components().remove(i);
                }
            }
            return;
        }
        ObjectNode issue = known == null ? order.components().addObject() : known;
        issue.put("order_number", row.text("number"));
        key.forEach(issue::put);
        ISSUE.forEach(column -> issue.put(column, row.text(column)));
    }

    private static ObjectNode find(ArrayNode rows, Map<String, String> key) {
        for (JsonNode row : rows) {
            if (key.entrySet().stream().allMatch(k -> Objects.equals(said(row, k.getKey()), k.getValue()))) {
                return (ObjectNode) row;
            }
        }
        return null;
    }

    /** Nothing and no text are the same. */
    private static String said(JsonNode row, String column) {
        String text = KeptOrder.text(row, column);
        return text == null || text.isEmpty() ? null : text;
    }
}
