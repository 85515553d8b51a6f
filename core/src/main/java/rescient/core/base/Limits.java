package rescient.core.base;

import java.math.BigDecimal;
import java.time.LocalDate;

/**
 * What a single fact may be at most, wherever it comes from: a dataset, a form, another program. Beyond it lies a slip of
 * the hand, and beyond that a number that nothing can be added to.
 */
public final class Limits {
    /** The first and the last day that a fact may be dated. */
    public static final LocalDate FIRST_DAY = LocalDate.of(1900, 1, 1);

    public static final LocalDate LAST_DAY = LocalDate.of(2199, 12, 31);

    /** The largest quantity, price or value: 10¹². */
    public static final BigDecimal MOST = BigDecimal.TEN.pow(12);

    /** The most digits of a number, before and behind the point together. */
    public static final int DIGITS = 30;

    private Limits() {}

    /** Whether a fact may be dated so. */
    public static boolean holds(LocalDate day) {
        return !day.isBefore(FIRST_DAY) && !day.isAfter(LAST_DAY);
    }

    /** Whether a number is one to calculate with: few digits, and no power of ten that would make many of them. */
    public static boolean holds(BigDecimal number) {
        return number.precision() <= DIGITS && Math.abs((long) number.scale()) <= DIGITS;
    }
}
