package rescient.core.stock;

import java.math.BigDecimal;
import java.math.RoundingMode;

/** A quantity and what it is worth. */
final class Tally {
    private BigDecimal quantity = BigDecimal.ZERO;
    private BigDecimal value = BigDecimal.ZERO;

    BigDecimal quantity() {
        return quantity;
    }

    BigDecimal value() {
        return value;
    }

    void add(BigDecimal more, BigDecimal worth) {
        quantity = quantity.add(more);
        value = value.add(worth);
    }

    /** What a part of it is worth; the last takes what is left. */
    BigDecimal worth(BigDecimal part, int decimals) {
        return part.compareTo(quantity) >= 0 ? value : share(value, part, quantity, decimals);
    }

    static BigDecimal share(BigDecimal value, BigDecimal part, BigDecimal whole, int decimals) {
        return value.multiply(part).divide(whole, decimals, RoundingMode.HALF_UP);
    }
}
