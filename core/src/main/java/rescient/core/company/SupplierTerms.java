package rescient.core.company;

import java.math.BigDecimal;
import java.util.List;
import rescient.core.base.DocumentOrder;
import rescient.core.base.Quantity;
import rescient.core.base.Ratio;

/**
 * What a supplier asks for an item: its base row.
 *
 * @param purchaseUnit item units in one purchase unit, null when bought in the item's own unit
 * @param step smallest part of a purchase unit that can be ordered, in millionths
 * @param leadTimeDays working days, -1 if not set
 * @param minQuantity purchase units in millionths, {@link Quantity#NOT_SET} if not set; so are the next two
 * @param preference 1 = first choice
 */
public record SupplierTerms(
        String supplier,
        String item,
        Ratio purchaseUnit,
        long step,
        int leadTimeDays,
        long minQuantity,
        long multiple,
        long maxQuantity,
        int preference) {

    /**
     * Whether a row is a supplier's base row: from the first piece on, with the terms that plan.
     *
     * @param fromQuantity of the row
     */
    public static boolean areBase(BigDecimal fromQuantity) {
        return fromQuantity.signum() == 0;
    }

    /**
     * Those by which a stock point is bought: of its own supplier, or of the one with the lowest preference, then by code.
     *
     * @param offered all of the item
     * @return null if it is not bought or nobody offers it
     */
    public static SupplierTerms chosen(PlanningData data, List<SupplierTerms> offered) {
        if (data.source != Source.BUY) {
            return null;
        }
        SupplierTerms best = null;
        for (SupplierTerms terms : offered) {
            boolean candidate = data.supplier == null || data.supplier.equals(terms.supplier);
            if (candidate && (best == null || terms.isBefore(best))) {
                best = terms;
            }
        }
        return best;
    }

    private boolean isBefore(SupplierTerms other) {
        return preference != other.preference
                ? preference < other.preference
                : DocumentOrder.byCodePoint(supplier, other.supplier) < 0;
    }
}
