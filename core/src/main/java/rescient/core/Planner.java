package rescient.core;

/**
 * Calculates material requirements.
 *
 * <pre>{@code
 * Plan plan = new Planner().plan(snapshot, PlanOptions.ALL);
 * }</pre>
 */
public final class Planner {
    /** Told how far a calculation is; may throw to end it, which leaves nothing behind. */
    public interface Watch {
        /** So many stock points of all are planned. */
        void planned(int points, int of);
    }

    /**
     * The plan of a snapshot: every planned order, signal, peg and balance. The same input gives the same output,
     * whatever the number of threads.
     *
     * @throws PlanningException if a quantity or a date cannot be held or a size makes no sense; the message names it
     */
    public Plan plan(Snapshot snapshot, PlanOptions options) {
        return plan(snapshot, options, (points, of) -> {});
    }

    /** The same, telling after each level how far it is. */
    public Plan plan(Snapshot snapshot, PlanOptions options, Watch watch) {
        Network network = snapshot.network;
        Shelf<PointPlan> plans = Shelf.of(snapshot.points.length, PointPlan[]::new);
        for (int level = 0; level < network.levels(); level++) {
            watch.planned(network.levelStart[level], network.planned());
            Spans.each(network.levelStart[level], network.levelStart[level + 1], (from, to) -> {
                for (int p = from; p < to; p++) {
                    plans.put(p, PointPlan.of(snapshot, p, plans, options));
                }
            });
        }
        watch.planned(network.planned(), network.planned());
        PossibleDates possible = PossibleDates.of(snapshot, plans);
        return new Plan(snapshot, options, plans, possible, LateOrders.of(snapshot, plans, possible));
    }
}
