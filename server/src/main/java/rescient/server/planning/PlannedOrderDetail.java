package rescient.server.planning;

import java.math.BigDecimal;
import java.time.LocalDate;
import java.util.List;
import rescient.core.base.Quantity;
import rescient.core.plan.Demand;
import rescient.core.plan.Peg;
import rescient.core.plan.PlannedOrder;
import rescient.core.plan.PointView;
import rescient.server.platform.Nullable;

/**
 * One planned order with all that explains it.
 *
 * @param serves what it is for, up to the customer orders
 * @param free what of it nothing needs yet: up to a level, a minimum or a multiple
 * @param needs what it waits for
 */
public record PlannedOrderDetail(
        PlannedOrders.PlannedOrderRow order,
        Slip quantity,
        Slip dates,
        List<Served> serves,
        @Nullable BigDecimal free,
        List<Needed> needs) {

    /** A component, or what a transfer takes. */
    public record Needed(
            String item,
            String itemName,
            String site,
            BigDecimal quantity,
            String unit,
            LocalDate date,
            @Nullable LocalDate possible,
            boolean late) {}

    static PlannedOrderDetail of(PlanVersion version, OrderKey key, PlannedOrder order) {
        PointView point = version.plan().point(order.item(), order.site()).orElseThrow();
        long used =
                point.serves(order.sequence()).stream().mapToLong(Peg::quantity).sum();
        List<Needed> needs = point.needs(order.sequence()).stream()
                .map(d -> needed(version, d))
                .toList();
        return new PlannedOrderDetail(
                PlannedOrders.row(version, order, key),
                Slip.quantity(version, point, order),
                Slip.dates(version, point, order),
                Served.upFrom(version, point.serves(order.sequence())),
                used == order.quantity() ? null : Quantity.decimal(order.quantity() - used),
                needs);
    }

    private static Needed needed(PlanVersion version, Demand demand) {
        boolean late = demand.possibleDay() == null || demand.possibleDay() > demand.dueDay();
        return new Needed(
                demand.item(),
                version.directory().itemName(demand.item()),
                demand.site(),
                Quantity.decimal(demand.quantity()),
                version.directory().unit(demand.item()),
                Words.date(demand.dueDay()),
                Words.dateOrNull(demand.possibleDay()),
                late);
    }
}
