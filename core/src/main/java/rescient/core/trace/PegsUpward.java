package rescient.core.trace;

import java.util.ArrayDeque;
import java.util.ArrayList;
import java.util.HashSet;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;
import java.util.Queue;
import java.util.Set;
import rescient.core.company.CustomerOrderLine;
import rescient.core.company.OpenOrder;
import rescient.core.netting.DemandList;
import rescient.core.netting.Pegging;
import rescient.core.netting.PointPlan;
import rescient.core.netting.ScheduledReceipts;
import rescient.core.plan.Plan;

/** All that waits for one order, up to customer orders and to orders that nothing else waits for. */
final class PegsUpward {
    /** An order, by its point and its place among the planned or the open orders there. */
    record Order(int point, Pegging.SupplyKind kind, int index) {}

    private final Plan plan;
    private final Set<Order> orders = new LinkedHashSet<>();
    private final Set<CustomerOrderLine> lines = new HashSet<>();
    private final List<Order> tops = new ArrayList<>();
    private final Map<Integer, SuppliedDemands> served;

    /** @param served what the supplies of points serve, which is found as it is needed */
    PegsUpward(Plan plan, Order from, Map<Integer, SuppliedDemands> served) {
        this.plan = plan;
        this.served = served;
        Queue<Order> open = new ArrayDeque<>(List.of(from));
        orders.add(from);
        while (!open.isEmpty()) {
            Order order = open.poll();
            List<Order> above = above(order);
            for (Order parent : above) {
                if (orders.add(parent)) {
                    open.add(parent);
                }
            }
        }
    }

    /** Whether an order is on one of the ways, as the one they begin at is too. */
    boolean lead(Order through) {
        return orders.contains(through);
    }

    /** The lines of customer orders at the ends, the earliest first. */
    List<CustomerOrderLine> customerOrders() {
        return lines.stream().sorted(Ends.EARLIEST).toList();
    }

    /** Orders that serve nobody, or a forecast. */
    List<Order> tops() {
        return tops;
    }

    private List<Order> above(Order order) {
        PointPlan here = plan.pegs().of(order.point);
        SuppliedDemands all = served.computeIfAbsent(order.point, p -> new SuppliedDemands(here, Pegging.of(here)));
        int supply = all.supply(order.kind, order.index);
        List<Order> above = new ArrayList<>();
        boolean serves = false;
        for (int i = all.start[supply]; i < all.start[supply + 1]; i++) {
            serves |= add(here.demands, all.demand[i], above);
        }
        if (!serves) {
            tops.add(order);
        }
        return above;
    }

    /** Adds what raises a demand; false for a forecast. */
    private boolean add(DemandList demands, int d, List<Order> above) {
        int parent = demands.parent(plan.snapshot().network, d);
        if (parent != DemandList.DOCUMENT) {
            above.add(new Order(parent, Pegging.SupplyKind.PLANNED, demands.source(d)));
        } else if (demands.document(d) instanceof CustomerOrderLine line) {
            lines.add(line);
        } else if (demands.document(d) instanceof OpenOrder order) {
            int p = plan.snapshot().pointOf(order.item(), order.site());
            ScheduledReceipts known =
                    plan.pegs().of(p) == null ? null : plan.pegs().of(p).known;
            for (int i = 0; known != null && i < known.open.length; i++) {
                if (known.open[i].order() == order) {
                    above.add(new Order(p, Pegging.SupplyKind.OPEN, i));
                }
            }
            return !above.isEmpty();
        } else {
            return false;
        }
        return true;
    }
}
