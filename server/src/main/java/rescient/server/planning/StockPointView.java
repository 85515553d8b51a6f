package rescient.server.planning;

import java.math.BigDecimal;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import rescient.core.base.Quantity;
import rescient.core.company.OrderFacts;
import rescient.core.company.Source;
import rescient.core.plan.Balance;
import rescient.core.plan.Demand;
import rescient.core.plan.PlannedOrder;
import rescient.core.plan.PointView;
import rescient.core.plan.Supply;
import rescient.server.platform.Nullable;

/**
 * One stock point: how it is planned, and its stock line.
 *
 * @param leadTimeDays working days that the next order takes
 * @param routed whether that is by its operations
 * @param earliest the first day on which an ordinary order of today could be there; before it shortage cannot be cured
 * @param line the balance at the end of each day with an event
 * @param without the same if nothing more were ordered
 * @param events what comes and goes, by date
 */
public record StockPointView(
        String item,
        String itemName,
        String site,
        String siteName,
        String unit,
        String source,
        String rule,
        boolean planned,
        BigDecimal onHand,
        BigDecimal onOrder,
        BigDecimal safetyStock,
        @Nullable BigDecimal reorderPoint,
        @Nullable BigDecimal orderUpTo,
        int leadTimeDays,
        boolean routed,
        @Nullable String supplier,
        @Nullable String partner,
        @Nullable BigDecimal price,
        @Nullable String priceUnit,
        LocalDate today,
        LocalDate horizonEnd,
        LocalDate earliest,
        List<Level> line,
        List<Level> without,
        List<Event> events,
        List<SignalView> signals,
        List<PlannedOrders.PlannedOrderRow> plannedOrders) {

    /** A balance at the end of a day. */
    public record Level(LocalDate date, BigDecimal balance) {}

    /**
     * Something that comes (supply) or goes (demand).
     *
     * @param stage of a supply: planned, firmed or released
     */
    public record Event(
            LocalDate date,
            boolean supply,
            String text,
            BigDecimal quantity,
            @Nullable String stage,
            Slip.Link link) {}

    public static StockPointView of(PlanVersion version, PointView point) {
        Directory directory = version.directory();
        List<Supply> supplies = point.supplies();
        String supplier = point.supplier();
        return new StockPointView(
                point.item(),
                directory.itemName(point.item()),
                point.site(),
                directory.siteName(point.site()),
                directory.unit(point.item()),
                Words.word(point.source()),
                Words.word(point.rule()),
                point.planned(),
                sum(supplies, Supply.Kind.STOCK),
                sum(supplies, Supply.Kind.OPEN),
                Words.quantity(point.safetyStock()),
                Words.quantity(point.reorderPoint()),
                Words.quantity(point.orderUpTo()),
                leadTime(point),
                point.routed(),
                supplier,
                point.source() == Source.BUY ? directory.supplierName(supplier) : null,
                supplier == null ? null : directory.purchasePrice(supplier, point.item(), BigDecimal.ZERO),
                supplier == null ? null : directory.purchaseUnit(supplier, point.item()),
                version.today(),
                version.horizonEnd(),
                Words.date(point.earliestDue(Quantity.ONE)),
                levels(point.balances()),
                levels(point.balancesWithoutPlanned()),
                events(version, point, supplies),
                point.signals().stream().map(s -> SignalView.of(version, s)).toList(),
                PlannedOrders.of(version, point));
    }

    /** Of the next order that is planned, or of one unit. */
    private static int leadTime(PointView point) {
        long started = point.planned() && !point.plannedOrders().isEmpty()
                ? point.plannedOrder(0).startQuantity()
                : Quantity.ONE;
        return point.leadTimeDays(started);
    }

    private static BigDecimal sum(List<Supply> supplies, Supply.Kind kind) {
        return Quantity.decimal(supplies.stream()
                .filter(s -> s.kind() == kind)
                .mapToLong(Supply::quantity)
                .sum());
    }

    private static List<Level> levels(List<Balance> balances) {
        return balances.stream()
                .map(b -> new Level(Words.date(b.day()), Quantity.decimal(b.balance())))
                .toList();
    }

    private static List<Event> events(PlanVersion version, PointView point, List<Supply> supplies) {
        List<Event> events = new ArrayList<>();
        for (Supply supply : supplies) {
            if (supply.kind() == Supply.Kind.OPEN) {
                OrderFacts.OpenOrder order = version.directory().openOrder(supply.number(), supply.line());
                Slip.Link link = new Slip.Link("order", point.item(), point.site(), supply.number(), null);
                events.add(new Event(
                        Words.date(supply.day()),
                        true,
                        supply.number(),
                        Quantity.decimal(supply.quantity()),
                        Words.word(order.stage()),
                        link));
            } else if (supply.kind() == Supply.Kind.PLANNED) {
                PlannedOrder order = point.plannedOrder(supply.sequence());
                events.add(new Event(
                        Words.date(supply.day()),
                        true,
                        "planned",
                        Quantity.decimal(supply.quantity()),
                        "planned",
                        Slip.planned(version, order)));
            }
        }
        for (Demand demand : point.demands()) {
            events.add(new Event(
                    Words.date(demand.day()),
                    false,
                    Slip.name(demand),
                    Quantity.decimal(demand.quantity()),
                    null,
                    Slip.link(version, demand)));
        }
        events.sort(Comparator.comparing(Event::date));
        return events;
    }
}
