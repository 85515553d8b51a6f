package rescient.core;

import java.util.Arrays;
import java.util.BitSet;
import java.util.HashMap;
import java.util.Map;

/**
 * Section 9 of the planning rules: from the lowest level up, through the pegs, the day on which each supply can really
 * be there and each demand really be met, and the supply at the end of the chain that decides it.
 *
 * <p>Levels are worked out one after the other and their points in parallel, as long as open orders wait only for points
 * of lower levels. Where one does not (its components were changed since it was made), points are worked out one by one,
 * each as soon as another asks for it.
 */
final class PossibleDates {
    /** There is no possible date: a part has no supply. */
    static final int NEVER = Integer.MAX_VALUE;

    private static final int UNKNOWN = Integer.MIN_VALUE;
    private static final int NO_HIT = Integer.MAX_VALUE;

    /** The dates of one stock point; {@link #ON_TIME} where everything comes on its own date. */
    private static final class PointDates {
        static final PointDates ON_TIME = new PointDates(0, 0, 0);

        final int[] demandDay;
        final int[] openDay;
        final int[] plannedDay;
        /** The point at the end of the chain that decides each. */
        final int[] demandCause;

        final int[] openCause;
        final int[] plannedCause;

        PointDates(int demands, int opens, int planned) {
            demandDay = unknown(demands);
            openDay = unknown(opens);
            plannedDay = unknown(planned);
            demandCause = new int[demands];
            openCause = new int[opens];
            plannedCause = new int[planned];
        }

        private static int[] unknown(int size) {
            int[] days = new int[size];
            Arrays.fill(days, UNKNOWN);
            return days;
        }
    }

    private final Snapshot snapshot;
    private final PointPlan[] plans;
    private final PointDates[] dates;

    private PossibleDates(Snapshot snapshot, PointPlan[] plans, PointDates[] dates) {
        this.snapshot = snapshot;
        this.plans = plans;
        this.dates = dates;
    }

    static PossibleDates of(Snapshot snapshot, PointPlan[] plans) {
        PossibleDates possible = new PossibleDates(snapshot, plans, new PointDates[plans.length]);
        if (snapshot.ordersWaitBelow) {
            Network network = snapshot.network;
            for (int level = network.levels() - 1; level >= 0; level--) {
                Spans.each(network.levelStart[level], network.levelStart[level + 1], (from, to) -> {
                    Walk walk = possible.new Walk();
                    for (int p = from; p < to; p++) {
                        walk.point(p);
                    }
                });
            }
        } else {
            Walk walk = possible.new Walk();
            for (int p = snapshot.network.planned() - 1; p >= 0; p--) {
                walk.point(p);
            }
            for (int p = 0; p < snapshot.network.planned(); p++) {
                possible.compact(p);
            }
        }
        return possible;
    }

    /**
     * These dates with those of points that were planned anew, and of all that wait for them, worked out again.
     *
     * @param replanned the points that were planned anew; on return, all whose dates were worked out again
     */
    PossibleDates after(Snapshot changed, PointPlan[] changedPlans, BitSet replanned) {
        if (!changed.ordersWaitBelow || !snapshot.ordersWaitBelow) {
            replanned.set(0, changed.network.planned());
            return of(changed, changedPlans);
        }
        PossibleDates next = new PossibleDates(changed, changedPlans, dates.clone());
        Network network = changed.network;
        for (int level = network.levels() - 1; level >= 0; level--) {
            int[] due = Spans.set(replanned, network.levelStart[level], network.levelStart[level + 1]);
            Spans.each(due, p -> {
                next.dates[p] = null;
                next.new Walk().point(p);
            });
            for (int p : due) {
                if (dates[p] != next.dates[p]) {
                    next.markThoseThatWaitFor(p, this, replanned);
                }
            }
        }
        return next;
    }

