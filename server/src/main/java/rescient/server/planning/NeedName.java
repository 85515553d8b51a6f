package rescient.server.planning;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import rescient.core.plan.Demand;
import rescient.core.plan.Peg;
import rescient.core.plan.PlannedOrder;
import rescient.core.plan.PointView;
import rescient.core.snapshot.DemandKind;

/**
 * By what a planned order is recognised when its quantity and dates have changed: what it serves first, and its place among
 * the planned orders of its stock point that first serve the same.
 *
 * @param need kind, number and line of a document; kind and item or site of what stands above; {@code level} if it serves
 *     nothing but the level of the stock
 */
public record NeedName(String need, int place) {
    private static final String LEVEL = "level";

    /** The names of a point's planned orders, in the order they were made. */
    public static List<NeedName> of(PointView point) {
        List<PlannedOrder> orders = point.plannedOrders();
        String[] first = new String[orders.size()];
        for (Peg peg : point.pegs()) {
            int sequence = peg.supply().sequence();
            if (sequence >= 0 && first[sequence] == null) {
                first[sequence] = name(peg.demand());
            }
        }
        Map<String, Integer> places = new HashMap<>();
        List<NeedName> names = new ArrayList<>();
        for (String need : first) {
            String known = need == null ? LEVEL : need;
            names.add(new NeedName(known, places.merge(known, 1, Integer::sum) - 1));
        }
        return names;
    }

    private static String name(Demand demand) {
        String kind = Words.word(demand.kind());
        // the line of what stands above is its due date, which moves
        boolean document = demand.ofPlannedOrder() == null || demand.kind() == DemandKind.CUSTOMER_ORDER;
        return String.join(
                "~",
                kind,
                OrderKey.encoded(demand.number()),
                document
                        ? OrderKey.encoded(demand.line())
                        : OrderKey.encoded(demand.ofPlannedOrder().site()));
    }
}
