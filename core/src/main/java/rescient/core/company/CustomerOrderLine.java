package rescient.core.company;

/**
 * One open line of a customer order.
 *
 * @param quantity still open, millionths
 * @param dueDay wanted day
 * @param priority 1 = first
 */
public record CustomerOrderLine(
        String number, String line, String item, String site, long quantity, int dueDay, int priority) {
    public static final int DEFAULT_PRIORITY = 5;
}
