package rescient.core.plan;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.Comparator;
import java.util.List;
import java.util.function.Predicate;
import rescient.core.netting.PlannedOrders;

/**
 * The planned orders of some stock points, day by day, the earliest start first: of a plan with millions of orders those
 * that are most urgent are found without making a row for each, or putting all in order.
 */
public final class OrdersByStart {
    private static final Comparator<PlannedOrder> BY_DUE = Comparator.comparingInt(PlannedOrder::dueDay);
    /** How many are put in order at first; each time that more are asked for, several times as many. */
    private static final int FIRST = 8_000;

    private static final int MORE = 4;

    private final Plan plan;
    private final int[] points;
    private final int lastDue;
    private final int firstDay;
    /** How many orders start on each day, from the first on. */
    private final int[] count;

    private final int size;
    /** The days before it have been put in order. */
    private int nextDay;

    private int together = FIRST;
    /** Point and place of each order of some days, by start; those of one day by item, site and place. */
    private int[] point = {};

    private int[] place = {};
    private int next;

    private OrdersByStart(Plan plan, int[] points, int firstDay, int[] count, int lastDue) {
        this.plan = plan;
        this.points = points;
        this.firstDay = firstDay;
        this.count = count;
        this.lastDue = lastDue;
        this.size = Arrays.stream(count).sum();
    }

    /**
     * Those of a plan.
     *
     * @param counts whether the orders of a stock point are asked for
     * @param lastStart the last start day that is asked for; {@code lastDue} likewise
     */
    public static OrdersByStart of(Plan plan, Predicate<PointView> counts, int lastStart, int lastDue) {
        int[] points = plan.points().stream()
                .filter(view -> view.plannedOrderCount() > 0 && !view.passedThrough() && counts.test(view))
                .mapToInt(PointView::number)
                .toArray();
        int first = Integer.MAX_VALUE;
        int last = Integer.MIN_VALUE;
        for (int p : points) {
            for (int start : plan.plans.get(p).planned.start) {
                first = Math.min(first, start);
                last = Math.max(last, start);
            }
        }
        last = Math.min(last, lastStart);
        int[] count = new int[Math.max(0, first > last ? 0 : last - first + 1)];
        for (int p : points) {
            PlannedOrders orders = plan.plans.get(p).planned;
            for (int o = 0; o < orders.size; o++) {
                if (orders.start[o] <= last && orders.due[o] <= lastDue) {
                    count[orders.start[o] - first]++;
                }
            }
        }
        return new OrdersByStart(plan, points, first, count, lastDue);
    }

    /** How many there are. */
    public int size() {
        return size;
    }

    /** Those of the next day on which some start, by due date, item and site; none when all were given out. */
    public List<PlannedOrder> next() {
        if (next == point.length) {
            more();
        }
        List<PlannedOrder> day = new ArrayList<>();
        while (next < point.length
                && (day.isEmpty() || start(next) == day.get(0).startDay())) {
            day.add(new PointView(plan, point[next]).plannedOrder(place[next]));
            next++;
        }
        day.sort(BY_DUE);
        return day;
    }

    /** Puts the orders of the next days in order, whole days. */
    private void more() {
        int from = nextDay;
        int[] at = new int[count.length - from + 1];
        while (nextDay < count.length && at[nextDay - from] < together) {
            at[nextDay - from + 1] = at[nextDay - from] + count[nextDay];
            nextDay++;
        }
        together = Math.multiplyExact(Math.min(together, Integer.MAX_VALUE / MORE), MORE);
        point = new int[at[nextDay - from]];
        place = new int[point.length];
        next = 0;
        for (int p : points) {
            PlannedOrders orders = plan.plans.get(p).planned;
            for (int o = 0; o < orders.size; o++) {
                int day = orders.start[o] - firstDay;
                if (day >= from && day < nextDay && orders.due[o] <= lastDue) {
                    int to = at[day - from]++;
                    point[to] = p;
                    place[to] = o;
                }
            }
        }
    }

    private int start(int i) {
        return plan.plans.get(point[i]).planned.start[place[i]];
    }
}
