package rescient.server.orders;

import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import org.springframework.stereotype.Component;
import rescient.dataset.FactChange;
import rescient.dataset.Facts;
import rescient.dataset.Row;
import rescient.server.commands.Turn;
import rescient.server.decisions.OrderRows;
import rescient.server.decisions.PurchaseState;
import rescient.server.tables.DeskRows;
import rescient.server.tables.FactRows;
import rescient.server.tables.OrderImage;

/** Makes documents of what is released, in the transaction of its command. */
@Component
class ReleasedDocuments {
    private final NumberRangeRepository numbers;
    private final DeskRows desk;
    private final FactRows rows;

    ReleasedDocuments(NumberRangeRepository numbers, DeskRows desk, FactRows rows) {
        this.numbers = numbers;
        this.desk = desk;
        this.rows = rows;
    }

    /** The orders that a release touches, as they were and as they become. */
    private final class Touched {
        private final Facts facts;
        private final Map<String, OrderImage> before = new LinkedHashMap<>();
        private final Map<String, OrderImage> after = new LinkedHashMap<>();

        Touched(Facts facts) {
            this.facts = facts;
        }

        OrderImage order(String number) {
            return after.computeIfAbsent(number, n -> {
                OrderImage was = OrderImage.read(facts, desk, n);
                before.put(n, was);
                return was.copy();
            });
        }

        OrderImage fresh(String number) {
            before.put(number, OrderImage.none(number));
            after.put(number, OrderImage.none(number));
            return after.get(number);
        }

        List<FactChange> changes() {
            List<FactChange> changes = new ArrayList<>();
            after.forEach((number, order) -> changes.addAll(order.from(before.get(number))));
            return changes;
        }
    }

    /**
     * Writes the documents of a release.
     *
     * @param note on those that have none of their own in {@code notes}, by the key of their first line
     * @param changes gets what became of the orders
     */
    List<Releasing.Created> create(
            Turn turn, Release release, String note, Map<String, String> notes, List<FactChange> changes) {
        Facts facts = turn.facts();
        Touched touched = new Touched(facts);
        List<Releasing.Created> created = new ArrayList<>();
        for (ReleaseDocument draft : release.drafts()) {
            List<ReleaseLine> lines =
                    draft.lines().stream().map(l -> release.ready.get(l.key())).toList();
            String own = note(notes.get(draft.lines().get(0).key()), note);
            OrderImage order;
            if (lines.get(0).numbered()) {
                order = touched.order(lines.get(0).firmed().text("number"));
                giveOut(facts, order, lines.get(0).firmed().text("line"), own);
            } else {
                order = touched.fresh(numbers.locked(draft.kind()).take());
                order.head(OrderRows.head(order.number(), own, turn.who().name(), turn.now()));
                for (int i = 0; i < lines.size(); i++) {
                    take(touched, order, Integer.toString(i + 1), lines.get(i));
                }
            }
            created.add(new Releasing.Created(
                    order.number(),
                    draft.kind(),
                    draft.partner(),
                    draft.siteName(),
                    draft.lines().size(),
                    draft.value()));
        }
        changes.addAll(touched.changes());
        rows.keep(facts, changes);
        return created;
    }

    private static String note(String own, String ofAll) {
        String note = own == null || own.isBlank() ? ofAll : own;
        return note == null || note.isBlank() ? null : note.strip();
    }

    /** A firmed line whose number is known to those who carry it out keeps it. */
    private static void giveOut(Facts facts, OrderImage order, String line, String note) {
        order.put(onItsWay(facts, order.line(line).with("stage", "released")), order.issues(line));
        Row head = order.head();
        if (note != null) {
            String before = head.text("note");
            order.head(head.with("note", before == null ? note : before + "\n" + note));
        }
    }

    /** An order becomes a line of a document; if it was firmed, what it was goes. */
    private static void take(Touched touched, OrderImage order, String line, ReleaseLine going) {
        if (going.firmed() != null) {
            touched.order(going.firmed().text("number")).remove(going.firmed().text("line"));
        }
        Row row = OrderRows.line(order.number(), line, "released", going.order(), going.worth());
        order.put(
                onItsWay(touched.facts, row),
                OrderRows.issues(order.number(), line, going.order().needs()));
    }

    /** What goes to a supplier is looked at first, or ready, as its site says. */
    private static Row onItsWay(Facts facts, Row row) {
        return PurchaseState.isPurchase(row)
                ? row.with(
                        PurchaseState.column(row),
                        PurchaseState.released(facts, row.text("site")).word())
                : row;
    }
}
