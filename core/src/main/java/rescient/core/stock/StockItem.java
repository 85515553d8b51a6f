package rescient.core.stock;

import java.math.BigDecimal;
import rescient.core.company.ItemFacts;

/**
 * An item as the stockroom sees it.
 *
 * @param decimals of quantities in its unit
 * @param kit sold as one, kept as its parts
 * @param standardCost of one, in money; 0 if nobody said
 */
public record StockItem(
        String code,
        String unit,
        int decimals,
        boolean kit,
        ItemFacts.Tracking tracking,
        Costing costing,
        BigDecimal standardCost) {
    boolean isTracked() {
        return tracking != ItemFacts.Tracking.NONE;
    }

    boolean hasSerials() {
        return tracking == ItemFacts.Tracking.SERIAL;
    }

    /** Whether a quantity has no more decimals than its unit. */
    boolean holds(BigDecimal quantity) {
        return quantity.stripTrailingZeros().scale() <= decimals;
    }
}
