package rescient.core.compare;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.function.BiPredicate;
import java.util.function.Function;
import rescient.core.netting.PlannedOrders;
import rescient.core.plan.Plan;
import rescient.core.plan.PlannedOrder;
import rescient.core.plan.PointView;
import rescient.core.snapshot.Signal;
import rescient.core.snapshot.StockPoint;

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
        return at(plan, p, Alike.NOTHING);
    }

    /** What a plan says of a stock point, but for the planned orders that another plan has there in the same turn. */
    static OnlyHere at(Plan plan, int p, Alike alike) {
        if (p < 0) {
            return new OnlyHere(List.of(), List.of());
        }
        List<PlannedOrder> orders = new ArrayList<>();
        if (!plan.snapshot().points[p].phantom) {
            PointView point = new PointView(plan, p);
            for (int o = alike.first; o < point.plannedOrderCount() - alike.last; o++) {
                orders.add(point.plannedOrder(o));
            }
        }
        return new OnlyHere(orders, List.of(plan.pegs().of(p).signals));
    }

    /** How many planned orders stand alike at the beginning and at the end of what two plans have at a stock point. */
    record Alike(int first, int last) {
        static final Alike NOTHING = new Alike(0, 0);

        static Alike of(Plan before, int p, Plan after, int q) {
            if (p < 0 || q < 0 || !suppliedAlike(before.snapshot().points[p], after.snapshot().points[q])) {
                return NOTHING;
            }
            PlannedOrders then = before.pegs().of(p).planned;
            PlannedOrders now = after.pegs().of(q).planned;
            int most = Math.min(then.size, now.size);
            int first = 0;
            while (first < most && alike(then, first, now, first)) {
                first++;
            }
            int last = 0;
            while (last < most - first && alike(then, then.size - 1 - last, now, now.size - 1 - last)) {
                last++;
            }
            return new Alike(first, last);
        }

        private static boolean suppliedAlike(StockPoint a, StockPoint b) {
            return a.source == b.source
                    && Objects.equals(a.supplier, b.supplier)
                    && Objects.equals(a.fromSiteCode, b.fromSiteCode);
        }

        private static boolean alike(PlannedOrders a, int i, PlannedOrders b, int j) {
            return a.start[i] == b.start[j]
                    && a.due[i] == b.due[j]
                    && a.good[i] == b.good[j]
                    && a.started[i] == b.started[j];
        }
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
                without(orders, other.orders, Likeness::alike, Likeness::new),
                without(signals, other.signals, Signal::equals, signal -> signal));
    }

    /** Of signals. */
    static List<Signal> without(List<Signal> all, List<Signal> others) {
        return without(all, others, Signal::equals, signal -> signal);
    }

    /** Most points say the same in the same turn: what stands alike at the beginning or end of both needs no looking up. */
    private static <T> List<T> without(
            List<T> all, List<T> others, BiPredicate<? super T, ? super T> alike, Function<? super T, ?> same) {
        int most = Math.min(all.size(), others.size());
        int begun = 0;
        while (begun < most && alike.test(all.get(begun), others.get(begun))) {
            begun++;
        }
        int end = all.size();
        int othersEnd = others.size();
        while (end > begun && othersEnd > begun && alike.test(all.get(end - 1), others.get(othersEnd - 1))) {
            end--;
            othersEnd--;
        }
        if (begun == end || begun == othersEnd) {
            return all.subList(begun, end);
        }
        Map<Object, Integer> known = new HashMap<>();
        others.subList(begun, othersEnd).forEach(other -> known.merge(same.apply(other), 1, Integer::sum));
        List<T> left = new ArrayList<>();
        for (T one : all.subList(begun, end)) {
            Object key = same.apply(one);
            Integer times = known.get(key);
            if (times == null) {
                left.add(one);
            } else {
                known.put(key, times == 1 ? null : times - 1);
            }
        }
        return left;
    }
}
