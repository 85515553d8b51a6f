package rescient.core.trace;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import rescient.core.company.CustomerOrderLine;
import rescient.core.company.OpenOrder;
import rescient.core.dates.PossibleDates;
import rescient.core.netting.Pegging;
import rescient.core.netting.PlannedOrders;
import rescient.core.netting.PointPlan;
import rescient.core.plan.Plan;
import rescient.core.snapshot.Kits;
import rescient.core.snapshot.Snapshot;

/** Follows the pegs of a plan down from what a {@link PlanThread} is asked for. */
final class PegTree {
    private final Plan plan;
    private final Snapshot snapshot;
    private final PossibleDates possible;
    private final Waits waiting;
    private final ThreadBars bars = new ThreadBars();
    /** Where each order stands, by its point and its place among the supplies there. */
    private final Map<PegsUpward.Order, Integer> shown = new HashMap<>();

    private final Map<Integer, Pegging> pegs = new HashMap<>();
    /** If only one order, what waits for it and what it waits for are asked for. */
    private PegsUpward ways;

    private PegsUpward.Order asked;
    /** Whether what is followed stands under the order that was asked for. */
    private boolean under;

    PegTree(Plan plan) {
        this.plan = plan;
        this.snapshot = plan.snapshot();
        this.possible = plan.pegs().possible();
        this.waiting = new Waits(plan);
    }

    // ---- what it is asked for

    void customerOrder(CustomerOrderLine line) {
        List<Waits.Wait> parts = new ArrayList<>();
        for (Kits.Part part : snapshot.documents.parts(line.item())) {
            int p = snapshot.pointOf(part.component(), line.site());
            waiting.ofDocument(line, p, parts, OpenOrder.NO_DAY);
        }
        if (parts.isEmpty()) {
            return;
        }
        Waits.Wait decides = waiting.latest(parts);
        ThreadBars.Bar bar = new ThreadBars.Bar();
        bar.kind = PlanThread.Kind.CUSTOMER_ORDER;
        bar.point = snapshot.points[decides.point()];
        bar.number = line.number();
        bar.line = line.line();
        bar.quantity = line.quantity();
        bar.pegged = line.quantity();
        bar.due = line.dueDay();
        bar.needed = line.dueDay();
        bar.possible = waiting.day(decides);
        bar.lateness = Waits.lateness(bar.possible, bar.needed);
        int at = bars.add(bar);
        follow(parts, decides, at, 1, true);
    }

    void point(int p) {
        PointPlan here = p < 0 ? null : plan.pegs().of(p);
        if (here == null) {
            return;
        }
        record Order(Pegging.SupplyKind kind, int index, int due) {}
        List<Order> orders = new ArrayList<>();
        for (int i = 0; i < here.known.open.length; i++) {
            orders.add(new Order(Pegging.SupplyKind.OPEN, i, here.known.openDay[i]));
        }
        for (int o = 0; o < here.planned.size; o++) {
            orders.add(new Order(Pegging.SupplyKind.PLANNED, o, here.planned.due[o]));
        }
        orders.sort(Comparator.comparingInt(Order::due));
        orders.forEach(order -> first(p, order.kind, order.index));
    }

    void planned(int p, int sequence) {
        whole(new PegsUpward.Order(p, Pegging.SupplyKind.PLANNED, sequence));
    }

    void open(OpenOrder order) {
        int p = snapshot.pointOf(order.item(), order.site());
        PointPlan here = plan.pegs().of(p);
        for (int i = 0; here != null && i < here.known.open.length; i++) {
            if (here.known.open[i].order() == order) {
                whole(new PegsUpward.Order(p, Pegging.SupplyKind.OPEN, i));
            }
        }
    }

    /** Everything above an order, down to it, and all below it. */
    private void whole(PegsUpward.Order order) {
        asked = order;
        ways = new PegsUpward(plan, order, new HashMap<>());
        ways.customerOrders().forEach(this::customerOrder);
        ways.tops().forEach(top -> first(top.point(), top.kind(), top.index()));
        // where open orders wait for each other in a circle, nothing may be above it
        if (!shown.containsKey(order)) {
            first(order.point(), order.kind(), order.index());
        }
    }

