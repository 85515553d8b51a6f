package rescient.core;

import java.util.ArrayList;
import java.util.List;
import java.util.Objects;

/** The derivation of the day on which an order can really be there, from the figures the calculation used (section 9). */
final class WhyPossible {
    private final StockPoint point;
    private final int today;
    private final List<Why.Term> terms = new ArrayList<>();
    private int largest;

    private WhyPossible(StockPoint point, int today) {
        this.point = point;
        this.today = today;
    }

    /**
     * @param order the open order, or null of a planned one
     * @param started quantity started, millionths
     * @param start {@link OpenOrder#NO_DAY} if it has none
     * @param needs what it asks for of other points
     * @param possible null: never
     */
    static Why of(
            StockPoint point,
            int today,
            OpenOrder order,
            long started,
            int start,
            int due,
            List<Demand> needs,
            Integer possible) {
        WhyPossible why = new WhyPossible(point, today);
        why.term(Why.Kind.DUE, due, -1, null);
        Source source = order == null ? point.source : order.kind();
        boolean released = order != null && order.stage() == Stage.RELEASED;
        if (source == Source.BUY) {
            why.bought(order, started, due, possible);
        } else {
            why.made(released, start, needs);
        }
        why.term(Why.Kind.POSSIBLE, possible == null ? OpenOrder.NO_DAY : possible, -1, null);
        return new Why(List.copyOf(why.terms));
    }

    /** Ordered today it comes after its lead time; what was promised comes when it was promised. */
    private void bought(OpenOrder order, long started, int due, Integer possible) {
        boolean promised = order != null && order.stage() == Stage.RELEASED;
        if (promised || possible == null || possible <= due) {
            return;
        }
        term(Why.Kind.ORDERED_TODAY, today, -1, null);
        if (order == null || Objects.equals(order.supplier(), point.supplier)) {
            int days = new Dating(point, today).workingDays(today, possible, started);
            term(Why.Kind.LEAD_TIME, OpenOrder.NO_DAY, days, null);
        }
    }

    private void made(boolean released, int start, List<Demand> needs) {
        if (!released && start != OpenOrder.NO_DAY && start < today) {
            wait(Why.Kind.STARTS_LATE, start, start, today, null);
        }
        for (Demand need : needs) {
            int needed = released ? Math.max(need.dueDay(), today) : need.dueDay();
            if (need.possibleDay() == null) {
                largest = PossibleDates.NEVER;
                term(Why.Kind.WAITS_FOR, OpenOrder.NO_DAY, -1, need);
            } else if (need.possibleDay() > needed) {
                wait(Why.Kind.WAITS_FOR, need.possibleDay(), needed, need.possibleDay(), need);
            }
        }
        if (largest > 0 && largest != PossibleDates.NEVER) {
            term(Why.Kind.MOVED_ON, OpenOrder.NO_DAY, largest, null);
        }
    }

    private void wait(Why.Kind kind, int day, int from, int to, Demand need) {
        int days = Slips.between(point, from, to);
        largest = Math.max(largest, days);
        term(kind, day, days, need);
    }

    private void term(Why.Kind kind, int day, int days, Demand need) {
        terms.add(new Why.Term(kind, Quantity.NOT_SET, day, days, need, null));
    }
}
