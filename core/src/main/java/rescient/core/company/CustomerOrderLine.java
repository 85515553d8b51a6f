package rescient.core.company;

import java.util.List;
import rescient.core.base.Ratio;

/**
 * One open line of a customer order.
 *
 * @param item of a line that is bought for alone, or of a kit with other parts: the code of its {@link Earmark}
 * @param quantity still open, millionths
 * @param dueDay wanted day
 * @param priority 1 = first
 * @param bought how it is bought for this line alone; null: from stock
 * @param parts of what the kit consists for this line alone; null: of what its bill of materials says
 */
public record CustomerOrderLine(
        String number,
        String line,
        String item,
        String site,
        long quantity,
        int dueDay,
        int priority,
        BoughtForLine bought,
        List<KitPart> parts) {
    public static final int DEFAULT_PRIORITY = 5;

    /**
     * How a line is bought for.
     *
     * @param supplier null: the stock point's
     * @param direct whether the supplier ships to the customer, so that it never comes to the site
     */
    public record BoughtForLine(String supplier, boolean direct) {}

    /**
     * A part of a kit for one line alone.
     *
     * @param quantity units of the component for one kit
     */
    public record KitPart(String component, Ratio quantity) {}

    /** A line that goes from stock. */
    public CustomerOrderLine(
            String number, String line, String item, String site, long quantity, int dueDay, int priority) {
        this(number, line, item, site, quantity, dueDay, priority, null, null);
    }

    /** The same line bought for alone. */
    public CustomerOrderLine boughtBy(String supplier, boolean direct) {
        return new CustomerOrderLine(
                number, line, earmark(), site, quantity, dueDay, priority, new BoughtForLine(supplier, direct), null);
    }

    /** The same line of a kit with other parts. */
    public CustomerOrderLine of(List<KitPart> others) {
        return new CustomerOrderLine(
                number, line, earmark(), site, quantity, dueDay, priority, null, List.copyOf(others));
    }

    /** Whether it is planned beside the stock point of its item. */
    public boolean alone() {
        return bought != null || parts != null;
    }

    private String earmark() {
        return new Earmark(Earmark.item(item), number, line).code();
    }
}
