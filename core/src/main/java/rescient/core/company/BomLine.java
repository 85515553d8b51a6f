package rescient.core.company;

import java.math.BigDecimal;
import rescient.core.base.Ratio;

/**
 * One line of a bill of materials.
 *
 * @param line orders the lines of a parent: digits by value, else by code point
 * @param quantity component units for one unit of the parent started, or for one order when {@code perOrder}; unit
 *     conversion and scrap are already in it
 * @param validFrom first valid day, {@link Integer#MIN_VALUE} if open
 * @param validTo last valid day, {@link Integer#MAX_VALUE} if open
 * @param step the operation that needs it, or null: the order's start
 */
public record BomLine(
        String parent,
        String line,
        String component,
        Ratio quantity,
        boolean perOrder,
        int validFrom,
        int validTo,
        String step) {

    /**
     * What a row says: so much more is needed as is lost on the way, in the unit in which the component is kept.
     *
     * @param factor units of the component in one unit of the row's quantity
     * @param scrap the part that is lost, null: nothing
     */
    public static Ratio needed(Ratio quantity, Ratio factor, BigDecimal scrap) {
        Ratio needed = quantity.times(factor);
        return scrap == null ? needed : needed.times(Ratio.of(BigDecimal.ONE.add(scrap)));
    }

    /** A line that is needed on the start day of the order. */
    public BomLine(
            String parent,
            String line,
            String component,
            Ratio quantity,
            boolean perOrder,
            int validFrom,
            int validTo) {
        this(parent, line, component, quantity, perOrder, validFrom, validTo, null);
    }
}
