package rescient.core.dates;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.HashMap;
import java.util.List;
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
 * Possible dates where open orders wait for each other in a circle: each is worked out as soon as another asks for it. Seen
 * from any order or demand, an order that is met again on the way down counts with its own date; what was found on the way
 * of one is therefore not taken for what another on the same circle finds, whichever comes first.
 *
 * <p>The orders of a circle are known when the first that was met again has been worked out (strongly connected components:
 * Tarjan, Depth-first search and linear graph algorithms, 1972). What lies below an order is looked at once for each way
 * that leads to it over other orders of its circle.
 */
final class DatesOnDemand {
    /** No order was met again. */
    private static final int NO_HIT = Integer.MAX_VALUE;

    /** Belongs to no circle and waits for none; {@link #SEVERAL}: for more than one. */
    private static final int NO_CIRCLE = -1;

    private static final int SEVERAL = -2;

    private final Snapshot snapshot;
    private final ChunkedList<PointPlan> plans;
    private final ChunkedList<PointDates> dates;
    private final Pegging[] pegs;
    /** For each point, where the demand of each cell stands in turn. */
    private final int[][] places;
    /** For each point, which circle each of its dates waits for; null: none of them does. */
    private final int[][] circles;
    /** Open orders being worked out, each with its depth. */
    private final Map<OpenOrder, Integer> underWay = new HashMap<>();
    /** What was found on the way of the order that is being worked out, of no use to any other. */
    private Map<Long, Found> onTheWay = new HashMap<>();
    /** Orders looked at of which it is not known yet whether they are on a circle. */
    private final List<OpenOrder> undecided = new ArrayList<>();

    private final Map<OpenOrder, Integer> circleOf = new HashMap<>();
    private int circlesFound;
    /** How many orders of each circle are being worked out. */
    private int[] circlesUnderWay = new int[8];

    /**
     * What was found of one demand or order.
     *
     * @param metAgain the smallest depth of an order that was met again on the way; {@link #NO_HIT}: none, so it holds
     *     whoever asks
     * @param circle which circle it waits for
     */
    private record Found(int day, int cause, int metAgain, int circle) {}

    /** Puts together what several say. */
    private static final class Sum {
        private int metAgain = NO_HIT;
        private int circle = NO_CIRCLE;

        void add(Found found) {
            metAgain = Math.min(metAgain, found.metAgain);
            if (circle == NO_CIRCLE) {
                circle = found.circle;
            } else if (found.circle != NO_CIRCLE && found.circle != circle) {
                circle = SEVERAL;
            }
        }

        Found found(int day, int cause) {
            return new Found(day, cause, metAgain, circle);
        }
    }

