package rescient.server.orders;

import java.math.BigDecimal;
import java.time.LocalDate;
import java.util.List;
import rescient.core.base.Quantity;
import rescient.core.company.Source;
import rescient.core.order.Documents;
import rescient.core.order.OrderDraft;
import rescient.core.prices.OrderTotal;
import rescient.server.planning.Directory;
import rescient.server.planning.PlanVersion;
import rescient.server.planning.Words;
import rescient.server.platform.Nullable;

/**
 * A document that a release will create: a purchase order for each supplier and receiving site, an order of its own for
 * everything else.
 *
 * @param number the one it has already, of a firmed order with a number of its own
 * @param partner supplier, sending site or subcontractor by name
 * @param value in the company's currency, null if a price is missing
 * @param minimum the supplier's minimum order value, if the value is below it
 */
public record ReleaseDocument(
        String kind,
        @Nullable String number,
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
     * @param asked the day for which the plan asks for it
     * @param possible the day on which it can be there, if that is later; null also if it never can
     * @param daysLate calendar days from the one to the other, 0 if it can be there in time
     * @param dated whether its date can still be chosen: it has no number that others know
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
            LocalDate due,
            LocalDate asked,
            @Nullable LocalDate possible,
            int daysLate,
            boolean dated) {}

    /** The documents for orders that go; purchase orders first. One with a number of its own stays a document. */
    static List<ReleaseDocument> of(PlanVersion version, List<ReleaseLine> orders) {
        return Documents.of(orders, ReleaseLine::order, ReleaseLine::numbered).stream()
                .map(lines -> draft(version, lines))
                .toList();
    }

    private static ReleaseDocument draft(PlanVersion version, List<ReleaseLine> orders) {
        Directory directory = version.directory();
        OrderDraft first = orders.get(0).order();
        List<Line> lines = orders.stream().map(o -> line(directory, o)).toList();
        BigDecimal value = OrderTotal.of(lines.stream().map(Line::value).toList());
        BigDecimal minimum = first.supplier() == null ? null : directory.minimumOrderValue(first.supplier());
        return new ReleaseDocument(
                Words.word(first.source()),
                orders.get(0).numbered() ? orders.get(0).firmed().text("number") : null,
                first.supplier(),
                first.site(),
                directory.siteName(first.site()),
                first.fromSite(),
                first.source() == Source.BUY
                        ? directory.supplierName(first.supplier())
                        : directory.siteName(first.fromSite()),
                lines,
                value,
                OrderTotal.isBelow(minimum, value) ? minimum : null);
    }

    private static Line line(Directory directory, ReleaseLine going) {
        OrderDraft order = going.order();
        int late = going.possible() == null ? 0 : Math.max(0, going.possible() - going.asked());
        return new Line(
                going.key(),
                order.item(),
                directory.itemName(order.item()),
                Quantity.decimal(order.quantity()),
                directory.unit(order.item()),
                going.worth().units(),
                going.worth().unit(),
                going.worth().price(),
                going.worth().value(),
                Words.date(order.startDay()),
                Words.date(order.dueDay()),
                Words.date(going.asked()),
                late > 0 ? Words.date(going.possible()) : null,
                late,
                !going.numbered());
    }
}