    private void first(int p, Pegging.SupplyKind kind, int index) {
        int due = kind == Pegging.SupplyKind.OPEN
                ? plan.pegs().of(p).known.open[index].order().dueDay()
                : plan.pegs().of(p).planned.due[index];
        long quantity = kind == Pegging.SupplyKind.OPEN
                ? plan.pegs().of(p).known.openQuantity[index]
                : plan.pegs().of(p).planned.good[index];
        int day = kind == Pegging.SupplyKind.OPEN ? possible.ofOpen(p, index) : possible.ofPlanned(p, index);
        order(p, kind, index, quantity, due, Waits.lateness(day, due), -1, 0, false);
    }

    // ---- down the pegs

    /** @param decides what they wait for decides when the bar above can be, if it decides when they can be */
    private void follow(List<Waits.Wait> waits, Waits.Wait largest, int above, int depth, boolean decides) {
        if (largest != null) {
            demand(largest, above, depth, decides);
        }
        for (Waits.Wait wait : waits) {
            if (wait != largest) {
                demand(wait, above, depth, false);
            }
        }
    }

    private void demand(Waits.Wait wait, int above, int depth, boolean decides) {
        if (bars.full()) {
            return;
        }
        if (wait.unmet()) {
            rest(PlanThread.Kind.MISSING, wait, wait.quantity(), above, depth, decides, PossibleDates.NEVER);
            return;
        }
        int p = wait.point();
        Pegging pegs = pegs(p);
        int lateness = Waits.lateness(possible.ofDemand(p, wait.demand()), wait.needed());
        int last = -1;
        int latest = Integer.MIN_VALUE;
        long stock = 0;
        long served = 0;
        for (int i = pegs.start[wait.demand()]; i < pegs.start[wait.demand() + 1]; i++) {
            int day = day(p, pegs.kind(i), pegs.supply(i));
            if (day > latest) {
                latest = day;
                last = i;
            }
            served += pegs.quantity[i];
            stock += pegs.kind(i) == Pegging.SupplyKind.STOCK ? pegs.quantity[i] : 0;
        }
        long missing = wait.quantity() - served;
        if (missing > 0) {
            rest(PlanThread.Kind.MISSING, wait, missing, above, depth, decides, lateness);
        }
        boolean lastDecides = decides && missing == 0;
        if (last >= 0 && pegs.kind(last) != Pegging.SupplyKind.STOCK) {
            peg(wait, last, lateness, above, depth, lastDecides);
        }
        for (int i = pegs.start[wait.demand()]; i < pegs.start[wait.demand() + 1]; i++) {
            if (i != last && pegs.kind(i) != Pegging.SupplyKind.STOCK) {
                peg(wait, i, lateness, above, depth, false);
            }
        }
        if (stock > 0) {
            boolean stockDecides = lastDecides && last >= 0 && pegs.kind(last) == Pegging.SupplyKind.STOCK;
            rest(PlanThread.Kind.STOCK, wait, stock, above, depth, stockDecides, lateness);
        }
    }

    private void peg(Waits.Wait wait, int peg, int lateness, int above, int depth, boolean decides) {
        Pegging pegs = pegs(wait.point());
        order(
                wait.point(),
                pegs.kind(peg),
                pegs.supply(peg),
                pegs.quantity[peg],
                wait.needed(),
                lateness,
                above,
                depth,
                decides);
    }

    private Pegging pegs(int p) {
        return pegs.computeIfAbsent(p, point -> Pegging.of(plan.pegs().of(point)));
    }

    private int day(int p, Pegging.SupplyKind kind, int index) {
        return switch (kind) {
            case STOCK -> snapshot.today;
            case OPEN -> possible.ofOpen(p, index);
            case PLANNED -> possible.ofPlanned(p, index);
        };
    }

