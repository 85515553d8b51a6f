package rescient.core.company;

/**
 * One open line of a customer order.
 *
 * @param item of a line that is bought for: the code of its {@link Earmark}
 * @param quantity still open, millionths
 * @param dueDay wanted day
 * @param priority 1 = first
 * @param bought how it is bought for this line alone; null: from stock
 */
public record CustomerOrderLine(
        String number,
        String line,
        String item,
        String site,
        long quantity,
        int dueDay,
        int priority,
        BoughtForLine bought) {
    public static final int DEFAULT_PRIORITY = 5;

    /**
     * How a line is bought for.
     *
     * @param supplier null: the stock point's
     * @param direct whether the supplier ships to the customer, so that it never comes to the site
     */
    public record BoughtForLine(String supplier, boolean direct) {}

    /** A line that goes from stock. */
    public CustomerOrderLine(
            String number, String line, String item, String site, long quantity, int dueDay, int priority) {
        this(number, line, item, site, quantity, dueDay, priority, null);
    }

    /** The same line bought for alone. */
    public CustomerOrderLine boughtBy(String supplier, boolean direct) {
        String code = new Earmark(Earmark.item(item), number, line).code();
        return new CustomerOrderLine(
                number, line, code, site, quantity, dueDay, priority, new BoughtForLine(supplier, direct));
    }
}
