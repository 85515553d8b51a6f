package rescient.core;

import java.util.stream.IntStream;

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
        DemandList[] forecast = ForecastConsumption.of(snapshot, options);
        for (int level = 0; level < network.levels(); level++) {
            IntStream.range(network.levelStart[level], network.levelStart[level + 1])
                    .parallel()
                    .forEach(p -> plans[p] = PointPlan.of(snapshot, p, plans, options, forecast[p]));
        }
        PossibleDates possible = PossibleDates.of(snapshot, plans);
        return new Plan(snapshot, options, plans, possible, Signals.of(snapshot, plans, possible, options));
    }
}