    DatesOnDemand(Snapshot snapshot, ChunkedList<PointPlan> plans, ChunkedList<PointDates> dates) {
        this.snapshot = snapshot;
        this.plans = plans;
        this.dates = dates;
        this.pegs = new Pegging[plans.size()];
        this.places = new int[plans.size()][];
        this.circles = new int[plans.size()][];
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

    /** What is known already, of whoever asks or on this way; null if nothing is. */
    private Found known(int p, int at) {
        PointDates own = at(p);
        if (own.day[at] != PointDates.UNKNOWN) {
            int circle = circles[p] == null ? NO_CIRCLE : circles[p][at];
            if (!isUnderWay(circle)) {
                return new Found(own.day[at], own.cause[at], NO_HIT, circle);
            }
        }
        return onTheWay.get(key(p, at));
    }

    private boolean isUnderWay(int circle) {
        return circle == SEVERAL
                ? Arrays.stream(circlesUnderWay).anyMatch(orders -> orders > 0)
                : circle != NO_CIRCLE && circlesUnderWay[circle] > 0;
    }

    private static long key(int p, int at) {
        return (long) p << Integer.SIZE | at;
    }

    /** Keeps what was found: for everybody if it holds for everybody, else for this way. */
    private Found keep(int p, int at, Found found) {
        if (found.metAgain != NO_HIT || isUnderWay(found.circle)) {
            onTheWay.put(key(p, at), found);
            return found;
        }
        PointDates own = dates.get(p);
        own.day[at] = found.day;
        own.cause[at] = found.cause;
        if (found.circle != NO_CIRCLE) {
            if (circles[p] == null) {
                circles[p] = new int[own.day.length];
                Arrays.fill(circles[p], NO_CIRCLE);
            }
            circles[p][at] = found.circle;
        }
        return found;
    }

    private Found demand(int p, int d) {
        DemandList demands = plans.get(p).demands;
        int cell = demands.cell[d];
        Found known = known(p, cell);
        if (known != null) {
            return known;
        }
        Sum sum = new Sum();
        int latest = PointDates.UNKNOWN;
        int cause = p;
        for (int i = pegs[p].start[d]; i < pegs[p].start[d + 1]; i++) {
            int s = pegs[p].supply(i);
            Found supply = switch (pegs[p].kind(i)) {
                case STOCK -> new Found(snapshot.today, p, NO_HIT, NO_CIRCLE);
                case OPEN -> open(p, s);
                case PLANNED -> planned(p, s);
            };
            sum.add(supply);
            if (supply.day > latest) {
                latest = supply.day;
                cause = supply.cause;
            }
        }
        if (pegs[p].served(d) < demands.quantity[d]) {
            latest = PossibleDates.NEVER;
            cause = p;
        }
        return keep(p, cell, sum.found(Math.max(latest, demands.ownDay[d]), cause));
    }

    private Found planned(int p, int o) {
        int at = at(p).firstPlanned + o;
        Found known = known(p, at);
        if (known != null) {
            return known;
        }
        StockPoint point = snapshot.points[p];
        PlannedOrders planned = plans.get(p).planned;
        Sum sum = new Sum();
        if (point.source == Source.BUY && !point.phantom) {
            return keep(p, at, sum.found(new Dating(point, snapshot.today).possibleIfBought(planned, o), p));
        }
        Delays slips = new Delays();
        slips.of(point, snapshot.today, 1);
        slips.begin(0, p, planned.start[o], planned.due[o]);
        Network network = snapshot.network;
        for (int e = network.edgeStart[p]; e < network.edgeStart[p + 1]; e++) {
            int below = network.edgeTo[e];
            if (plans.get(below) != null) {
                int cell = plans.get(below).demands.cellStart[network.edgeSlot[e]] + o;
                waitFor(slips, sum, below, cell, PointDates.UNKNOWN);
            } else if (planned.asks(snapshot, e, o)) {
                slips.waitFor(0, snapshot.points[below].item, planned.start[o], PossibleDates.NEVER, below);
            }
        }
        return keep(p, at, sum.found(slips.movedOn(0), slips.cause[0]));
    }

    private void waitFor(Delays slips, Sum sum, int p, int cell, int neverBefore) {
        at(p);
        int d = places[p][cell];
        if (d != DemandList.ABSENT) {
            int needed = Math.max(plans.get(p).demands.ownDay[d], neverBefore);
            Found found = demand(p, d);
            sum.add(found);
            slips.waitFor(0, snapshot.points[p].item, needed, found.day, found.cause);
        }
    }

    private Found open(int p, int i) {
        int at = at(p).firstOpen + i;
        OpenSupply supply = plans.get(p).known.open[i];
        OpenOrder order = supply.order();
        Integer depth = underWay.get(order);
        if (depth != null) {
            return new Found(
                    Math.max(order.dueDay(), snapshot.today), p, depth, circleOf.getOrDefault(order, NO_CIRCLE));
        }
        Found known = known(p, at);
        if (known != null) {
            return known;
        }
        if (order.kind() == Source.BUY) {
            return keep(p, at, new Found(snapshot.possibleIfBought(order), p, NO_HIT, NO_CIRCLE));
        }
        int ownDepth = underWay.size();
        int firstUndecided = undecided.size();
        Map<Long, Found> outer = onTheWay;
        begin(order, ownDepth);
        Found found = below(p, supply);
        end(order, outer);
        if (found.metAgain < ownDepth) {
            return keep(p, at, found);
        }
        int circle = found.circle;
        if (found.metAgain == ownDepth && !circleOf.containsKey(order)) {
            circle = closed(firstUndecided);
        } else {
            undecided.subList(firstUndecided, undecided.size()).clear();
        }
        return keep(p, at, new Found(found.day, found.cause, NO_HIT, circle));
    }

    private void begin(OpenOrder order, int depth) {
        underWay.put(order, depth);
        onTheWay = new HashMap<>();
        Integer circle = circleOf.get(order);
        if (circle != null) {
            circlesUnderWay[circle]++;
        } else if (!undecided.contains(order)) {
            undecided.add(order);
        }
    }

    private void end(OpenOrder order, Map<Long, Found> outer) {
        onTheWay = outer;
        Integer circle = circleOf.get(order);
        if (circle != null) {
            circlesUnderWay[circle]--;
        }
        underWay.remove(order);
    }

    /** All that were looked at since then and of which nothing was known are on one circle. */
    private int closed(int firstUndecided) {
        int circle = circlesFound++;
        if (circle == circlesUnderWay.length) {
            circlesUnderWay = Arrays.copyOf(circlesUnderWay, circle * 2);
        }
        List<OpenOrder> members = undecided.subList(firstUndecided, undecided.size());
        members.forEach(member -> circleOf.put(member, circle));
        members.clear();
        return circle;
    }

    /** When an open order can be there by what it still has to be given. */
    private Found below(int p, OpenSupply supply) {
        OpenOrder order = supply.order();
        Sum sum = new Sum();
        Delays slips = new Delays();
        slips.ofOpen(snapshot.points[p], snapshot.today, p, order);
        int ownDay = Math.max(order.dueDay(), snapshot.today);
        int neverBefore = order.stage() == Stage.RELEASED ? snapshot.today : PointDates.UNKNOWN;
        for (int below : supply.waitsAt()) {
            DocumentDemands documents = snapshot.demands.get(below);
            int first = documents.firstOf(supply.number(), supply.line());
            for (int k = first; k < documents.size && documents.document[k] == order; k++) {
                if (plans.get(below) != null) {
                    waitFor(slips, sum, below, plans.get(below).demands.firstDocument() + k, neverBefore);
                } else {
                    slips.waitFor(0, snapshot.points[below].item, ownDay, PossibleDates.NEVER, below);
                }
            }
        }
        return sum.found(slips.movedOn(0), slips.cause[0]);
    }
}
