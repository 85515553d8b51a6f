package rescient.core.plan;

import java.time.DateTimeException;
import java.util.ArrayList;
import java.util.BitSet;
import java.util.Collection;
import java.util.Comparator;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import java.util.stream.Collectors;
import java.util.stream.IntStream;
import rescient.core.base.ChunkedList;
import rescient.core.base.Parallel;
import rescient.core.base.PlanningException;
import rescient.core.company.Change;
import rescient.core.dates.LateOrders;
import rescient.core.dates.PossibleDates;
import rescient.core.netting.PointPlan;
import rescient.core.netting.Signals;
import rescient.core.snapshot.ChangedSnapshot;
import rescient.core.snapshot.Network;
import rescient.core.snapshot.PlanOptions;
import rescient.core.snapshot.Signal;
import rescient.core.snapshot.Snapshot;
import rescient.core.snapshot.StockPoint;

/** A finished calculation. Immutable; any number of threads may read it. */
public final class Plan {
    public final Snapshot snapshot;
    final PlanOptions options;
    final ChunkedList<PointPlan> plans;
    final PossibleDates possible;
    final LateOrders late;
    private volatile List<Signal> signals;
    private volatile List<Signal> allSignals;
    private volatile Integer lateOrders;
    private volatile List<PlannedOrder> plannedOrders;
    private volatile int[] inOrder;
    private volatile Counts counts;

    Plan(
            Snapshot snapshot,
            PlanOptions options,
            ChunkedList<PointPlan> plans,
            PossibleDates possible,
            LateOrders late) {
        this.snapshot = snapshot;
        this.options = options;
        this.plans = plans;
        this.possible = possible;
        this.late = late;
    }

    /** What was counted. */
    public PlanOptions options() {
        return options;
    }

    /** What lies under the views, for the rooms of this module that follow every peg. */
    public PegGraph pegs() {
        return new PegGraph(this);
    }

    public Snapshot snapshot() {
        return snapshot;
    }

    /** The planned order of a stock point that is due nearest to a day: what stands in the place of one that is gone. */
    public Optional<PlannedOrder> nearest(String item, String site, int day) {
        return point(item, site)
                .flatMap(point -> point.plannedOrders().stream()
                        .min(Comparator.comparingInt(order -> Math.abs(order.dueDay() - day))));
    }

    /**
     * The plan after some changes, made one after the other. Only what they touch is calculated again; the result is the
     * same, value for value, as a full calculation.
     *
     * @throws PlanningException as {@link Planner#plan}; this plan stays as it is
     */
    public Plan after(List<Change> changes) {
        return after(changes, (points, of) -> {});
    }

    /** The same, telling after each level how far it is. */
    public Plan after(List<Change> changes, Planner.Watch watch) {
        if (snapshot.rows.unplannable.isEmpty()) {
            try {
                ChangedSnapshot.Result changed = ChangedSnapshot.of(snapshot, changes);
                return changed.touched() == null
                        ? new Planner().plan(changed.snapshot(), options, watch)
                        : again(changed.snapshot(), changed.touched(), watch);
            } catch (PlanningException | ArithmeticException | DateTimeException e) {
                // a change brought what cannot be calculated; which point it leaves out shows when all are planned
                return new Planner().plan(ChangedSnapshot.anew(snapshot, changes), options, watch);
            }
        }
        // a change may have mended what could not be calculated, of any point
        return new Planner().plan(ChangedSnapshot.anew(snapshot, changes), options, watch);
    }

