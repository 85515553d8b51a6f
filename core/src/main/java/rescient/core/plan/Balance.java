package rescient.core.plan;

/**
 * A stock point at the end of a day; quantities in millionths.
 *
 * @param balance stock on hand plus all receipts less all demands and expiries up to and including the day
 */
public record Balance(int day, long receipts, long demands, long plannedReceipts, long expired, long balance) {}
