package rescient.core.plan;

import java.util.ArrayList;
import java.util.List;
import java.util.Objects;
import rescient.core.base.Quantity;
import rescient.core.company.OpenOrder;
import rescient.core.company.Source;
import rescient.core.company.Stage;
import rescient.core.dates.Delays;
import rescient.core.dates.PossibleDates;
import rescient.core.netting.Dating;
import rescient.core.netting.PlannedOrders;
import rescient.core.snapshot.DemandKind;
import rescient.core.snapshot.Network;
import rescient.core.snapshot.OpenSupply;
import rescient.core.snapshot.StockPoint;

/** The derivation of the day on which an order can really be there, from the figures the calculation used (section 9). */
final class WhyPossible {
    private final Plan plan;
    private final StockPoint point;
    private final int today;
    private final List<Why.Term> terms = new ArrayList<>();
    private int largest;

    private WhyPossible(Plan plan, int p, int due) {
        this.plan = plan;
        this.point = plan.snapshot.points[p];
        this.today = plan.snapshot.today;
        term(Why.Kind.DUE, due, -1, null);
    }

    static Why planned(Plan plan, int p, int sequence) {
        PlannedOrders planned = plan.plans.get(p).planned;
        int possible = plan.possible.ofPlanned(p, sequence);
        WhyPossible why = new WhyPossible(plan, p, planned.due[sequence]);
        if (why.point.source == Source.BUY) {
            why.orderedToday(planned.due[sequence], planned.started[sequence], possible, true);
        } else {
            why.start(planned.start[sequence]);
            new PointView(plan, p).needs(sequence).forEach(need -> why.waitFor(need, need.dueDay()));
            Network network = plan.snapshot.network;
            for (int e = network.edgeStart[p]; e < network.edgeStart[p + 1]; e++) {
                if (plan.plans.get(network.edgeTo[e]) == null && planned.asks(plan.snapshot, e, sequence)) {
                    why.waitForNothing(network.edgeTo[e], planned.start[sequence]);
                }
            }
        }
        return why.possible(planned.due[sequence], possible);
    }

    static Why open(Plan plan, int p, int i) {
        OpenSupply supply = plan.plans.get(p).known.open[i];
        OpenOrder order = supply.order();
        boolean released = order.stage() == Stage.RELEASED;
        int possible = plan.possible.ofOpen(p, i);
        WhyPossible why = new WhyPossible(plan, p, order.dueDay());
        if (order.kind() == Source.BUY && !released) {
            boolean ownTerms = Objects.equals(order.supplier(), why.point.supplier);
            why.orderedToday(order.dueDay(), order.startQuantity(), possible, ownTerms);
        } else if (order.kind() != Source.BUY) {
            why.start(released || order.startDay() == OpenOrder.NO_DAY ? why.today : order.startDay());
            for (int below : supply.waitsAt()) {
                why.waitAt(below, supply, released);
            }
        }
        return why.possible(order.dueDay(), possible);
    }

    /** What nobody has promised yet comes after its lead time. */
    private void orderedToday(int due, long started, int possible, boolean ownTerms) {
        if (possible > due && possible != PossibleDates.NEVER) {
            term(Why.Kind.ORDERED_TODAY, today, -1, null);
            if (ownTerms) {
                int days = new Dating(point, today).workingDays(today, possible, started);
                term(Why.Kind.LEAD_TIME, OpenOrder.NO_DAY, days, null);
            }
        }
    }

    private void start(int start) {
        if (start < today) {
            slip(Why.Kind.STARTS_LATE, start, start, today, null);
        }
    }

    /** For what an open order still asks for at another point. */
    private void waitAt(int below, OpenSupply supply, boolean released) {
        if (plan.plans.get(below) == null) {
            waitForNothing(below, supply.order().dueDay());
            return;
        }
        for (Demand need : new PointView(plan, below).demands()) {
            if (need.ofPlannedOrder() == null
                    && need.kind() != DemandKind.CUSTOMER_ORDER
                    && need.number().equals(supply.number())
                    && need.line().equals(supply.line())) {
                waitFor(need, released ? Math.max(need.dueDay(), today) : need.dueDay());
            }
        }
    }

    private void waitFor(Demand need, int needed) {
        if (need.possibleDay() == null) {
            largest = PossibleDates.NEVER;
            term(Why.Kind.WAITS_FOR, OpenOrder.NO_DAY, -1, need);
        } else if (need.possibleDay() > needed) {
            slip(Why.Kind.WAITS_FOR, need.possibleDay(), needed, need.possibleDay(), need);
        }
    }

    /** A point on a loop, below one, or left out: nothing was calculated for it, so it has no demands. */
    private void waitForNothing(int below, int day) {
        StockPoint of = plan.snapshot.points[below];
        waitFor(new Demand(of.itemCode, of.siteCode, DemandKind.COMPONENT, "", "", 0, day, day, null, null), day);
    }

    private void slip(Why.Kind kind, int day, int from, int to, Demand need) {
        int days = Delays.between(point, from, to);
        largest = Math.max(largest, days);
        term(kind, day, days, need);
    }

    private Why possible(int due, int possible) {
        if (largest > 0 && largest != PossibleDates.NEVER) {
            term(Why.Kind.MOVED_ON, OpenOrder.NO_DAY, largest, null);
        }
        if (due < today && possible == today) {
            term(Why.Kind.NOT_BEFORE_TODAY, today, -1, null);
        }
        term(Why.Kind.POSSIBLE, possible == PossibleDates.NEVER ? OpenOrder.NO_DAY : possible, -1, null);
        return new Why(List.copyOf(terms));
    }

    private void term(Why.Kind kind, int day, int days, Demand need) {
        terms.add(new Why.Term(kind, Quantity.NOT_SET, day, days, need, null));
    }
}
