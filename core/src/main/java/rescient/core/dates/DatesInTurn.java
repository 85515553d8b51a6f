package rescient.core.dates;

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
import rescient.core.snapshot.Network;
import rescient.core.snapshot.OpenSupply;
import rescient.core.snapshot.Snapshot;
import rescient.core.snapshot.StockPoint;

/**
 * Possible dates of points after all that they wait for was worked out: planned orders from what stands below, then,
 * through the pegs, the demands.
 */
final class DatesInTurn {
    /** Room that every stock point uses anew. */
    private static final ThreadLocal<Pegging> PEGS = ThreadLocal.withInitial(Pegging::new);

    private static final ThreadLocal<Delays> SLIPS = ThreadLocal.withInitial(Delays::new);

    private final Snapshot snapshot;
    private final ChunkedList<PointPlan> plans;
    private final ChunkedList<PointDates> dates;
    private final Pegging pegs = PEGS.get();
    private final Delays slips = SLIPS.get();

    DatesInTurn(Snapshot snapshot, ChunkedList<PointPlan> plans, ChunkedList<PointDates> dates) {
        this.snapshot = snapshot;
        this.plans = plans;
        this.dates = dates;
    }

    /** The dates of one point; {@link PointDates#ON_TIME} where everything comes on its own date. */
    PointDates of(int p) {
        PointPlan plan = plans.get(p);
        pegs.fill(plan);
        if (pegs.onTime && nothingSlips(p, plan)) {
            return PointDates.ON_TIME;
        }
        PointDates own = new PointDates(plan);
        planned(p, plan.planned, own);
        for (int i = 0; i < plan.known.open.length; i++) {
            open(p, i, own);
        }
        demands(p, plan, own);
        return own.onTime(plan) ? PointDates.ON_TIME : own;
    }

    /** Every order counts on its own day, nothing should have started before today, and nothing below is late. */
    private boolean nothingSlips(int p, PointPlan plan) {
        for (int i = 0; i < plan.known.open.length; i++) {
            OpenOrder order = plan.known.open[i].order();
            if (order.kind() != Source.BUY || plan.known.openDay[i] != snapshot.possibleIfBought(order)) {
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
            PointDates below = dates.get(network.edgeTo[e]);
            if (below != PointDates.ON_TIME) {
                return false;
            }
        }
        return true;
    }

    private void planned(int p, PlannedOrders planned, PointDates own) {
        StockPoint point = snapshot.points[p];
        int first = own.firstPlanned;
        if (point.source == Source.BUY && !point.phantom) {
            Dating dating = new Dating(point, snapshot.today);
            for (int o = 0; o < planned.size; o++) {
                own.day[first + o] = dating.possibleIfBought(planned, o);
                own.cause[first + o] = p;
            }
            return;
        }
        slips.of(point, snapshot.today, planned.size);
        for (int o = 0; o < planned.size; o++) {
            slips.begin(o, p, planned.start[o], planned.due[o]);
        }
        Network network = snapshot.network;
        for (int e = network.edgeStart[p]; e < network.edgeStart[p + 1]; e++) {
            PointDates below = dates.get(network.edgeTo[e]);
            if (below == null) {
                waitForNothing(e, planned);
            } else if (below != PointDates.ON_TIME) {
                waitAlong(e, point.routing != null, planned, below);
            }
        }
        for (int o = 0; o < planned.size; o++) {
            own.day[first + o] = slips.movedOn(o);
        }
        System.arraycopy(slips.cause, 0, own.cause, first, planned.size);
    }

    /** What the orders of a point wait for along one edge; it lies side by side in the dates below. */
    private void waitAlong(int edge, boolean routed, PlannedOrders planned, PointDates below) {
        int cell = below.cellStart[snapshot.network.edgeSlot[edge]];
        int operation = routed ? snapshot.network.operation(edge) : -1;
        int item = snapshot.points[snapshot.network.edgeTo[edge]].item;
        for (int o = 0; o < planned.size; o++) {
            int needed = planned.needs(o, operation);
            if (below.day[cell + o] > needed) {
                slips.waitFor(o, item, needed, below.day[cell + o], below.cause[cell + o]);
            }
        }
    }

    /** A point on a loop or below one has no supply, so what asks for it waits for ever. */
    private void waitForNothing(int edge, PlannedOrders planned) {
        int below = snapshot.network.edgeTo[edge];
        for (int o = 0; o < planned.size; o++) {
            if (planned.asks(snapshot, edge, o)) {
                slips.waitFor(o, snapshot.points[below].item, planned.start[o], PossibleDates.NEVER, below);
            }
        }
    }

    private void demands(int p, PointPlan plan, PointDates own) {
        DemandList demands = plan.demands;
        int lots = plan.known.lot.length;
        for (int d = 0; d < demands.size; d++) {
            int latest = PointDates.UNKNOWN;
            int cause = p;
            long missing = demands.quantity[d];
            for (int i = pegs.start[d]; i < pegs.start[d + 1]; i++) {
                int supply = pegs.supply[i];
                int day = snapshot.today;
                int decides = p;
                if (supply >= lots) {
                    int at = own.firstOpen + supply - lots;
                    day = own.day[at];
                    decides = own.cause[at];
                }
                if (day > latest) {
                    latest = day;
                    cause = decides;
                }
                missing -= pegs.quantity[i];
            }
            boolean met = missing <= 0;
            own.day[demands.cell[d]] = met ? Math.max(latest, demands.ownDay[d]) : PossibleDates.NEVER;
            own.cause[demands.cell[d]] = met ? cause : p;
        }
    }

    private void open(int p, int i, PointDates own) {
        OpenSupply supply = plans.get(p).known.open[i];
        OpenOrder order = supply.order();
        int at = own.firstOpen + i;
        own.cause[at] = p;
        if (order.kind() == Source.BUY) {
            own.day[at] = snapshot.possibleIfBought(order);
            return;
        }
        boolean released = order.stage() == Stage.RELEASED;
        Delays waits = new Delays();
        waits.ofOpen(snapshot.points[p], snapshot.today, p, order);
        for (int below : supply.waitsAt()) {
            PointDates dated = dates.get(below);
            if (dated == null) {
                waits.waitFor(0, snapshot.points[below].item, order.dueDay(), PossibleDates.NEVER, below);
                continue;
            }
            if (dated == PointDates.ON_TIME) {
                continue;
            }
            DocumentDemands documents = snapshot.demands.get(below);
            int k = documents.firstOf(supply.number(), supply.line());
            for (; k < documents.size && documents.document[k] == order; k++) {
                int needed = released ? Math.max(documents.ownDay[k], snapshot.today) : documents.ownDay[k];
                int cell = dated.firstDocument() + k;
                waits.waitFor(0, snapshot.points[below].item, needed, dated.day[cell], dated.cause[cell]);
            }
        }
        own.day[at] = waits.movedOn(0);
        own.cause[at] = waits.cause[0];
    }
}
