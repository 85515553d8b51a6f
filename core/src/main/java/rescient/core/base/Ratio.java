package rescient.core.base;

import java.math.BigDecimal;
import java.math.BigInteger;
import java.util.Objects;

/**
 * An exact factor of 0 or more: a unit conversion, a quantity per parent with its scrap, a yield. The fraction is reduced.
 * Most fit into two {@code long}s and are calculated with as such; what kits within kits multiply up to may be longer.
 */
public final class Ratio {
    /** The factor 1. */
    public static final Ratio ONE = new Ratio(1, 1);

    /** The factor 0. */
    public static final Ratio ZERO = new Ratio(0, 1);

    private final long numerator;
    private final long denominator;
    /** Where they do not fit into a {@code long}; else null. */
    private final BigInteger longNumerator;

    private final BigInteger longDenominator;

    /**
     * @param numerator 0 or more
     * @param denominator more than 0; the two have no common divisor
     */
    public Ratio(long numerator, long denominator) {
        this.numerator = numerator;
        this.denominator = denominator;
        this.longNumerator = null;
        this.longDenominator = null;
    }

    private Ratio(BigInteger numerator, BigInteger denominator) {
        this.numerator = 0;
        this.denominator = 0;
        this.longNumerator = numerator;
        this.longDenominator = denominator;
    }

    /**
     * The factor for an exact decimal.
     *
     * @throws PlanningException if it is negative
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

    /** What a quantity is of another one, which is more than 0. */
    public static Ratio part(long quantity, long whole) {
        return reduced(BigInteger.valueOf(quantity), BigInteger.valueOf(whole));
    }

    /** Euclid's: Knuth, The Art of Computer Programming, volume 2, section 4.5.2. */
    private static long greatestCommonDivisor(long a, long b) {
        return b == 0 ? a : greatestCommonDivisor(b, a % b);
    }

    /** The upper number of the reduced fraction. */
    public BigInteger numerator() {
        return isLong() ? longNumerator : BigInteger.valueOf(numerator);
    }

    /** The lower number of the reduced fraction. */
    public BigInteger denominator() {
        return isLong() ? longDenominator : BigInteger.valueOf(denominator);
    }

    /** Whether it is 0. */
    public boolean isZero() {
        return !isLong() && numerator == 0;
    }

    /** The whole number that it is, or -1 if it is none or a very large one. */
    public long whole() {
        return !isLong() && denominator == 1 ? numerator : -1;
    }

    /** The product of both. */
    public Ratio times(Ratio other) {
        if (isOne() || other.isOne()) {
            return isOne() ? other : this;
        }
        return reduced(numerator().multiply(other.numerator()), denominator().multiply(other.denominator()));
    }

    private boolean isLong() {
        return longNumerator != null;
    }

    private boolean isOne() {
        return numerator == 1 && denominator == 1;
    }

    /** One divided by this; this must not be 0. */
    public Ratio inverse() {
        return reduced(denominator(), numerator());
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
        if (isLong()) {
            return scaledExactly(quantity, step, up);
        }
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
        return scaledExactly(quantity, step, up);
    }

    private long scaledExactly(long quantity, long step, boolean up) {
        BigInteger product = BigInteger.valueOf(quantity).multiply(numerator());
        BigInteger divisor = denominator().multiply(BigInteger.valueOf(step));
        BigInteger[] parts = product.divideAndRemainder(divisor);
        BigInteger steps = up && parts[1].signum() > 0 ? parts[0].add(BigInteger.ONE) : parts[0];
        BigInteger result = steps.multiply(BigInteger.valueOf(step));
        if (result.bitLength() > 62) {
            throw new PlanningException(
                    "The quantity " + Quantity.text(quantity) + " times " + this + " is too large to be planned");
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
        return n.bitLength() > 62 || d.bitLength() > 62 ? new Ratio(n, d) : new Ratio(n.longValue(), d.longValue());
    }

    @Override
    public boolean equals(Object other) {
        return other instanceof Ratio ratio
                && numerator == ratio.numerator
                && denominator == ratio.denominator
                && Objects.equals(longNumerator, ratio.longNumerator)
                && Objects.equals(longDenominator, ratio.longDenominator);
    }

    @Override
    public int hashCode() {
        return Objects.hash(numerator, denominator, longNumerator, longDenominator);
    }

    /** The fraction, as {@code 2/3}. */
    @Override
    public String toString() {
        return numerator() + "/" + denominator();
    }
}
