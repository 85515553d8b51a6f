package rescient.core;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.HashMap;
import java.util.List;
import java.util.Map;

/**
 * Section 9 of the planning rules: from the lowest level up, through the pegs, the day on which each supply can really
 * be there and each demand really be met, and the supply at the end of the chain that decides it.
 */
final class PossibleDates {
    /** There is no possible date: a part has no supply. */
    static final int NEVER = Integer.MAX_VALUE;

    private static final int UNKNOWN = Integer.MIN_VALUE;
    private static final int NO_HIT = Integer.MAX_VALUE;

    private final Snapshot snapshot;
    private final PointPlan[] plans;
    /** For each point: possible day of each demand, open order and planned order. */
    private final int[][] demandDay;

    private final int[][] openDay;
    private final int[][] plannedDay;
    /** The point at the end of the chain that decides each. */
    private final int[][] demandCause;

    private final int[][] openCause;
    private final int[][] plannedCause;
    /** For each point with planned orders: where each raised demand lies in its point's list, edge by edge. */
    private final int[][] raisedDemand;
    /** For each open order: the demands it waits for, as point and position. */
    private final Map<Integer, List<int[]>> waitsFor = new HashMap<>();
    /** Open orders being worked out, each with its depth. */
    private final Map<Integer, Integer> underWay = new HashMap<>();
    /** The smallest depth of an open order that was met again in the present descent. */
    private int metAgain = NO_HIT;

    private PossibleDates(Snapshot snapshot, PointPlan[] plans) {
        this.snapshot = snapshot;
        this.plans = plans;
        int n = plans.length;
        demandDay = new int[n][];
        openDay = new int[n][];
        plannedDay = new int[n][];
        demandCause = new int[n][];
        openCause = new int[n][];
        plannedCause = new int[n][];
        raisedDemand = new int[n][];
    }

    static PossibleDates of(Snapshot snapshot, PointPlan[] plans) {
        PossibleDates dates = new PossibleDates(snapshot, plans);
        int planned = snapshot.network.planned();
        for (int p = 0; p < planned; p++) {
            dates.prepare(p);
        }
        for (int p = planned - 1; p >= 0; p--) {
            for (int o = 0; o < plans[p].planned.size; o++) {
                dates.planned(p, o);
            }
            for (int d = 0; d < plans[p].demands.size; d++) {
                dates.demand(p, d);
            }
        }
        return dates;
    }

    /** The possible day of a demand, or {@link #NEVER}. */
    int ofDemand(int p, int d) {
        return demandDay[p][d];
    }

    /** The point whose supply decides a demand's possible day. */
    int causeOfDemand(int p, int d) {
        return demandCause[p][d];
    }

    /** The possible day of a planned order, or {@link #NEVER}. */
    int ofPlanned(int p, int o) {
        return plannedDay[p][o];
    }

    private void prepare(int p) {
        PointPlan plan = plans[p];
        demandDay[p] = unknown(plan.demands.size);
        demandCause[p] = unknown(plan.demands.size);
        openDay[p] = unknown(plan.known.open.length);
        openCause[p] = unknown(plan.known.open.length);
        plannedDay[p] = unknown(plan.planned.size);
        plannedCause[p] = unknown(plan.planned.size);
        raisedDemand[p] = new int[plan.raised.quantity().length];
        Arrays.fill(raisedDemand[p], -1);
        for (int d = 0; d < plan.demands.size; d++) {
            int parent = plan.demands.parent[d];
            if (parent >= 0) {
                int cell = plan.demands.bomLine[d] * plans[parent].raised.orders() + plan.demands.parentOrder[d];
                raisedDemand[parent][cell] = d;
            } else if (plan.demands.kind[d] == DemandKind.COMPONENT || plan.demands.kind[d] == DemandKind.TRANSFER) {
                waitsFor.computeIfAbsent(plan.demands.document[d], o -> new ArrayList<>())
                        .add(new int[] {p, d});
            }
        }
    }

    private static int[] unknown(int size) {
        int[] days = new int[size];
        Arrays.fill(days, UNKNOWN);
        return days;
    }

