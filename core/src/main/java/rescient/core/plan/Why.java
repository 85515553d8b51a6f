package rescient.core.plan;

import java.util.ArrayList;
import java.util.List;
import rescient.core.base.Quantity;
import rescient.core.base.Ratio;
import rescient.core.company.OpenOrder;
import rescient.core.company.PlanningRule;
import rescient.core.netting.Dating;
import rescient.core.netting.OrderNeeds;
import rescient.core.netting.PlannedOrders;
import rescient.core.netting.PointPlan;
import rescient.core.netting.Sizing;
import rescient.core.snapshot.StockPoint;

/**
 * The derivation of one number: terms that add up to subtotals and to the result, from the figures the calculation
 * used. The interface words them.
 *
 * @param terms in reading order
 */
public record Why(List<Term> terms) {

    /** What a term is; the quantities of {@link #adds} terms sum up to the next subtotal. */
    public enum Kind {
        ON_HAND(true),
        OPEN_ORDER(true),
        PLANNED_ORDER(true),
        EXPIRY(true),
        DEMAND(true),
        /** Subtotal: the end-of-day balance, with the planned orders made before. */
        WOULD_BE_LEFT(false),
        /** Subtotal: the balance at the end of the day. */
        BALANCE(false),
        SAFETY_STOCK(false),
        OPEN_ORDER_LATER(true),
        /** Subtotal: what would be left, and everything due later. */
        POSITION(false),
        REORDER_POINT(false),
        ORDER_UP_TO(false),
        FIXED_QUANTITY(false),
        /** The largest shortage within the period that starts on the day of need. */
        PERIOD(false),
        /** The part of one demand that nothing else covers. */
        FOR_DEMAND(false),
        WANTED(false),
        YIELD(false),
        MINIMUM(false),
        MULTIPLE(false),
        PURCHASE_UNIT(false),
        MAXIMUM(false),
        /** What is started, before yield. */
        STARTED(false),
        TO_ORDER(false),
        NEED_DAY(false),
        SAFETY_TIME(false),
        EARLIEST(false),
        FENCE(false),
        DUE(false),
        LEAD_TIME(false),
        START(false),
        /** Of a possible date: nobody has promised it yet. */
        ORDERED_TODAY(false),
        /** Of a possible date: the order should have started on a day before today. */
        STARTS_LATE(false),
        /** Of a possible date: what it needs comes later than it is needed. */
        WAITS_FOR(false),
        /** Of a possible date: the largest of these. */
        MOVED_ON(false),
        /** Of a possible date: it is overdue. */
        NOT_BEFORE_TODAY(false),
        POSSIBLE(false);

        private final boolean adds;

        Kind(boolean adds) {
            this.adds = adds;
        }

        /** Whether the term is part of the sum. */
        public boolean adds() {
            return adds;
        }
    }

    /**
     * One line.
     *
     * @param quantity with its sign, millionths; {@link Quantity#NOT_SET} if the line has none
     * @param day the day it belongs to, {@link OpenOrder#NO_DAY} if none
     * @param days working days, -1 if none
     * @param demand what it names, or null
     * @param supply what it names, or null
     */
    public record Term(Kind kind, long quantity, int day, int days, Demand demand, Supply supply) {}

    static Why quantity(PointView view, PointPlan plan, OrderNeeds needs, StockPoint point, int sequence) {
        int day = needs.needDay[sequence];
        Terms terms = new Terms();
        sum(terms, view, day, needs.firstOfNeed(sequence));
        terms.add(Kind.WOULD_BE_LEFT, needs.covered[sequence], day);
        if (point.safetyStock != 0) {
            terms.add(Kind.SAFETY_STOCK, point.safetyStock);
        }
        if (point.byReorderPoint() || point.rule == PlanningRule.MIN_MAX) {
            position(terms, view, needs, sequence);
        }
        sizing(terms, view, plan, needs, point, sequence);
        return new Why(List.copyOf(terms.list));
    }

    private static void position(Terms terms, PointView view, OrderNeeds needs, int sequence) {
        int day = needs.needDay[sequence];
        long later = needs.position[sequence] - needs.covered[sequence];
        if (later != 0) {
            for (Supply supply : view.supplies()) {
                // an order pulled in to a later day was still expected on its own date when this need was met
                if (supply.kind() == Supply.Kind.OPEN && supply.day() > day) {
                    terms.add(Kind.OPEN_ORDER_LATER, supply);
                }
            }
            terms.add(Kind.POSITION, needs.position[sequence], day);
        }
    }

