package rescient.core.snapshot;

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
public record ReorderNeed(long demand, int days, int leadDays, long safetyStock, long needed) {}
