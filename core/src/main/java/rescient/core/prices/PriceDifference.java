package rescient.core.prices;

import java.math.BigDecimal;
import java.math.RoundingMode;

/** What one way costs more than another, in one currency; null where one of them is not known. */
public final class PriceDifference {
    private static final int CENTS = 2;

    private PriceDifference() {}

    public static BigDecimal of(BigDecimal value, BigDecimal ordinary) {
        return value == null || ordinary == null ? null : value.subtract(ordinary);
    }

    /**
     * What it costs more than a part of the ordinary way, for which it stands.
     *
     * @param part of {@code whole}, which is more than 0 and costs {@code ordinary}; halves of a cent up
     */
    public static BigDecimal ofPart(BigDecimal value, BigDecimal ordinary, BigDecimal part, BigDecimal whole) {
        return ordinary == null ? null : of(value, ordinary.multiply(part).divide(whole, CENTS, RoundingMode.HALF_UP));
    }
}
