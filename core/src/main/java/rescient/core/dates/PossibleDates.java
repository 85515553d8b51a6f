package rescient.core.dates;

import java.util.Arrays;
import java.util.BitSet;
import rescient.core.base.ChunkedList;
import rescient.core.base.Parallel;
import rescient.core.company.OpenOrder;
import rescient.core.netting.DemandList;
import rescient.core.netting.PlannedOrders;
import rescient.core.netting.PointPlan;
import rescient.core.snapshot.DatingOrder;
import rescient.core.snapshot.DocumentDemands;
import rescient.core.snapshot.Impossible;
import rescient.core.snapshot.Network;
import rescient.core.snapshot.Snapshot;

/**
 * Section 9 of the planning rules: from the lowest level up, through the pegs, the day on which each supply can really
 * be there and each demand really be met, and the supply at the end of the chain that decides it.
 *
 * <p>Points are worked out in {@link DatingOrder}, those of one in parallel ({@link DatesInTurn}). Where open orders wait for each
 * other in a circle, points are worked out one by one, each as soon as another asks for it ({@link DatesOnDemand}).
 */
public final class PossibleDates {
    /** There is no possible date: a part has no supply. */
    public static final int NEVER = Integer.MAX_VALUE;

    private static final int[] NOBODY = {};

    private final Snapshot snapshot;
    private final ChunkedList<PointPlan> plans;
    private final ChunkedList<PointDates> dates;

    private PossibleDates(Snapshot snapshot, ChunkedList<PointPlan> plans, ChunkedList<PointDates> dates) {
        this.snapshot = snapshot;
        this.plans = plans;
        this.dates = dates;
    }

    /** @param impossible told of points whose dates cannot be calculated */
    public static PossibleDates of(Snapshot snapshot, ChunkedList<PointPlan> plans, Impossible impossible) {
        ChunkedList<PointDates> dates = ChunkedList.of(plans.size(), PointDates[]::new);
        DatingOrder waves = snapshot.waves;
        if (waves == DatingOrder.NONE) {
            new DatesOnDemand(snapshot, plans, dates).all(impossible);
        }
        for (int wave = 0; wave < waves.count() && impossible.isEmpty(); wave++) {
            int now = wave;
            Parallel.each(0, waves.size(wave), (from, to) -> {
                DatesInTurn walk = new DatesInTurn(snapshot, plans, dates);
                for (int i = from; i < to; i++) {
                    int p = waves.point(now, i);
                    impossible.calculating(p, () -> dates.put(p, walk.of(p)));
                }
            });
        }
        return new PossibleDates(snapshot, plans, dates);
    }

    /**
     * These dates with those of points that were planned anew, and of all that wait for them, worked out again.
     *
     * @param replanned the points that were planned anew; on return, all whose dates were worked out again
     */
    public PossibleDates after(Snapshot changed, ChunkedList<PointPlan> changedPlans, BitSet replanned) {
        DatingOrder waves = changed.waves;
        if (waves == DatingOrder.NONE || snapshot.waves == DatingOrder.NONE) {
            replanned.set(0, changed.network.planned());
            Impossible impossible = new Impossible();
            PossibleDates all = of(changed, changedPlans, impossible);
            impossible.refuse();
            return all;
        }
        PossibleDates next = new PossibleDates(changed, changedPlans, dates.copy());
        BitSet places = new BitSet();
        replanned.stream().forEach(p -> waves.put(p, places));
        for (int wave = 0; wave < waves.count(); wave++) {
            int[] due = waves.due(wave, places);
            int[][] waiting = new int[due.length][];
            next.dates.open(due);
            Parallel.each(due.length, i -> {
                int p = due[i];
                next.dates.put(p, new DatesInTurn(changed, changedPlans, next.dates).of(p));
                boolean same = dates.get(p) == next.dates.get(p);
                waiting[i] = same ? NOBODY : next.thoseThatWaitFor(p, this, replanned);
            });
            for (int[] points : waiting) {
                for (int p : points) {
                    replanned.set(p);
                    waves.put(p, places);
                }
            }
        }
        return next;
    }

