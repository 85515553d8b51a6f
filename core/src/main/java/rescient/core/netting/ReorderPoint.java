package rescient.core.netting;

import java.util.Optional;
import rescient.core.base.PlanningException;
import rescient.core.base.Quantity;
import rescient.core.base.Ratio;
import rescient.core.snapshot.ReorderNeed;
import rescient.core.snapshot.Snapshot;
import rescient.core.snapshot.StockPoint;

/** What a reorder point has to be: see {@link ReorderNeed}. */
public final class ReorderPoint {
    private ReorderPoint() {}

    /** Empty where it cannot be held or dated: a hint is no reason to refuse a plan. */
    public static Optional<ReorderNeed> need(
            Snapshot snapshot, StockPoint point, DemandList demands, long safetyStock) {
        try {
            long demand = demands.sum(0, demands.size);
            int days = snapshot.horizonEnd - snapshot.today + 1;
            int lead = new Dating(point, snapshot.today).earliestDue(snapshot.today, Quantity.ONE) - snapshot.today;
            long expected = lead == 0 ? 0 : new Ratio(lead, days).up(demand, point.step);
            return Optional.of(new ReorderNeed(demand, days, lead, safetyStock, Quantity.plus(expected, safetyStock)));
        } catch (PlanningException e) {
            return Optional.empty();
        }
    }
}