    private void markThoseThatWaitFor(int p, PossibleDates before, BitSet marked) {
        Network network = snapshot.network;
        DemandList demands = plans[p].demands;
        DemandList demandsBefore = before.plans[p].demands;
        Network networkBefore = before.snapshot.network;
        boolean sameEdges = network == networkBefore || network.asksLike(networkBefore, p);
        int first = network.incomingStart[p];
        for (int i = first; i < network.incomingStart[p + 1]; i++) {
            int parent = network.edgeFrom[network.incoming[i]];
            if (!sameEdges) {
                marked.set(parent);
            }
            for (int o = 0; !marked.get(parent) && o < plans[parent].planned.size; o++) {
                int d = demands.raisedBy(i - first, o);
                int dBefore = demandsBefore.raisedBy(i - first, o);
                if (d != DemandList.ABSENT && !samePossible(p, d, before, dBefore)) {
                    marked.set(parent);
                }
            }
        }
        DocumentDemands own = snapshot.demands[p];
        boolean sameDocuments = own == before.snapshot.demands[p];
        for (int i = own.customerOrders; i < own.size; i++) {
            OpenOrder order = (OpenOrder) own.document[i];
            int d = demands.documentAt[i];
            int dBefore = sameDocuments ? demandsBefore.documentAt[i] : DemandList.ABSENT;
            if (d != DemandList.ABSENT && (dBefore == DemandList.ABSENT || !samePossible(p, d, before, dBefore))) {
                marked.set(snapshot.pointOf(order.item(), order.site()));
            }
        }
    }

    private boolean samePossible(int p, int d, PossibleDates before, int dBefore) {
        return dBefore != DemandList.ABSENT
                && ofDemand(p, d) == before.ofDemand(p, dBefore)
                && causeOfDemand(p, d) == before.causeOfDemand(p, dBefore);
    }

    private void compact(int p) {
        PointPlan plan = plans[p];
        PointDates own = dates[p];
        boolean onTime = Arrays.equals(own.demandDay, plan.demands.ownDay);
        for (int o = 0; onTime && o < own.plannedDay.length; o++) {
            onTime = own.plannedDay[o] == plan.planned.due[o];
        }
        if (onTime) {
            dates[p] = PointDates.ON_TIME;
        }
    }

    /** Whether anything of a point comes later than on its own date. */
    boolean late(int p) {
        return dates[p] != PointDates.ON_TIME;
    }

    /** The possible day of a demand, or {@link #NEVER}. */
    int ofDemand(int p, int d) {
        return late(p) ? dates[p].demandDay[d] : plans[p].demands.ownDay[d];
    }

    /** The point whose supply decides a demand's possible day. */
    int causeOfDemand(int p, int d) {
        return late(p) ? dates[p].demandCause[d] : p;
    }

    /** The possible day of a planned order, or {@link #NEVER}. */
    int ofPlanned(int p, int o) {
        return late(p) ? dates[p].plannedDay[o] : plans[p].planned.due[o];
    }

    /** The possible day of an open order, or {@link #NEVER}; its own date, today if overdue, if nothing waits for it. */
    int ofOpen(int p, int i) {
        int known = late(p) ? dates[p].openDay[i] : UNKNOWN;
        return known == UNKNOWN ? plans[p].known.open[i].countsOn(snapshot.today) : known;
    }

    /** One way through the pegs, by one thread. */
    private final class Walk {
        /** Open orders being worked out, each with its depth. */
        private final Map<OpenOrder, Integer> underWay = new HashMap<>();
        /** The smallest depth of an open order that was met again in the present descent. */
        private int metAgain = NO_HIT;

        private final Slips shared = new Slips();

        void point(int p) {
            PointPlan plan = plans[p];
            if (snapshot.ordersWaitBelow) {
                if (plainlyOnTime(p, plan)) {
                    dates[p] = PointDates.ON_TIME;
                    return;
                }
                allPlanned(p, at(p));
            } else {
                for (int o = 0; o < plan.planned.size; o++) {
                    planned(p, o);
                }
            }
            PointDates own = at(p);
            for (int d = 0; d < plan.demands.size; d++) {
                if (own.demandDay[d] == UNKNOWN) {
                    demand(p, d, own, plan);
                }
            }
            if (snapshot.ordersWaitBelow) {
                compact(p);
            }
        }

