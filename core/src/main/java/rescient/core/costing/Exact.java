package rescient.core.costing;

import java.math.BigDecimal;
import java.math.BigInteger;
import java.math.RoundingMode;

/**
 * A number that is not rounded on its way.
 *
 * @param denominator above 0; both without a common divisor
 */
public record Exact(BigInteger numerator, BigInteger denominator) {
    public static final Exact ZERO = new Exact(BigInteger.ZERO, BigInteger.ONE);
    public static final Exact ONE = new Exact(BigInteger.ONE, BigInteger.ONE);

    public Exact {
        if (denominator.signum() == 0) {
            throw new ArithmeticException("Nothing is divided by 0");
        }
        BigInteger common = numerator.gcd(denominator).max(BigInteger.ONE);
        BigInteger sign = BigInteger.valueOf(denominator.signum());
        numerator = numerator.divide(common).multiply(sign);
        denominator = denominator.divide(common).multiply(sign);
    }

    public static Exact of(BigDecimal number) {
        BigDecimal whole = number.scale() < 0 ? number.setScale(0) : number;
        return new Exact(whole.unscaledValue(), BigInteger.TEN.pow(whole.scale()));
    }

    public Exact plus(Exact other) {
        return new Exact(
                numerator.multiply(other.denominator).add(other.numerator.multiply(denominator)),
                denominator.multiply(other.denominator));
    }

    public Exact times(Exact other) {
        return new Exact(numerator.multiply(other.numerator), denominator.multiply(other.denominator));
    }

    /** @throws ArithmeticException if the other is 0 */
    public Exact over(Exact other) {
        return new Exact(numerator.multiply(other.denominator), denominator.multiply(other.numerator));
    }

    /** Half up, away from zero. */
    public BigDecimal rounded(int decimals) {
        return new BigDecimal(numerator).divide(new BigDecimal(denominator), decimals, RoundingMode.HALF_UP);
    }
}
