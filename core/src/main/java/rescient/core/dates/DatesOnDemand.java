package rescient.core.dates;

import java.util.HashMap;
import java.util.Map;
import rescient.core.base.ChunkedList;
import rescient.core.company.OpenOrder;
import rescient.core.company.Source;
import rescient.core.company.Stage;
import rescient.core.netting.Dating;
import rescient.core.netting.DemandList;
import rescient.core.netting.Pegging;
import rescient.core.netting.PlannedOrders;
import rescient.core.netting.PointPlan;
import rescient.core.snapshot.DocumentDemands;
import rescient.core.snapshot.Impossible;
import rescient.core.snapshot.Network;
import rescient.core.snapshot.OpenSupply;
import rescient.core.snapshot.Snapshot;
import rescient.core.snapshot.StockPoint;

/**
 * Possible dates where open orders wait for each other in a circle: each is worked out as soon as another asks for it.
 */
final class DatesOnDemand {
    private static final int NO_HIT = Integer.MAX_VALUE;

    private final Snapshot snapshot;
    private final ChunkedList<PointPlan> plans;
    private final ChunkedList<PointDates> dates;
    private final Pegging[] pegs;
    /** For each point, where the demand of each cell stands in turn. */
    private final int[][] places;
    /** Open orders being worked out, each with its depth. */
    private final Map<OpenOrder, Integer> underWay = new HashMap<>();
    /** The smallest depth of an open order that was met again in the present descent. */
    private int metAgain = NO_HIT;

    DatesOnDemand(Snapshot snapshot, ChunkedList<PointPlan> plans, ChunkedList<PointDates> dates) {
        this.snapshot = snapshot;
        this.plans = plans;
        this.dates = dates;
        this.pegs = new Pegging[plans.size()];
        this.places = new int[plans.size()][];
    }

    /** Fills the dates of all planned points. */
    void all(Impossible impossible) {
        for (int p = snapshot.network.planned() - 1; p >= 0; p--) {
            int now = p;
            impossible.calculating(p, () -> point(now));
        }
        for (int p = 0; p < snapshot.network.planned() && impossible.isEmpty(); p++) {
            dates.put(p, dates.get(p).onTime(plans.get(p)) ? PointDates.ON_TIME : dates.get(p));
        }
    }

    private void point(int p) {
        PointPlan plan = plans.get(p);
        at(p);
        for (int o = 0; o < plan.planned.size; o++) {
            planned(p, o);
        }
        for (int i = 0; i < plan.known.open.length; i++) {
            open(p, i);
        }
        for (int d = 0; d < plan.demands.size; d++) {
            demand(p, d);
        }
    }

    private PointDates at(int p) {
        if (dates.get(p) == null) {
            dates.put(p, new PointDates(plans.get(p)));
            pegs[p] = Pegging.of(plans.get(p));
            places[p] = plans.get(p).demands.places();
        }
        return dates.get(p);
    }

    private int demand(int p, int d) {
        PointDates own = at(p);
        DemandList demands = plans.get(p).demands;
        int cell = demands.cell[d];
        if (own.day[cell] != PointDates.UNKNOWN) {
            return own.day[cell];
        }
        int lots = plans.get(p).known.lot.length;
        int latest = PointDates.UNKNOWN;
        int cause = p;
        for (int i = pegs[p].start[d]; i < pegs[p].start[d + 1]; i++) {
            int s = pegs[p].supply(i);
            int day = switch (pegs[p].kind(i)) {
                case STOCK -> snapshot.today;
                case OPEN -> open(p, s);
                case PLANNED -> planned(p, s);
            };
            if (day > latest) {
                latest = day;
                cause = pegs[p].supply[i] < lots ? p : own.cause[own.firstOpen + pegs[p].supply[i] - lots];
            }
        }
        if (pegs[p].served(d) < demands.quantity[d]) {
            latest = PossibleDates.NEVER;
            cause = p;
        }
        int day = Math.max(latest, demands.ownDay[d]);
        if (metAgain == NO_HIT) {
            own.day[cell] = day;
        }
        own.cause[cell] = cause;
        return day;
    }

    private int planned(int p, int o) {
        PointDates own = at(p);
        int at = own.firstPlanned + o;
        if (own.day[at] != PointDates.UNKNOWN) {
            return own.day[at];
        }
        StockPoint point = snapshot.points[p];
        PlannedOrders planned = plans.get(p).planned;
        int day;
        if (point.source == Source.BUY && !point.phantom) {
            day = new Dating(point, snapshot.today).possibleIfBought(planned, o);
            own.cause[at] = p;
        } else {
            Delays slips = new Delays();
            slips.of(point, snapshot.today, 1);
            slips.begin(0, p, planned.start[o], planned.due[o]);
            Network network = snapshot.network;
            for (int e = network.edgeStart[p]; e < network.edgeStart[p + 1]; e++) {
                int below = network.edgeTo[e];
                if (plans.get(below) != null) {
                    int cell = plans.get(below).demands.cellStart[network.edgeSlot[e]] + o;
                    waitFor(slips, below, cell, PointDates.UNKNOWN);
                } else if (planned.asks(snapshot, e, o)) {
                    slips.waitFor(0, snapshot.points[below].item, planned.start[o], PossibleDates.NEVER, below);
                }
            }
            day = slips.movedOn(0);
            own.cause[at] = slips.cause[0];
        }
        if (metAgain == NO_HIT) {
            own.day[at] = day;
        }
        return day;
    }

    private void waitFor(Delays slips, int p, int cell, int neverBefore) {
        PointDates below = at(p);
        int d = places[p][cell];
        if (d != DemandList.ABSENT) {
            int needed = Math.max(plans.get(p).demands.ownDay[d], neverBefore);
            int possible = demand(p, d);
            slips.waitFor(0, snapshot.points[p].item, needed, possible, below.cause[cell]);
        }
    }

    private int open(int p, int i) {
        PointDates own = at(p);
        int at = own.firstOpen + i;
        if (own.day[at] != PointDates.UNKNOWN) {
            return own.day[at];
        }
        OpenSupply supply = plans.get(p).known.open[i];
        OpenOrder order = supply.order();
        int ownDay = Math.max(order.dueDay(), snapshot.today);
        own.cause[at] = p;
        if (order.kind() == Source.BUY) {
            own.day[at] = snapshot.possibleIfBought(order);
            return own.day[at];
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
        Delays slips = new Delays();
        slips.ofOpen(snapshot.points[p], snapshot.today, p, order);
        int neverBefore = order.stage() == Stage.RELEASED ? snapshot.today : PointDates.UNKNOWN;
        for (int below : supply.waitsAt()) {
            DocumentDemands documents = snapshot.demands.get(below);
            int first = documents.firstOf(supply.number(), supply.line());
            for (int k = first; k < documents.size && documents.document[k] == order; k++) {
                if (plans.get(below) != null) {
                    waitFor(slips, below, plans.get(below).demands.firstDocument() + k, neverBefore);
                } else {
                    slips.waitFor(0, snapshot.points[below].item, ownDay, PossibleDates.NEVER, below);
                }
            }
        }
        int day = slips.movedOn(0);
        underWay.remove(order);
        own.cause[at] = slips.cause[0];
        if (metAgain >= ownDepth) {
            metAgain = NO_HIT;
            own.day[at] = day;
        }
        metAgain = Math.min(metAgain, outer);
        return day;
    }
}
