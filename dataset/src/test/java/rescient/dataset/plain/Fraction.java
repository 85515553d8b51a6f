package rescient.dataset.plain;

import java.math.BigDecimal;
import java.math.BigInteger;

/** An exact number. */
record Fraction(BigInteger over, BigInteger under) implements Comparable<Fraction> {
    static final Fraction ZERO = of(0);
    static final Fraction ONE = of(1);

    static Fraction of(long whole) {
        return new Fraction(BigInteger.valueOf(whole), BigInteger.ONE);
    }

    static Fraction of(String decimal) {
        BigDecimal value = new BigDecimal(decimal);
        return value.scale() <= 0
                ? new Fraction(value.toBigIntegerExact(), BigInteger.ONE)
                : reduced(value.unscaledValue(), BigInteger.TEN.pow(value.scale()));
    }

    private static Fraction reduced(BigInteger over, BigInteger under) {
        BigInteger divisor = over.gcd(under);
        return divisor.signum() == 0
                ? new Fraction(BigInteger.ZERO, BigInteger.ONE)
                : new Fraction(over.divide(divisor), under.divide(divisor));
    }

    Fraction plus(Fraction other) {
        return reduced(over.multiply(other.under).add(other.over.multiply(under)), under.multiply(other.under));
    }

    Fraction minus(Fraction other) {
        return plus(new Fraction(other.over.negate(), other.under));
    }

    Fraction times(Fraction other) {
        return reduced(over.multiply(other.over), under.multiply(other.under));
    }

    Fraction by(Fraction other) {
        Fraction result = reduced(over.multiply(other.under), under.multiply(other.over));
        return result.under.signum() < 0 ? new Fraction(result.over.negate(), result.under.negate()) : result;
    }

    /** Rounded up to a multiple of a step. */
    Fraction up(Fraction step) {
        return of(by(step).floorOf(true)).times(step);
    }

    /** Rounded to a multiple of a step; half of one goes away from zero. */
    Fraction near(Fraction step) {
        Fraction half = step.by(of(2));
        return sign() < 0 ? minus(half).up(step) : plus(half).down(step);
    }

    Fraction negative() {
        return ZERO.minus(this);
    }

    Fraction down(Fraction step) {
        return of(by(step).floorOf(false)).times(step);
    }

    private BigInteger floorOf(boolean up) {
        BigInteger[] parts = over.divideAndRemainder(under);
        int sign = parts[1].signum();
        return up && sign > 0
                ? parts[0].add(BigInteger.ONE)
                : !up && sign < 0 ? parts[0].subtract(BigInteger.ONE) : parts[0];
    }

    private static Fraction of(BigInteger whole) {
        return new Fraction(whole, BigInteger.ONE);
    }

    int days() {
        return floorOf(true).intValueExact();
    }

    boolean more(Fraction other) {
        return compareTo(other) > 0;
    }

    boolean less(Fraction other) {
        return compareTo(other) < 0;
    }

    Fraction least(Fraction other) {
        return less(other) ? this : other;
    }

    Fraction most(Fraction other) {
        return more(other) ? this : other;
    }

    int sign() {
        return over.signum();
    }

    @Override
    public int compareTo(Fraction other) {
        return over.multiply(other.under).compareTo(other.over.multiply(under));
    }

    /** As a decimal without zeros at its end. */
    @Override
    public String toString() {
        BigDecimal value = new BigDecimal(over).divide(new BigDecimal(under)).stripTrailingZeros();
        return (value.scale() < 0 ? value.setScale(0) : value).toPlainString();
    }
}
