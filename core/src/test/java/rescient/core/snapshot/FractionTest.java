package rescient.core.snapshot;

import static org.assertj.core.api.Assertions.assertThat;

import java.math.BigInteger;
import net.jqwik.api.ForAll;
import net.jqwik.api.Property;
import net.jqwik.api.constraints.LongRange;
import org.junit.jupiter.api.Test;

/** Exact, whether it fits into two longs or not. */
class FractionTest {
    private static final long MOST = Long.MAX_VALUE;

    /** The same with longer numbers from the start. */
    private record Slow(BigInteger above, BigInteger below) {
        static Slow of(long above, long below) {
            return new Slow(BigInteger.valueOf(above), BigInteger.valueOf(below));
        }

        Slow plus(Slow other) {
            return new Slow(above.multiply(other.below).add(other.above.multiply(below)), below.multiply(other.below));
        }

        Slow times(Slow other) {
            return new Slow(above.multiply(other.above), below.multiply(other.below));
        }

        int compare(Slow other) {
            return above.multiply(other.below).compareTo(other.above.multiply(below));
        }
    }

    private static void same(Fraction fraction, Slow slow) {
        String[] parts = fraction.toString().split("/");
        assertThat(new Slow(new BigInteger(parts[0]), new BigInteger(parts[1])).compare(slow))
                .as(fraction + " and " + slow)
                .isZero();
    }

    @Property
    void calculatesLikeLongerNumbers(
            @ForAll @LongRange(min = 0, max = MOST) long a,
            @ForAll @LongRange(min = 1, max = MOST) long b,
            @ForAll @LongRange(min = 0, max = MOST) long c,
            @ForAll @LongRange(min = 1, max = MOST) long d,
            @ForAll @LongRange(min = 1, max = 1_000_000_000_000L) long e) {
        Fraction one = Fraction.of(a, b);
        Fraction two = Fraction.of(c, d);
        Slow slowOne = Slow.of(a, b);
        Slow slowTwo = Slow.of(c, d);
        same(one.plus(two), slowOne.plus(slowTwo));
        same(one.minus(two), slowOne.plus(Slow.of(-c, d)));
        same(one.times(two), slowOne.times(slowTwo));
        same(one.dividedBy(Fraction.of(e, 1_000_000)), slowOne.times(Slow.of(1_000_000, e)));
        same(
                one.plus(two).plus(one).times(two),
                slowOne.plus(slowTwo).plus(slowOne).times(slowTwo));
        assertThat(Integer.signum(one.compareTo(two))).isEqualTo(Integer.signum(slowOne.compare(slowTwo)));
        assertThat(one.signum()).isEqualTo(Long.signum(a));
    }

    @Test
    void isRoundedUpToAWholeNumber() {
        assertThat(Fraction.of(7, 2).ceiling()).isEqualTo(4);
        assertThat(Fraction.of(8, 2).ceiling()).isEqualTo(4);
        assertThat(Fraction.of(-7, 2).ceiling()).isEqualTo(-3);
        Fraction large = Fraction.of(MOST, 2).times(Fraction.of(MOST, 3));
        // (2^63 - 1)^2 is 1 modulo 6
        BigInteger square = BigInteger.valueOf(MOST).pow(2);
        assertThat(large.ceiling())
                .isEqualTo(square.subtract(BigInteger.ONE)
                        .divide(BigInteger.valueOf(6))
                        .add(BigInteger.ONE));
    }

    @Test
    void equalOnesAreWrittenInMoreThanOneWay() {
        assertThat(Fraction.of(2, 4)).isEqualByComparingTo(Fraction.of(1, 2));
        assertThat(Fraction.of(2, 4).minus(Fraction.of(1, 2)).signum()).isZero();
    }
}
