package rescient.core.order;

import java.util.Comparator;
import java.util.Optional;
import rescient.core.company.Source;
import rescient.core.plan.PlannedOrder;
import rescient.core.plan.PointView;

/**
 * An order as it could come another way: from another supplier, bought instead of made or the other way round.
 *
 * @param draft with the minimum and multiple of this way
 * @param possibleDay when it could be there if ordered today; made, through all its components
 * @param late it would not be there when it is wanted
 */
public record OtherWay(OrderDraft draft, int possibleDay, boolean late) {
    /**
     * @param point the stock point as it is planned if all comes this way
     * @param order as it stands
     * @return empty if it can never be there
     */
    public static Optional<OtherWay> of(PointView point, OrderDraft order) {
        OrderDraft draft = Drafting.of(point).dueOn(point.sized(order.quantity()), order.dueDay());
        Integer possible = point.source() == Source.BUY
                ? Integer.valueOf(Math.max(order.dueDay(), point.earliestDue(draft.startQuantity())))
                : throughComponents(point, order.dueDay());
        return possible == null
                ? Optional.empty()
                : Optional.of(new OtherWay(draft, possible, possible > order.dueDay()));
    }

    /** When what is made for a day can really be there, by the plan in which it is always made; null if it never can. */
    private static Integer throughComponents(PointView made, int due) {
        return made.plannedOrders().stream()
                .filter(order -> order.dueDay() >= due)
                .min(Comparator.comparingInt(PlannedOrder::dueDay))
                .map(PlannedOrder::possibleDay)
                .orElse(null);
    }
}