    /** What is used of stock, or has no supply at all. */
    private void rest(
            PlanThread.Kind kind, Waits.Wait wait, long quantity, int above, int depth, boolean decides, int lateness) {
        if (ways != null && !under) {
            passBy(above, decides, lateness);
            return;
        }
        ThreadBars.Bar bar = new ThreadBars.Bar();
        bar.kind = kind;
        bar.point = snapshot.points[wait.point()];
        bar.quantity = quantity;
        bar.pegged = quantity;
        bar.due = kind == PlanThread.Kind.STOCK ? snapshot.today : wait.needed();
        bar.possible = kind == PlanThread.Kind.STOCK ? snapshot.today : PossibleDates.NEVER;
        bar.needed = wait.needed();
        bar.depth = depth;
        bar.above = above;
        if (decides) {
            bar.decides.put(above, lateness);
        }
        bars.add(bar);
    }

    private void order(
            int p,
            Pegging.SupplyKind kind,
            int index,
            long pegged,
            int needed,
            int lateness,
            int above,
            int depth,
            boolean decides) {
        PegsUpward.Order key = new PegsUpward.Order(p, kind, index);
        if (ways != null && !under && !ways.lead(key)) {
            passBy(above, decides, lateness);
            return;
        }
        boolean underBefore = under;
        under |= key.equals(asked);
        List<Waits.Wait> waits = new ArrayList<>();
        boolean planned = kind == Pegging.SupplyKind.PLANNED;
        Waits.Wait largest = planned ? waiting.ofPlanned(p, index, waits) : waiting.ofOpen(p, index, waits);
        if (planned && snapshot.points[p].phantom) {
            // passed through: its components are those of what stands above
            follow(waits, largest, above, depth, decides);
            under = underBefore;
            return;
        }
        Integer known = shown.get(key);
        if (known != null) {
            under = underBefore;
            if (above < 0) {
                return;
            }
            bars.get(known).alsoFor.add(above);
            // open orders may wait for each other in a circle: met again, it decides nothing
            if (decides && !bars.standsAbove(known, above)) {
                bars.get(known).decides.put(above, lateness);
            }
            return;
        }
        ThreadBars.Bar bar = planned ? plannedBar(p, index) : openBar(p, index);
        bar.pegged = pegged;
        bar.needed = needed;
        bar.lateness = lateness;
        bar.above = above;
        bar.depth = depth;
        if (decides) {
            bar.decides.put(above, lateness);
        }
        int at = bars.add(bar);
        if (at >= 0) {
            shown.put(key, at);
            follow(waits, largest, at, depth + 1, true);
        }
        under = underBefore;
    }

    /** What does not lead to the order that was asked for is not shown, even if it decides. */
    private void passBy(int above, boolean decides, int lateness) {
        if (decides && above >= 0) {
            bars.get(above).decidedElsewhere = lateness;
        }
    }

    private ThreadBars.Bar plannedBar(int p, int o) {
        PlannedOrders planned = plan.pegs().of(p).planned;
        ThreadBars.Bar bar = new ThreadBars.Bar();
        bar.kind = PlanThread.Kind.PLANNED;
        bar.point = snapshot.points[p];
        bar.source = bar.point.source;
        bar.sequence = o;
        bar.quantity = planned.good[o];
        bar.start = planned.start[o];
        bar.due = planned.due[o];
        bar.possible = possible.ofPlanned(p, o);
        return bar;
    }

    private ThreadBars.Bar openBar(int p, int i) {
        OpenOrder order = plan.pegs().of(p).known.open[i].order();
        ThreadBars.Bar bar = new ThreadBars.Bar();
        bar.kind = PlanThread.Kind.OPEN;
        bar.point = snapshot.points[p];
        bar.source = order.kind();
        bar.number = order.number();
        bar.line = order.line();
        bar.quantity = order.quantity();
        bar.start = order.startDay();
        bar.due = order.dueDay();
        bar.possible = possible.ofOpen(p, i);
        return bar;
    }

    PlanThread thread() {
        return bars.thread();
    }
}