    /** @param touched the points to plan again, those below them as far as they are asked for something else */
    private Plan again(Snapshot changed, BitSet touched, Planner.Watch watch) {
        ChunkedList<PointPlan> next = plans.copy();
        Network network = changed.network;
        BitSet open = (BitSet) touched.clone();
        BitSet replanned = new BitSet();
        BitSet asksOtherwise = new BitSet();
        for (int level = 0; level < network.levels(); level++) {
            watch.planned(network.levelStart[level], network.planned());
            int[] due = Parallel.set(open, network.levelStart[level], network.levelStart[level + 1]);
            boolean[] otherwise = new boolean[due.length];
            next.open(due);
            Parallel.each(due.length, i -> {
                int p = due[i];
                PointPlan before = touched.get(p) ? null : plans.get(p);
                next.put(p, PointPlan.again(changed, p, next, options, before, asksOtherwise));
                otherwise[i] = !next.get(p).planned.askTheSame(plans.get(p).planned);
            });
            for (int i = 0; i < due.length; i++) {
                int p = due[i];
                replanned.set(p);
                asksOtherwise.set(p, otherwise[i]);
                for (int e = network.edgeStart[p]; otherwise[i] && e < network.edgeStart[p + 1]; e++) {
                    open.set(network.edgeTo[e]);
                }
            }
        }
        PossibleDates dates = possible.after(changed, next, replanned);
        Plan after = new Plan(changed, options, next, dates, late.after(changed, options, dates, replanned));
        Counts known = counts;
        if (known != null) {
            for (int p = replanned.nextSetBit(0); p >= 0; p = replanned.nextSetBit(p + 1)) {
                known = known.with(this, p, -1).with(after, p, 1);
            }
            after.counts = known;
        }
        // the same points in the same places
        after.inOrder = network.edgeTo == snapshot.network.edgeTo ? inOrder : null;
        return after;
    }

    /** All planned orders, by item, site, due date, start date, quantity; passings of phantoms are not among them. */
    public List<PlannedOrder> plannedOrders() {
        if (plannedOrders == null) {
            List<PlannedOrder> orders = new ArrayList<>();
            for (int p : inOrder()) {
                if (!snapshot.points[p].phantom) {
                    List<PlannedOrder> here = new PointView(this, p).plannedOrders();
                    here.sort(PlannedOrder.OF_ONE_POINT);
                    orders.addAll(here);
                }
            }
            plannedOrders = List.copyOf(orders);
        }
        return plannedOrders;
    }

    /** How many planned orders there are. */
    public int plannedOrderCount() {
        return counts().orders;
    }

    /** All signals of the planning rules, by item, site, kind, order number, line, date. */
    public List<Signal> signals() {
        if (signals == null) {
            Set<Signal> beyondRules = late.ofLeftOut().collect(Collectors.toSet());
            signals = allSignals().stream()
                    .filter(signal -> signal.kind() != Signal.Kind.REORDER_POINT_LOW)
                    .filter(signal -> !beyondRules.contains(signal))
                    .toList();
        }
        return signals;
    }

    /**
     * The same with what the application says beyond the rules: lines of customer orders for what lies on a loop or below
     * one, and reorder points that are too low.
     */
    public synchronized List<Signal> allSignals() {
        if (allSignals == null) {
            List<Signal> all = new ArrayList<>();
            for (int p : inOrder()) {
                Signals.add(all, plans.get(p).signals, late.of(p));
            }
            List<Signal> others = signalsOfNoPoint();
            allSignals = others.isEmpty() ? List.copyOf(all) : Signals.merged(all, others);
        }
        return allSignals;
    }

    /** How many signals {@link #allSignals} are. */
    public int signalCount() {
        return signalsOfNoPoint().size() + counts().signals;
    }

    /** How many planned orders and signals some points have. */
    private record Counts(int orders, int signals) {
        static final Counts NONE = new Counts(0, 0);

        Counts with(Plan plan, int p, int times) {
            PointPlan here = plan.plans.get(p);
            return new Counts(
                    orders + (plan.snapshot.points[p].phantom ? 0 : times * here.planned.size),
                    signals + times * (here.signals.length + plan.late.of(p).length));
        }
    }

    private Counts counts() {
        if (counts == null) {
            Counts all = Counts.NONE;
            for (int p = 0; p < snapshot.network.planned(); p++) {
                all = all.with(this, p, 1);
            }
            counts = all;
        }
        return counts;
    }

    /** Those of stock points that cannot be calculated or lie on a loop. */
    public List<Signal> signalsOfThoseLeftOut() {
        return Signals.ofThoseLeftOut(snapshot);
    }