        /** Everything is pegged in time, nothing should have started before today, and nothing below is late. */
        private boolean plainlyOnTime(int p, PointPlan plan) {
            if (!plan.pegging.onTime) {
                return false;
            }
            for (int i = 0; i < plan.known.open.length; i++) {
                OpenSupply supply = plan.known.open[i];
                boolean onItsDay =
                        plan.known.openDay[i] == Math.max(supply.order().dueDay(), snapshot.today);
                if (!onItsDay || supply.order().kind() != Source.BUY) {
                    return false;
                }
            }
            for (int start : plan.planned.start) {
                if (start < snapshot.today) {
                    return false;
                }
            }
            Network network = snapshot.network;
            for (int e = network.edgeStart[p]; plan.planned.size > 0 && e < network.edgeStart[p + 1]; e++) {
                PointDates below = dates[network.edgeTo[e]];
                if (below != null && below != PointDates.ON_TIME) {
                    return false;
                }
            }
            return true;
        }

        private PointDates at(int p) {
            if (dates[p] == null) {
                PointPlan plan = plans[p];
                dates[p] = new PointDates(plan.demands.size, plan.known.open.length, plan.planned.size);
            }
            return dates[p];
        }

        private int demand(int p, int d) {
            PointDates own = at(p);
            PointPlan plan = plans[p];
            if (own == PointDates.ON_TIME) {
                return plan.demands.ownDay[d];
            }
            return own.demandDay[d] != UNKNOWN ? own.demandDay[d] : demand(p, d, own, plan);
        }

        private int demand(int p, int d, PointDates own, PointPlan plan) {
            Pegging pegs = plan.pegging;
            int latest = UNKNOWN;
            int cause = p;
            long served = 0;
            for (int i = pegs.start[d]; i < pegs.start[d + 1]; i++) {
                int s = pegs.supply(i);
                Pegging.SupplyKind kind = pegs.kind(i);
                int day = kind == Pegging.SupplyKind.STOCK
                        ? snapshot.today
                        : kind == Pegging.SupplyKind.OPEN
                                ? open(p, s)
                                : own.plannedDay[s] != UNKNOWN ? own.plannedDay[s] : planned(p, s);
                if (day > latest) {
                    latest = day;
                    cause = kind == Pegging.SupplyKind.STOCK
                            ? p
                            : kind == Pegging.SupplyKind.OPEN ? own.openCause[s] : own.plannedCause[s];
                }
                served += pegs.quantity[i];
            }
            if (served < plan.demands.quantity[d]) {
                latest = NEVER;
                cause = p;
            }
            int day = Math.max(latest, plan.demands.ownDay[d]);
            if (metAgain == NO_HIT) {
                own.demandDay[d] = day;
            }
            own.demandCause[d] = cause;
            return day;
        }

        private int planned(int p, int o) {
            PointDates own = at(p);
            if (own.plannedDay[o] != UNKNOWN) {
                return own.plannedDay[o];
            }
            StockPoint point = snapshot.points[p];
            PlannedOrders planned = plans[p].planned;
            int day;
            if (point.source == Source.BUY && !point.phantom) {
                day = bought(point, planned, o);
                own.plannedCause[o] = p;
            } else {
                Slips slips = new Slips();
                slips.of(point, snapshot.today, 1);
                slips.begin(0, p, planned.start[o], planned.due[o]);
                Network network = snapshot.network;
                for (int e = network.edgeStart[p]; e < network.edgeStart[p + 1]; e++) {
                    int below = network.edgeTo[e];
                    if (plans[below] != null) {
                        waitFor(slips, below, plans[below].demands.raisedBy(network.edgeSlot[e], o), UNKNOWN);
                    }
                }
                day = slips.movedOn(0);
                own.plannedCause[o] = slips.cause[0];
            }
            if (metAgain == NO_HIT) {
                own.plannedDay[o] = day;
            }
            return day;
        }

