package rescient.core.trace;

import rescient.core.netting.Pegging;
import rescient.core.netting.PointPlan;

/**
 * The pegs of a point the other way round: which demands each of its supplies serves, in turn. Those of supply {@code s}
 * are {@code demand[start[s]]} to {@code demand[start[s + 1]]}.
 */
final class SuppliedDemands {
    final int[] start;
    final int[] demand;
    private final int lots;
    private final int opens;

    SuppliedDemands(PointPlan here, Pegging pegs) {
        lots = here.known.lot.length;
        opens = here.known.open.length;
        int last = pegs.start[here.demands.size];
        start = new int[lots + opens + here.planned.size + 1];
        for (int i = 0; i < last; i++) {
            start[pegs.supply[i] + 1]++;
        }
        for (int s = 1; s < start.length; s++) {
            start[s] += start[s - 1];
        }
        demand = new int[last];
        int[] at = start.clone();
        for (int d = 0; d < here.demands.size; d++) {
            for (int i = pegs.start[d]; i < pegs.start[d + 1]; i++) {
                demand[at[pegs.supply[i]]++] = d;
            }
        }
    }

    /** How many supplies there are. */
    int supplies() {
        return start.length - 1;
    }

    /** The place of a supply among all of the point. */
    int supply(Pegging.SupplyKind kind, int index) {
        return switch (kind) {
            case STOCK -> index;
            case OPEN -> lots + index;
            case PLANNED -> lots + opens + index;
        };
    }
}
