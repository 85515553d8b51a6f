package rescient.core.compare;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.Comparator;
import java.util.EnumSet;
import java.util.HashMap;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.function.BiPredicate;
import rescient.core.company.OpenOrder;
import rescient.core.company.Stage;
import rescient.core.plan.Plan;
import rescient.core.plan.PlannedOrder;
import rescient.core.snapshot.OpenSupply;

/**
 * What became of a planned order from one plan to a later one.
 *
 * @param before null if the plan before did not ask for it
 * @param after null if the plan after does not ask for it any more
 * @param became the firmed or released order that it is now, else null; {@code after} is null then
 */
public record OrderChange(PlannedOrder before, PlannedOrder after, OpenOrder became) {
    /** How far apart an order and what takes its place may be due if neither day nor quantity stayed; calendar days. */
    static final int NEAR = 28;

    /** In which ways an order differs; none of them if it is new, gone, firmed or released. */
    public enum Way {
        EARLIER,
        LATER,
        BIGGER,
        SMALLER,
        /** Replenished from elsewhere. */
        OTHERWISE
    }

    /** What happened. */
    public enum Kind {
        NEW,
        GONE,
        CHANGED,
        FIRMED,
        RELEASED
    }

    public Kind kind() {
        if (became != null) {
            return became.stage() == Stage.FIRMED ? Kind.FIRMED : Kind.RELEASED;
        }
        return before == null ? Kind.NEW : after == null ? Kind.GONE : Kind.CHANGED;
    }

    /** The order as far as there is one: after, or else before. */
    public PlannedOrder order() {
        return after != null ? after : before;
    }

    public Set<Way> ways() {
        Set<Way> ways = EnumSet.noneOf(Way.class);
        if (kind() == Kind.CHANGED) {
            int days = after.dueDay() != before.dueDay()
                    ? Integer.compare(after.dueDay(), before.dueDay())
                    : Integer.compare(after.startDay(), before.startDay());
            add(ways, days, Way.EARLIER, Way.LATER);
            long size = after.quantity() != before.quantity()
                    ? Long.compare(after.quantity(), before.quantity())
                    : Long.compare(after.startQuantity(), before.startQuantity());
            add(ways, size, Way.SMALLER, Way.BIGGER);
            if (!Arrays.asList(after.source(), after.supplier(), after.fromSite())
                    .equals(Arrays.asList(before.source(), before.supplier(), before.fromSite()))) {
                ways.add(Way.OTHERWISE);
            }
        }
        return ways;
    }

    private static void add(Set<Way> ways, long sign, Way less, Way more) {
        if (sign != 0) {
            ways.add(sign < 0 ? less : more);
        }
    }

    /**
     * What the difference of two plans means for each planned order. At each stock point an order that is gone and one that
     * has come are the same order if they are due on one day; or of one quantity, the earliest due with the earliest; or
     * due within four weeks of each other. An open order that the plan before did not know is what became of one that is
     * gone: the one of its day and quantity, else the one due nearest.
     */
    public static List<OrderChange> of(PlanDifference difference, Plan before, Plan after) {
        Map<List<String>, Pairing> pairings = new HashMap<>();
        List<Pairing> inOrder = new ArrayList<>();
        for (PlannedOrder order : difference.gone()) {
            at(pairings, inOrder, order).gone.add(order);
        }
        for (PlannedOrder order : difference.come()) {
            at(pairings, inOrder, order).come.add(order);
        }
        List<OrderChange> changes = new ArrayList<>();
        for (Pairing pairing : inOrder) {
            pairing.pair(newOpenOrders(pairing.place, before, after), changes);
        }
        return changes;
    }

    private static Pairing at(Map<List<String>, Pairing> pairings, List<Pairing> inOrder, PlannedOrder order) {
        return pairings.computeIfAbsent(List.of(order.item(), order.site()), place -> {
            Pairing pairing = new Pairing(order);
            inOrder.add(pairing);
            return pairing;
        });
    }

    private static List<OpenOrder> newOpenOrders(PlannedOrder place, Plan before, Plan after) {
        Set<List<String>> known = new HashSet<>();
        openOrders(place, before).forEach(order -> known.add(List.of(order.number(), order.line())));
        List<OpenOrder> come = openOrders(place, after);
        come.removeIf(order -> known.contains(List.of(order.number(), order.line())));
        return come;
    }

    private static List<OpenOrder> openOrders(PlannedOrder place, Plan plan) {
        int p = plan.snapshot().pointOf(place.item(), place.site());
        List<OpenOrder> orders = new ArrayList<>();
        if (p >= 0) {
            for (OpenSupply open : plan.snapshot().openOrdersOf[p]) {
                orders.add(open.order());
            }
        }
        return orders;
    }

    /** Those gone and those come at one stock point, each by due date. */
    private static final class Pairing {
        private final PlannedOrder place;
        private final List<PlannedOrder> gone = new ArrayList<>();
        private final List<PlannedOrder> come = new ArrayList<>();

        Pairing(PlannedOrder place) {
            this.place = place;
        }

        void pair(List<OpenOrder> open, List<OrderChange> changes) {
            gone.sort(Comparator.comparingInt(PlannedOrder::dueDay));
            come.sort(Comparator.comparingInt(PlannedOrder::dueDay));
            open.sort(Comparator.comparingInt(OpenOrder::dueDay));
            became(open, (g, o) -> g.dueDay() == o.dueDay() && g.quantity() == o.quantity(), changes);
            became(open, (g, o) -> true, changes);
            changed((g, c) -> g.dueDay() == c.dueDay(), changes);
            changed((g, c) -> g.quantity() == c.quantity(), changes);
            changed((g, c) -> Math.abs(g.dueDay() - c.dueDay()) <= NEAR, changes);
            gone.forEach(order -> changes.add(new OrderChange(order, null, null)));
            come.forEach(order -> changes.add(new OrderChange(null, order, null)));
        }

        private void became(List<OpenOrder> open, BiPredicate<PlannedOrder, OpenOrder> may, List<OrderChange> changes) {
            for (OpenOrder order : List.copyOf(open)) {
                gone.stream()
                        .filter(planned -> may.test(planned, order))
                        .min(Comparator.comparingInt(planned -> Math.abs(planned.dueDay() - order.dueDay())))
                        .ifPresent(nearest -> {
                            gone.remove(nearest);
                            open.remove(order);
                            changes.add(new OrderChange(nearest, null, order));
                        });
            }
        }

        private void changed(BiPredicate<PlannedOrder, PlannedOrder> may, List<OrderChange> changes) {
            for (PlannedOrder order : List.copyOf(gone)) {
                for (PlannedOrder other : come) {
                    if (may.test(order, other)) {
                        gone.remove(order);
                        come.remove(other);
                        changes.add(new OrderChange(order, other, null));
                        break;
                    }
                }
            }
        }
    }
}
