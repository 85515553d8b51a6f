package rescient.core.promise;

import java.util.List;
import rescient.core.company.CustomerOrderLine;

/**
 * What somebody would like to have.
 *
 * @param quantity millionths of the item's unit, in whole steps of it, more than 0
 * @param wantedDay an epoch day, past or to come
 * @param priority 1 = served first
 * @param bought how it would be bought for this line alone; null: from stock
 * @param parts of what the kit would consist for this line alone; null: of what its bill of materials says
 */
public record Request(
        String item,
        String site,
        long quantity,
        int wantedDay,
        int priority,
        CustomerOrderLine.BoughtForLine bought,
        List<CustomerOrderLine.KitPart> parts) {

    /** Of what goes from stock, kits as their bills of materials say. */
    public Request(String item, String site, long quantity, int wantedDay, int priority) {
        this(item, site, quantity, wantedDay, priority, null, null);
    }

    /** Whether the stock points that there are know what is asked for. */
    boolean ordinary() {
        return bought == null && parts == null;
    }

    /** The line it would be. */
    CustomerOrderLine line(String number, String line, long ofQuantity, int day, int withPriority) {
        CustomerOrderLine from = new CustomerOrderLine(number, line, item, site, ofQuantity, day, withPriority);
        if (parts != null) {
            return from.of(parts);
        }
        return bought == null ? from : from.boughtBy(bought.supplier(), bought.direct());
    }
}
