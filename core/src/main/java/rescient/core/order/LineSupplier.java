package rescient.core.order;

import java.util.List;
import rescient.core.base.Quantity;
import rescient.core.company.CustomerOrderLine.BoughtForLine;
import rescient.core.company.OrderSizes;
import rescient.core.company.PlanningData;
import rescient.core.company.SupplierTerms;
import rescient.core.snapshot.Snapshot;

/**
 * Of whom a line of a customer order is bought for alone, and what he asks: that is told, and the line is bought as it is.
 *
 * @param supplier null: nobody is known
 * @param least what he sells at least, millionths of the item's unit; {@link Quantity#NOT_SET} if the line asks for so much
 * @param multiple in whole steps of which he sells; {@link Quantity#NOT_SET} if the line asks for such
 */
public record LineSupplier(String supplier, long least, long multiple) {

    /**
     * Of whom a line is bought, and what he asks.
     *
     * @param quantity of the line, millionths of the item's unit
     */
    public static LineSupplier of(Snapshot company, String item, String site, BoughtForLine bought, long quantity) {
        return of(
                company.planning(item, site),
                company.offered(item),
                company.today(),
                bought,
                quantity,
                company.step(item));
    }

    /**
     * Of whom, and what he asks.
     *
     * @param point how the stock point of the item is planned
     * @param offered the base rows of all who offer the item
     * @param day on which they have to hold
     * @param quantity of the line, millionths of the item's unit
     * @param step the smallest part of the item's unit
     */
    static LineSupplier of(
            PlanningData point, List<SupplierTerms> offered, int day, BoughtForLine bought, long quantity, long step) {
        PlanningData data = point.forLine(point.item, bought);
        SupplierTerms terms = SupplierTerms.chosen(data, offered, day);
        if (terms == null) {
            return new LineSupplier(data.supplier, Quantity.NOT_SET, Quantity.NOT_SET);
        }
        OrderSizes sizes = OrderSizes.of(data, terms, step);
        long least = sizes.orderUnit().up(sizes.smallest(), step);
        long multiple = sizes.orderUnit().up(sizes.multiple(), step);
        return new LineSupplier(
                terms.supplier(),
                least > quantity ? least : Quantity.NOT_SET,
                quantity % multiple == 0 ? Quantity.NOT_SET : multiple);
    }
}
