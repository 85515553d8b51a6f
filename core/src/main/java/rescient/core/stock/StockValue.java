package rescient.core.stock;

import java.math.BigDecimal;
import java.math.RoundingMode;
import java.util.Currency;
import rescient.core.company.ItemFacts;

/** What stock of an item at a site is worth, where no posting says it. Amounts have the decimals of their currency, rounded half up. */
public final class StockValue {
    private static final int USUAL_DECIMALS = 2;
    /** Of the worth of one piece, which is shown and not calculated with. */
    private static final int EACH_DECIMALS = 4;

    private StockValue() {}

    /** Decimals of a currency by ISO 4217; of none, or one that nobody knows, 2. */
    public static int decimals(String currency) {
        try {
            return currency == null
                    ? USUAL_DECIMALS
                    : Math.max(0, Currency.getInstance(currency).getDefaultFractionDigits());
        } catch (IllegalArgumentException e) {
            return USUAL_DECIMALS;
        }
    }

    /**
     * What lies there now is worth what the record says, or else its quantity at standard cost; of items valued at standard
     * always that.
     *
     * @param recorded null: nothing moved since the record began
     * @return null: nobody said what it costs
     */
    public static BigDecimal of(ItemFacts.Item item, BigDecimal recorded, BigDecimal quantity, int decimals) {
        if (recorded != null && item.costing() != ItemFacts.Costing.STANDARD) {
            return recorded;
        }
        return item.standardCost() == null
                ? null
                : item.standardCost().multiply(quantity).setScale(decimals, RoundingMode.HALF_UP);
    }

    /** What one of a quantity is worth; null if nothing lies there, or nobody knows. */
    public static BigDecimal each(BigDecimal value, BigDecimal quantity) {
        return value == null || quantity.signum() <= 0
                ? null
                : value.divide(quantity, EACH_DECIMALS, RoundingMode.HALF_UP);
    }

    /**
     * What some of a quantity is worth: as much of its value in proportion, rounded half up; null if nobody knows the value, or
     * nothing lies there.
     *
     * @param part may be more than lies there, or negative
     */
    public static BigDecimal part(BigDecimal value, BigDecimal quantity, BigDecimal part, int decimals) {
        return value == null || quantity.signum() <= 0
                ? null
                : value.multiply(part).divide(quantity, decimals, RoundingMode.HALF_UP);
    }

    /**
     * The value of another quantity that no posting explains: each piece is worth as much as before, and where nothing lay its
     * standard cost.
     *
     * @param cost standard cost of one
     */
    public static BigDecimal following(
            BigDecimal value, BigDecimal before, BigDecimal now, BigDecimal cost, int decimals) {
        return before.signum() == 0
                ? cost.multiply(now).setScale(decimals, RoundingMode.HALF_UP)
                : value.multiply(now).divide(before, decimals, RoundingMode.HALF_UP);
    }
}
