package rescient.server.decisions;

import java.util.ArrayList;
import java.util.List;
import rescient.core.company.Change;
import rescient.core.order.OrderDraft;
import rescient.core.order.Substitution;
import rescient.core.plan.Plan;
import rescient.core.plan.PointView;
import rescient.core.snapshot.Signal;
import rescient.dataset.FactChange;
import rescient.dataset.Facts;
import rescient.dataset.Row;
import rescient.server.planning.OpenOrderRows;
import rescient.server.planning.OrderKey;
import rescient.server.planning.PlanVersion;

/** What a wish comes to, before anything is kept. */
final class Proposal {
    final PlanVersion version;
    /** What becomes of the facts of the company, and of what is kept beside it. */
    final List<FactChange> changes = new ArrayList<>();

    final List<Line> lines = new ArrayList<>();
    /** Keys of the customer order lines that come in. */
    final List<String> entered = new ArrayList<>();
    /** Targets that the plan no longer has. */
    final List<String> gone = new ArrayList<>();
    /** Why it cannot be, in sentences. */
    final List<String> refusals = new ArrayList<>();
    /** What is to be known before it is kept, in sentences. */
    final List<String> remarks = new ArrayList<>();
    /** What is wrong with single fields. */
    final List<FaultAt> faults = new ArrayList<>();
    /** What somebody else changed meanwhile. */
    final List<Conflict> conflicts = new ArrayList<>();
    /** Whether that is because what was looked at is no longer so. */
    boolean stale;

    /** What the plan would have to know that no change says: what a supplier is only asked for. */
    final List<Change> asked = new ArrayList<>();
    /** Stock points whose line shows what happens. */
    final List<String[]> points = new ArrayList<>();
    /** The alternative that is used and where, or null. */
    Substitution substitution;
    /** What a stock point is planned by, or null if by what is there. */
    Row planning;

    String sentence = "";

    /**
     * What is wrong with a field.
     *
     * @param row its place among the rows that are changed; negative if it is none of them
     * @param column of the table
     */
    record FaultAt(int row, String column, String sentence) {}

    /**
     * A value that was otherwise when it was looked at.
     *
     * @param row its place among the rows that are changed
     * @param seen what stood there; "" if nothing did, and so are the others
     * @param now what stands there now
     * @param mine what is to stand there
     */
    record Conflict(int row, String column, String seen, String now, String mine) {}

    /**
     * An order before and after.
     *
     * @param key null for a new one
     * @param after null if it goes
     * @param number of the order that comes out, or of the one that is there
     */
    record Line(String key, String number, OrderDraft before, OrderDraft after, boolean asked) {
        /** The key of the line of an order that it is afterwards. */
        String outcome() {
            return key != null && OrderKey.isLine(key) ? key : OrderKey.ofLine(number, "1");
        }
    }

    Proposal(PlanVersion version) {
        this.version = version;
    }

    void point(String item, String site) {
        if (points.stream().noneMatch(p -> p[0].equals(item) && p[1].equals(site))) {
            points.add(new String[] {item, site});
        }
    }

    void remark(String sentence) {
        if (!remarks.contains(sentence)) {
            remarks.add(sentence);
        }
    }

    /** What of it cannot be calculated, though it can now: each in a sentence. */
    List<String> impossible() {
        return impossible(version.plan(), after().plan());
    }

    static List<String> impossible(Plan before, Plan after) {
        List<Signal> known = before.signalsOfThoseLeftOut();
        return after.signalsOfThoseLeftOut().stream()
                .filter(signal -> signal.kind() == Signal.Kind.UNPLANNABLE)
                .filter(signal -> !known.contains(signal))
                .map(signal -> signal.item() + " could not be planned any more: "
                        + after.point(signal.item(), signal.site())
                                .map(PointView::unplannable)
                                .orElse("a value is impossible")
                        + ".")
                .toList();
    }

    /** The plan as it will be. */
    PlanVersion after() {
        Facts facts = version.directory().facts();
        List<FactChange> rows = new ArrayList<>(FactChange.ofCompany(changes));
        rows.addAll(OpenOrderRows.changes(facts.after(rows), asked));
        return rows.isEmpty() ? version : version.changed(rows);
    }
}
