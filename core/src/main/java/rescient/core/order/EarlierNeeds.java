package rescient.core.order;

import java.util.ArrayList;
import java.util.List;
import java.util.function.Predicate;
import rescient.core.company.Change;
import rescient.core.company.Stage;
import rescient.core.plan.Plan;
import rescient.core.plan.PlannedOrder;
import rescient.core.plan.PointView;

/** Which orders that are to be given out the plan would count for an earlier need than the one they are planned for. */
public final class EarlierNeeds {
    private static final String LINE = "1";

    private final Plan plan;

    public EarlierNeeds(Plan plan) {
        this.plan = plan;
    }

    /**
     * An order that is to be given out.
     *
     * @param name tells it from the others
     * @param asked the day for which it is planned
     */
    public record Given(String name, OrderDraft order, int asked) {}

    /** @param counted the day of the need that it would be counted for */
    public record Earlier(Given given, int counted) {}

    /** @param gone open orders in whose place some of them come */
    public List<Earlier> of(List<Given> all, List<Change> gone) {
        List<Change> changes = new ArrayList<>(gone);
        all.forEach(given -> changes.add(given.order().as(given.name(), LINE, Stage.RELEASED)));
        Plan after = changes.isEmpty() ? plan : plan.after(changes);
        List<Earlier> earlier = new ArrayList<>();
        for (Given given : all) {
            OrderDraft order = given.order();
            Integer counted = after.point(order.item(), order.site())
                    .map(point -> point.countedOn(given.name(), LINE))
                    .orElse(null);
            if (counted != null && counted < Math.min(given.asked(), order.dueDay())) {
                earlier.add(new Earlier(given, counted));
            }
        }
        return earlier;
    }

    /** The first planned order of the same stock point that is due before the day a given one is planned for, or null. */
    public PlannedOrder instead(Given given, Predicate<PlannedOrder> stays) {
        PointView point = plan.point(given.order().item(), given.order().site()).orElseThrow();
        return point.plannedOrders().stream()
                .filter(order -> order.dueDay() < given.asked())
                .filter(stays)
                .findFirst()
                .orElse(null);
    }
}
