package rescient.core.plan;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import rescient.core.snapshot.DemandKind;

/**
 * By what a planned order is recognised when its quantity and dates have changed: what it serves first, and its place among
 * the planned orders of its stock point that first serve the same.
 *
 * @param kind of what it serves first; null if it serves nothing but the level of the stock, as are the two after it
 * @param document number of a document, or item or site of what stands above
 * @param part line of a document, or site of what stands above; its due date may move
 * @param place from 0
 */
public record NeedName(DemandKind kind, String document, String part, int place) {
    private static final NeedName LEVEL = new NeedName(null, null, null, 0);

    /** The names of a point's planned orders, in the order they were made. */
    public static List<NeedName> of(PointView point) {
        NeedName[] first = new NeedName[point.plannedOrderCount()];
        for (Peg peg : point.pegs()) {
            int sequence = peg.supply().sequence();
            if (sequence >= 0 && first[sequence] == null) {
                first[sequence] = of(peg.demand());
            }
        }
        Map<NeedName, Integer> places = new HashMap<>();
        List<NeedName> names = new ArrayList<>();
        for (NeedName need : first) {
            NeedName known = need == null ? LEVEL : need;
            names.add(known.at(places.merge(known, 1, Integer::sum) - 1));
        }
        return names;
    }

    private static NeedName of(Demand demand) {
        // the line of what stands above is its due date, which moves
        boolean document = demand.ofPlannedOrder() == null || demand.kind() == DemandKind.CUSTOMER_ORDER;
        return new NeedName(
                demand.kind(),
                demand.number(),
                document ? demand.line() : demand.ofPlannedOrder().site(),
                0);
    }

    private NeedName at(int other) {
        return new NeedName(kind, document, part, other);
    }
}