    private int demand(int p, int d) {
        if (demandDay[p][d] != UNKNOWN) {
            return demandDay[p][d];
        }
        PointPlan plan = plans[p];
        Pegging pegs = plan.pegging;
        int latest = UNKNOWN;
        int cause = p;
        for (int i = pegs.start[d]; i < pegs.start[d + 1]; i++) {
            int s = pegs.supply[i];
            int day = switch (pegs.kind[i]) {
                case STOCK -> snapshot.today;
                case OPEN -> open(p, s);
                case PLANNED -> planned(p, s);
            };
            if (day > latest) {
                latest = day;
                cause = switch (pegs.kind[i]) {
                    case STOCK -> p;
                    case OPEN -> openCause[p][s] == UNKNOWN ? p : openCause[p][s];
                    case PLANNED -> plannedCause[p][s];
                };
            }
        }
        if (pegs.served(d) < plan.demands.quantity[d]) {
            latest = NEVER;
            cause = p;
        }
        int day = Math.max(latest, plan.demands.ownDay[d]);
        if (metAgain == NO_HIT) {
            demandDay[p][d] = day;
        }
        demandCause[p][d] = cause;
        return day;
    }

    private int planned(int p, int o) {
        if (plannedDay[p][o] != UNKNOWN) {
            return plannedDay[p][o];
        }
        StockPoint point = snapshot.points[p];
        PlannedOrders planned = plans[p].planned;
        int due = planned.due[o];
        int day;
        if (point.source == Source.BUY && !point.phantom) {
            int earliest = new Dating(point, snapshot.today).earliestDue(snapshot.today, planned.started[o]);
            day = Math.max(due, earliest);
            plannedCause[p][o] = p;
        } else {
            Slip slip = new Slip(p, point, planned.start[o]);
            Network network = snapshot.network;
            int edges = network.edgeStart[p + 1] - network.edgeStart[p];
            for (int e = 0; e < edges && plans[p].raised.orders() > 0; e++) {
                int d = raisedDemand[p][e * plans[p].raised.orders() + o];
                if (d >= 0) {
                    int needed = plans[p].raised.day()[e * plans[p].raised.orders() + o];
                    slip.waitFor(network.edgeTo[network.edgeStart[p] + e], d, needed);
                }
            }
            day = slip.movedOn(due);
            plannedCause[p][o] = slip.cause;
        }
        if (metAgain == NO_HIT) {
            plannedDay[p][o] = day;
        }
        return day;
    }

    private int open(int p, int i) {
        if (openDay[p][i] != UNKNOWN) {
            return openDay[p][i];
        }
        int document = plans[p].known.open[i];
        OpenOrder order = snapshot.openOrders.get(document);
        int own = Math.max(order.dueDay(), snapshot.today);
        if (order.kind() == Source.BUY) {
            openCause[p][i] = p;
            openDay[p][i] = own;
            return own;
        }
        Integer depth = underWay.get(document);
        if (depth != null) {
            metAgain = Math.min(metAgain, depth);
            return own;
        }
        int outer = metAgain;
        metAgain = NO_HIT;
        int ownDepth = underWay.size();
        underWay.put(document, ownDepth);
        boolean released = order.stage() == Stage.RELEASED;
        boolean started = released || order.startDay() == OpenOrder.NO_DAY;
        Slip slip = new Slip(p, snapshot.points[p], started ? snapshot.today : order.startDay());
        for (int[] wait : waitsFor.getOrDefault(document, List.of())) {
            int needed = plans[wait[0]].demands.ownDay[wait[1]];
            slip.waitFor(wait[0], wait[1], released ? Math.max(needed, snapshot.today) : needed);
        }
        int day = slip.movedOn(order.dueDay());
        underWay.remove(document);
        openCause[p][i] = slip.cause;
        if (metAgain >= ownDepth) {
            metAgain = NO_HIT;
            openDay[p][i] = day;
        }
        metAgain = Math.min(metAgain, outer);
        return day;
    }

    /** The largest slip of one order: its own, or that of a component, in working days of its site. */
    private final class Slip {
        private final WorkCalendar calendar;
        private final boolean phantom;
        private int largest;
        private int cause;
        private int causeItem = -1;

        Slip(int p, StockPoint point, int start) {
            this.calendar = point.siteCalendar;
            this.phantom = point.phantom;
            this.cause = p;
            this.largest = between(start, snapshot.today);
        }

        void waitFor(int p, int d, int needed) {
            int possible = demand(p, d);
            int slip = possible == NEVER ? NEVER : between(needed, possible);
            int item = snapshot.points[p].item;
            boolean tie = slip == largest && slip > 0 && causeItem >= 0 && item < causeItem;
            if (slip > largest || tie) {
                largest = slip;
                cause = demandCause[p][d];
                causeItem = item;
            }
        }

        int movedOn(int due) {
            if (largest == NEVER) {
                return NEVER;
            }
            int moved = largest == 0 ? due : phantom ? due + largest : calendar.forth(due, largest);
            return Math.max(moved, snapshot.today);
        }

        private int between(int from, int to) {
            return phantom ? Math.max(0, to - from) : calendar.distance(from, to);
        }
    }
}
