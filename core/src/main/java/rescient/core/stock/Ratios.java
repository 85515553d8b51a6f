package rescient.core.stock;

import java.math.BigInteger;
import rescient.core.base.Ratio;

/** Sums of exact shares. */
final class Ratios {
    private Ratios() {}

    /** @throws ArithmeticException if it has more digits than a share can hold */
    static Ratio sum(Ratio a, Ratio b) {
        BigInteger numerator =
                a.numerator().multiply(b.denominator()).add(b.numerator().multiply(a.denominator()));
        BigInteger denominator = a.denominator().multiply(b.denominator());
        BigInteger common = numerator.gcd(denominator).max(BigInteger.ONE);
        return new Ratio(
                numerator.divide(common).longValueExact(),
                denominator.divide(common).longValueExact());
    }
}
