package rescient.core;

import java.util.ArrayDeque;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.HashSet;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;
import java.util.Queue;
import java.util.Set;

/** All that waits for one order, up to customer orders and to orders that nothing else waits for. */
final class WaysUp {
    /** An order, by its point and its place among the planned or the open orders there. */
    record Order(int point, Pegging.SupplyKind kind, int index) {}

    private static final Comparator<CustomerOrderLine> EARLIEST =
            Comparator.comparingInt(CustomerOrderLine::dueDay).thenComparing(Rows.CUSTOMER_ORDERS);

    private final Plan plan;
    private final Set<Order> orders = new LinkedHashSet<>();
    private final Set<CustomerOrderLine> lines = new HashSet<>();
    private final List<Order> tops = new ArrayList<>();
    private final Map<Integer, Pegging> pegs;

    /** @param pegs of points, which are made as they are needed */
    WaysUp(Plan plan, Order from, Map<Integer, Pegging> pegs) {
        this.plan = plan;
        this.pegs = pegs;
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
        return lines.stream().sorted(EARLIEST).toList();
    }

    /** Orders that serve nobody, or a forecast. */
    List<Order> tops() {
        return tops;
    }

    private List<Order> above(Order order) {
        PointPlan here = plan.plans.get(order.point);
        Pegging pegging = pegs.computeIfAbsent(order.point, p -> Pegging.of(plan.plans.get(p)));
        List<Order> above = new ArrayList<>();
        boolean serves = false;
        for (int d = 0; d < here.demands.size; d++) {
            for (int i = pegging.start[d]; i < pegging.start[d + 1]; i++) {
                if (pegging.kind(i) == order.kind && pegging.supply(i) == order.index) {
                    serves |= add(here.demands, d, above);
                }
            }
        }
        if (!serves) {
            tops.add(order);
        }
        return above;
    }

    /** Adds what raises a demand; false for a forecast. */
    private boolean add(DemandList demands, int d, List<Order> above) {
        int parent = demands.parent(plan.snapshot.network, d);
        if (parent != DemandList.DOCUMENT) {
            above.add(new Order(parent, Pegging.SupplyKind.PLANNED, demands.source(d)));
        } else if (demands.document(d) instanceof CustomerOrderLine line) {
            lines.add(line);
        } else if (demands.document(d) instanceof OpenOrder order) {
            int p = plan.snapshot.pointOf(order.item(), order.site());
            KnownSupplies known = plan.plans.get(p) == null ? null : plan.plans.get(p).known;
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