    /** The points of later waves that wait for something here whose possible day, or its cause, is another than before. */
    private int[] thoseThatWaitFor(int p, PossibleDates before, BitSet marked) {
        Network network = snapshot.network;
        Network networkBefore = before.snapshot.network;
        boolean sameEdges = network == networkBefore || network.asksLike(networkBefore, p);
        int first = network.incomingStart[p];
        DocumentDemands own = snapshot.demands.get(p);
        DocumentDemands ownBefore = before.snapshot.demands.get(p);
        int[] waiting = new int[network.incomingStart[p + 1] - first + own.size - own.customerOrders];
        int n = 0;
        for (int i = first; i < network.incomingStart[p + 1]; i++) {
            int parent = network.incomingFrom[i];
            // what is planned anew is marked already, so its orders need not be those that there were
            if (!marked.get(parent) && !(sameEdges && sameForEdge(p, i - first, before, parent))) {
                waiting[n++] = parent;
            }
        }
        for (int i = own.customerOrders; i < own.size; i++) {
            if (own != ownBefore
                    || ofDocument(p, i) != before.ofDocument(p, i)
                    || causeOfDocument(p, i) != before.causeOfDocument(p, i)) {
                OpenOrder order = (OpenOrder) own.document[i];
                waiting[n++] = snapshot.pointOf(order.item(), order.site());
            }
        }
        return Arrays.copyOf(waiting, n);
    }

    /** Whether what comes along an edge is possible when it was before. */
    private boolean sameForEdge(int p, int slot, PossibleDates before, int parent) {
        PlannedOrders orders = plans.get(parent).planned;
        if (!late(p) || !before.late(p)) {
            PossibleDates other = late(p) ? this : before;
            return !late(p) && !before.late(p) || !other.keepsWaiting(p, slot, orders, parent);
        }
        PointDates now = dates.get(p);
        PointDates then = before.dates.get(p);
        return now.sameCells(now.cellStart[slot], then, then.cellStart[slot], orders.size);
    }

    /** Whether an order above gets something along an edge later than it needs it. */
    private boolean keepsWaiting(int p, int slot, PlannedOrders orders, int parent) {
        Network network = snapshot.network;
        int edge = network.incoming[network.incomingStart[p] + slot];
        int operation = network.operation(edge);
        for (int o = 0; o < orders.size; o++) {
            if (dates.get(p).day[dates.get(p).cellStart[slot] + o] > orders.needs(o, operation)) {
                return true;
            }
        }
        return false;
    }

    /** Whether anything of a point comes later than on its own date. */
    public boolean late(int p) {
        return dates.get(p) != PointDates.ON_TIME;
    }

    /** The possible day of a demand, or {@link #NEVER}. */
    public int ofDemand(int p, int d) {
        DemandList demands = plans.get(p).demands;
        return late(p) ? dates.get(p).day[demands.cell[d]] : demands.ownDay[d];
    }

    /** The point whose supply decides a demand's possible day. */
    public int causeOfDemand(int p, int d) {
        return late(p) ? dates.get(p).cause[plans.get(p).demands.cell[d]] : p;
    }

    /**
     * The possible day of what a document demands, {@link #NEVER}, or before all days if it does not count. What is asked of
     * a point that nothing was calculated for has no supply.
     */
    public int ofDocument(int p, int i) {
        if (dates.get(p) == null) {
            return NEVER;
        }
        return late(p) ? dates.get(p).day[dates.get(p).firstDocument() + i] : snapshot.demands.get(p).ownDay[i];
    }

    /** The point whose supply decides when a document gets what it demands. */
    public int causeOfDocument(int p, int i) {
        return dates.get(p) != null && late(p) ? dates.get(p).cause[dates.get(p).firstDocument() + i] : p;
    }

    /** The possible day of a planned order, or {@link #NEVER}. */
    public int ofPlanned(int p, int o) {
        return late(p) ? dates.get(p).day[dates.get(p).firstPlanned + o] : plans.get(p).planned.due[o];
    }

    /** The possible day of an open order, whether it serves anything or not, or {@link #NEVER}. */
    public int ofOpen(int p, int i) {
        return late(p)
                ? dates.get(p).day[dates.get(p).firstOpen + i]
                : plans.get(p).known.open[i].countsOn(snapshot.today);
    }

    /** The point whose supply decides when an open order can be there. */
    int causeOfOpen(int p, int i) {
        return late(p) ? dates.get(p).cause[dates.get(p).firstOpen + i] : p;
    }
}
