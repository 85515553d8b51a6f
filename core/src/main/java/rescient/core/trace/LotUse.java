package rescient.core.trace;

import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.stream.Collectors;
import rescient.core.plan.Peg;
import rescient.core.plan.PointView;
import rescient.core.plan.Supply;

/**
 * What the plan uses a lot for, before it expires.
 *
 * @param users the demands that it serves, the first first
 */
public record LotUse(Supply lot, List<Peg> users) {
    public LotUse {
        users = List.copyOf(users);
    }

    /** In millionths; what of the lot nothing uses is left over. */
    public long used() {
        return users.stream().mapToLong(Peg::quantity).sum();
    }

    /** What is left when it expires, or at the end of the plan; millionths. */
    public long unused() {
        return lot.quantity() - used();
    }

    /** All lots of a stock point that serve still, in the order in which they are used. */
    public static List<LotUse> of(PointView point) {
        if (!point.planned()) {
            return List.of();
        }
        Map<Supply, List<Peg>> users = point.pegs().stream()
                .filter(peg -> peg.supply().kind() == Supply.Kind.STOCK)
                .collect(Collectors.groupingBy(Peg::supply, LinkedHashMap::new, Collectors.toList()));
        return point.supplies().stream()
                .filter(supply -> supply.kind() == Supply.Kind.STOCK)
                .map(lot -> new LotUse(lot, users.getOrDefault(lot, List.of())))
                .toList();
    }
}
