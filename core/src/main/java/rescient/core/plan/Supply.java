package rescient.core.plan;

/**
 * A supply at a stock point of a finished plan.
 *
 * @param number lot or order number, empty for planned orders
 * @param line serial number or order line, empty for planned orders
 * @param day the day the plan counts on
 * @param dueDay its own date; today for stock
 * @param quantity millionths
 * @param sequence of a planned order, else -1
 */
public record Supply(Kind kind, String number, String line, int day, int dueDay, long quantity, int sequence) {
    /** What a supply is. */
    public enum Kind {
        STOCK,
        OPEN,
        PLANNED
    }
}
