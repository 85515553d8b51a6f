package rescient.server.changes;

import java.util.ArrayList;
import java.util.List;
import java.util.function.Predicate;
import rescient.core.company.OpenOrder;
import rescient.core.compare.OrderChange;
import rescient.core.compare.PlanDifference;
import rescient.core.snapshot.Signal;
import rescient.core.trace.Downstream;
import rescient.server.planning.PlanVersion;
import rescient.server.planning.Words;
import rescient.server.platform.Cause;

/**
 * Which causes changed what, from one plan to the next. A receipt that did not come on its day is the cause at its stock
 * point, below it, and of customer orders above it; all else is caused by all other causes together.
 */
final class Attribution {
    /** Changes of planned orders that are kept with one plan. */
    static final int MOST = 20_000;

    private final PlanVersion before;
    private final PlanVersion after;
    private final List<JournalEntry.Happened> causes;
    private final List<Integer> others = new ArrayList<>();
    private final List<Overdue> receipts = new ArrayList<>();

    private record Overdue(int cause, Signal signal, Downstream below) {}

    /** @param told causes that are known */
    Attribution(PlanVersion before, PlanVersion after, List<JournalEntry.Happened> told) {
        this.before = before;
        this.after = after;
        this.causes = new ArrayList<>(told);
    }

    JournalEntry entry() {
        PlanDifference difference = PlanDifference.between(before.plan(), after.plan());
        if (!after.today().equals(before.today())) {
            String day = Words.day((int) after.today().toEpochDay());
            causes.add(JournalEntry.Happened.of(after.madeAt(), new Cause(Cause.Kind.DAY, null, "It became " + day)));
        }
        for (int i = 0; i < causes.size(); i++) {
            others.add(i);
        }
        difference.raised().stream()
                .filter(signal -> signal.kind() == Signal.Kind.RECEIPT_OVERDUE)
                .forEach(this::receipt);
        List<OrderChange> changes = OrderChange.of(difference, before.plan(), after.plan());
        return new JournalEntry(
                causes,
                changes.stream()
                        .limit(MOST)
                        .map(c -> new JournalEntry.Order(
                                c,
                                by(r -> r.below.holds(
                                        c.order().item(), c.order().site()))))
                        .toList(),
                difference.lateness().stream().map(this::late).toList(),
                Math.max(0, changes.size() - MOST));
    }

    private JournalEntry.Late late(PlanDifference.Lateness line) {
        if (receipts.isEmpty()) {
            return new JournalEntry.Late(line, others);
        }
        Downstream below = Downstream.of(after.plan(), line.item(), line.site());
        return new JournalEntry.Late(line, by(r -> below.holds(r.signal.item(), r.signal.site())));
    }

    private void receipt(Signal signal) {
        boolean wasOpen = before.plan().snapshot().openOrders().stream()
                .anyMatch(o -> is(o, signal) && o.dueDay() == signal.day());
        if (wasOpen) {
            String from = after.directory().partnerOf(signal.orderNumber(), signal.orderLine());
            receipts.add(new Overdue(causes.size(), signal, Downstream.of(after.plan(), signal.item(), signal.site())));
            causes.add(new JournalEntry.Happened(
                    after.madeAt(),
                    Cause.Kind.RECEIPT,
                    null,
                    signal.orderNumber() + (from == null ? "" : " from " + from) + ", due on " + Words.day(signal.day())
                            + ", did not come",
                    signal.orderNumber()));
        }
    }

    private static boolean is(OpenOrder order, Signal signal) {
        return order.number().equals(signal.orderNumber()) && order.line().equals(signal.orderLine());
    }

    private List<Integer> by(Predicate<Overdue> reached) {
        List<Integer> by = receipts.stream().filter(reached).map(Overdue::cause).toList();
        return by.isEmpty() ? others : by;
    }
}
