package rescient.core;

import java.math.BigDecimal;
import java.math.BigInteger;

/**
 * An exact positive factor: a unit conversion, a quantity per parent with its scrap, a yield.
 *
 * @param numerator 0 or more
 * @param denominator more than 0; the fraction is reduced
 */
public record Ratio(long numerator, long denominator) {
    /** The factor 1. */
    public static final Ratio ONE = new Ratio(1, 1);

    /**
     * The factor for an exact decimal.
     *
     * @throws PlanningException if it is negative or needs more than 18 digits
     */
    public static Ratio of(BigDecimal value) {
        BigInteger unscaled = value.unscaledValue();
        if (value.scale() == 0 && unscaled.signum() >= 0 && unscaled.bitLength() < Long.SIZE) {
            return new Ratio(unscaled.longValue(), 1);
        }
        return value.scale() >= 0
                ? reduced(unscaled, BigInteger.TEN.pow(value.scale()))
                : reduced(unscaled.multiply(BigInteger.TEN.pow(-value.scale())), BigInteger.ONE);
    }

    /**
     * The factor that a quantity is.
     *
     * @param quantity in millionths, 0 or more
     */
    public static Ratio of(long quantity) {
        if (quantity < 0) {
            throw new PlanningException("A factor must not be negative: " + Quantity.text(quantity));
        }
        long divisor = quantity % Quantity.ONE == 0 ? Quantity.ONE : greatestCommonDivisor(quantity, Quantity.ONE);
        return new Ratio(quantity / divisor, Quantity.ONE / divisor);
    }

    /** Euclid's: Knuth, The Art of Computer Programming, volume 2, section 4.5.2. */
    private static long greatestCommonDivisor(long a, long b) {
        return b == 0 ? a : greatestCommonDivisor(b, a % b);
    }

    /** The product of both, reduced. */
    public Ratio times(Ratio other) {
        if (isOne() || other.isOne()) {
            return isOne() ? other : this;
        }
        return reduced(
                BigInteger.valueOf(numerator).multiply(BigInteger.valueOf(other.numerator)),
                BigInteger.valueOf(denominator).multiply(BigInteger.valueOf(other.denominator)));
    }

    private boolean isOne() {
        return numerator == 1 && denominator == 1;
    }

    /** One divided by this; this must not be 0. */
    public Ratio inverse() {
        return reduced(BigInteger.valueOf(denominator), BigInteger.valueOf(numerator));
    }

    /** {@code quantity} × this, rounded up to a multiple of {@code step}. */
    public long up(long quantity, long step) {
        return scaled(quantity, step, true);
    }

    /** {@code quantity} × this, rounded down to a multiple of {@code step}. */
    public long down(long quantity, long step) {
        return scaled(quantity, step, false);
    }

    private long scaled(long quantity, long step, boolean up) {
        if (numerator == denominator) {
            return up ? Quantity.roundUp(quantity, step) : Quantity.roundDown(quantity, step);
        }
        long high = Math.multiplyHigh(quantity, numerator);
        long low = quantity * numerator;
        if ((high == 0 && low >= 0) || (high == -1 && low < 0)) {
            long whole = denominator == 1 ? low : Math.floorDiv(low, denominator);
            boolean rest = denominator != 1 && Math.floorMod(low, denominator) != 0;
            return up
                    ? Quantity.roundUp(rest ? Quantity.plus(whole, 1) : whole, step)
                    : Quantity.roundDown(whole, step);
        }
        BigInteger product = BigInteger.valueOf(quantity).multiply(BigInteger.valueOf(numerator));
        BigInteger divisor = BigInteger.valueOf(denominator).multiply(BigInteger.valueOf(step));
        BigInteger[] parts = product.divideAndRemainder(divisor);
        BigInteger steps = up && parts[1].signum() > 0 ? parts[0].add(BigInteger.ONE) : parts[0];
        BigInteger result = steps.multiply(BigInteger.valueOf(step));
        if (result.bitLength() > 62) {
            throw new PlanningException("The quantity " + Quantity.text(quantity) + " times " + numerator + "/"
                    + denominator + " is too large to be planned");
        }
        return result.longValue();
    }

    private static Ratio reduced(BigInteger numerator, BigInteger denominator) {
        if (numerator.signum() < 0 || denominator.signum() <= 0) {
            throw new PlanningException("A factor must not be negative: " + numerator + "/" + denominator);
        }
        BigInteger divisor = numerator.gcd(denominator);
        BigInteger n = numerator.divide(divisor);
        BigInteger d = denominator.divide(divisor);
        if (n.bitLength() > 62 || d.bitLength() > 62) {
            throw new PlanningException("The factor " + n + "/" + d + " has too many digits to be exact");
        }
        return new Ratio(n.longValue(), d.longValue());
    }
}
