package rescient.core.prices;

import java.math.BigDecimal;

/** What things cost, in the company's currency; null where it is not known. */
public interface Prices {
    /** One unit of an item at standard. */
    BigDecimal standard(String item);

    /**
     * What a supplier asks for an order.
     *
     * @param supplier may be null: not known
     * @param units in the unit it is bought in, millionths
     */
    BigDecimal purchase(String item, String supplier, long units);
}
