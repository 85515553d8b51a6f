package rescient.server.orders;

import java.math.BigDecimal;
import java.util.List;
import rescient.core.base.Quantity;
import rescient.core.company.Source;
import rescient.core.company.Stage;
import rescient.core.order.Drafting;
import rescient.core.order.OrderDraft;
import rescient.core.plan.PlannedOrder;
import rescient.core.plan.PointView;
import rescient.server.planning.OrderValue;
import rescient.server.planning.PlanVersion;

/**
 * An order that is to go out.
 *
 * @param firmed the line it is firmed as, or null if it is only planned
 * @param asked the day for which the plan asks for it, days from 1970
 * @param possible the day on which the plan says that it can be there, or null if it never can
 */
record ReleaseLine(
        String key, OrderDraft order, OrderValue worth, SupplyOrderLine firmed, int asked, Integer possible) {
    static ReleaseLine planned(PlanVersion version, String key, PlannedOrder order) {
        PointView point = version.plan().point(order.item(), order.site()).orElseThrow();
        return new ReleaseLine(
                key,
                Drafting.of(point).planned(order.sequence()),
                OrderValue.of(version.directory(), point, order),
                null,
                order.dueDay(),
                order.possibleDay());
    }

    /** Dated with the day on which it can be there, if that is later; a number that others know keeps its date. */
    ReleaseLine dated(PlanVersion version) {
        if (possible == null || possible <= order.dueDay() || numbered()) {
            return this;
        }
        PointView point = version.plan().point(order.item(), order.site()).orElseThrow();
        return new ReleaseLine(
                key, Drafting.of(point).moved(order, point.workingDay(possible)), worth, firmed, asked, possible);
    }

    static ReleaseLine firmed(
            PlanVersion version, String key, SupplyOrderLine line, List<SupplyOrderComponent> components) {
        SupplyOrder order = line.order;
        List<OrderDraft.Need> needs = components.stream()
                .filter(c -> c.line.equals(line.line))
                .map(c -> new OrderDraft.Need(
                        c.component,
                        order.fromSite == null ? order.site : order.fromSite,
                        Quantity.of(c.quantity),
                        (int) c.neededDate.toEpochDay()))
                .toList();
        BigDecimal started = line.startQuantity == null ? line.quantity : line.startQuantity;
        OrderDraft draft = new OrderDraft(
                line.plannedAs(),
                order.site,
                Source.valueOf(order.kind.toUpperCase(java.util.Locale.ROOT)),
                order.supplier,
                order.fromSite,
                Quantity.of(line.quantity),
                Quantity.of(started),
                (int) (line.startDate == null ? line.dueDate : line.startDate).toEpochDay(),
                (int) line.dueDate.toEpochDay(),
                needs,
                java.util.Set.of(),
                line.madeFor());
        Integer possible = version.plan()
                .point(line.plannedAs(), order.site)
                .map(p -> p.possibleDay(order.number, line.line))
                .orElse(null);
        return new ReleaseLine(key, draft, worth(version, draft, line), line, draft.dueDay(), possible);
    }

    private static OrderValue worth(PlanVersion version, OrderDraft draft, SupplyOrderLine line) {
        return OrderValue.of(
                version.directory(),
                draft.source(),
                draft.supplier(),
                line.item,
                line.quantity,
                line.unitQuantity == null ? null : line.unitQuantity.stripTrailingZeros(),
                line.unit,
                line.unitPrice);
    }

    /** The order as a fact that the plan counts on. */
    rescient.core.company.Change.Order as(String number, String line) {
        return order.as(number, line, Stage.RELEASED);
    }

    /** It has a number that those who carry it out know. */
    boolean numbered() {
        return firmed != null && !firmed.order.number.startsWith("FO-");
    }
}
