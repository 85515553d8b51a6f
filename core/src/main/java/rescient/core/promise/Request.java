package rescient.core.promise;

import java.util.List;
import rescient.core.company.Change;
import rescient.core.company.CustomerOrderLine;
import rescient.core.company.UnfitException;
import rescient.core.order.TransferRoute;
import rescient.core.snapshot.Snapshot;

/**
 * What somebody would like to have.
 *
 * @param quantity millionths of the item's unit, in whole steps of it, more than 0
 * @param wantedDay an epoch day, past or to come
 * @param priority 1 = served first
 * @param bought how it would be bought for this line alone; null: from stock
 * @param parts of what the kit would consist for this line alone; null: of what its bill of materials says
 * @param from the site from which exactly this is brought for it by a transfer; null: nothing is
 */
public record Request(
        String item,
        String site,
        long quantity,
        int wantedDay,
        int priority,
        CustomerOrderLine.BoughtForLine bought,
        List<CustomerOrderLine.KitPart> parts,
        String from) {
    /** The last there is: the transfer is the last to be counted of its day. */
    private static final String TRANSFER = Character.toString(Character.MAX_CODE_POINT);

    /** Of what goes from stock, kits as their bills of materials say. */
    public Request(String item, String site, long quantity, int wantedDay, int priority) {
        this(item, site, quantity, wantedDay, priority, null, null, null);
    }

    /** Whether the stock points that there are know what is asked for. */
    boolean ordinary() {
        return bought == null && parts == null && from == null;
    }

    /** The same asked for elsewhere, or of another item. */
    public Request instead(String ofItem, String atSite, long ofQuantity) {
        return new Request(ofItem, atSite, ofQuantity, wantedDay, priority);
    }

    /** The same brought from another site. */
    public Request broughtFrom(String other) {
        return new Request(item, site, quantity, wantedDay, priority, bought, parts, other);
    }

    /**
     * What the line brings with it: itself, and the transfer that brings it.
     *
     * @throws UnfitException if nobody knows how long the transfer takes
     */
    List<Change> changes(Snapshot company, CustomerOrderLine line) {
        if (from == null) {
            return List.of(new Change.CustomerOrder(line));
        }
        TransferRoute route = TransferRoute.of(company, item, from, site);
        if (route == null) {
            throw new UnfitException(
                    "Nobody knows how long a transfer of " + item + " from " + from + " to " + site + " takes",
                    "transferFrom");
        }
        return List.of(
                route.order(TRANSFER + line.line(), line.quantity(), line.dueDay()), new Change.CustomerOrder(line));
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
