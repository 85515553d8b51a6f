package rescient.core;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.function.Predicate;

/**
 * The planned orders of some stock points, day by day, the earliest start first: of a plan with millions of orders those
 * that are most urgent are found without making a row for each.
 */
public final class OrdersByStart {
    private static final Comparator<PlannedOrder> BY_DUE = Comparator.comparingInt(PlannedOrder::dueDay);

    private final Plan plan;
    /** Point and place of each order, by start; those of one day by item, site and place. */
    private final int[] point;

    private final int[] place;
    private int next;

    private OrdersByStart(Plan plan, int[] point, int[] place) {
        this.plan = plan;
        this.point = point;
        this.place = place;
    }

    /**
     * @param counts whether the orders of a stock point are asked for
     * @param lastStart the last start day that is asked for; {@code lastDue} likewise
     */
    public static OrdersByStart of(Plan plan, Predicate<PointView> counts, int lastStart, int lastDue) {
        List<Integer> points = new ArrayList<>();
        int first = Integer.MAX_VALUE;
        int last = Integer.MIN_VALUE;
        for (PointView view : plan.points()) {
            PlannedOrders orders = plan.plans.get(view.number()).planned;
            if (orders.size > 0 && !view.passedThrough() && counts.test(view)) {
                points.add(view.number());
                for (int start : orders.start) {
                    first = Math.min(first, start);
                    last = Math.max(last, start);
                }
            }
        }
        if (points.isEmpty()) {
            return new OrdersByStart(plan, new int[0], new int[0]);
        }
        int[] from = new int[last - first + 2];
        for (int p : points) {
            PlannedOrders orders = plan.plans.get(p).planned;
            for (int o = 0; o < orders.size; o++) {
                if (orders.start[o] <= lastStart && orders.due[o] <= lastDue) {
                    from[orders.start[o] - first + 1]++;
                }
            }
        }
        for (int d = 1; d < from.length; d++) {
            from[d] += from[d - 1];
        }
        int[] point = new int[from[from.length - 1]];
        int[] place = new int[point.length];
        for (int p : points) {
            PlannedOrders orders = plan.plans.get(p).planned;
            for (int o = 0; o < orders.size; o++) {
                if (orders.start[o] <= lastStart && orders.due[o] <= lastDue) {
                    int at = from[orders.start[o] - first]++;
                    point[at] = p;
                    place[at] = o;
                }
            }
        }
        return new OrdersByStart(plan, point, place);
    }

    /** How many there are. */
    public int size() {
        return point.length;
    }

    /** Those of the next day on which some start, by due date, item and site; none when all were given out. */
    public List<PlannedOrder> next() {
        List<PlannedOrder> day = new ArrayList<>();
        while (next < point.length
                && (day.isEmpty() || start(next) == day.get(0).startDay())) {
            day.add(new PointView(plan, point[next]).plannedOrder(place[next]));
            next++;
        }
        day.sort(BY_DUE);
        return day;
    }

    private int start(int i) {
        return plan.plans.get(point[i]).planned.start[place[i]];
    }
}
