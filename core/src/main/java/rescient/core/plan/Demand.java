package rescient.core.plan;

import rescient.core.snapshot.DemandKind;

/**
 * A demand at a stock point of a finished plan.
 *
 * @param number customer order; open order; the parent's item, or the receiving site, of a planned order
 * @param line line of the document, or the planned order's due date as ISO text
 * @param quantity millionths
 * @param dueDay its own date
 * @param day the day it counts on: its own, or today if that has passed
 * @param possibleDay the day it can really be met, or null if it never can
 * @param ofPlannedOrder the planned order that raises it, or null
 */
public record Demand(
        String item,
        String site,
        DemandKind kind,
        String number,
        String line,
        long quantity,
        int dueDay,
        int day,
        Integer possibleDay,
        OrderRef ofPlannedOrder) {

    /** A planned order, by its stock point and its place among the orders made there. */
    public record OrderRef(String item, String site, int sequence) {}

    /** Calendar days from its own date to its possible date, or null if it never can be met. */
    public Integer daysLate() {
        return possibleDay == null ? null : possibleDay - dueDay;
    }
}
