package rescient.core.compare;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.SortedMap;
import java.util.TreeMap;
import java.util.stream.IntStream;
import rescient.core.company.OpenOrder;
import rescient.core.dates.LateOrders;
import rescient.core.netting.Signals;
import rescient.core.plan.Plan;
import rescient.core.plan.PlannedOrder;
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

    /**
     * The difference from one plan to another of the same company. One stock point is held beside the other: two plans that
     * share nothing are compared without a list of all their orders.
     */
    public static PlanDifference between(Plan before, Plan after) {
        boolean sameNumbers = before.snapshot().network.numbersLike(after.snapshot().network);
        OnlyHere gone = OnlyHere.nothing();
        SortedMap<Integer, OnlyHere> there = new TreeMap<>();
        for (int p : sameNumbers ? before.pegs().differing(after.pegs()) : all(before)) {
            int q = sameNumbers ? p : theSame(before, p, after);
            OnlyHere.Alike alike = OnlyHere.Alike.of(before, p, after, q);
            OnlyHere then = OnlyHere.at(before, p, alike);
            OnlyHere now = OnlyHere.at(after, q, alike);
            gone.add(then.without(now));
            OnlyHere only = now.without(then);
            if (!only.isEmpty()) {
                there.put(q, only);
            }
        }
        if (!sameNumbers) {
            for (int q : all(after)) {
                if (theSame(after, q, before) < 0) {
                    there.put(q, OnlyHere.at(after, q));
                }
            }
        }
        OnlyHere come = OnlyHere.nothing();
        there.values().forEach(come::add);
        List<Signal> then = Signals.ofThoseLeftOut(before.snapshot());
        List<Signal> now = Signals.ofThoseLeftOut(after.snapshot());
        gone.signals().addAll(OnlyHere.without(then, now));
        come.signals().addAll(OnlyHere.without(now, then));
        return new PlanDifference(
                gone.orders(), come.orders(), lateness(before, after, sameNumbers), gone.signals(), come.signals());
    }

    /** The number that a stock point of a plan has in another one, -1 if that plans none. */
    private static int theSame(Plan plan, int p, Plan other) {
        StockPoint point = plan.snapshot().points[p];
        int q = other.snapshot().pointOf(point.itemCode, point.siteCode);
        return q < other.snapshot().network.planned() ? q : -1;
    }

    private static int[] all(Plan plan) {
        return IntStream.range(0, plan.snapshot().network.planned()).toArray();
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
