package rescient.core.order;

import java.util.ArrayList;
import java.util.List;
import rescient.core.base.Quantity;

/** The quantities of the parts of a split order, which are together what it was. */
public final class Parts {
    private Parts() {}

    /**
     * So many parts, as equal as they can be: each rounded up to the item's step, the last one what is left. There are
     * fewer where the order has fewer steps.
     *
     * @param whole millionths, positive
     * @param parts at least 1
     * @param step the smallest quantity of the item in millionths, see {@link Quantity#step}
     */
    public static List<Long> equal(long whole, int parts, long step) {
        long each = (whole + step * parts - 1) / (step * parts) * step;
        List<Long> sizes = new ArrayList<>();
        for (long left = whole; left > 0; left -= each) {
            sizes.add(Math.min(each, left));
        }
        return sizes;
    }

    /**
     * Those that are named, and one more if they leave something.
     *
     * @param whole millionths
     * @param named millionths; together more than the whole if the order grows
     */
    public static List<Long> andTheRest(long whole, List<Long> named) {
        List<Long> sizes = new ArrayList<>(named);
        long left = whole;
        for (long part : named) {
            left = Math.subtractExact(left, part);
        }
        if (left > 0) {
            sizes.add(left);
        }
        return sizes;
    }
}
