package rescient.core.plan;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.stream.IntStream;
import rescient.core.base.Periods;
import rescient.core.base.Quantity;
import rescient.core.base.WorkCalendar;
import rescient.core.company.MadeFor;
import rescient.core.company.OpenOrder;
import rescient.core.company.PlanningRule;
import rescient.core.company.Source;
import rescient.core.dates.PossibleDates;
import rescient.core.netting.Dating;
import rescient.core.netting.DemandList;
import rescient.core.netting.OrderNeeds;
import rescient.core.netting.Pegging;
import rescient.core.netting.PlannedOrders;
import rescient.core.netting.PointPlan;
import rescient.core.netting.ReorderPoint;
import rescient.core.netting.Sizing;
import rescient.core.snapshot.DemandKind;
import rescient.core.snapshot.Network;
import rescient.core.snapshot.ReorderNeed;
import rescient.core.snapshot.Signal;
import rescient.core.snapshot.Snapshot;
import rescient.core.snapshot.StockPoint;

/** One stock point of a finished plan, in the planner's terms. */
public final class PointView {
    private final Plan plan;
    private final Snapshot snapshot;
    private final int p;
    private final StockPoint point;

    public PointView(Plan plan, int p) {
        this.plan = plan;
        this.snapshot = plan.snapshot;
        this.p = p;
        this.point = snapshot.points[p];
    }

    int number() {
        return p;
    }

    /** A phantom: what it needs is needed of its components, and it is never ordered. */
    public boolean passedThrough() {
        return point.phantom;
    }

    public String item() {
        return point.itemCode;
    }

    public String site() {
        return point.siteCode;
    }

    public Source source() {
        return point.source;
    }

    public PlanningRule rule() {
        return point.rule;
    }

    /** The chosen supplier of a bought point, or null. */
    public String supplier() {
        return point.supplier;
    }

    /** Sending site or subcontractor's premises, or null. */
    public String fromSite() {
        return point.fromSiteCode;
    }

    /** The plan that it is of. */
    public Plan plan() {
        return plan;
    }

    /** Millionths; so are the next two, {@link Quantity#NOT_SET} where not set. */
    public long safetyStock() {
        return point.safetyStock;
    }

    public long reorderPoint() {
        return point.reorderPoint;
    }

    public long orderUpTo() {
        return point.orderUpTo;
    }

    /** Working days from start to due, without what depends on the quantity. */
    public int leadTimeDays() {
        return point.leadTimeDays;
    }

    /** The first day on which an ordinary order of this size could be there. */
    public int earliestDue(long startQuantity) {
        return new Dating(point, snapshot.today).earliestDue(snapshot.today, startQuantity);
    }

    /** A day moved by as many working days of the site as lie between two others; never onto a day off. */
    public int movedLike(int day, int from, int to) {
        WorkCalendar calendar = point.siteCalendar;
        return to >= from
                ? calendar.forth(day, calendar.distance(from, to))
                : calendar.back(day, calendar.distance(to, from));
    }

    /** The day on which the plan counts an open order, or null if it is not there. */
    public Integer countedOn(String number, String line) {
        int i = open(number, line);
        return i < 0 ? null : (Integer) plan.plans.get(p).known.openDay[i];
    }

    /** The working day of the site that a wish for a day means: the day itself, or the one before; from today on, the next. */
    public int workingDay(int day) {
        int before = point.siteCalendar.back(day, 0);
        return before < snapshot.today ? point.siteCalendar.forth(Math.max(day, snapshot.today), 0) : before;
    }

    /** Working days from start to due date of an order that starts so much: by its routing, if it has one. */
    public int leadTimeDays(long startQuantity) {
        Dating dating = new Dating(point, snapshot.today);
        int due = dating.earliestDue(snapshot.today, startQuantity);
        return dating.workingDays(dating.start(due, startQuantity), due, startQuantity);
    }

    /** Whether operations say how long an order takes. */
    public boolean routed() {
        return point.routing != null;
    }

    /** On a loop, or below one: nothing was calculated. */
    public boolean planned() {
        return plan.plans.get(p) != null;
    }

    /** What cannot be calculated here, so that it and all below were left out of the plan; null if there is nothing. */
    public String unplannable() {
        return snapshot.whyUnplannable(p);
    }

    /** A row for today and for each day with an event; empty if it was not planned. */
    public List<Balance> balances() {
        return planned() ? Balances.of(snapshot, plan.plans.get(p)) : List.of();
    }

