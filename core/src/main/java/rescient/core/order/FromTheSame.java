package rescient.core.order;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Set;
import rescient.core.company.OpenOrder;
import rescient.core.company.Source;
import rescient.core.company.Stage;
import rescient.core.plan.OrdersByStart;
import rescient.core.plan.Plan;
import rescient.core.plan.PlannedOrder;

/** What else is to be bought from a supplier for a site within some time: it could go out on the same order. */
public final class FromTheSame {
    private FromTheSame() {}

    /** Whoever sells, and the site that is sold to. */
    public record Purchase(String supplier, String site) {}

    /**
     * The planned orders of these, in the order in which they start, then by due date, item and site.
     *
     * @param lastDue the last day on which they may be due
     */
    public static Map<Purchase, List<PlannedOrder>> of(Plan plan, Set<Purchase> purchases, int lastDue) {
        OrdersByStart orders = OrdersByStart.of(
                plan,
                point -> point.source() == Source.BUY
                        && purchases.contains(new Purchase(point.supplier(), point.site())),
                Integer.MAX_VALUE,
                lastDue);
        Map<Purchase, List<PlannedOrder>> found = new HashMap<>();
        for (List<PlannedOrder> day = orders.next(); !day.isEmpty(); day = orders.next()) {
            for (PlannedOrder order : day) {
                found.computeIfAbsent(new Purchase(order.supplier(), order.site()), p -> new ArrayList<>())
                        .add(order);
            }
        }
        return found;
    }

    /** The same of what is firmed, and not given out yet. */
    public static Map<Purchase, List<OpenOrder>> firmed(Plan plan, Set<Purchase> purchases, int lastDue) {
        Map<Purchase, List<OpenOrder>> found = new HashMap<>();
        for (OpenOrder order : plan.snapshot().openOrders()) {
            Purchase purchase = new Purchase(order.supplier(), order.site());
            if (order.stage() == Stage.FIRMED
                    && order.kind() == Source.BUY
                    && order.dueDay() <= lastDue
                    && purchases.contains(purchase)) {
                found.computeIfAbsent(purchase, p -> new ArrayList<>()).add(order);
            }
        }
        return found;
    }
}
