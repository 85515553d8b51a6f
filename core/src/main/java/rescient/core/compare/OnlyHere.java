package rescient.core.compare;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.function.BiPredicate;
import java.util.function.Function;
import rescient.core.netting.PointPlan;
import rescient.core.plan.Plan;
import rescient.core.plan.PlannedOrder;
import rescient.core.plan.PointView;
import rescient.core.snapshot.Signal;

/** What a plan says that another does not. */
record OnlyHere(List<PlannedOrder> orders, List<Signal> signals) {
    static OnlyHere nothing() {
        return new OnlyHere(new ArrayList<>(), new ArrayList<>());
    }

    /**
     * All that a plan says of a stock point.
     *
     * @param p the point's number in the plan, -1 if it plans none
     */
    static OnlyHere at(Plan plan, int p) {
        if (p < 0) {
            return new OnlyHere(List.of(), List.of());
        }
        PointPlan planned = plan.pegs().of(p);
        return new OnlyHere(
                plan.snapshot().points[p].phantom ? List.of() : new PointView(plan, p).plannedOrders(),
                List.of(planned.signals));
    }

    boolean isEmpty() {
        return orders.isEmpty() && signals.isEmpty();
    }

    void add(OnlyHere other) {
        orders.addAll(other.orders);
        signals.addAll(other.signals);
    }

    /** This without what the other says too. */
    OnlyHere without(OnlyHere other) {
        return new OnlyHere(
                without(orders, other.orders, OnlyHere::alike, PlanDifference::same),
                without(signals, other.signals, Signal::equals, signal -> signal));
    }

    /** Of signals. */
    static List<Signal> without(List<Signal> all, List<Signal> others) {
        return without(all, others, Signal::equals, signal -> signal);
    }

    /** Most points say the same in the same turn: what stands alike at the beginning of both needs no looking up. */
    private static <T> List<T> without(
            List<T> all, List<T> others, BiPredicate<? super T, ? super T> alike, Function<? super T, ?> same) {
        int most = Math.min(all.size(), others.size());
        int begun = 0;
        while (begun < most && alike.test(all.get(begun), others.get(begun))) {
            begun++;
        }
        if (begun == all.size() || begun == others.size()) {
            return all.subList(begun, all.size());
        }
        Map<Object, Integer> known = new HashMap<>();
        others.subList(begun, others.size()).forEach(other -> known.merge(same.apply(other), 1, Integer::sum));
        List<T> left = new ArrayList<>();
        for (T one : all.subList(begun, all.size())) {
            Integer times = known.get(same.apply(one));
            if (times == null) {
                left.add(one);
            } else {
                known.put(same.apply(one), times == 1 ? null : times - 1);
            }
        }
        return left;
    }

    /** As {@link PlanDifference#same} says it, of two orders of one stock point. */
    private static boolean alike(PlannedOrder a, PlannedOrder b) {
        return a.startDay() == b.startDay()
                && a.dueDay() == b.dueDay()
                && a.quantity() == b.quantity()
                && a.startQuantity() == b.startQuantity()
                && a.source() == b.source()
                && Objects.equals(a.supplier(), b.supplier())
                && Objects.equals(a.fromSite(), b.fromSite());
    }
}