    /** Those of kits and of what was left out, in order. */
    List<Signal> signalsOfNoPoint() {
        List<Signal> others = new ArrayList<>(late.ofKits());
        others.addAll(Signals.ofThoseLeftOut(snapshot));
        late.ofLeftOut().forEach(others::add);
        return Signals.inOrder(others);
    }

    List<Signal> signalsOf(int p) {
        if (plans.get(p) == null) {
            StockPoint point = snapshot.points[p];
            List<Signal> here = new ArrayList<>(late.ofLeftOut(p));
            Signals.ofThoseLeftOut(snapshot).stream()
                    .filter(s -> s.item().equals(point.itemCode) && s.site().equals(point.siteCode))
                    .forEach(here::add);
            return Signals.inOrder(here);
        }
        List<Signal> here = new ArrayList<>();
        Signals.add(here, plans.get(p).signals, late.of(p));
        return here;
    }

    /** How many customer orders have a line that is late or can never be met. */
    public int lateOrderCount() {
        if (lateOrders == null) {
            lateOrders = late.orders();
        }
        return lateOrders;
    }

    /** Whether a line of a customer order for an item at a site is late, or can never be met. */
    public boolean isLate(String number, String line, String item, String site) {
        int p = snapshot.pointOf(item, site);
        // a kit is no stock point
        Collection<Signal> lines =
                p < 0 ? late.ofKits() : plans.get(p) == null ? late.ofLeftOut(p) : List.of(late.of(p));
        return lines.stream()
                .anyMatch(s -> s.orderNumber().equals(number) && s.orderLine().equals(line));
    }

    /**
     * Every demand and every supply of the plan as one number, stock point before day: what a measurement sorts to see how
     * long the least that a calculation has to do takes.
     */
    public long[] pointsAndDays() {
        int n = 0;
        for (int p = 0; p < snapshot.network.planned(); p++) {
            n += plans.get(p).demands.size
                    + plans.get(p).known.lot.length
                    + plans.get(p).known.open.length
                    + plans.get(p).planned.size;
        }
        long[] keys = new long[n];
        int at = 0;
        for (int p = 0; p < snapshot.network.planned(); p++) {
            long point = (long) p << Integer.SIZE;
            PointPlan plan = plans.get(p);
            for (int i = 0; i < plan.known.lot.length; i++) {
                keys[at++] = point | snapshot.today;
            }
            for (int day : plan.known.openDay) {
                keys[at++] = point | day;
            }
            for (int day : plan.planned.due) {
                keys[at++] = point | day;
            }
            for (int d = 0; d < plan.demands.size; d++) {
                keys[at++] = point | plan.demands.day(d);
            }
        }
        return keys;
    }

    /**
     * Customer order lines that can never be met, because a part of them or of what they are made of has no supply: as
     * {@code demand_late} without a new date.
     */
    public List<Signal> neverMet() {
        List<Signal> all = new ArrayList<>();
        late.addTo(all, true);
        return Signals.inOrder(all);
    }

    /** The customer order lines that will be late by some days, as {@code demand_late}. */
    public List<Signal> lateLines() {
        List<Signal> all = new ArrayList<>();
        late.addTo(all, false);
        return Signals.inOrder(all);
    }

    /** One stock point, if there is one for this item and site. */
    public Optional<PointView> point(String item, String site) {
        int p = snapshot.pointOf(item, site);
        return p < 0 ? Optional.empty() : Optional.of(new PointView(this, p));
    }

    /** How many stock points were planned. */
    public int pointCount() {
        return snapshot.network.planned();
    }

    /** All stock points that were planned (those on a loop and below one are not), by item and site. */
    public List<PointView> points() {
        return IntStream.of(inOrder()).mapToObj(p -> new PointView(this, p)).toList();
    }

    /** The planned points by item and site. */
    int[] inOrder() {
        if (inOrder == null) {
            inOrder = sorted();
        }
        return inOrder;
    }

    private int[] sorted() {
        return IntStream.range(0, snapshot.network.planned())
                .mapToLong(p -> ((long) snapshot.points[p].item * snapshot.siteIndex.size() + snapshot.points[p].site)
                                << Integer.SIZE
                        | p)
                .sorted()
                .mapToInt(key -> (int) key)
                .toArray();
    }
}
