package rescient.core.plan;

import rescient.core.base.ChunkedList;
import rescient.core.base.Parallel;
import rescient.core.dates.LateOrders;
import rescient.core.dates.PossibleDates;
import rescient.core.netting.PointPlan;
import rescient.core.snapshot.Impossible;
import rescient.core.snapshot.Network;
import rescient.core.snapshot.PlanOptions;
import rescient.core.snapshot.Snapshot;

/**
 * Calculates material requirements.
 *
 * <pre>{@code
 * Plan plan = new Planner().plan(snapshot, PlanOptions.ALL);
 * }</pre>
 */
public final class Planner {
    /** A planner; it keeps nothing between two plans. */
    public Planner() {}

    /** Told how far a calculation is; may throw to end it, which leaves nothing behind. */
    public interface Watch {
        /** So many stock points of all are planned. */
        void planned(int points, int of);
    }

    /**
     * The plan of a snapshot: every planned order, signal, peg and balance. The same input gives the same output,
     * whatever the number of threads. A stock point with a quantity or a date that cannot be held, or a size that makes no
     * sense, is left out with all below it, and says so by a signal.
     */
    public Plan plan(Snapshot snapshot, PlanOptions options) {
        return plan(snapshot, options, (points, of) -> {});
    }

    /** The same, telling after each level how far it is. */
    public Plan plan(Snapshot snapshot, PlanOptions options, Watch watch) {
        Snapshot counted = snapshot;
        while (true) {
            Impossible impossible = new Impossible();
            Plan plan = plan(counted, options, watch, impossible);
            if (impossible.isEmpty()) {
                return plan;
            }
            counted = counted.without(impossible.all());
        }
    }

    /** The plan, or null if some points are impossible. */
    private static Plan plan(Snapshot snapshot, PlanOptions options, Watch watch, Impossible impossible) {
        Network network = snapshot.network;
        ChunkedList<PointPlan> plans = ChunkedList.of(snapshot.points.length, PointPlan[]::new);
        for (int level = 0; level < network.levels() && impossible.isEmpty(); level++) {
            watch.planned(network.levelStart[level], network.planned());
            Parallel.each(network.levelStart[level], network.levelStart[level + 1], (from, to) -> {
                for (int p = from; p < to; p++) {
                    int point = p;
                    impossible.calculating(p, () -> plans.put(point, PointPlan.of(snapshot, point, plans, options)));
                }
            });
        }
        if (!impossible.isEmpty()) {
            return null;
        }
        watch.planned(network.planned(), network.planned());
        PossibleDates possible = PossibleDates.of(snapshot, plans, impossible);
        return impossible.isEmpty()
                ? new Plan(snapshot, options, plans, possible, LateOrders.of(snapshot, options, plans, possible))
                : null;
    }
}
