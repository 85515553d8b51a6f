package rescient.core.base;

import java.math.BigDecimal;
import java.math.RoundingMode;

/**
 * Exact quantities as {@code long} millionths. 1 piece is {@code 1_000_000}; the largest quantity is about 9.2 × 10¹².
 * All arithmetic that could overflow throws {@link PlanningException}.
 */
public final class Quantity {
    /** One whole unit. */
    public static final long ONE = 1_000_000L;

    /** A parameter that is not set. */
    public static final long NOT_SET = Long.MIN_VALUE;

    private static final int DECIMALS = 6;
    /** So many digits cannot overflow as millionths. */
    private static final int PLAIN_LENGTH = 12;

    private Quantity() {}

    /**
     * The exact millionths of a decimal.
     *
     * @throws PlanningException if it has more than six decimals or is too large
     */
    public static long of(BigDecimal value) {
        try {
            return value.movePointRight(DECIMALS).longValueExact();
        } catch (ArithmeticException e) {
            throw new PlanningException("The quantity " + value.toPlainString()
                    + " cannot be held: at most 6 decimals and 9,000,000,000,000 are allowed");
        }
    }

    /** The exact millionths of a decimal text such as {@code "12.5"}; see {@link #of(BigDecimal)}. */
    public static long of(String text) {
        long plain = text.length() > PLAIN_LENGTH ? NOT_SET : plain(text);
        return plain == NOT_SET ? of(new BigDecimal(text)) : plain;
    }

    /** The millionths of at most twelve characters, digits and perhaps a point among them; else {@link #NOT_SET}. */
    private static long plain(String text) {
        long value = 0;
        int decimals = -1;
        for (int i = 0; i < text.length(); i++) {
            char c = text.charAt(i);
            if (c >= '0' && c <= '9') {
                value = value * 10 + c - '0';
                decimals += decimals < 0 ? 0 : 1;
            } else if (c == '.' && decimals < 0 && i > 0) {
                decimals = 0;
            } else {
                return NOT_SET;
            }
        }
        if (text.isEmpty() || decimals > DECIMALS) {
            return NOT_SET;
        }
        for (int d = Math.max(decimals, 0); d < DECIMALS; d++) {
            value *= 10;
        }
        return value;
    }

    /** Whole units. */
    public static long of(long units) {
        return times(units, ONE);
    }

    /** The decimal for millionths, without trailing zeros. */
    public static BigDecimal decimal(long millionths) {
        BigDecimal value = BigDecimal.valueOf(millionths, DECIMALS).stripTrailingZeros();
        return value.scale() < 0 ? value.setScale(0, RoundingMode.UNNECESSARY) : value;
    }

    /** The plain text for millionths: {@code 1250} or {@code 0.5}. */
    public static String text(long millionths) {
        return decimal(millionths).toPlainString();
    }

    /** The smallest step of a unit with this many decimals (0 to 6), in millionths. */
    public static long step(int decimals) {
        if (decimals < 0 || decimals > DECIMALS) {
            throw new PlanningException("A unit has 0 to 6 decimals, not " + decimals);
        }
        long step = ONE;
        for (int i = 0; i < decimals; i++) {
            step /= 10;
        }
        return step;
    }

    public static long roundUp(long value, long step) {
        // dividing by a constant is many times faster, and most units have no decimals
        long rest = step == ONE ? Math.floorMod(value, ONE) : Math.floorMod(value, step);
        return rest == 0 ? value : plus(value, step - rest);
    }

    public static long roundDown(long value, long step) {
        return value - Math.floorMod(value, step);
    }

    public static long plus(long a, long b) {
        try {
            return Math.addExact(a, b);
        } catch (ArithmeticException e) {
            throw new PlanningException("The sum of " + text(a) + " and " + text(b) + " is too large to be planned");
        }
    }

    public static long times(long a, long b) {
        try {
            return Math.multiplyExact(a, b);
        } catch (ArithmeticException e) {
            throw new PlanningException("The product of " + a + " and " + b + " is too large to be planned");
        }
    }
}
