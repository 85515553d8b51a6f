package rescient.server.planning;

import java.math.BigDecimal;
import java.time.DayOfWeek;
import java.time.LocalDate;
import java.util.List;
import rescient.core.company.ItemKind;
import rescient.core.company.OpenOrder;
import rescient.core.company.Source;
import rescient.core.order.Obstacle;
import rescient.core.plan.PlannedOrder;
import rescient.core.plan.PointView;
import rescient.core.plan.Urgency;
import rescient.core.trace.Ends;
import rescient.server.platform.Nullable;

/** The planned orders of a plan as the list shows them. */
public final class PlannedOrders {
    private PlannedOrders() {}

    /**
     * One planned order, or one that is firmed.
     *
     * @param key names it; see {@link OrderKey}
     * @param number of a firmed order
     * @param daysLate calendar days from due to possible, 0 if it can be there in time
     * @param value what it will cost, in the company's currency
     * @param obstacle why it cannot be released, in a sentence
     * @param hold until when it is left out of release
     * @param end the first customer order that it serves in the end, if it serves any
     * @param ends how many customer order lines it serves in the end, counted up to {@link Ends#MOST}
     * @param forLate one of them is late
     */
    public record PlannedOrderRow(
            String key,
            @Nullable String number,
            Urgency group,
            String item,
            String itemName,
            @Nullable String itemGroup,
            @Nullable String planner,
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
            @Nullable String obstacle,
            @Nullable Hold hold,
            @Nullable End end,
            int ends,
            boolean forLate) {

        PlannedOrderRow with(@Nullable Hold held, @Nullable End first, int lines, boolean late) {
            return with(group, held, first, lines, late);
        }

        PlannedOrderRow in(Urgency other) {
            return other == group ? this : with(other, hold, end, ends, forLate);
        }

        private PlannedOrderRow with(Urgency asks, @Nullable Hold held, @Nullable End first, int lines, boolean late) {
            return new PlannedOrderRow(
                    key, number, asks, item, itemName, itemGroup, planner, site, siteName, source, supplier, partner,
                    fromSite, quantity, unit, start, due, possible, daysLate, value, obstacle, held, first, lines,
                    late);
        }
    }

    static boolean phantom(PlanVersion version, String item) {
        return version.directory().item(item).is() == ItemKind.PHANTOM;
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
                null,
                Urgency.of(Words.date(order.startDay()), version.today(), DayOfWeek.MONDAY),
                order.item(),
                directory.itemName(order.item()),
                directory.group(order.item()),
                directory.planner(order.item()),
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
                words(Obstacle.of(order)),
                null,
                null,
                0,
                false);
    }

    /** The row of a firmed order. */
    public static PlannedOrderRow firmed(PlanVersion version, OpenOrder order) {
        Directory directory = version.directory();
        LocalDate due = Words.date(order.dueDay());
        LocalDate start = order.startDay() == OpenOrder.NO_DAY ? due : Words.date(order.startDay());
        Integer possible = version.plan()
                .point(order.item(), order.site())
                .map(p -> p.possibleDay(order.number(), order.line()))
                .orElse(null);
        return new PlannedOrderRow(
                OrderKey.ofLine(order.number(), order.line()),
                order.number(),
                Urgency.of(start, version.today(), DayOfWeek.MONDAY),
                order.item(),
                directory.itemName(order.item()),
                directory.group(order.item()),
                directory.planner(order.item()),
                order.site(),
                directory.siteName(order.site()),
                Words.word(order.kind()),
                order.supplier(),
                order.kind() == Source.BUY
                        ? directory.supplierName(order.supplier())
                        : directory.siteName(order.fromSite()),
                order.fromSite(),
                Words.quantity(order.quantity()),
                directory.unit(order.item()),
                start,
                due,
                Words.dateOrNull(possible),
                possible == null ? null : Math.max(0, possible - order.dueDay()),
                OrderValue.ofOpen(directory, order).value(),
                null,
                null,
                null,
                0,
                false);
    }

    private static String partner(Directory directory, PlannedOrder order) {
        return order.source() == Source.BUY
                ? directory.supplierName(order.supplier())
                : directory.siteName(order.fromSite());
    }

    /** Why an order cannot be given to anybody, in words; null if nothing keeps it. */
    public static String words(Obstacle obstacle) {
        return obstacle == null ? null : obstacle == Obstacle.NO_SUPPLIER ? "no supplier" : "no sending site";
    }

    private static BigDecimal value(PlanVersion version, PlannedOrder order) {
        PointView point = version.plan().point(order.item(), order.site()).orElseThrow();
        return OrderValue.of(version.directory(), point, order).value();
    }
}
