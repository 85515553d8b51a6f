package rescient.core;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;

/**
 * When a line of a customer order can really be met.
 *
 * @param possibleDay not before the day wanted; null if it can never be met
 * @param causeItem item of the supply that decides, where it is later than wanted; else null, as {@code causeSite} then
 */
public record Promise(CustomerOrderLine line, Integer possibleDay, String causeItem, String causeSite) {
    private static final Comparator<Promise> ORDER =
            Comparator.<Promise>comparingInt(p -> p.line.dueDay()).thenComparing(Promise::line, Rows.CUSTOMER_ORDERS);

    /** Whether it is met later than wanted, or never. */
    public boolean late() {
        return possibleDay == null || possibleDay > line.dueDay();
    }

    /**
     * All lines of customer orders that the plan counts with, by the day wanted, number and line; a kit's line is met with
     * its latest part.
     */
    public static List<Promise> of(Plan plan) {
        Map<CustomerOrderLine, Promise> promises = new LinkedHashMap<>();
        for (int p = 0; p < plan.snapshot.network.planned(); p++) {
            DocumentDemands own = plan.snapshot.demands.get(p);
            DemandList demands = plan.plans.get(p).demands;
            int[] places = own.customerOrders == 0 ? null : demands.places();
            for (int i = 0; i < own.customerOrders; i++) {
                int d = places[demands.firstDocument() + i];
                if (d != DemandList.ABSENT) {
                    promises.merge((CustomerOrderLine) own.document[i], at(plan, p, i, d), Promise::later);
                }
            }
        }
        List<Promise> sorted = new ArrayList<>(promises.values());
        sorted.sort(ORDER);
        return sorted;
    }

    private static Promise at(Plan plan, int p, int i, int d) {
        CustomerOrderLine line = (CustomerOrderLine) plan.snapshot.demands.get(p).document[i];
        int possible = plan.possible.ofDemand(p, d);
        StockPoint cause = possible > line.dueDay() ? plan.snapshot.points[plan.possible.causeOfDemand(p, d)] : null;
        return new Promise(
                line,
                possible == PossibleDates.NEVER ? null : possible,
                cause == null ? null : cause.itemCode,
                cause == null ? null : cause.siteCode);
    }

    private static Promise later(Promise a, Promise b) {
        if (a.possibleDay == null || b.possibleDay == null) {
            return a.possibleDay == null ? a : b;
        }
        return b.possibleDay > a.possibleDay ? b : a;
    }
}
