package rescient.core.stock;

import java.math.BigDecimal;
import java.math.RoundingMode;

/** A quantity and what it is worth. */
final class Tally {
    /** Decimals to which a share is known of what is kept with twelve. */
    private static final int NEARLY = 9;

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

    /** The same of a part that is written as a decimal, though it need not be one: half a cent is half a cent. */
    static BigDecimal nearly(BigDecimal value, BigDecimal part, BigDecimal whole, int decimals) {
        return share(value, part, whole, NEARLY).setScale(decimals, RoundingMode.HALF_UP);
    }

    static BigDecimal share(BigDecimal value, BigDecimal part, BigDecimal whole, int decimals) {
        return value.multiply(part).divide(whole, decimals, RoundingMode.HALF_UP);
    }
}
