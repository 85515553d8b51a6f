package rescient.server.planning;

import java.math.BigDecimal;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.function.IntFunction;
import rescient.core.base.Quantity;
import rescient.core.company.CustomerOrderLine;
import rescient.core.company.Earmark;
import rescient.core.company.OrderFacts;
import rescient.core.company.StockFacts;
import rescient.core.plan.Demand;
import rescient.core.plan.Peg;
import rescient.core.plan.PlannedOrder;
import rescient.core.plan.PointView;
import rescient.core.plan.Supply;
import rescient.core.promise.Free;
import rescient.core.snapshot.DemandKind;
import rescient.core.snapshot.ForecastConsumption;
import rescient.server.platform.Nullable;

/**
 * What there is and comes of an item at a site, and who gets it.
 *
 * @param sites all at which the item is kept
 * @param comes supplies by the day that the plan counts on
 * @param goes demands in the order in which they are served
 * @param forecast bucket by bucket, what of it is left
 * @param cut so many demands that not all are told
 */
record AllocationView(
        String item,
        String itemName,
        String unit,
        String site,
        String siteName,
        LocalDate today,
        BigDecimal safetyStock,
        List<AtSite> sites,
        List<Comes> comes,
        List<Goes> goes,
        List<ForecastBucketView> forecast,
        boolean cut) {
    private static final int MOST = 600;

    /**
     * @param free from today on
     * @param wanted by customer orders
     * @param late so many demands that come late
     */
    record AtSite(
            String site,
            String siteName,
            BigDecimal onHand,
            BigDecimal onOrder,
            BigDecimal planned,
            BigDecimal wanted,
            @Nullable BigDecimal free,
            int late) {}

    /**
     * @param kind stock, open or planned
     * @param name of the lot, the order or the planned order's source
     * @param left of it nobody needs
     */
    record Comes(
            String kind,
            String name,
            LocalDate day,
            BigDecimal quantity,
            BigDecimal left,
            @Nullable LocalDate expiry,
            @Nullable Slip.Link link) {}

    /**
     * @param key of the line of a customer order; null: it is another demand
     * @param due its own date
     * @param possible when it can be met; null: never
     * @param from what serves it
     */
    record Goes(
            @Nullable String key,
            String kind,
            String name,
            @Nullable String customer,
            LocalDate day,
            LocalDate due,
            BigDecimal quantity,
            @Nullable Integer priority,
            @Nullable LocalDate possible,
            boolean late,
            List<From> from,
            @Nullable Slip.Link link) {}

    /** @param day the plan counts on */
    record From(String kind, String name, LocalDate day, BigDecimal quantity) {}

    /**
     * @param left is planned for, unless it is {@code fenced}
     * @param taken by whom, in turn
     */
    record ForecastBucketView(
            String set,
            LocalDate from,
            LocalDate to,
            BigDecimal quantity,
            BigDecimal left,
            boolean fenced,
            List<Taken> taken) {}

    /** @param customer by name, null if nobody in particular */
    record Taken(
            String number,
            String line,
            @Nullable String customer,
            LocalDate day,
            boolean shipped,
            BigDecimal quantity) {}

    static AllocationView of(PlanVersion version, PointView point) {
        Directory directory = version.directory();
        List<Demand> demands = point.demands();
        Map<Demand, List<From>> from = new HashMap<>();
        Map<Supply, Long> left = new HashMap<>();
        for (Supply supply : point.supplies()) {
            left.put(supply, supply.quantity());
        }
        for (Peg peg : point.planned() ? point.pegs() : List.<Peg>of()) {
            from.computeIfAbsent(peg.demand(), d -> new ArrayList<>(1)).add(from(peg));
            left.merge(peg.supply(), -peg.quantity(), Long::sum);
        }
        return new AllocationView(
                point.item(),
                directory.itemName(point.item()),
                directory.unit(point.item()),
                point.site(),
                directory.siteName(point.site()),
                version.today(),
                Quantity.decimal(point.safetyStock()),
                directory.sites().keySet().stream()
                        .map(site -> atSite(version, point.item(), site))
                        .filter(Objects::nonNull)
                        .toList(),
                point.supplies().stream()
                        .sorted(Comparator.comparingInt(Supply::day))
                        .limit(MOST)
                        .map(supply -> comes(version, point, supply, left.get(supply)))
                        .toList(),
                demands.stream()
                        .limit(MOST)
                        .map(demand -> goes(version, demand, from.getOrDefault(demand, List.of())))
                        .toList(),
                forecast(version, point),
                demands.size() > MOST);
    }

    private static From from(Peg peg) {
        Supply supply = peg.supply();
        return new From(
                Words.word(supply.kind()), supply.number(), Words.date(supply.day()), Quantity.decimal(peg.quantity()));
    }

    private static AtSite atSite(PlanVersion version, String item, String site) {
        PointView point = version.plan().point(item, site).orElse(null);
        if (point == null) {
            return null;
        }
        IntFunction<Free.Figure> free = Free.over(version.plan(), item, site);
        Free.Figure now = free.apply(version.plan().snapshot().today());
        return new AtSite(
                site,
                version.directory().siteName(site),
                sum(point, Supply.Kind.STOCK),
                sum(point, Supply.Kind.OPEN),
                sum(point, Supply.Kind.PLANNED),
                Quantity.decimal(point.demands().stream()
                        .filter(demand -> demand.kind() == DemandKind.CUSTOMER_ORDER)
                        .mapToLong(Demand::quantity)
                        .sum()),
                now == null ? null : Quantity.decimal(now.quantity()),
                (int) point.demands().stream().filter(AllocationView::late).count());
    }

    private static BigDecimal sum(PointView point, Supply.Kind kind) {
        return Quantity.decimal(point.supplies().stream()
                .filter(supply -> supply.kind() == kind)
                .mapToLong(Supply::quantity)
                .sum());
    }

    private static boolean late(Demand demand) {
        return demand.possibleDay() == null || demand.possibleDay() > demand.dueDay();
    }

    private static Comes comes(PlanVersion version, PointView point, Supply supply, Long left) {
        PlannedOrder planned = supply.kind() == Supply.Kind.PLANNED ? point.plannedOrder(supply.sequence()) : null;
        Slip.Link link = planned != null
                ? new Slip.Link(
                        "planned",
                        point.item(),
                        point.site(),
                        null,
                        OrderKey.of(point, planned).text())
                : supply.kind() == Supply.Kind.OPEN
                        ? new Slip.Link("order", point.item(), point.site(), supply.number(), null)
                        : null;
        Earmark alone = Earmark.of(point.item());
        StockFacts.Stock lot = supply.kind() == Supply.Kind.STOCK
                ? version.directory()
                        .facts()
                        .one(
                                StockFacts.Stock.class,
                                Earmark.item(point.item()),
                                point.site(),
                                supply.number(),
                                supply.line(),
                                alone == null ? "" : alone.number(),
                                alone == null ? "" : alone.line())
                        .orElse(null)
                : null;
        return new Comes(
                Words.word(supply.kind()),
                planned != null ? Words.word(planned.source()) : supply.number(),
                Words.date(supply.day()),
                Quantity.decimal(supply.quantity()),
                Quantity.decimal(left == null ? 0 : Math.max(0, left)),
                lot == null ? null : lot.expiry(),
                link);
    }

    private static Goes goes(PlanVersion version, Demand demand, List<From> from) {
        boolean order = demand.kind() == DemandKind.CUSTOMER_ORDER;
        OrderFacts.CustomerOrder line =
                order ? version.directory().customerOrder(demand.number(), demand.line()) : null;
        Integer priority = line == null
                ? null
                : line.priority() == null ? (Integer) CustomerOrderLine.DEFAULT_PRIORITY : line.priority();
        return new Goes(
                order ? OrderKey.ofLine(demand.number(), demand.line()) : null,
                Words.word(demand.kind()),
                Slip.name(demand),
                order ? version.directory().customerOf(demand.number(), demand.line()) : null,
                Words.date(demand.day()),
                Words.date(demand.dueDay()),
                Quantity.decimal(demand.quantity()),
                priority,
                Words.dateOrNull(demand.possibleDay()),
                late(demand),
                from,
                Slip.link(version, demand));
    }

    private static List<ForecastBucketView> forecast(PlanVersion version, PointView point) {
        int today = version.plan().snapshot().today();
        return ForecastConsumption.told(
                        version.plan().snapshot(),
                        point.item(),
                        point.site(),
                        version.plan().options())
                .stream()
                .filter(consumed -> consumed.bucket().lastDay() >= today)
                .map(consumed -> new ForecastBucketView(
                        consumed.bucket().set(),
                        Words.date(consumed.bucket().fromDay()),
                        Words.date(consumed.bucket().lastDay()),
                        Quantity.decimal(consumed.bucket().quantity()),
                        Quantity.decimal(consumed.left()),
                        consumed.fenced(),
                        consumed.takes().stream()
                                .map(take -> new Taken(
                                        take.number(),
                                        take.line(),
                                        take.shipped()
                                                ? null
                                                : version.directory().customerOf(take.number(), take.line()),
                                        Words.date(take.day()),
                                        take.shipped(),
                                        Quantity.decimal(take.quantity())))
                                .toList()))
                .toList();
    }
}
