package rescient.server.planning;

import java.math.BigDecimal;
import java.time.DayOfWeek;
import java.time.LocalDate;
import java.time.temporal.TemporalAdjusters;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import rescient.core.PlannedOrder;
import rescient.core.PointView;
import rescient.core.Quantity;
import rescient.core.Source;
import rescient.server.platform.Nullable;

/** The planned orders of a plan as the list shows them. */
public final class PlannedOrders {
    private PlannedOrders() {}

    /** What a planned order asks for, in the order of urgency. */
    public enum Group {
        START_OVERDUE,
        START_TODAY,
        START_THIS_WEEK,
        START_LATER
    }

    /**
     * One planned order.
     *
     * @param key names it; see {@link OrderKey}
     * @param daysLate calendar days from due to possible, 0 if it can be there in time
     * @param value what it will cost, in the company's currency
     * @param obstacle why it cannot be released, in a sentence
     */
    public record PlannedOrderRow(
            String key,
            Group group,
            String item,
            String itemName,
            String site,
            String siteName,
            String source,
            @Nullable String supplier,
            @Nullable String partner,
            @Nullable String fromSite,
            BigDecimal quantity,
            String unit,
            LocalDate start,
            LocalDate due,
            @Nullable LocalDate possible,
            @Nullable Integer daysLate,
            @Nullable BigDecimal value,
            @Nullable String obstacle) {}

    /** All planned orders by start, due, item and site. */
    static List<PlannedOrderRow> of(PlanVersion version) {
        List<PlannedOrderRow> rows = new ArrayList<>();
        for (PointView point : version.plan().points()) {
            if (!phantom(version, point.item())) {
                rows.addAll(of(version, point));
            }
        }
        rows.sort(Comparator.comparing(PlannedOrderRow::start)
                .thenComparing(PlannedOrderRow::due)
                .thenComparing(PlannedOrderRow::item)
                .thenComparing(PlannedOrderRow::site));
        return rows;
    }

    static boolean phantom(PlanVersion version, String item) {
        return "phantom".equals(version.directory().items().get(item).text("kind"));
    }

    /** The planned orders of one stock point, in the order they were made. */
    static List<PlannedOrderRow> of(PlanVersion version, PointView point) {
        return point.plannedOrders().stream()
                .map(o -> row(version, o, OrderKey.of(point, o)))
                .toList();
    }

    /** The row of one planned order. */
    public static PlannedOrderRow row(PlanVersion version, PlannedOrder order, OrderKey key) {
        Directory directory = version.directory();
        return new PlannedOrderRow(
                key.text(),
                group(Words.date(order.startDay()), version.today()),
                order.item(),
                directory.itemName(order.item()),
                order.site(),
                directory.siteName(order.site()),
                Words.word(order.source()),
                order.supplier(),
                partner(directory, order),
                order.fromSite(),
                Words.quantity(order.quantity()),
                directory.unit(order.item()),
                Words.date(order.startDay()),
                Words.date(order.dueDay()),
                Words.dateOrNull(order.possibleDay()),
                order.possibleDay() == null ? null : order.possibleDay() - order.dueDay(),
                value(version, order),
                obstacle(order));
    }

    private static Group group(LocalDate start, LocalDate today) {
        LocalDate endOfWeek = today.with(TemporalAdjusters.nextOrSame(DayOfWeek.SUNDAY));
        if (start.isBefore(today)) {
            return Group.START_OVERDUE;
        }
        if (start.equals(today)) {
            return Group.START_TODAY;
        }
        return start.isAfter(endOfWeek) ? Group.START_LATER : Group.START_THIS_WEEK;
    }

    private static String partner(Directory directory, PlannedOrder order) {
        return order.source() == Source.BUY
                ? directory.supplierName(order.supplier())
                : directory.siteName(order.fromSite());
    }

    /** Why the order cannot be given to anybody, or null. */
    public static String obstacle(PlannedOrder order) {
        if (order.source() == Source.BUY && order.supplier() == null) {
            return "no supplier";
        }
        boolean elsewhere = order.source() == Source.TRANSFER || order.source() == Source.SUBCONTRACT;
        return elsewhere && order.fromSite() == null ? "no sending site" : null;
    }

    private static BigDecimal value(PlanVersion version, PlannedOrder order) {
        Directory directory = version.directory();
        if (order.source() != Source.BUY || order.supplier() == null) {
            return directory.standardValue(order.item(), Quantity.decimal(order.quantity()));
        }
        BigDecimal units = purchaseQuantity(version, order);
        return Directory.value(units, directory.purchasePrice(order.supplier(), order.item(), units));
    }

    /** How many purchase units a bought order is. */
    public static BigDecimal purchaseQuantity(PlanVersion version, PlannedOrder order) {
        return Quantity.decimal(
                version.plan().point(order.item(), order.site()).orElseThrow().inPurchaseUnits(order.startQuantity()));
    }
}
