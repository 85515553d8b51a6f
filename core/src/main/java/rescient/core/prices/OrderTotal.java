package rescient.core.prices;

import java.math.BigDecimal;
import java.util.List;

/** What the lines of an order come to together. */
public final class OrderTotal {
    private OrderTotal() {}

    /**
     * The sum.
     *
     * @param values of the lines in one currency; null where it is not known
     * @return null if one of them is not known
     */
    public static BigDecimal of(List<BigDecimal> values) {
        BigDecimal total = BigDecimal.ZERO;
        for (BigDecimal value : values) {
            if (value == null) {
                return null;
            }
            total = total.add(value);
        }
        return total;
    }

    /**
     * Whether an order is too small for its supplier.
     *
     * @param minimum his minimum order value, null if he has none
     * @param value null: not known, then nothing is said
     */
    public static boolean isBelow(BigDecimal minimum, BigDecimal value) {
        return minimum != null && value != null && value.compareTo(minimum) < 0;
    }
}
