package rescient.core;

/**
 * Calculates material requirements.
 *
 * <pre>{@code
 * Plan plan = new Planner().plan(snapshot, PlanOptions.ALL);
 * }</pre>
 */
public final class Planner {
    /**
     * The plan of a snapshot: every planned order, signal, peg and balance. The same input gives the same output,
     * whatever the number of threads.
     *
     * @throws PlanningException if a quantity or a date cannot be held or a size makes no sense; the message names it
     */
    public Plan plan(Snapshot snapshot, PlanOptions options) {
        Network network = snapshot.network;
        PointPlan[] plans = new PointPlan[snapshot.points.length];
        for (int level = 0; level < network.levels(); level++) {
            Spans.each(network.levelStart[level], network.levelStart[level + 1], (from, to) -> {
                for (int p = from; p < to; p++) {
                    plans[p] = PointPlan.of(snapshot, p, plans, options);
                }
            });
        }
        PossibleDates possible = PossibleDates.of(snapshot, plans);
        return new Plan(snapshot, options, plans, possible, LateOrders.of(snapshot, plans, possible));
    }
}
