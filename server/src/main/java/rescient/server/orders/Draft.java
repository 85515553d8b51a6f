package rescient.server.orders;

import java.math.BigDecimal;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import rescient.core.PlannedOrder;
import rescient.core.Quantity;
import rescient.core.Source;
import rescient.server.planning.Directory;
import rescient.server.planning.PlanVersion;
import rescient.server.planning.PlannedOrders;
import rescient.server.planning.Words;
import rescient.server.platform.Nullable;

/**
 * A document that a release will create: a purchase order for each supplier and receiving site, an order of its own for
 * everything else.
 *
 * @param partner supplier, sending site or subcontractor by name
 * @param value in the company's currency, null if a price is missing
 * @param minimum the supplier's minimum order value, if the value is below it
 */
public record Draft(
        String kind,
        @Nullable String supplier,
        String site,
        String siteName,
        @Nullable String fromSite,
        @Nullable String partner,
        List<Line> lines,
        @Nullable BigDecimal value,
        @Nullable BigDecimal minimum) {

    /**
     * One line.
     *
     * @param unit what it is bought in, or the item's unit
     * @param unitQuantity quantity in that unit
     */
    public record Line(
            String key,
            String item,
            String itemName,
            BigDecimal quantity,
            String itemUnit,
            BigDecimal unitQuantity,
            String unit,
            @Nullable BigDecimal unitPrice,
            @Nullable BigDecimal value,
            LocalDate start,
            LocalDate due) {}

    /** The documents for planned orders, each by its key; purchase orders first. */
    static List<Draft> of(PlanVersion version, Map<String, PlannedOrder> orders) {
        Map<List<String>, Map<String, PlannedOrder>> purchases = new LinkedHashMap<>();
        List<Draft> others = new ArrayList<>();
        orders.forEach((key, order) -> {
            if (order.source() == Source.BUY) {
                purchases
                        .computeIfAbsent(List.of(order.supplier(), order.site()), g -> new LinkedHashMap<>())
                        .put(key, order);
            } else {
                others.add(draft(version, Map.of(key, order)));
            }
        });
        List<Draft> drafts = new ArrayList<>();
        purchases.values().forEach(lines -> drafts.add(draft(version, lines)));
        drafts.addAll(others);
        return drafts;
    }

    private static Draft draft(PlanVersion version, Map<String, PlannedOrder> orders) {
        Directory directory = version.directory();
        PlannedOrder first = orders.values().iterator().next();
        List<Line> lines = new ArrayList<>();
        orders.forEach((key, order) -> lines.add(line(version, key, order)));
        BigDecimal value = BigDecimal.ZERO;
        for (Line line : lines) {
            value = value == null || line.value == null ? null : value.add(line.value);
        }
        BigDecimal minimum = first.supplier() == null ? null : directory.minimumOrderValue(first.supplier());
        boolean below = minimum != null && value != null && value.compareTo(minimum) < 0;
        return new Draft(
                Words.word(first.source()),
                first.supplier(),
                first.site(),
                directory.siteName(first.site()),
                first.fromSite(),
                first.source() == Source.BUY
                        ? directory.supplierName(first.supplier())
                        : directory.siteName(first.fromSite()),
                lines,
                value,
                below ? minimum : null);
    }

    private static Line line(PlanVersion version, String key, PlannedOrder order) {
        Directory directory = version.directory();
        boolean bought = order.source() == Source.BUY;
        String itemUnit = directory.unit(order.item());
        BigDecimal quantity = Quantity.decimal(order.quantity());
        BigDecimal units = bought ? PlannedOrders.purchaseQuantity(version, order) : quantity;
        BigDecimal price = bought ? directory.purchasePrice(order.supplier(), order.item(), units) : null;
        return new Line(
                key,
                order.item(),
                directory.itemName(order.item()),
                quantity,
                itemUnit,
                units,
                bought ? directory.purchaseUnit(order.supplier(), order.item()) : itemUnit,
                price,
                bought ? Directory.value(units, price) : directory.standardValue(order.item(), quantity),
                Words.date(order.startDay()),
                Words.date(order.dueDay()));
    }
}
