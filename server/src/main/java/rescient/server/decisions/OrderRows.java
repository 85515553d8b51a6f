package rescient.server.decisions;

import com.fasterxml.jackson.databind.JsonNode;
import com.fasterxml.jackson.databind.node.ArrayNode;
import com.fasterxml.jackson.databind.node.JsonNodeFactory;
import com.fasterxml.jackson.databind.node.ObjectNode;
import java.time.LocalDate;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.function.UnaryOperator;
import rescient.core.base.Quantity;
import rescient.core.company.Earmark;
import rescient.core.company.MadeFor;
import rescient.core.order.OrderDraft;
import rescient.server.planning.Words;

/** Rows of orders as decisions write them. */
final class OrderRows {
    private static final JsonNodeFactory JSON = JsonNodeFactory.instance;

    private OrderRows() {}

    static ObjectNode head(String number, OrderDraft order, String note, Proposing.Author author) {
        ObjectNode row = JSON.objectNode();
        row.put("number", number);
        row.put("kind", Words.word(order.source()));
        row.put("supplier", order.supplier());
        row.put("site", order.site());
        row.put("from_site", order.fromSite());
        row.put("note", note == null || note.isBlank() ? null : note.strip());
        row.put("created_by", author.name());
        row.put("created_at", author.now().toString());
        return row;
    }

    static void addLine(OrderImage image, String number, String line, String stage, Drafter.Drafted drafted) {
        OrderDraft order = drafted.order();
        ObjectNode row = image.lines().addObject();
        row.put("order_number", number);
        row.put("line", line);
        row.put("stage", stage);
        Earmark bought = Earmark.of(order.item());
        row.put("item", bought == null ? order.item() : bought.item());
        MadeFor made = order.madeFor();
        row.put("for_order", bought != null ? bought.number() : made == null ? null : made.number());
        row.put("for_line", bought != null ? bought.line() : made == null ? null : made.line());
        row.put("ordered", Quantity.decimal(order.quantity()));
        row.put("quantity", Quantity.decimal(order.quantity()));
        row.put("start_quantity", Quantity.decimal(order.startQuantity()));
        row.put("due_date", Words.date(order.dueDay()).toString());
        row.put("start_date", Words.date(order.startDay()).toString());
        row.put("unit", drafted.worth().unit());
        row.put("unit_quantity", drafted.worth().units());
        row.put("unit_price", drafted.worth().price());
        issues(image, number, line, order.needs());
    }

    /** What a line has to issue from now on; what has been issued stays. */
    static void issueInstead(OrderImage image, String number, String line, List<OrderDraft.Need> needs) {
        for (int i = image.components().size() - 1; i >= 0; i--) {
            JsonNode row = image.components().get(i);
            if (row.get("line").asText().equals(line)
                    && OrderImage.decimal(row, "quantity").signum() > 0) {
                image.components().remove(i);
            }
        }
        issues(image, number, line, needs);
    }

    private static void issues(OrderImage image, String number, String line, List<OrderDraft.Need> needs) {
        for (OrderDraft.Need need : needs) {
            ObjectNode issue = image.components().addObject();
            issue.put("order_number", number);
            issue.put("line", line);
            issue.put("component", need.item());
            issue.put("quantity", Quantity.decimal(need.quantity()));
            issue.put("needed_date", Words.date(need.day()).toString());
        }
    }

    /** Moves a line and what it still has to issue, each date as {@code move} says. */
    static void shift(OrderImage image, String line, UnaryOperator<LocalDate> move) {
        ObjectNode row = image.line(line);
        move(row, "start_date", move);
        for (JsonNode issue : image.components()) {
            if (issue.get("line").asText().equals(line)) {
                move((ObjectNode) issue, "needed_date", move);
            }
        }
    }

    private static void move(ObjectNode row, String column, UnaryOperator<LocalDate> move) {
        LocalDate date = OrderImage.date(row, column);
        if (date != null) {
            row.put(column, move.apply(date).toString());
        }
    }

    /** What a supplier is to be asked; an earlier request for the same line is replaced. */
    static Edit request(KeptRows rows, Target.Open open, String kind, LocalDate due, Proposing.Author author) {
        Map<String, String> key = new LinkedHashMap<>();
        key.put("order_number", open.number());
        key.put("line", open.line());
        ArrayNode after = JSON.arrayNode();
        ObjectNode row = after.addObject();
        key.forEach(row::put);
        row.put("kind", kind);
        row.put("due_date", due == null ? null : due.toString());
        row.put("name", author.name());
        row.put("made_at", author.now().toString());
        return new Edit("change_requests", key, rows.read("change_requests", key), after);
    }
}
