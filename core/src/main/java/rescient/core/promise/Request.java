package rescient.core.promise;

import rescient.core.company.CustomerOrderLine;

/**
 * What somebody would like to have.
 *
 * @param quantity millionths of the item's unit, in whole steps of it, more than 0
 * @param wantedDay an epoch day, past or to come
 * @param priority 1 = served first
 * @param bought how it would be bought for this line alone; null: from stock
 */
public record Request(
        String item, String site, long quantity, int wantedDay, int priority, CustomerOrderLine.BoughtForLine bought) {

    /** Of what goes from stock. */
    public Request(String item, String site, long quantity, int wantedDay, int priority) {
        this(item, site, quantity, wantedDay, priority, null);
    }

    /** The line it would be. */
    CustomerOrderLine line(String number, String line, long ofQuantity, int day, int withPriority) {
        CustomerOrderLine from = new CustomerOrderLine(number, line, item, site, ofQuantity, day, withPriority);
        return bought == null ? from : from.boughtBy(bought.supplier(), bought.direct());
    }
}
