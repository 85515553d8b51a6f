package rescient.core.snapshot;

import java.math.BigDecimal;
import java.math.BigInteger;
import java.math.RoundingMode;
import rescient.core.base.Ratio;

/**
 * An exact fraction. Most fit into two {@code long}s and are calculated with as such; what does not is calculated with longer
 * numbers. It is reduced only where it grows, so that two that are equal may be written otherwise.
 */
final class Fraction implements Comparable<Fraction> {
    static final Fraction ZERO = new Fraction(0, 1);
    static final Fraction ONE = new Fraction(1, 1);

    /** Up to here nothing is gained by reducing. */
    private static final long SHORT = 1L << 31;

    private final long numerator;
    private final long denominator;
    /** Where they do not fit; else null. */
    private final BigInteger longNumerator;

    private final BigInteger longDenominator;

    private Fraction(long numerator, long denominator) {
        this.numerator = numerator;
        this.denominator = denominator;
        this.longNumerator = null;
        this.longDenominator = null;
    }

    private Fraction(BigInteger numerator, BigInteger denominator) {
        this.numerator = 0;
        this.denominator = 0;
        this.longNumerator = numerator;
        this.longDenominator = denominator;
    }

    /** @param denominator more than 0 */
    static Fraction of(long numerator, long denominator) {
        if (denominator < SHORT && numerator < SHORT && numerator > -SHORT) {
            return new Fraction(numerator, denominator);
        }
        long divisor = greatestCommonDivisor(Math.abs(numerator), denominator);
        return new Fraction(numerator / divisor, denominator / divisor);
    }

    static Fraction of(long whole) {
        return new Fraction(whole, 1);
    }

    static Fraction of(Ratio ratio) {
        return of(ratio.numerator(), ratio.denominator());
    }

    private static Fraction of(BigInteger numerator, BigInteger denominator) {
        BigInteger divisor = numerator.gcd(denominator);
        BigInteger above = numerator.divide(divisor);
        BigInteger below = denominator.divide(divisor);
        return above.bitLength() < Long.SIZE && below.bitLength() < Long.SIZE
                ? new Fraction(above.longValue(), below.longValue())
                : new Fraction(above, below);
    }

    Fraction plus(Fraction other) {
        if (isShort() && other.isShort()) {
            if (denominator == other.denominator) {
                long sum = numerator + other.numerator;
                if (((numerator ^ sum) & (other.numerator ^ sum)) >= 0) {
                    return of(sum, denominator);
                }
            } else if (fits(numerator, other.denominator)
                    && fits(other.numerator, denominator)
                    && fits(denominator, other.denominator)) {
                long one = numerator * other.denominator;
                long two = other.numerator * denominator;
                long sum = one + two;
                if (((one ^ sum) & (two ^ sum)) >= 0) {
                    return of(sum, denominator * other.denominator);
                }
            }
        }
        return of(
                above().multiply(other.below()).add(other.above().multiply(below())), below().multiply(other.below()));
    }

    Fraction minus(Fraction other) {
        return plus(other.negated());
    }

    private Fraction negated() {
        return isShort() && numerator != Long.MIN_VALUE
                ? new Fraction(-numerator, denominator)
                : new Fraction(above().negate(), below());
    }

    Fraction times(Fraction other) {
        return isShort() && other.isShort() && fits(numerator, other.numerator) && fits(denominator, other.denominator)
                ? of(numerator * other.numerator, denominator * other.denominator)
                : of(above().multiply(other.above()), below().multiply(other.below()));
    }

    /** @param other more than 0 */
    Fraction dividedBy(Fraction other) {
        return times(
                other.isShort()
                        ? new Fraction(other.denominator, other.numerator)
                        : new Fraction(other.below(), other.above()));
    }

    int signum() {
        return isShort() ? Long.signum(numerator) : longNumerator.signum();
    }

    /** The least whole number that is not below it. */
    BigInteger ceiling() {
        if (isShort()) {
            return BigInteger.valueOf(-Math.floorDiv(-numerator, denominator));
        }
        BigInteger[] parts = longNumerator.divideAndRemainder(longDenominator);
        return parts[1].signum() > 0 ? parts[0].add(BigInteger.ONE) : parts[0];
    }

    BigDecimal rounded(int decimals) {
        return new BigDecimal(above()).divide(new BigDecimal(below()), decimals, RoundingMode.HALF_UP);
    }

    @Override
    public int compareTo(Fraction other) {
        return isShort() && other.isShort() && fits(numerator, other.denominator) && fits(other.numerator, denominator)
                ? Long.compare(numerator * other.denominator, other.numerator * denominator)
                : above().multiply(other.below()).compareTo(other.above().multiply(below()));
    }

    @Override
    public String toString() {
        return above() + "/" + below();
    }

    private boolean isShort() {
        return longDenominator == null;
    }

    private BigInteger above() {
        return isShort() ? BigInteger.valueOf(numerator) : longNumerator;
    }

    private BigInteger below() {
        return isShort() ? BigInteger.valueOf(denominator) : longDenominator;
    }

    /** Whether a product fits into a {@code long}. */
    private static boolean fits(long a, long b) {
        return Math.multiplyHigh(a, b) == (a * b) >> (Long.SIZE - 1);
    }

    /** Euclid's: Knuth, The Art of Computer Programming, volume 2, section 4.5.2. */
    private static long greatestCommonDivisor(long a, long b) {
        long one = a;
        long two = b;
        while (two != 0) {
            long rest = one % two;
            one = two;
            two = rest;
        }
        return one;
    }
}
