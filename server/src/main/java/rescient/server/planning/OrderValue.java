package rescient.server.planning;

import java.math.BigDecimal;
import rescient.core.base.Quantity;
import rescient.core.company.Earmark;
import rescient.core.company.Source;
import rescient.core.order.OrderDraft;
import rescient.core.plan.PlannedOrder;
import rescient.core.plan.PointView;
import rescient.core.prices.PriceBreaks;
import rescient.server.platform.Nullable;

/**
 * What an order comes to.
 *
 * @param units in the unit it is bought in, or the item's
 * @param price of one unit, null if none is known or nothing is bought
 * @param value in the company's currency
 */
public record OrderValue(
        BigDecimal units,
        String unit,
        @Nullable BigDecimal price,
        @Nullable BigDecimal value) {

    /**
     * A line of an order as it stands: what was agreed on, where it says so, else the list price of its supplier, or the
     * standard cost of what is not bought.
     *
     * @param units in the unit of the order, null where the line does not say; so are {@code unit} and {@code price}
     */
    public static OrderValue of(
            Directory directory,
            Source source,
            String supplier,
            String item,
            BigDecimal quantity,
            @Nullable BigDecimal units,
            @Nullable String unit,
            @Nullable BigDecimal price) {
        if (source != Source.BUY || supplier == null) {
            return new OrderValue(quantity, directory.unit(item), null, directory.standardValue(item, quantity));
        }
        BigDecimal bought = units != null ? units : directory.inPurchaseUnits(supplier, item, quantity);
        BigDecimal each = price != null ? price : directory.purchasePrice(supplier, item, bought);
        return new OrderValue(
                bought,
                unit != null ? unit : directory.purchaseUnit(supplier, item),
                each,
                PriceBreaks.value(bought, each));
    }

    public static OrderValue of(Directory directory, PointView point, PlannedOrder order) {
        return of(directory, point, order.source(), order.supplier(), order.quantity(), order.startQuantity());
    }

    /** @param point planned as the order is: from the same supplier */
    public static OrderValue of(Directory directory, PointView point, OrderDraft order) {
        return of(directory, point, order.source(), order.supplier(), order.quantity(), order.startQuantity());
    }

    private static OrderValue of(
            Directory directory, PointView point, Source source, String supplier, long quantity, long startQuantity) {
        String item = point.item();
        if (source != Source.BUY || supplier == null) {
            BigDecimal good = Quantity.decimal(quantity);
            return new OrderValue(good, directory.unit(item), null, directory.standardValue(item, good));
        }
        // what is bought for one line alone is planned as it is, and bought in the supplier's unit all the same
        BigDecimal units = Earmark.isCode(item)
                ? directory.inPurchaseUnits(supplier, item, Quantity.decimal(startQuantity))
                : Quantity.decimal(point.inPurchaseUnits(startQuantity));
        BigDecimal price = directory.purchasePrice(supplier, item, units);
        return new OrderValue(units, directory.purchaseUnit(supplier, item), price, PriceBreaks.value(units, price));
    }
}
