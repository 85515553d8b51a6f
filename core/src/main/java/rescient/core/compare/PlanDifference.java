package rescient.core.compare;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.function.Function;
import java.util.stream.IntStream;
import rescient.core.company.OpenOrder;
import rescient.core.dates.LateOrders;
import rescient.core.netting.PointPlan;
import rescient.core.netting.Signals;
import rescient.core.plan.Plan;
import rescient.core.plan.PlannedOrder;
import rescient.core.plan.PointView;
import rescient.core.snapshot.Signal;
import rescient.core.snapshot.StockPoint;

/**
 * What sets one plan apart from another.
 *
 * @param gone planned orders that only the plan before has; two are the same if item, site, source, supplier, sending
 *     site, start, due date and quantities are
 * @param come planned orders that only the plan after has
 * @param lateness customer order lines whose lateness differs, by item, site, number and line
 * @param silenced signals that only the plan before raises, late customer orders not among them
 * @param raised signals that only the plan after raises
 */
public record PlanDifference(
        List<PlannedOrder> gone,
        List<PlannedOrder> come,
        List<Lateness> lateness,
        List<Signal> silenced,
        List<Signal> raised) {

    /**
     * How late a customer order line is in both plans.
     *
     * @param dueDay wanted
     * @param before possible day, or null if it is on time, {@link #NEVER} if it can never be met; so is {@code after}
     */
    public record Lateness(
            String number, String line, String item, String site, int dueDay, Integer before, Integer after) {
        public static final int NEVER = Integer.MAX_VALUE;

        /** Whether it is met earlier in the plan after. */
        public boolean better() {
            return after == null || (before != null && after < before);
        }
    }

    /** The difference from one plan to another of the same company. */
    public static PlanDifference between(Plan before, Plan after) {
        boolean sameNumbers = before.snapshot().network.numbersLike(after.snapshot().network);
        OnlyHere gone = OnlyHere.of(before, after, sameNumbers);
        OnlyHere come = OnlyHere.of(after, before, sameNumbers);
        return new PlanDifference(
                gone.orders, come.orders, lateness(before, after, sameNumbers), gone.signals, come.signals);
    }

    /**
     * What a plan says that another does not. One stock point is held beside the other: two plans that share nothing are
     * compared without a list of all their orders.
     */
    private record OnlyHere(List<PlannedOrder> orders, List<Signal> signals) {
        static OnlyHere of(Plan plan, Plan other, boolean sameNumbers) {
            OnlyHere here = new OnlyHere(new ArrayList<>(), new ArrayList<>());
            int[] places = sameNumbers ? plan.pegs().differing(other.pegs()) : all(plan);
            for (int p : places) {
                StockPoint point = plan.snapshot().points[p];
                int q = sameNumbers ? p : other.snapshot().pointOf(point.itemCode, point.siteCode);
                here.add(plan, p, other, q < other.snapshot().network.planned() ? q : -1);
            }
            here.signals.addAll(
                    without(Signals.ofThoseLeftOut(plan.snapshot()), Signals.ofThoseLeftOut(other.snapshot()), s -> s));
            return here;
        }

        /** @param q the same stock point in the other plan, -1 if it plans none */
        private void add(Plan plan, int p, Plan other, int q) {
            PointPlan mine = plan.pegs().of(p);
            PointPlan its = q < 0 ? null : other.pegs().of(q);
            List<Signal> itsSignals = its == null ? List.of() : List.of(its.signals);
            signals.addAll(without(List.of(mine.signals), itsSignals, s -> s));
            orders.addAll(
                    without(ordersOf(plan, p), its == null ? List.of() : ordersOf(other, q), PlanDifference::same));
        }

        private static List<PlannedOrder> ordersOf(Plan plan, int p) {
            return plan.snapshot().points[p].phantom ? List.of() : new PointView(plan, p).plannedOrders();
        }
    }

    private static int[] all(Plan plan) {
        return IntStream.range(0, plan.snapshot().network.planned()).toArray();
    }

    static List<Object> same(PlannedOrder order) {
        return java.util.Arrays.asList(
                order.item(),
                order.site(),
                order.source(),
                order.supplier(),
                order.fromSite(),
                order.startDay(),
                order.dueDay(),
                order.quantity(),
                order.startQuantity());
    }

    private static <T> List<T> without(List<T> all, List<T> others, Function<? super T, ?> same) {
        if (all.isEmpty() || others.isEmpty()) {
            return all;
        }
        Map<Object, Integer> known = new HashMap<>();
        others.forEach(o -> known.merge(same.apply(o), 1, Integer::sum));
        List<T> left = new ArrayList<>();
        for (T one : all) {
            Integer times = known.get(same.apply(one));
            if (times == null) {
                left.add(one);
            } else {
                known.put(same.apply(one), times == 1 ? null : times - 1);
            }
        }
        return left;
    }

    /** The customer order lines whose lateness alone differs between two plans of the same company. */
    public static List<Lateness> lateness(Plan before, Plan after) {
        return lateness(before, after, before.snapshot().network.numbersLike(after.snapshot().network));
    }

    private static List<Lateness> lateness(Plan before, Plan after, boolean sameNumbers) {
        Map<List<String>, Signal> then = new HashMap<>();
        Map<List<String>, Signal> now = new HashMap<>();
        late(before, after, sameNumbers, then);
        late(after, before, sameNumbers, now);
        List<Signal> all = new ArrayList<>(then.values());
        now.forEach((key, signal) -> {
            if (!then.containsKey(key)) {
                all.add(signal);
            }
        });
        List<Lateness> differing = new ArrayList<>();
        for (Signal signal : Signals.inOrder(all)) {
            Integer was = possible(then.get(key(signal)));
            Integer is = possible(now.get(key(signal)));
            if (!java.util.Objects.equals(was, is)) {
                differing.add(new Lateness(
                        signal.orderNumber(), signal.orderLine(), signal.item(), signal.site(), signal.day(), was, is));
            }
        }
        return differing;
    }

    /** The late lines of a plan, but those of points that the other plan shares. */
    private static void late(Plan plan, Plan other, boolean sameNumbers, Map<List<String>, Signal> into) {
        LateOrders late = plan.pegs().late();
        for (int p : sameNumbers ? late.differing(other.pegs().late()) : all(plan)) {
            for (Signal signal : late.of(p)) {
                into.put(key(signal), signal);
            }
        }
        plan.pegs().late().ofKits().forEach(signal -> into.put(key(signal), signal));
        plan.pegs().late().ofLeftOut().forEach(signal -> into.put(key(signal), signal));
    }

    private static List<String> key(Signal signal) {
        return List.of(signal.orderNumber(), signal.orderLine());
    }

    private static Integer possible(Signal late) {
        if (late == null) {
            return null;
        }
        return late.newDay() == OpenOrder.NO_DAY ? Lateness.NEVER : Integer.valueOf(late.newDay());
    }
}
