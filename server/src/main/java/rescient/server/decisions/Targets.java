package rescient.server.decisions;

import com.fasterxml.jackson.databind.JsonNode;
import java.math.BigDecimal;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import java.util.Set;
import rescient.core.base.Quantity;
import rescient.core.company.Earmark;
import rescient.core.company.MadeFor;
import rescient.core.company.Source;
import rescient.core.order.OrderDraft;
import rescient.core.plan.PointView;
import rescient.server.planning.OrderKey;
import rescient.server.planning.PlanVersion;

/** Finds the orders that a decision names. */
final class Targets {
    private final KeptRows rows;
    private final PlanVersion version;

    Targets(KeptRows rows, PlanVersion version) {
        this.rows = rows;
        this.version = version;
    }

    /** The order of a key, if it is still there. */
    Optional<Target> find(String key) {
        if (OrderKey.isLine(key)) {
            return open(OrderKey.number(key), OrderKey.line(key));
        }
        OrderKey name = OrderKey.parse(key);
        return name.in(version.plan()).map(order -> {
            PointView point = version.plan().point(order.item(), order.site()).orElseThrow();
            return new Target.Planned(name, order, point);
        });
    }

    private Optional<Target> open(String number, String line) {
        OrderImage image = OrderImage.read(rows, number);
        for (JsonNode row : image.lines()) {
            if (row.get("line").asText().equals(line)
                    && OrderImage.decimal(row, "quantity").signum() > 0) {
                return Optional.of(new Target.Open(number, line, image, draft(image, line)));
            }
        }
        return Optional.empty();
    }

    /** A line of an order as it stands. */
    static OrderDraft draft(OrderImage image, String line) {
        JsonNode head = image.head().get(0);
        JsonNode row = image.line(line);
        BigDecimal good = OrderImage.decimal(row, "quantity");
        BigDecimal started = OrderImage.decimal(row, "start_quantity");
        int due = (int) OrderImage.date(row, "due_date").toEpochDay();
        String site = head.get("site").asText();
        String from = OrderImage.text(head, "from_site");
        List<OrderDraft.Need> needs = new ArrayList<>();
        for (JsonNode need : image.components()) {
            if (need.get("line").asText().equals(line)) {
                needs.add(new OrderDraft.Need(
                        need.get("component").asText(),
                        from == null ? site : from,
                        Quantity.of(OrderImage.decimal(need, "quantity")),
                        (int) OrderImage.date(need, "needed_date").toEpochDay()));
            }
        }
        String forOrder = OrderImage.text(row, "for_order");
        String item = row.get("item").asText();
        String forLine = OrderImage.text(row, "for_line");
        Source kind = Source.valueOf(head.get("kind").asText().toUpperCase(Locale.ROOT));
        return new OrderDraft(
                forOrder == null || MadeFor.hangs(kind) ? item : new Earmark(item, forOrder, forLine).code(),
                site,
                kind,
                OrderImage.text(head, "supplier"),
                from,
                Quantity.of(good),
                Quantity.of(started == null ? good : started),
                OrderImage.date(row, "start_date") == null
                        ? due
                        : (int) OrderImage.date(row, "start_date").toEpochDay(),
                due,
                needs,
                Set.of(),
                MadeFor.of(kind, forOrder, forLine));
    }
}
