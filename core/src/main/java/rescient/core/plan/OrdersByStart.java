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
    /** How many days are put in order at first; each time that more are asked for, several times as many. */
    private static final int FIRST = 2;

    private static final int MORE = 4;

    private final Plan plan;
    private final int[] points;
    private final int lastStart;
    private final int lastDue;
    private final int size;
    /** The first day whose orders have not been put in order. */
    private int nextDay;

    private int together = FIRST;
    private int left;
    /** Orders of some days, as they are given out. */
    private List<PlannedOrder> orders = List.of();

    private int next;

    private OrdersByStart(Plan plan, int[] points, int size, int lastStart, int lastDue) {
        this.plan = plan;
        this.points = points;
        this.size = size;
        this.left = size;
        this.lastStart = lastStart;
        this.lastDue = lastDue;
        int first = Integer.MAX_VALUE;
        for (int p : points) {
            first = Math.min(first, of(p).firstStart);
        }
        this.nextDay = first;
    }

    /**
     * Those of a plan.
     *
     * @param counts whether the orders of a stock point are asked for
     * @param lastStart the last start day that is asked for; {@code lastDue} likewise
     */
    public static OrdersByStart of(Plan plan, Predicate<PointView> counts, int lastStart, int lastDue) {
        boolean all = lastStart == Integer.MAX_VALUE && lastDue == Integer.MAX_VALUE;
        int[] points = new int[plan.inOrder().length];
        int n = 0;
        int size = 0;
        for (int p : plan.inOrder()) {
            PlannedOrders orders = plan.plans.get(p).planned;
            if (orders.size == 0 || orders.firstStart > lastStart) {
                continue;
            }
            PointView view = new PointView(plan, p);
            if (!view.passedThrough() && counts.test(view)) {
                points[n++] = p;
                size += all ? orders.size : count(orders, lastStart, lastDue);
            }
        }
        return new OrdersByStart(plan, Arrays.copyOf(points, n), size, lastStart, lastDue);
    }

    private static int count(PlannedOrders orders, int lastStart, int lastDue) {
        int count = 0;
        for (int o = 0; o < orders.size; o++) {
            count += orders.start[o] <= lastStart && orders.due[o] <= lastDue ? 1 : 0;
        }
        return count;
    }

    private PlannedOrders of(int p) {
        return plan.plans.get(p).planned;
    }

    /** How many there are. */
    public int size() {
        return size;
    }

    /** Those of the next day on which some start, by due date, item and site; none when all were given out. */
    public List<PlannedOrder> next() {
        while (next == orders.size() && left > 0) {
            more();
        }
        List<PlannedOrder> day = new ArrayList<>();
        while (next < orders.size()
                && (day.isEmpty() || orders.get(next).startDay() == day.get(0).startDay())) {
            day.add(orders.get(next++));
        }
        day.sort(BY_DUE);
        return day;
    }

    /** Puts the orders of the next days in order; those of one day by item, site and place. */
    private void more() {
        int end = (int) Math.min((long) nextDay + together, (long) lastStart + 1);
        together = Math.multiplyExact(Math.min(together, Integer.MAX_VALUE / MORE), MORE);
        List<PlannedOrder> some = new ArrayList<>();
        for (int p : points) {
            PlannedOrders here = of(p);
            if (here.firstStart >= end) {
                continue;
            }
            for (int o = 0; o < here.size; o++) {
                if (here.start[o] >= nextDay && here.start[o] < end && here.due[o] <= lastDue) {
                    some.add(new PointView(plan, p).plannedOrder(o));
                }
            }
        }
        some.sort(Comparator.comparingInt(PlannedOrder::startDay));
        left -= some.size();
        nextDay = end;
        orders = some;
        next = 0;
    }
}
