package rescient.core;

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
        int preference) {}
