package rescient.server.decisions;

import java.math.BigDecimal;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import java.util.stream.Collectors;
import org.springframework.stereotype.Service;
import rescient.core.base.Quantity;
import rescient.core.company.Source;
import rescient.core.order.Drafting;
import rescient.core.order.OrderDraft;
import rescient.core.order.OtherWay;
import rescient.core.plan.Demand;
import rescient.core.plan.PointView;
import rescient.core.prices.PriceDifference;
import rescient.core.snapshot.DemandKind;
import rescient.server.planning.Deliveries;
import rescient.server.planning.LivePlan;
import rescient.server.planning.OrderKey;
import rescient.server.planning.OrderValue;
import rescient.server.planning.PlanVersion;
import rescient.server.planning.Words;
import rescient.server.platform.JobProblem;
import rescient.server.platform.Nullable;
import rescient.server.tables.DeskRows;

/**
 * Other suppliers, buying instead of making, making what is bought but has a bill of materials, and alternative items:
 * what each could bring when, and what it costs more.
 */
@Service
class Offers {
    private final DeskRows desk;
    private final LivePlan live;
    private final Deliveries deliveries;

    Offers(DeskRows desk, LivePlan live, Deliveries deliveries) {
        this.desk = desk;
        this.deliveries = deliveries;
        this.live = live;
    }

    /**
     * One way.
     *
     * @param source of an alternative, how that is replenished
     * @param supplier null if it is made, and of an alternative; so is {@code supplierName}
     * @param item the alternative, or null
     * @param orders how many production orders would use the alternative; otherwise 0
     * @param quantity with the minimum and multiple of this way
     * @param possible when it could be there if ordered today; made, through all its components; an alternative, when the
     *     last of those orders could have it, from stock or as it can be ordered
     * @param late it would not be there when it is wanted
     * @param dearer than the ordinary way, in the company's currency, an alternative than as much of the item as it stands
     *     for; null if a price is missing
     * @param inTime so many of a hundred lines of the supplier came in time in the last year; null: nobody knows
     */
    record Offer(
            String source,
            @Nullable String supplier,
            @Nullable String supplierName,
            @Nullable String item,
            @Nullable String itemName,
            int orders,
            BigDecimal quantity,
            String unit,
            LocalDate possible,
            boolean late,
            @Nullable BigDecimal value,
            @Nullable BigDecimal dearer,
            @Nullable Integer inTime) {}

    /** In the order in which they would be there; none for an order that went while somebody looked at it. */
    List<Offer> forOrder(String key) {
        PlanVersion version = live.current();
        Targets targets = new Targets(desk, version);
        return targets.find(key).map(target -> offers(version, targets, target)).orElse(List.of());
    }

    private List<Offer> offers(PlanVersion version, Targets targets, Target target) {
        OrderDraft order = target.as();
        Drafter drafter = new Drafter(version);
        BigDecimal ordinary = OrderValue.of(version.directory(), drafter.point(Drafter.Way.of(order)), order)
                .value();
        List<Offer> offers = new ArrayList<>();
        for (String supplier : version.directory().suppliersOf(order.item())) {
            if (order.source() == Source.BUY && supplier.equals(order.supplier())) {
                continue;
            }
            offer(version, drafter, order, Source.BUY, supplier, ordinary).ifPresent(offers::add);
        }
        if (order.source() == Source.BUY
                && !version.directory().bills().lines(order.item()).isEmpty()) {
            offer(version, drafter, order, Source.MAKE, null, ordinary).ifPresent(offers::add);
        }
        for (String other : new Alternatives(version, targets).of(order.item())) {
            alternative(version, target, other, ordinary).ifPresent(offers::add);
        }
        offers.sort(Comparator.comparing(Offer::late)
                .thenComparing(Offer::possible)
                .thenComparing(o -> o.item() == null ? "" : o.item())
                .thenComparing(o -> o.supplier() == null ? "" : o.supplier()));
        return offers;
    }

    /** By the plan as it would be if the orders that wait used it. */
    private Optional<Offer> alternative(PlanVersion version, Target target, String other, BigDecimal ordinary) {
        Proposal proposal = Proposing.look(desk, version, new UseAlternative(List.of(target.key()), other, null));
        if (!proposal.refusals.isEmpty()) {
            return Optional.empty();
        }
        OrderDraft order = target.as();
        Optional<PointView> point = proposal.after().plan().point(other, order.site());
        Set<String> users = proposal.lines.stream().map(Proposal.Line::outcome).collect(Collectors.toSet());
        List<Demand> asked = point.map(PointView::demands).orElse(List.of()).stream()
                .filter(d -> d.kind() == DemandKind.COMPONENT && d.ofPlannedOrder() == null)
                .filter(d -> users.contains(OrderKey.ofLine(d.number(), d.line())))
                .toList();
        if (asked.isEmpty() || asked.stream().anyMatch(d -> d.possibleDay() == null)) {
            return Optional.empty();
        }
        long used = proposal.substitution.used();
        BigDecimal value = OrderValue.of(
                        version.directory(),
                        point.get(),
                        Drafting.of(point.get()).dueOn(used, order.dueDay()))
                .value();
        BigDecimal part = Quantity.decimal(proposal.substitution.instead());
        return Optional.of(new Offer(
                Words.word(point.get().source()),
                null,
                null,
                other,
                version.directory().itemName(other),
                users.size(),
                Quantity.decimal(used),
                version.directory().unit(other),
                Words.date(asked.stream().mapToInt(Demand::possibleDay).max().orElseThrow()),
                asked.stream().anyMatch(d -> d.possibleDay() > d.day()),
                value,
                PriceDifference.ofPart(value, ordinary, part, Quantity.decimal(order.quantity())),
                null));
    }

    private Optional<Offer> offer(
            PlanVersion version,
            Drafter drafter,
            OrderDraft order,
            Source source,
            String supplier,
            BigDecimal ordinary) {
        PointView point;
        try {
            point = drafter.point(new Drafter.Way(order.item(), order.site(), source, supplier, null));
        } catch (JobProblem e) {
            return Optional.empty();
        }
        return OtherWay.of(point, order).map(way -> {
            OrderValue worth = OrderValue.of(version.directory(), point, way.draft());
            return new Offer(
                    Words.word(source),
                    supplier,
                    supplier == null ? null : version.directory().supplierName(supplier),
                    null,
                    null,
                    0,
                    Quantity.decimal(way.draft().quantity()),
                    version.directory().unit(order.item()),
                    Words.date(way.possibleDay()),
                    way.late(),
                    worth.value(),
                    PriceDifference.of(worth.value(), ordinary),
                    supplier == null ? null : deliveries.inTime(version, supplier));
        });
    }
}