    /** The same rows as if none of the planned orders were made. */
    public List<Balance> balancesWithoutPlanned() {
        return planned() ? Balances.withoutPlanned(snapshot, plan.plans.get(p)) : List.of();
    }

    /** What its reorder point has to be; a point that is not planned by one, or not planned at all, has none. */
    public Optional<ReorderNeed> reorderNeed() {
        return planned() && point.byReorderPoint()
                ? ReorderPoint.need(snapshot, point, plan.plans.get(p).demands, point.safetyStock)
                : Optional.empty();
    }

    /** Its signals, those of its customer orders that are late or can never be met among them; by kind, order and date. */
    public List<Signal> signals() {
        return plan.signalsOf(p);
    }

    /** The time-phased record; a point that was not planned has none. */
    public Optional<PeriodRecord> record(Periods periods) {
        return planned() ? Optional.of(PeriodRecord.of(snapshot, plan.plans.get(p), periods)) : Optional.empty();
    }

    /** Where this point falls short; empty as {@link #record}. */
    public Optional<PeriodMarks> marks(Periods periods) {
        return record(periods).map(record -> PeriodMarks.of(this, record, periods));
    }

    /** The low-level code: 0 for what nothing else needs. */
    public int level() {
        return snapshot.network.levelOf(p);
    }

    /** The stock points that this one sends demand to, each once, in the order of its bill of materials. */
    public List<PointView> components() {
        return IntStream.range(snapshot.network.edgeStart[p], snapshot.network.edgeStart[p + 1])
                .map(e -> snapshot.network.edgeTo[e])
                .distinct()
                .mapToObj(below -> new PointView(plan, below))
                .toList();
    }

    /** The shortest way down from this point back to itself, without itself at its end; empty if it lies on no loop. */
    public List<PointView> loop() {
        return snapshot.network.wayBackTo(p).stream()
                .map(at -> new PointView(plan, at))
                .toList();
    }

    /** A started quantity in the unit it is bought in, in millionths of that unit. */
    public long inPurchaseUnits(long startQuantity) {
        return point.toOrderUnit.up(startQuantity, point.orderStep);
    }

    /** How many planned orders there are. */
    public int plannedOrderCount() {
        return planned() ? plan.plans.get(p).planned.size : 0;
    }

    /** Planned orders in the order they were made. */
    public List<PlannedOrder> plannedOrders() {
        List<PlannedOrder> orders = new ArrayList<>();
        for (int o = 0; o < plannedOrderCount(); o++) {
            orders.add(plannedOrder(o));
        }
        return orders;
    }

    /** The first planned order that is due on a day with a good quantity in millionths. */
    public Optional<PlannedOrder> plannedOrder(int due, long good) {
        for (int o = 0; o < plannedOrderCount(); o++) {
            PlannedOrders planned = plan.plans.get(p).planned;
            if (planned.due[o] == due && planned.good[o] == good) {
                return Optional.of(plannedOrder(o));
            }
        }
        return Optional.empty();
    }

    /** Demands in the order they are taken in turn. */
    public List<Demand> demands() {
        List<Demand> demands = new ArrayList<>();
        for (int d = 0; planned() && d < plan.plans.get(p).demands.size; d++) {
            demands.add(demand(d));
        }
        return demands;
    }

    /** Stock, open orders, then planned orders. */
    public List<Supply> supplies() {
        List<Supply> supplies = new ArrayList<>();
        if (planned()) {
            for (int i = 0; i < plan.plans.get(p).known.lot.length; i++) {
                supplies.add(supply(Pegging.SupplyKind.STOCK, i));
            }
            for (int i = 0; i < plan.plans.get(p).known.open.length; i++) {
                supplies.add(supply(Pegging.SupplyKind.OPEN, i));
            }
            for (int o = 0; o < plan.plans.get(p).planned.size; o++) {
                supplies.add(supply(Pegging.SupplyKind.PLANNED, o));
            }
        }
        return supplies;
    }

    /** Which supply serves which demand, demand by demand. */
    public List<Peg> pegs() {
        List<Peg> pegs = new ArrayList<>();
        Pegging pegging = planned() ? Pegging.of(plan.plans.get(p)) : null;
        for (int d = 0; planned() && d < plan.plans.get(p).demands.size; d++) {
            Demand demand = demand(d);
            for (int i = pegging.start[d]; i < pegging.start[d + 1]; i++) {
                pegs.add(new Peg(supply(pegging.kind(i), pegging.supply(i)), demand, pegging.quantity[i]));
            }
        }
        return pegs;
    }

    /** What a planned order of this point serves. */
    public List<Peg> serves(int sequence) {
        return pegs().stream()
                .filter(peg -> peg.supply().sequence() == sequence)
                .toList();
    }

