package rescient.core;

import java.util.Optional;

/**
 * What a reorder point has to be so that an ordinary order, made when it is reached, comes before the safety stock is
 * touched: the demand expected during the lead time, and the safety stock (s = x̂<sub>L</sub> + SS; Silver, Pyke and Thomas,
 * Inventory and Production Management in Supply Chains, chapter 6). Expected is the plan's demand, spread evenly over its
 * days. Quantities in millionths.
 *
 * @param demand of the plan, from today to the end of the horizon
 * @param days from today to the end of the horizon
 * @param leadDays calendar days until an ordinary order of one unit is there if it starts today
 * @param needed rounded up to the item's unit
 */
public record ReorderNeed(long demand, int days, int leadDays, long safetyStock, long needed) {
    /** Empty where it cannot be held or dated: a hint is no reason to refuse a plan. */
    static Optional<ReorderNeed> of(Snapshot snapshot, StockPoint point, DemandList demands, long safetyStock) {
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
