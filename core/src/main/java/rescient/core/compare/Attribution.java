package rescient.core.compare;

import java.util.ArrayList;
import java.util.List;
import java.util.function.Predicate;
import java.util.stream.IntStream;
import rescient.core.company.OpenOrder;
import rescient.core.plan.Plan;
import rescient.core.snapshot.Signal;

/**
 * Which causes changed what, from one plan to the next. An overdue receipt, with each day on which it does not come, is
 * the cause at its stock point, below it, and of customer orders above it; all else is caused by all other causes together.
 *
 * @param receipts those that did not come: causes behind the others that are known
 * @param orders what became of planned orders
 * @param late what became of the lateness of customer orders
 * @param left how many changes of planned orders were too many to be told
 */
public record Attribution(List<Signal> receipts, List<Order> orders, List<Late> late, int left) {
    /**
     * A planned order.
     *
     * @param by places of its causes: the receipts stand behind the others
     */
    public record Order(OrderChange change, List<Integer> by) {}

    /**
     * A line of a customer order.
     *
     * @param by places of its causes, as those of an order
     */
    public record Late(PlanDifference.Lateness change, List<Integer> by) {}

    private record Missing(int place, Signal signal, Downstream below) {}

    /**
     * What one plan changed.
     *
     * @param others how many causes are known besides the receipts
     * @param most changes of planned orders that are told
     */
    public static Attribution between(Plan before, Plan after, int others, int most) {
        PlanDifference difference = PlanDifference.between(before, after);
        List<Missing> missing = new ArrayList<>();
        for (Signal signal : difference.raised()) {
            if (signal.kind() == Signal.Kind.RECEIPT_OVERDUE && wasOpen(before, signal)) {
                missing.add(new Missing(
                        others + missing.size(), signal, Downstream.of(after, signal.item(), signal.site())));
            }
        }
        List<Integer> allOthers = IntStream.range(0, others).boxed().toList();
        List<OrderChange> changes = OrderChange.of(difference, before, after);
        return new Attribution(
                missing.stream().map(Missing::signal).toList(),
                changes.stream()
                        .limit(most)
                        .map(c -> new Order(
                                c,
                                by(
                                        missing,
                                        allOthers,
                                        m -> m.below.holds(
                                                c.order().item(), c.order().site()))))
                        .toList(),
                difference.lateness().stream()
                        .map(l -> new Late(l, missing.isEmpty() ? allOthers : above(after, missing, allOthers, l)))
                        .toList(),
                Math.max(0, changes.size() - most));
    }

    private static List<Integer> above(
            Plan after, List<Missing> missing, List<Integer> others, PlanDifference.Lateness line) {
        Downstream below = Downstream.of(after, line.item(), line.site());
        return by(missing, others, m -> below.holds(m.signal.item(), m.signal.site()));
    }

    private static List<Integer> by(List<Missing> missing, List<Integer> others, Predicate<Missing> reached) {
        List<Integer> by = missing.stream().filter(reached).map(Missing::place).toList();
        return by.isEmpty() ? others : by;
    }

    /** Whether the order was due then already: an order that came in overdue did not fail to come. */
    private static boolean wasOpen(Plan before, Signal signal) {
        return before.snapshot().openOrders().stream()
                .anyMatch(order -> is(order, signal) && order.dueDay() == signal.day());
    }

    private static boolean is(OpenOrder order, Signal signal) {
        return order.number().equals(signal.orderNumber()) && order.line().equals(signal.orderLine());
    }
}
