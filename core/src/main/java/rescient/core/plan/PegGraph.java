package rescient.core.plan;

import rescient.core.dates.LateOrders;
import rescient.core.dates.PossibleDates;
import rescient.core.netting.PointPlan;

/**
 * The demands, supplies and dates of a plan, point by point, in the arrays that they were calculated in: to be read, never
 * written. For the rooms of this module that follow every peg; nobody outside of it can name what it gives.
 */
@SuppressWarnings("exports")
public final class PegGraph {
    private final Plan plan;

    PegGraph(Plan plan) {
        this.plan = plan;
    }

    /** What was calculated for a stock point, or null if nothing was. */
    public PointPlan of(int point) {
        return plan.plans.get(point);
    }

    /** The points for which another plan, which numbers them alike, calculated anew. */
    public int[] differing(PegGraph other) {
        return plan.plans.differing(other.plan.plans);
    }

    public PossibleDates possible() {
        return plan.possible;
    }

    public LateOrders late() {
        return plan.late;
    }
}
