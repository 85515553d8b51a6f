package rescient.core.prices;

import java.math.BigDecimal;
import java.math.RoundingMode;
import java.util.Comparator;
import java.util.List;

/** What one unit costs at a quantity: the price of the highest step that is reached and has one. */
public record PriceBreaks(List<Break> breaks) {
    private static final int CENTS = 2;

    /**
     * A step.
     *
     * @param from this quantity on, in the unit that is bought
     * @param price of one such unit; null: the step says nothing about it
     */
    public record Break(BigDecimal from, BigDecimal price) {}

    public PriceBreaks {
        breaks = List.copyOf(breaks);
    }

    /** The price of one unit at this quantity of them, or null if none is known. */
    public BigDecimal at(BigDecimal quantity) {
        return breaks.stream()
                .filter(step -> step.price() != null)
                .filter(step -> step.from().compareTo(quantity) <= 0)
                .max(Comparator.comparing(Break::from))
                .map(Break::price)
                .orElse(null);
    }

    /** Quantity × price, halves of a cent up; null where there is no price. */
    public static BigDecimal value(BigDecimal quantity, BigDecimal price) {
        return price == null ? null : quantity.multiply(price).setScale(CENTS, RoundingMode.HALF_UP);
    }
}
