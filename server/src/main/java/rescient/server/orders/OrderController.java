package rescient.server.orders;

import jakarta.validation.constraints.Size;
import java.math.BigDecimal;
import java.time.Instant;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.List;
import java.util.Set;
import org.springframework.transaction.annotation.Transactional;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.bind.annotation.RestController;
import rescient.core.order.OrderStatus;
import rescient.core.plan.Peg;
import rescient.core.plan.Supply;
import rescient.core.prices.OrderTotal;
import rescient.server.planning.Directory;
import rescient.server.planning.LivePlan;
import rescient.server.planning.OrderValue;
import rescient.server.planning.PlanVersion;
import rescient.server.planning.Served;
import rescient.server.planning.StraightTo;
import rescient.server.planning.Words;
import rescient.server.platform.JobProblem;
import rescient.server.platform.Nullable;
import rescient.server.platform.Sought;

/** Orders from release on: the list, and one order with what it serves. */
@RestController
@RequestMapping("/api/orders")
class OrderController {
    /** What is made here, in steps that are reported. */
    private static final Set<String> MADE = Set.of("make", "assemble");

    private final SupplyOrderRepository orders;
    private final SupplyOrderComponentRepository components;
    private final OrderList list;
    private final LivePlan live;

    OrderController(
            SupplyOrderRepository orders, SupplyOrderComponentRepository components, OrderList list, LivePlan live) {
        this.orders = orders;
        this.list = list;
        this.components = components;
        this.live = live;
    }

    /**
     * One order in the list.
     *
     * @param stage firmed, released or done; of several lines the least
     * @param due of the first line still open
     */
    record OrderRow(
            String number,
            String kind,
            String stage,
            @Nullable String partner,
            String siteName,
            int lines,
            String first,
            LocalDate due,
            boolean overdue,
            @Nullable BigDecimal value,
            @Nullable String way) {}

    record OrderLine(
            String line,
            String stage,
            String item,
            String itemName,
            BigDecimal ordered,
            BigDecimal open,
            String unit,
            @Nullable BigDecimal unitQuantity,
            @Nullable String purchaseUnit,
            @Nullable BigDecimal unitPrice,
            @Nullable BigDecimal value,
            @Nullable LocalDate start,
            LocalDate due,
            boolean overdue,
            List<OrderComponent> components,
            List<Served> serves,
            @Nullable String forOrder,
            @Nullable String forLine,
            @Nullable String straightTo,
            String tracking,
            boolean numbered,
            List<OrderStep> steps,
            boolean done,
            @Nullable LocalDate confirmed) {}

    /** An operation that what is made passes. */
    record OrderStep(String step, String name) {}

    /**
     * @param tracking none, lot or serial
     * @param issued so far, of {@code quantity} more; null: nothing was
     */
    record OrderComponent(
            String item,
            String itemName,
            BigDecimal quantity,
            String unit,
            String tracking,
            LocalDate needed,
            @Nullable BigDecimal issued) {}

    record OrderDetail(
            OrderRow order,
            String site,
            @Nullable String note,
            @Nullable String createdBy,
            @Nullable Instant createdAt,
            List<OrderLine> lines) {}

    /**
     * Orders by the day that is due next.
     *
     * @param rows the first of those that fit
     * @param total how many fit
     */
    record OrderRows(List<OrderRow> rows, int total) {}

    /** @param words of number, partner, site, or of the item that is due next */
    @GetMapping
    OrderRows list(
            @RequestParam(required = false) String kind,
            @RequestParam(required = false) String stage,
            @RequestParam(required = false) @Size(max = 30) String way,
            @RequestParam(required = false) String words) {
        PlanVersion version = live.current();
        OrderList.Listed listed = list.of(version, new OrderList.Wanted(kind, stage, way, new Sought(words)));
        return new OrderRows(
                listed.found().stream().map(order -> row(version, order)).toList(), listed.total());
    }

    static String partner(Directory directory, String kind, String supplier, String fromSite) {
        return kind.equals("buy") ? directory.supplierName(supplier) : directory.siteName(fromSite);
    }

