package rescient.core.trace;

import java.util.Collections;
import java.util.Comparator;
import java.util.List;
import rescient.core.company.OpenOrder;
import rescient.core.company.Source;
import rescient.core.company.Stage;
import rescient.core.dates.Delays;
import rescient.core.dates.PossibleDates;
import rescient.core.netting.DemandList;
import rescient.core.netting.PlannedOrders;
import rescient.core.plan.Plan;
import rescient.core.snapshot.DocumentDemands;
import rescient.core.snapshot.Network;
import rescient.core.snapshot.OpenSupply;
import rescient.core.snapshot.Snapshot;

/** What orders and lines of customers wait for, and which of it decides when they can be. */
final class Waits {
    /**
     * A demand that an order waits for.
     *
     * @param demand {@link DemandList#ABSENT} at a point that nothing was calculated for, which has no supply
     * @param quantity of it, in millionths
     */
    record Wait(int point, int demand, int needed, long quantity) {
        boolean unmet() {
            return demand == DemandList.ABSENT;
        }
    }

    private final Plan plan;
    private final Snapshot snapshot;
    private final PossibleDates possible;

    Waits(Plan plan) {
        this.plan = plan;
        this.snapshot = plan.snapshot();
        this.possible = plan.pegs().possible();
    }

    /** Collects what a planned order waits for; returns what of it decides, or null if its own start does. */
    Wait ofPlanned(int p, int o, List<Wait> into) {
        Network network = snapshot.network;
        PlannedOrders planned = plan.pegs().of(p).planned;
        for (int e = network.edgeStart[p]; e < network.edgeStart[p + 1]; e++) {
            int below = network.edgeTo[e];
            if (plan.pegs().of(below) == null) {
                addUnmet(e, planned, o, into);
                continue;
            }
            DemandList demands = plan.pegs().of(below).demands;
            int d = demands.raisedBy(network.edgeSlot[e], o);
            if (d != DemandList.ABSENT) {
                into.add(new Wait(below, d, demands.ownDay[d], demands.quantity[d]));
            }
        }
        return largest(p, planned.start[o], planned.due[o], into);
    }

    private void addUnmet(int edge, PlannedOrders planned, int o, List<Wait> into) {
        if (planned.asks(snapshot, edge, o)) {
            Network network = snapshot.network;
            int below = network.edgeTo[edge];
            long quantity = network.edgePart[edge].needed(planned.started[o], snapshot.points[below].step);
            into.add(new Wait(below, DemandList.ABSENT, planned.needs(o, network.operation(edge)), quantity));
        }
    }

    Wait ofOpen(int p, int i, List<Wait> into) {
        OpenSupply supply = plan.pegs().of(p).known.open[i];
        OpenOrder order = supply.order();
        boolean released = order.stage() == Stage.RELEASED;
        for (int below : supply.waitsAt()) {
            ofDocument(order, below, into, released ? snapshot.today : OpenOrder.NO_DAY);
        }
        if (order.kind() == Source.BUY) {
            // when it is there its supplier decides
            return null;
        }
        boolean started = released || order.startDay() == OpenOrder.NO_DAY;
        return largest(p, started ? snapshot.today : order.startDay(), order.dueDay(), into);
    }

    /** The demands of a document at a point. */
    void ofDocument(Object document, int p, List<Wait> into, int notBefore) {
        if (p < 0) {
            return;
        }
        if (plan.pegs().of(p) == null) {
            DocumentDemands own = snapshot.demands.get(p);
            for (int i = 0; i < own.size; i++) {
                if (own.document[i] == document) {
                    into.add(new Wait(p, DemandList.ABSENT, Math.max(own.ownDay[i], notBefore), own.quantity[i]));
                }
            }
            return;
        }
        DemandList demands = plan.pegs().of(p).demands;
        for (int d = 0; d < demands.size; d++) {
            if (demands.document(d) == document) {
                into.add(new Wait(p, d, Math.max(demands.ownDay[d], notBefore), demands.quantity[d]));
            }
        }
    }

    private Wait largest(int p, int start, int due, List<Wait> waits) {
        Delays slips = new Delays();
        slips.of(snapshot.points[p], snapshot.today, 1);
        slips.begin(0, p, start, due);
        Wait largest = null;
        for (Wait wait : waits) {
            int cause = wait.unmet() ? wait.point : possible.causeOfDemand(wait.point, wait.demand);
            if (slips.waitFor(0, snapshot.points[wait.point].item, wait.needed, day(wait), cause)) {
                largest = wait;
            }
        }
        return largest;
    }

    /** Of the parts of a customer order's line, the first by item of those that are possible last. */
    Wait latest(List<Wait> parts) {
        return Collections.max(
                parts,
                Comparator.<Wait>comparingInt(this::day).thenComparingInt(part -> -snapshot.points[part.point].item));
    }

    int day(Wait wait) {
        return wait.unmet() ? PossibleDates.NEVER : possible.ofDemand(wait.point, wait.demand);
    }

    static int lateness(int possibleDay, int needed) {
        return possibleDay == PossibleDates.NEVER ? PossibleDates.NEVER : possibleDay - needed;
    }
}
