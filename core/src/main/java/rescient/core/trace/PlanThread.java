package rescient.core.trace;

import java.util.List;
import rescient.core.company.OpenOrder;
import rescient.core.company.Source;
import rescient.core.plan.Plan;
import rescient.core.snapshot.ChangedRows;

/**
 * The thread of customer orders or orders: they and all that they wait for, through the pegs, parents above children. An
 * order stands there once, under the first that waits for it; of several children the one that decides comes first.
 *
 * <p>What decides is the chain of the largest slips (section 9). The days that the bars on it add are the lateness of the
 * first, together.
 *
 * @param cut there is more than {@value #MOST} bars; the rest is left out
 */
public record PlanThread(List<Bar> bars, boolean cut) {
    /** The most bars of a thread. */
    public static final int MOST = 3000;

    /** What a bar stands for. */
    public enum Kind {
        /** A line of a customer order, which waits for its pegs. */
        CUSTOMER_ORDER,
        /** A firmed or released order. */
        OPEN,
        PLANNED,
        /** Stock on hand that is used. */
        STOCK,
        /** What has no supply. */
        MISSING
    }

    /**
     * A bar.
     *
     * @param depth 0 for those that the thread was asked for
     * @param above the place of the bar that waits for this one, or -1
     * @param source how an order is supplied, null for others
     * @param number of the customer order or the open order, else empty; so is {@code line}
     * @param sequence of a planned order at its stock point, else -1
     * @param quantity all of the order, millionths; so is {@code pegged}, which the bar above uses of it
     * @param startDay {@link OpenOrder#NO_DAY} where there is none
     * @param dueDay the day wanted of a customer order; today for stock
     * @param possibleDay the day it can really be there, or null if it never can
     * @param neededDay the day on which the bar above needs it; its own date at depth 0
     * @param deciding it is on the chain that decides when the first can be
     * @param addsDays the calendar days that it adds to the lateness of the first, 0 where it does not decide; null where
     *     it never can be
     * @param alsoFor the places of other bars that wait for it too
     */
    public record Bar(
            int depth,
            int above,
            Kind kind,
            String item,
            String site,
            Source source,
            String number,
            String line,
            int sequence,
            long quantity,
            long pegged,
            int startDay,
            int dueDay,
            Integer possibleDay,
            int neededDay,
            boolean deciding,
            Integer addsDays,
            List<Integer> alsoFor) {

        /** Whether it cannot be there when it is needed. */
        public boolean late() {
            return possibleDay == null || possibleDay > neededDay;
        }
    }

    /** The thread of all lines of a customer order, empty if the plan has none of this number. */
    public static PlanThread ofCustomerOrder(Plan plan, String number) {
        PegTree threading = new PegTree(plan);
        ChangedRows.customerOrders(plan.snapshot().rows, number).forEach(threading::customerOrder);
        return threading.thread();
    }

    /** The thread of all open and planned orders of a stock point, by due date. */
    public static PlanThread ofPoint(Plan plan, String item, String site) {
        PegTree threading = new PegTree(plan);
        threading.point(plan.snapshot().pointOf(item, site));
        return threading.thread();
    }

    /** The thread of a planned order: all that waits for it, and all it waits for. */
    public static PlanThread ofPlanned(Plan plan, String item, String site, int sequence) {
        PegTree threading = new PegTree(plan);
        threading.planned(plan.snapshot().pointOf(item, site), sequence);
        return threading.thread();
    }

    /** The same of a line of a firmed or released order, empty if the plan does not count on it. */
    public static PlanThread ofOpen(Plan plan, String number, String line) {
        PegTree threading = new PegTree(plan);
        int at = ChangedRows.openOrder(plan.snapshot().rows, number, line);
        if (at >= 0) {
            threading.open(plan.snapshot().rows.openOrders[at]);
        }
        return threading.thread();
    }

    /**
     * How many levels below the order for the wanted item itself the chain ends that decides a line of the customer order;
     * 0 if it ends there, or if the thread has no such line.
     */
    public int levelsDown(String line) {
        int at = -1;
        for (int i = 0; i < bars.size() && at < 0; i++) {
            at = bars.get(i).depth() == 0 && bars.get(i).line().equals(line) ? i : -1;
        }
        // the customer order and the order for its item are no levels below it
        int levels = -2;
        for (int next = at; next >= 0; levels++) {
            next = decidedBy(next);
        }
        return Math.max(0, levels);
    }

    /** The place of the bar that decides another, or -1. */
    private int decidedBy(int above) {
        for (int i = above + 1; i < bars.size(); i++) {
            Bar bar = bars.get(i);
            if (bar.deciding() && (bar.above() == above || bar.alsoFor().contains(above))) {
                return i;
            }
        }
        return -1;
    }
}
