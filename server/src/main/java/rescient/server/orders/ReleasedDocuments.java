package rescient.server.orders;

import jakarta.persistence.EntityManager;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import org.springframework.stereotype.Component;
import rescient.core.base.Quantity;
import rescient.core.company.Change;
import rescient.core.company.Earmark;
import rescient.core.company.MadeFor;
import rescient.core.order.OrderDraft;
import rescient.server.commands.Turn;
import rescient.server.planning.Words;

/** Makes documents of what is released, in the transaction of its command. */
@Component
class ReleasedDocuments {
    private final SupplyOrderComponentRepository components;
    private final NumberRangeRepository numbers;
    private final EntityManager entities;

    ReleasedDocuments(
            SupplyOrderComponentRepository components, NumberRangeRepository numbers, EntityManager entities) {
        this.components = components;
        this.numbers = numbers;
        this.entities = entities;
    }

    /**
     * Writes the documents of a release.
     *
     * @param note on those that have none of their own in {@code notes}, by the key of their first line
     * @param changes gets what becomes of the open orders
     */
    List<Releasing.Created> create(
            Turn turn, Release release, String note, Map<String, String> notes, List<Change> changes) {
        List<Releasing.Created> created = new ArrayList<>();
        for (ReleaseDocument draft : release.drafts()) {
            List<ReleaseLine> lines =
                    draft.lines().stream().map(l -> release.ready.get(l.key())).toList();
            SupplyOrder order = lines.get(0).numbered() ? lines.get(0).firmed().order : null;
            String own = note(notes.get(draft.lines().get(0).key()), note);
            if (order == null) {
                order = document(turn, draft, own);
                takeBack(lines, changes);
                for (int i = 0; i < lines.size(); i++) {
                    addLine(order, Integer.toString(i + 1), draft.lines().get(i), lines.get(i));
                }
                entities.persist(order);
                components.saveAll(issues(order, lines));
            } else {
                lines.get(0).firmed().stage = "released";
                if (own != null) {
                    order.note = order.note == null ? own : order.note + "\n" + own;
                }
            }
            for (int i = 0; i < lines.size(); i++) {
                String line = lines.get(i).numbered() ? lines.get(i).firmed().line : Integer.toString(i + 1);
                changes.add(lines.get(i).as(order.number, line));
            }
            created.add(new Releasing.Created(
                    order.number,
                    order.kind,
                    draft.partner(),
                    draft.siteName(),
                    draft.lines().size(),
                    draft.value()));
        }
        return created;
    }

    private static String note(String own, String ofAll) {
        String note = own == null || own.isBlank() ? ofAll : own;
        return note == null || note.isBlank() ? null : note.strip();
    }

    private SupplyOrder document(Turn turn, ReleaseDocument draft, String note) {
        SupplyOrder order = new SupplyOrder();
        order.number = numbers.locked(draft.kind()).take();
        order.kind = draft.kind();
        order.supplier = draft.supplier();
        order.site = draft.site();
        order.fromSite = draft.fromSite();
        order.note = note;
        order.createdBy = turn.who().name();
        order.createdAt = turn.now();
        return order;
    }

    /** Firmed orders become lines of documents; what they were goes. */
    private void takeBack(List<ReleaseLine> lines, List<Change> changes) {
        for (ReleaseLine going : lines) {
            SupplyOrderLine firmed = going.firmed();
            if (firmed != null) {
                components.deleteAll(components.findByOrderNumberOrderById(firmed.order.number).stream()
                        .filter(c -> c.line.equals(firmed.line))
                        .toList());
                SupplyOrder order = firmed.order;
                order.lines.remove(firmed);
                entities.flush();
                entities.remove(firmed);
                if (order.lines.isEmpty()) {
                    entities.flush();
                    entities.remove(order);
                }
                changes.add(new Change.NoOrder(order.number, firmed.line));
            }
        }
    }

    private static void addLine(SupplyOrder order, String name, ReleaseDocument.Line draft, ReleaseLine going) {
        SupplyOrderLine line = new SupplyOrderLine();
        line.order = order;
        line.line = name;
        line.stage = "released";
        Earmark bought = Earmark.of(going.order().item());
        line.item = bought == null ? draft.item() : bought.item();
        MadeFor made = going.order().madeFor();
        line.forOrder = bought != null ? bought.number() : made == null ? null : made.number();
        line.forLine = bought != null ? bought.line() : made == null ? null : made.line();
        line.ordered = draft.quantity();
        line.quantity = draft.quantity();
        line.startQuantity = Quantity.decimal(going.order().startQuantity());
        line.dueDate = draft.due();
        line.startDate = draft.start();
        line.unit = draft.unit();
        line.unitQuantity = draft.unitQuantity();
        line.unitPrice = draft.unitPrice();
        order.lines.add(line);
    }

    /** What the orders will have to issue. */
    private static List<SupplyOrderComponent> issues(SupplyOrder order, List<ReleaseLine> lines) {
        List<SupplyOrderComponent> rows = new ArrayList<>();
        for (int i = 0; i < lines.size(); i++) {
            for (OrderDraft.Need need : lines.get(i).order().needs()) {
                SupplyOrderComponent row = new SupplyOrderComponent();
                row.orderNumber = order.number;
                row.line = Integer.toString(i + 1);
                row.component = need.item();
                row.quantity = Quantity.decimal(need.quantity());
                row.neededDate = Words.date(need.day());
                rows.add(row);
            }
        }
        return rows;
    }
}
