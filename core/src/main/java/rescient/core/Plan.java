package rescient.core;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;

/** A finished calculation. Immutable; any number of threads may read it. */
public final class Plan {
    private static final Comparator<PlannedOrder> ORDER = Comparator.comparing(
                    PlannedOrder::item, DocumentOrder::byCodePoint)
            .thenComparing(PlannedOrder::site, DocumentOrder::byCodePoint)
            .thenComparingInt(PlannedOrder::dueDay)
            .thenComparingInt(PlannedOrder::startDay)
            .thenComparingLong(PlannedOrder::quantity)
            .thenComparing(o -> o.forOrder() == null ? "" : o.forOrder(), DocumentOrder.INSTANCE)
            .thenComparing(o -> o.forLine() == null ? "" : o.forLine(), DocumentOrder.INSTANCE);

    final Snapshot snapshot;
    final PlanOptions options;
    final PointPlan[] plans;
    final PossibleDates possible;
    private final List<Signal> signals;
    private final List<PlannedOrder> plannedOrders;
    private final Map<String, Map<String, Integer>> points = new HashMap<>();

    Plan(Snapshot snapshot, PlanOptions options, PointPlan[] plans, PossibleDates possible, List<Signal> signals) {
        this.snapshot = snapshot;
        this.options = options;
        this.plans = plans;
        this.possible = possible;
        this.signals = signals;
        for (int p = 0; p < snapshot.points.length; p++) {
            StockPoint point = snapshot.points[p];
            points.computeIfAbsent(point.itemCode, i -> new HashMap<>()).put(point.siteCode, p);
        }
        List<PlannedOrder> orders = new ArrayList<>();
        for (int p = 0; p < snapshot.network.planned(); p++) {
            if (!snapshot.points[p].phantom) {
                PointView view = new PointView(this, p);
                for (int o = 0; o < plans[p].planned.size; o++) {
                    orders.add(view.plannedOrder(o));
                }
            }
        }
        orders.sort(ORDER);
        this.plannedOrders = List.copyOf(orders);
    }

    public Snapshot snapshot() {
        return snapshot;
    }

    /** All planned orders, by item, site, due date, start date, quantity; passings of phantoms are not among them. */
    public List<PlannedOrder> plannedOrders() {
        return plannedOrders;
    }

    /** All signals, by item, site, kind, order number, line, date. */
    public List<Signal> signals() {
        return signals;
    }

    /** One stock point, if there is one for this item and site. */
    public Optional<PointView> point(String item, String site) {
        Integer p = points.getOrDefault(item, Map.of()).get(site);
        return p == null ? Optional.empty() : Optional.of(new PointView(this, p));
    }

    /** All stock points that were planned (those on a loop and below one are not), by item and site. */
    public List<PointView> points() {
        List<PointView> views = new ArrayList<>();
        for (int p = 0; p < snapshot.network.planned(); p++) {
            views.add(new PointView(this, p));
        }
        views.sort(Comparator.comparing(PointView::item, DocumentOrder::byCodePoint)
                .thenComparing(PointView::site, DocumentOrder::byCodePoint));
        return views;
    }
}