    /** What a planned order of this point needs: the demands it raises at other stock points. */
    public List<Demand> needs(int sequence) {
        List<Demand> needs = new ArrayList<>();
        Network network = snapshot.network;
        for (int e = network.edgeStart[p]; e < network.edgeStart[p + 1]; e++) {
            PointPlan below = plan.plans.get(network.edgeTo[e]);
            int d = below == null ? DemandList.ABSENT : below.demands.raisedBy(network.edgeSlot[e], sequence);
            if (d != DemandList.ABSENT) {
                needs.add(new PointView(plan, network.edgeTo[e]).demand(d));
            }
        }
        return needs;
    }

    /** The day an open order of this point can really be there, or null if it never can or is not there. */
    public Integer possibleDay(String number, String line) {
        int i = open(number, line);
        int possible = i < 0 ? PossibleDates.NEVER : plan.possible.ofOpen(p, i);
        return possible == PossibleDates.NEVER ? null : (Integer) possible;
    }

    /** The place of an open order among those of this point, or -1 if it is not there. */
    private int open(String number, String line) {
        for (int i = 0; planned() && i < plan.plans.get(p).known.open.length; i++) {
            OpenOrder order = plan.plans.get(p).known.open[i].order();
            if (order.number().equals(number) && order.line().equals(line)) {
                return i;
            }
        }
        return -1;
    }

    /** A good quantity raised and rounded as the modifiers of this point ask, in one order. */
    public long sized(long good) {
        Sizing.Part part = new Sizing(point).whole(good);
        return part == null ? good : part.good();
    }

    /** Where a planned order's quantity comes from, term by term. */
    public Why whyQuantity(int sequence) {
        return Why.quantity(this, plan.plans.get(p), needs(), point, sequence);
    }

    /** Where a planned order's start and due dates come from. */
    public Why whyDates(int sequence) {
        return Why.dates(plan.plans.get(p), needs(), point, snapshot.today, sequence);
    }

    /** Where the day comes from on which a planned order can really be there. */
    public Why whyPossible(int sequence) {
        return WhyPossible.planned(plan, p, sequence);
    }

    /** The same of an open order of this point; empty if it is not there. */
    public Optional<Why> whyPossible(String number, String line) {
        int i = open(number, line);
        return i < 0 ? Optional.empty() : Optional.of(WhyPossible.open(plan, p, i));
    }

    /** Where the balance at the end of a day comes from. */
    public Why whyBalance(int day) {
        return Why.balance(this, plan.plans.get(p), day);
    }

    /** What each planned order was made for, found by walking through the days of this point once more. */
    private OrderNeeds needs() {
        return PointPlan.needs(snapshot, plan.plans.get(p).demands, plan.options);
    }

    /** How many planned orders before one are due on its day with its quantity. */
    public int alikeBefore(int sequence) {
        PlannedOrders planned = plan.plans.get(p).planned;
        int alike = 0;
        for (int o = 0; o < sequence; o++) {
            alike += planned.due[o] == planned.due[sequence] && planned.good[o] == planned.good[sequence] ? 1 : 0;
        }
        return alike;
    }

    /** One of {@link #plannedOrders()}. */
    public PlannedOrder plannedOrder(int o) {
        PlannedOrders planned = plan.plans.get(p).planned;
        int possible = plan.possible.ofPlanned(p, o);
        Demand.RaisedBy served = planned.forDemand(o) < 0 ? null : Demand.RaisedBy.of(plan, p, planned.forDemand(o));
        return new PlannedOrder(
                point.itemCode,
                point.siteCode,
                o,
                point.source,
                point.supplier,
                point.fromSiteCode,
                planned.good[o],
                planned.started[o],
                planned.start[o],
                planned.due[o],
                possible == PossibleDates.NEVER ? null : possible,
                served == null ? null : served.number(),
                served == null ? null : served.line());
    }

    /** The customer order line that a planned order is for alone; none: for others too, or for what another order needs. */
    public Optional<MadeFor> madeFor(int o) {
        int d = plan.plans.get(p).planned.forDemand(o);
        return d < 0 || demand(d).kind() != DemandKind.CUSTOMER_ORDER
                ? Optional.empty()
                : Optional.of(new MadeFor(demand(d).number(), demand(d).line()));
    }

    Demand demand(int d) {
        return Demand.of(plan, p, d);
    }

    private Supply supply(Pegging.SupplyKind kind, int i) {
        return Supply.of(plan, p, kind, i);
    }
}
