package rescient.core.dates;

import java.util.ArrayList;
import java.util.BitSet;
import java.util.Collection;
import java.util.HashMap;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.Set;
import java.util.TreeMap;
import java.util.stream.IntStream;
import java.util.stream.Stream;
import rescient.core.base.ChunkedList;
import rescient.core.base.Parallel;
import rescient.core.company.CustomerOrderLine;
import rescient.core.company.OpenOrder;
import rescient.core.netting.PointPlan;
import rescient.core.snapshot.DocumentDemands;
import rescient.core.snapshot.PlanOptions;
import rescient.core.snapshot.Signal;
import rescient.core.snapshot.Snapshot;

/**
 * The signals of late customer orders: those of each stock point, those of kits, and those of what lies on a loop or below
 * one, which the rules raise none for but which can never be met either.
 */
public final class LateOrders {
    private final ChunkedList<Signal[]> ofPoint;
    private final Map<CustomerOrderLine, Signal> ofKit;
    private final List<Snapshot.KitOrder> kitOrders;
    /** By point. */
    private final Map<Integer, List<Signal>> leftOut;

    private LateOrders(
            ChunkedList<Signal[]> ofPoint,
            Map<CustomerOrderLine, Signal> ofKit,
            List<Snapshot.KitOrder> kitOrders,
            Map<Integer, List<Signal>> leftOut) {
        this.ofPoint = ofPoint;
        this.ofKit = ofKit;
        this.kitOrders = kitOrders;
        this.leftOut = leftOut;
    }

    public static LateOrders of(
            Snapshot snapshot, PlanOptions options, ChunkedList<PointPlan> plans, PossibleDates possible) {
        ChunkedList<Signal[]> ofPoint = ChunkedList.of(plans.size(), Signal[][]::new);
        IntStream.range(0, snapshot.network.planned())
                .parallel()
                .forEach(p -> ofPoint.put(p, LateSignals.of(snapshot, p, possible)));
        return new LateOrders(
                ofPoint, kits(snapshot, options, possible), snapshot.kitOrders, leftOut(snapshot, options));
    }

    /** These with those of some points found again. */
    public LateOrders after(Snapshot snapshot, PlanOptions options, PossibleDates possible, BitSet points) {
        ChunkedList<Signal[]> next = ofPoint.copy();
        int[] again = points.stream().toArray();
        next.open(again);
        Parallel.each(again.length, i -> next.put(again[i], LateSignals.of(snapshot, again[i], possible)));
        boolean kitsTouched = snapshot.kitOrders != kitOrders
                || kitOrders.stream().anyMatch(kit -> IntStream.of(kit.points()).anyMatch(points::get));
        return new LateOrders(
                next,
                kitsTouched ? kits(snapshot, options, possible) : ofKit,
                snapshot.kitOrders,
                leftOut(snapshot, options));
    }

    private static Map<CustomerOrderLine, Signal> kits(Snapshot snapshot, PlanOptions options, PossibleDates possible) {
        Map<CustomerOrderLine, Signal> late = new HashMap<>();
        for (Snapshot.KitOrder kit : snapshot.kitOrders) {
            Signal signal = options.counts(kit.line()) ? LateSignals.ofKit(snapshot, kit, possible) : null;
            if (signal != null) {
                late.put(kit.line(), signal);
            }
        }
        return late;
    }

    private static Map<Integer, List<Signal>> leftOut(Snapshot snapshot, PlanOptions options) {
        Map<Integer, List<Signal>> late = new TreeMap<>();
        for (int p = snapshot.network.planned(); p < snapshot.points.length; p++) {
            DocumentDemands own = snapshot.demands.get(p);
            for (int i = 0; i < own.customerOrders; i++) {
                CustomerOrderLine line = (CustomerOrderLine) own.document[i];
                if (line.item().equals(snapshot.points[p].itemCode) && options.counts(line)) {
                    late.computeIfAbsent(p, point -> new ArrayList<>()).add(LateSignals.unmet(snapshot, p, line));
                }
            }
        }
        return late;
    }

    /** The late lines of a stock point's own item; those that can never be met among them. */
    public Signal[] of(int p) {
        return ofPoint.get(p);
    }

    /** The points whose lines others, of a plan that numbers them alike, found anew. */
    public int[] differing(LateOrders others) {
        return ofPoint.differing(others.ofPoint);
    }

    /** The lines of a point that nothing was calculated for. */
    public List<Signal> ofLeftOut(int p) {
        return leftOut.getOrDefault(p, List.of());
    }

    /** The lines of all points that nothing was calculated for. */
    public Stream<Signal> ofLeftOut() {
        return leftOut.values().stream().flatMap(List::stream);
    }

    /** Whether a kit's line is late or can never be met. */
    public boolean ofKit(CustomerOrderLine line) {
        return ofKit.containsKey(line);
    }

    /** The same of the lines of kits. */
    public Collection<Signal> ofKits() {
        return ofKit.values();
    }

    /** How many different orders have late lines. */
    public int orders() {
        Set<String> numbers = new HashSet<>();
        List<Signal> all = new ArrayList<>();
        addTo(all, false);
        addTo(all, true);
        all.forEach(signal -> numbers.add(signal.orderNumber()));
        return numbers.size();
    }

    /** Adds those that are late by some days, or those that can never be met and so are late by nothing. */
    public void addTo(List<Signal> all, boolean never) {
        Stream.of(
                        IntStream.range(0, ofPoint.size())
                                .mapToObj(ofPoint::get)
                                .filter(Objects::nonNull)
                                .flatMap(Stream::of),
                        ofKit.values().stream(),
                        ofLeftOut())
                .flatMap(signals -> signals)
                .filter(signal -> never == (signal.newDay() == OpenOrder.NO_DAY))
                .forEach(all::add);
    }
}
