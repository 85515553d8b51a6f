package rescient.core.prices;

import java.math.BigDecimal;
import java.math.RoundingMode;
import java.util.Comparator;
import java.util.Optional;

/** What a buyer should know of a quantity before he orders it; quantities in the unit it is bought in. */
public final class BuyingHints {
    private BuyingHints() {}

    /**
     * From a little more on, each is cheaper.
     *
     * @param more than what is ordered
     * @param saves what the whole of the larger quantity costs less than the smaller; below 0: it costs more in all
     */
    public record Cheaper(BigDecimal from, BigDecimal more, BigDecimal price, BigDecimal saves) {}

    /** The next step of the price list that makes each cheaper; empty if there is none. */
    public static Optional<Cheaper> cheaper(PriceBreaks list, BigDecimal quantity) {
        BigDecimal now = list.at(quantity);
        if (now == null) {
            return Optional.empty();
        }
        return list.breaks().stream()
                .filter(step -> step.price() != null
                        && step.from().compareTo(quantity) > 0
                        && step.price().compareTo(now) < 0)
                .min(Comparator.comparing(PriceBreaks.Break::from))
                .map(step -> new Cheaper(
                        step.from(),
                        step.from().subtract(quantity),
                        step.price(),
                        quantity.multiply(now).subtract(step.from().multiply(step.price()))));
    }

    /**
     * What is missing to a whole number of what he sells in.
     *
     * @param multiple above 0; null: he sells any quantity
     * @return 0: nothing is
     */
    public static BigDecimal toFull(BigDecimal quantity, BigDecimal multiple) {
        if (multiple == null || multiple.signum() <= 0) {
            return BigDecimal.ZERO;
        }
        BigDecimal full = quantity.divide(multiple, 0, RoundingMode.UP).multiply(multiple);
        return full.subtract(quantity);
    }

    /** What is missing to the least that he sells; 0: nothing is. */
    public static BigDecimal toLeast(BigDecimal quantity, BigDecimal least) {
        return least == null ? BigDecimal.ZERO : least.subtract(quantity).max(BigDecimal.ZERO);
    }
}
