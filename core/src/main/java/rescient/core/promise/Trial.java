package rescient.core.promise;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import rescient.core.base.DocumentOrder;
import rescient.core.company.Change;
import rescient.core.company.CustomerOrderLine;
import rescient.core.company.OpenOrder;
import rescient.core.company.PlanningData;
import rescient.core.company.SupplierTerms;
import rescient.core.compare.PlanDifference;
import rescient.core.dates.PossibleDates;
import rescient.core.plan.Plan;
import rescient.core.plan.Planner;
import rescient.core.snapshot.Snapshot;

/**
 * The plan with one more line of a customer order, beside the reference plan without it (demand rules, section 1).
 *
 * @param outcome of the line itself; null if it asks for nothing
 * @param harmed the lines of the reference plan that get later, in the order in which they are served
 */
record Trial(Plan plan, CustomerOrderLine line, Outcome outcome, List<Harmed> harmed) {
    /**
     * A line that gets later.
     *
     * @param before the day on which it can be met without the trial, null: never
     */
    record Harmed(CustomerOrderLine line, Outcome outcome, Integer before) {
        /** The day on which it can be met then, null: never. */
        Integer after() {
            return outcome.possibleDay() == PossibleDates.NEVER ? null : (Integer) outcome.possibleDay();
        }
    }

    /**
     * The plan with a line.
     *
     * @param changes that bring the line, itself among them
     * @param watch may end it by throwing
     */
    static Trial of(Plan reference, CustomerOrderLine line, List<Change> changes, Planner.Watch watch) {
        watch.planned(0, reference.pointCount());
        Plan plan = reference.after(changes, watch);
        List<Harmed> harmed = PlanDifference.lateness(reference, plan).stream()
                .filter(late -> !late.better())
                .filter(late -> late.dueDay() <= plan.snapshot().horizonEnd())
                .filter(late ->
                        !late.number().equals(line.number()) || !late.line().equals(line.line()))
                .map(late -> harmed(plan, late))
                .sorted(inTurn(plan.snapshot().today()))
                .toList();
        return new Trial(plan, line, Outcome.of(plan, line), harmed);
    }

    /**
     * The trial in which the orders of the line's own stock point are no larger than needed: without its minimum, multiple and
     * fixed quantity, which the reference plan keeps. Itself, where they have none.
     *
     * @param watch may end it by throwing
     */
    Trial withoutSizes(Plan reference, Planner.Watch watch) {
        Snapshot company = reference.snapshot();
        if (company.pointOf(line.item(), line.site()) < 0) {
            return this;
        }
        PlanningData data = company.planning(line.item(), line.site());
        List<SupplierTerms> offered = company.offered(line.item());
        PlanningData free = data.withoutSizes();
        List<SupplierTerms> freely =
                offered.stream().map(SupplierTerms::withoutSizes).toList();
        if (free == data && freely.equals(offered)) {
            return this;
        }
        return of(
                reference,
                line,
                List.of(
                        new Change.Planning(free),
                        new Change.Terms(line.item(), freely),
                        new Change.CustomerOrder(line)),
                watch);
    }

    private static Harmed harmed(Plan plan, PlanDifference.Lateness late) {
        CustomerOrderLine other = Outcome.lineOf(plan, late.item(), late.site(), late.number(), late.line());
        Integer before = late.before() == null ? (Integer) late.dueDay() : late.before();
        return new Harmed(other, Outcome.of(plan, other), before == PlanDifference.Lateness.NEVER ? null : before);
    }

    /** Demands are served by the day they count on, priority, number and line (planning rules, section 8). */
    private static Comparator<Harmed> inTurn(int today) {
        return Comparator.<Harmed>comparingInt(h -> Math.max(h.line().dueDay(), today))
                .thenComparingInt(h -> h.line().priority())
                .thenComparing(h -> h.line().number(), DocumentOrder.INSTANCE)
                .thenComparing(h -> h.line().line(), DocumentOrder.INSTANCE);
    }

    /**
     * The order that this line pulls in and that decides its day, with the day on which the line comes if a new order of its
     * size is made instead. Where no such order decides, or a new one is not there sooner: null.
     *
     * @param changes that bring the line
     * @param watch may end it by throwing
     */
    NewOrder newOrder(Plan reference, List<Change> changes, Planner.Watch watch) {
        OpenOrder pulled = outcome == null || onTime() ? null : outcome.pulledIn(plan);
        if (pulled == null) {
            return null;
        }
        List<Change> locked = new ArrayList<>();
        locked.add(new Change.Order(pulled.asLocked(), plan.snapshot().stillToIssue(pulled.number(), pulled.line())));
        locked.addAll(changes);
        Trial other = of(reference, line, locked, watch);
        boolean sooner = other.hasDate() && (!hasDate() || other.outcome.possibleDay() < outcome.possibleDay());
        return sooner ? new NewOrder(pulled, other.outcome.possibleDay()) : null;
    }

    /** Whether the line comes by its day. */
    boolean onTime() {
        return outcome != null && outcome.possibleDay() <= line.dueDay();
    }

    /** Whether the line comes by its day, and nobody gets later by it. */
    boolean passes() {
        return onTime() && harmed.isEmpty();
    }

    /** Whether the line can come at all. */
    boolean hasDate() {
        return outcome != null && outcome.possibleDay() != PossibleDates.NEVER;
    }
}
