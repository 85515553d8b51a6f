package rescient.core;

import java.util.ArrayList;
import java.util.BitSet;
import java.util.Collection;
import java.util.HashMap;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.Set;
import java.util.stream.IntStream;
import java.util.stream.Stream;

/** The signals of late customer orders: those of each stock point, and those of kits. */
final class LateOrders {
    private final Shelf<Signal[]> ofPoint;
    private final Map<CustomerOrderLine, Signal> ofKit;
    private final List<Snapshot.KitOrder> kitOrders;

    private LateOrders(
            Shelf<Signal[]> ofPoint, Map<CustomerOrderLine, Signal> ofKit, List<Snapshot.KitOrder> kitOrders) {
        this.ofPoint = ofPoint;
        this.ofKit = ofKit;
        this.kitOrders = kitOrders;
    }

    static LateOrders of(Snapshot snapshot, Shelf<PointPlan> plans, PossibleDates possible) {
        Shelf<Signal[]> ofPoint = Shelf.of(plans.size(), Signal[][]::new);
        IntStream.range(0, snapshot.network.planned())
                .parallel()
                .forEach(p -> ofPoint.put(p, Signals.late(snapshot, p, possible)));
        return new LateOrders(ofPoint, kits(snapshot, plans, possible), snapshot.kitOrders);
    }

    /** These with those of some points found again. */
    LateOrders after(Snapshot snapshot, Shelf<PointPlan> plans, PossibleDates possible, BitSet points) {
        Shelf<Signal[]> next = ofPoint.copy();
        int[] again = points.stream().toArray();
        next.open(again);
        Spans.each(again.length, i -> next.put(again[i], Signals.late(snapshot, again[i], possible)));
        boolean kitsTouched = snapshot.kitOrders != kitOrders
                || kitOrders.stream().anyMatch(kit -> IntStream.of(kit.points()).anyMatch(points::get));
        return new LateOrders(next, kitsTouched ? kits(snapshot, plans, possible) : ofKit, snapshot.kitOrders);
    }

    private static Map<CustomerOrderLine, Signal> kits(
            Snapshot snapshot, Shelf<PointPlan> plans, PossibleDates possible) {
        Map<CustomerOrderLine, Signal> late = new HashMap<>();
        for (Snapshot.KitOrder kit : snapshot.kitOrders) {
            Signal signal = Signals.lateKit(snapshot, kit, plans, possible);
            if (signal != null) {
                late.put(kit.line(), signal);
            }
        }
        return late;
    }

    /** The late lines of a stock point's own item; those that can never be met among them. */
    Signal[] of(int p) {
        return ofPoint.get(p);
    }

    /** Whether a kit's line is late or can never be met. */
    boolean ofKit(CustomerOrderLine line) {
        return ofKit.containsKey(line);
    }

    /** The same of the lines of kits. */
    Collection<Signal> ofKits() {
        return ofKit.values();
    }

    /** How many different orders have late lines. */
    int orders() {
        Set<String> numbers = new HashSet<>();
        List<Signal> all = new ArrayList<>();
        addTo(all, false);
        addTo(all, true);
        all.forEach(signal -> numbers.add(signal.orderNumber()));
        return numbers.size();
    }

    /** Adds those that are late by some days, or those that can never be met and so are late by nothing. */
    void addTo(List<Signal> signals, boolean never) {
        Stream.concat(
                        IntStream.range(0, ofPoint.size())
                                .mapToObj(ofPoint::get)
                                .filter(Objects::nonNull)
                                .flatMap(Stream::of),
                        ofKit.values().stream())
                .filter(signal -> never == (signal.newDay() == OpenOrder.NO_DAY))
                .forEach(signals::add);
    }
}
