package rescient.server.planning;

import java.math.BigDecimal;
import rescient.core.base.Quantity;
import rescient.core.company.Earmark;
import rescient.core.company.OpenOrder;
import rescient.core.company.Source;
import rescient.core.order.OrderDraft;
import rescient.core.plan.PlannedOrder;
import rescient.core.plan.PointView;
import rescient.core.prices.PriceBreaks;
import rescient.dataset.Row;
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
     * A line of an order as it stands, all that was ordered: at the price agreed on, where it says so, else at the list
     * price of its supplier, or at the standard cost of what is not bought.
     *
     * @param line a row of open orders
     */
    public static OrderValue of(Directory directory, Row line) {
        String item = line.text("item");
        String supplier = line.text("supplier");
        BigDecimal ordered = line.decimal("ordered") == null ? line.decimal("quantity") : line.decimal("ordered");
        if (!line.text("kind").equals("buy") || supplier == null) {
            return new OrderValue(ordered, directory.unit(item), null, directory.standardValue(item, ordered));
        }
        BigDecimal started = line.decimal("start_quantity") == null ? ordered : line.decimal("start_quantity");
        String unit = line.text("unit", directory.purchaseUnit(supplier, item));
        BigDecimal units = directory.inUnit(item, started, unit);
        BigDecimal each = line.decimal("price");
        if (each == null) {
            each = directory.purchasePrice(supplier, item, units);
        }
        return new OrderValue(units, unit, each, PriceBreaks.value(units, each));
    }

    /** What is still open of an order. */
    static OrderValue ofOpen(Directory directory, OpenOrder order) {
        Row line = directory.facts().row("open_orders", order.number(), order.line());
        return of(
                directory,
                line.with("ordered", Quantity.text(order.quantity()))
                        .with("start_quantity", Quantity.text(order.startQuantity())));
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