        /** The later of the due date and the earliest one whose start is not before today. */
        private int bought(StockPoint point, PlannedOrders planned, int o) {
            int due = planned.due[o];
            return planned.start[o] >= snapshot.today
                    ? due
                    : Math.max(due, new Dating(point, snapshot.today).earliestDue(snapshot.today, planned.started[o]));
        }

        /** All planned orders of a point, when everything below it is worked out. */
        private void allPlanned(int p, PointDates own) {
            StockPoint point = snapshot.points[p];
            PlannedOrders planned = plans[p].planned;
            if (point.source == Source.BUY && !point.phantom) {
                for (int o = 0; o < planned.size; o++) {
                    own.plannedDay[o] = bought(point, planned, o);
                    own.plannedCause[o] = p;
                }
                return;
            }
            shared.of(point, snapshot.today, planned.size);
            for (int o = 0; o < planned.size; o++) {
                shared.begin(o, p, planned.start[o], planned.due[o]);
            }
            Network network = snapshot.network;
            for (int e = network.edgeStart[p]; e < network.edgeStart[p + 1]; e++) {
                int below = network.edgeTo[e];
                PointDates dated = dates[below];
                if (dated != null && dated != PointDates.ON_TIME) {
                    DemandList demands = plans[below].demands;
                    int first = demands.raisedStart[network.edgeSlot[e]];
                    int item = snapshot.points[below].item;
                    for (int o = 0; o < planned.size; o++) {
                        int d = demands.raisedAt[first + o];
                        if (d != DemandList.ABSENT) {
                            shared.waitFor(o, item, demands.ownDay[d], dated.demandDay[d], dated.demandCause[d]);
                        }
                    }
                }
            }
            for (int o = 0; o < planned.size; o++) {
                own.plannedDay[o] = shared.movedOn(o);
            }
            System.arraycopy(shared.cause, 0, own.plannedCause, 0, planned.size);
        }

        private void waitFor(Slips slips, int p, int d, int neverBefore) {
            if (d != DemandList.ABSENT) {
                int needed = Math.max(plans[p].demands.ownDay[d], neverBefore);
                int possible = demand(p, d);
                slips.waitFor(0, snapshot.points[p].item, needed, possible, causeOfDemand(p, d));
            }
        }

        private int open(int p, int i) {
            PointDates own = at(p);
            if (own.openDay[i] != UNKNOWN) {
                return own.openDay[i];
            }
            OpenSupply supply = plans[p].known.open[i];
            OpenOrder order = supply.order();
            int ownDay = Math.max(order.dueDay(), snapshot.today);
            own.openCause[i] = p;
            if (order.kind() == Source.BUY) {
                own.openDay[i] = ownDay;
                return ownDay;
            }
            Integer depth = underWay.get(order);
            if (depth != null) {
                metAgain = Math.min(metAgain, depth);
                return ownDay;
            }
            int outer = metAgain;
            metAgain = NO_HIT;
            int ownDepth = underWay.size();
            underWay.put(order, ownDepth);
            boolean released = order.stage() == Stage.RELEASED;
            boolean started = released || order.startDay() == OpenOrder.NO_DAY;
            Slips slips = new Slips();
            slips.of(snapshot.points[p], snapshot.today, 1);
            slips.begin(0, p, started ? snapshot.today : order.startDay(), order.dueDay());
            for (int below : supply.waitsAt()) {
                DocumentDemands documents = snapshot.demands[below];
                int first = documents.firstOf(supply.number(), supply.line());
                for (int k = first; k < documents.size && documents.document[k] == order; k++) {
                    int d = plans[below] == null ? DemandList.ABSENT : plans[below].demands.documentAt[k];
                    waitFor(slips, below, d, released ? snapshot.today : UNKNOWN);
                }
            }
            int day = slips.movedOn(0);
            underWay.remove(order);
            own.openCause[i] = slips.cause[0];
            if (metAgain >= ownDepth) {
                metAgain = NO_HIT;
                own.openDay[i] = day;
            }
            metAgain = Math.min(metAgain, outer);
            return day;
        }
    }
}
