package rescient.core.company;

import java.math.BigDecimal;
import java.util.List;
import java.util.function.Predicate;
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
 * @param validFrom the first day on which they hold, as an epoch day; {@link Integer#MIN_VALUE}: ever since
 * @param validTo the last day, {@link Integer#MAX_VALUE}: until further notice
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
        int preference,
        int validFrom,
        int validTo) {

    /** Terms that hold on every day. */
    public SupplierTerms(
            String supplier,
            String item,
            Ratio purchaseUnit,
            long step,
            int leadTimeDays,
            long minQuantity,
            long multiple,
            long maxQuantity,
            int preference) {
        this(
                supplier,
                item,
                purchaseUnit,
                step,
                leadTimeDays,
                minQuantity,
                multiple,
                maxQuantity,
                preference,
                Integer.MIN_VALUE,
                Integer.MAX_VALUE);
    }

    /**
     * Whether a row is a supplier's base row: from the first piece on, with the terms that plan.
     *
     * @param fromQuantity of the row
     */
    public static boolean areBase(BigDecimal fromQuantity) {
        return fromQuantity.signum() == 0;
    }

    /** The same for what is bought for one line alone, in exactly its quantity. */
    public SupplierTerms forLine(String earmark) {
        return new SupplierTerms(
                supplier,
                earmark,
                null,
                step,
                leadTimeDays,
                Quantity.NOT_SET,
                Quantity.NOT_SET,
                Quantity.NOT_SET,
                preference,
                validFrom,
                validTo);
    }

    /** The same without minimum and multiple. */
    public SupplierTerms withoutSizes() {
        return new SupplierTerms(
                supplier,
                item,
                purchaseUnit,
                step,
                leadTimeDays,
                Quantity.NOT_SET,
                Quantity.NOT_SET,
                maxQuantity,
                preference,
                validFrom,
                validTo);
    }

    /** Whether they hold on a day; both ends belong to them. */
    public boolean holdOn(int day) {
        return validFrom <= day && day <= validTo;
    }

    /**
     * Those by which a stock point is bought: of its own supplier, or of the one with the lowest preference, then by code; of
     * several that one supplier has for the present those that came last.
     *
     * @param offered all of the item that hold at the time
     * @return null if it is not bought or nobody offers it
     */
    public static SupplierTerms chosen(PlanningData data, List<SupplierTerms> offered) {
        return data.source != Source.BUY
                ? null
                : best(offered, terms -> data.supplier == null || data.supplier.equals(terms.supplier));
    }

    /** The same of all that were and will be offered, by those that hold on a day. */
    public static SupplierTerms chosen(PlanningData data, List<SupplierTerms> offered, int day) {
        return data.source != Source.BUY
                ? null
                : best(
                        offered,
                        terms -> terms.holdOn(day) && (data.supplier == null || data.supplier.equals(terms.supplier)));
    }

    /** Those of one supplier that hold on a day, or null. */
    public static SupplierTerms of(String supplier, List<SupplierTerms> offered, int day) {
        return best(offered, terms -> terms.supplier.equals(supplier) && terms.holdOn(day));
    }

    private static SupplierTerms best(List<SupplierTerms> offered, Predicate<SupplierTerms> fit) {
        SupplierTerms best = null;
        for (SupplierTerms terms : offered) {
            if (fit.test(terms) && (best == null || terms.isBefore(best)) && terms.last(offered, fit)) {
                best = terms;
            }
        }
        return best;
    }

    /** Whether its supplier has no later ones that fit. */
    private boolean last(List<SupplierTerms> offered, Predicate<SupplierTerms> fit) {
        for (SupplierTerms other : offered) {
            if (other.validFrom > validFrom && other.supplier.equals(supplier) && fit.test(other)) {
                return false;
            }
        }
        return true;
    }

    private boolean isBefore(SupplierTerms other) {
        return preference != other.preference
                ? preference < other.preference
                : DocumentOrder.byCodePoint(supplier, other.supplier) < 0;
    }
}