    private static void sizing(
            Terms terms, PointView view, PointPlan plan, OrderNeeds needs, StockPoint point, int sequence) {
        PlannedOrders planned = plan.planned;
        long wanted = needs.wanted[sequence];
        if (point.byReorderPoint() && needs.need[sequence] == OrderNeeds.Need.SOFT) {
            terms.add(Kind.REORDER_POINT, point.reorderPoint);
        }
        switch (point.rule) {
            case MIN_MAX -> terms.add(Kind.ORDER_UP_TO, point.orderUpTo);
            case FIXED_QUANTITY -> terms.add(Kind.FIXED_QUANTITY, point.fixedQuantity);
            case PERIOD -> terms.add(Kind.PERIOD, wanted);
            case PER_ORDER -> {
                if (planned.forDemand(sequence) >= 0) {
                    Demand demand = view.demand(planned.forDemand(sequence));
                    terms.list.add(new Term(Kind.FOR_DEMAND, wanted, demand.day(), -1, demand, null));
                }
            }
            default -> {}
        }
        terms.add(Kind.WANTED, wanted);
        long started = planned.started[sequence];
        long good = planned.good[sequence];
        if (point.yield != Ratio.ONE) {
            terms.add(
                    Kind.YIELD,
                    Quantity.of(new java.math.BigDecimal(point.yield.numerator())
                            .divide(
                                    new java.math.BigDecimal(point.yield.denominator()),
                                    6,
                                    java.math.RoundingMode.HALF_UP)));
        }
        if (point.orderUnit != Ratio.ONE) {
            terms.add(Kind.PURCHASE_UNIT, point.orderUnit.up(Quantity.ONE, 1));
        }
        Sizing.Steps steps = new Sizing(point).stepsFor(wanted);
        if (steps.raised()) {
            terms.add(Kind.MINIMUM, point.orderUnit.up(point.minQuantity, point.step));
        }
        if (steps.rounded() && point.multiple != point.orderStep) {
            terms.add(Kind.MULTIPLE, point.orderUnit.up(point.multiple, point.step));
        }
        if (steps.split()) {
            terms.add(Kind.MAXIMUM, point.orderUnit.down(point.maxQuantity, point.step));
        }
        if (started != good) {
            terms.add(Kind.STARTED, started);
        }
        terms.add(Kind.TO_ORDER, good, planned.due[sequence]);
    }

    static Why dates(PointPlan plan, OrderNeeds needs, StockPoint point, int today, int sequence) {
        PlannedOrders planned = plan.planned;
        Dating dating = new Dating(point, today);
        Terms terms = new Terms();
        int needDay = needs.needDay[sequence];
        long started = planned.started[sequence];
        terms.day(Kind.NEED_DAY, needDay, -1);
        int wanted = planned.wantedDue(sequence);
        if (needs.need[sequence] == OrderNeeds.Need.HARD && wanted == point.receipt(needDay, today)) {
            if (point.safetyTimeDays > 0) {
                terms.day(Kind.SAFETY_TIME, wanted, point.safetyTimeDays);
            }
        } else {
            terms.day(Kind.EARLIEST, wanted, -1);
        }
        if (wanted != planned.due[sequence]) {
            terms.day(Kind.FENCE, planned.due[sequence], point.frozenDays);
        }
        terms.day(Kind.DUE, planned.due[sequence], -1);
        terms.day(
                Kind.LEAD_TIME,
                OpenOrder.NO_DAY,
                dating.workingDays(planned.start[sequence], planned.due[sequence], started));
        terms.day(Kind.START, planned.start[sequence], -1);
        return new Why(List.copyOf(terms.list));
    }

    static Why balance(PointView view, PointPlan plan, int day) {
        Terms terms = new Terms();
        sum(terms, view, day, Integer.MAX_VALUE);
        long balance = terms.list.stream().mapToLong(Term::quantity).sum();
        terms.add(Kind.BALANCE, balance, day);
        return new Why(List.copyOf(terms.list));
    }

    /**
     * Everything up to a day. For a need ({@code plannedBefore} orders had been made) planned orders count whenever
     * they are due; for a balance only those due by that day.
     */
    private static void sum(Terms terms, PointView view, int day, int plannedBefore) {
        long onHand = 0;
        List<Supply> supplies = view.supplies();
        for (Supply supply : supplies) {
            onHand += supply.kind() == Supply.Kind.STOCK ? supply.quantity() : 0;
        }
        terms.add(Kind.ON_HAND, onHand);
        List<Term> moves = new ArrayList<>();
        for (Supply supply : supplies) {
            boolean counts = switch (supply.kind()) {
                case STOCK -> false;
                case OPEN -> supply.day() <= day;
                case PLANNED ->
                    plannedBefore == Integer.MAX_VALUE ? supply.day() <= day : supply.sequence() < plannedBefore;
            };
            if (counts) {
                Kind kind = supply.kind() == Supply.Kind.OPEN ? Kind.OPEN_ORDER : Kind.PLANNED_ORDER;
                moves.add(new Term(kind, supply.quantity(), supply.day(), -1, null, supply));
            }
        }
        for (Demand demand : view.demands()) {
            if (demand.day() <= day) {
                moves.add(new Term(Kind.DEMAND, -demand.quantity(), demand.day(), -1, demand, null));
            }
        }
        for (Balance row : view.balances()) {
            if (row.day() <= day && row.expired() != 0) {
                moves.add(new Term(Kind.EXPIRY, -row.expired(), row.day(), -1, null, null));
            }
        }
        moves.sort(java.util.Comparator.comparingInt(Term::day));
        terms.list.addAll(moves);
    }

    private static final class Terms {
        private final List<Term> list = new ArrayList<>();

        void add(Kind kind, long quantity) {
            add(kind, quantity, OpenOrder.NO_DAY);
        }

        void add(Kind kind, long quantity, int day) {
            list.add(new Term(kind, quantity, day, -1, null, null));
        }

        void add(Kind kind, Supply supply) {
            list.add(new Term(kind, supply.quantity(), supply.day(), -1, null, supply));
        }

        void day(Kind kind, int day, int days) {
            list.add(new Term(kind, Quantity.NOT_SET, day, days, null, null));
        }
    }
}