    @GetMapping("/one")
    @Transactional(readOnly = true)
    OrderDetail one(@RequestParam String number) {
        SupplyOrder order =
                orders.withLines(number).orElseThrow(() -> JobProblem.notFound("There is no order " + number));
        PlanVersion version = live.current();
        List<SupplyOrderComponent> rows = components.findByOrderNumberOrderById(number);
        return new OrderDetail(
                row(version, order),
                order.site,
                order.note,
                order.createdBy,
                order.createdAt,
                order.lines.stream().map(l -> line(version, l, rows)).toList());
    }

    /** Where the parts of a released order come from; none: it takes none any more. */
    @GetMapping("/parts")
    OrderParts parts(@RequestParam @Size(max = 300) String number) {
        return OrderParts.of(live.current(), number);
    }

    private static OrderRow row(PlanVersion version, SupplyOrder order) {
        Directory directory = version.directory();
        OrderStatus status =
                OrderStatus.of(order.lines.stream().map(OrderController::status).toList(), today(version));
        SupplyOrderLine next = order.lines.get(status.next());
        List<BigDecimal> values = new ArrayList<>();
        order.lines.forEach(line -> values.add(line.worth(directory).value()));
        return new OrderRow(
                order.number,
                order.kind,
                Words.word(status.stage()),
                partner(directory, order.kind, order.supplier, order.fromSite),
                directory.siteName(order.site),
                order.lines.size(),
                next.item + " " + directory.itemName(next.item),
                next.dueDate,
                status.overdue(),
                OrderTotal.of(values),
                next.way() == null ? null : next.way().word());
    }

    private static OrderStatus.Line status(SupplyOrderLine line) {
        return new OrderStatus.Line(
                line.stage.equals("firmed"), line.closedDate == null, (int) line.dueDate.toEpochDay());
    }

    private static int today(PlanVersion version) {
        return (int) version.today().toEpochDay();
    }

    private static OrderLine line(PlanVersion version, SupplyOrderLine line, List<SupplyOrderComponent> components) {
        Directory directory = version.directory();
        List<Peg> pegs = version.plan()
                .point(line.plannedAs(), line.order.site)
                .map(point -> point.pegs().stream()
                        .filter(p -> p.supply().kind() == Supply.Kind.OPEN
                                && p.supply().number().equals(line.order.number)
                                && p.supply().line().equals(line.line))
                        .toList())
                .orElse(List.of());
        OrderValue worth = line.worth(directory);
        return new OrderLine(
                line.line,
                line.stage,
                line.item,
                directory.itemName(line.item),
                plain(line.ordered),
                plain(line.quantity),
                directory.unit(line.item),
                plain(worth.units()),
                worth.unit(),
                plain(worth.price()),
                worth.value(),
                line.startDate,
                line.dueDate,
                status(line).overdue(today(version)),
                components.stream()
                        .filter(c -> c.line.equals(line.line))
                        .map(c -> new OrderComponent(
                                c.component,
                                directory.itemName(c.component),
                                plain(c.quantity),
                                directory.unit(c.component),
                                directory.tracking(c.component),
                                c.neededDate,
                                c.issued == null || c.issued.signum() == 0 ? null : plain(c.issued)))
                        .toList(),
                Served.upFrom(version, pegs),
                line.forOrder,
                line.forLine,
                StraightTo.customer(directory, line.order.number, line.line),
                directory.tracking(line.item),
                directory.numbered(line.item),
                MADE.contains(line.order.kind)
                        ? directory.operations(line.item, line.order.site).stream()
                                .map(one -> new OrderStep(one.step(), directory.workCenterName(one.workCenter())))
                                .toList()
                        : List.of(),
                line.closedDate != null,
                line.confirmedDate);
    }

    private static BigDecimal plain(BigDecimal value) {
        if (value == null) {
            return null;
        }
        BigDecimal stripped = value.stripTrailingZeros();
        return stripped.scale() < 0 ? stripped.setScale(0) : stripped;
    }
}
