package rescient.core.netting;

import java.util.Arrays;
import java.util.BitSet;
import java.util.function.Function;
import rescient.core.base.AscendingRuns;
import rescient.core.base.ChunkedList;
import rescient.core.base.Quantity;
import rescient.core.company.CustomerOrderLine;
import rescient.core.company.OpenOrder;
import rescient.core.snapshot.DocumentDemands;
import rescient.core.snapshot.ForecastConsumption;
import rescient.core.snapshot.Kits;
import rescient.core.snapshot.Network;
import rescient.core.snapshot.PlanOptions;
import rescient.core.snapshot.Snapshot;

/**
 * All demands of one stock point: those of documents, the net forecast, the components of planned orders and what
 * planned transfers take (sections 2, 3 and 7), put in turn.
 *
 * <p>The turn is found by sorting one {@code long} a demand, which holds day, priority, number and place; what these
 * leave open is compared in full. Demands that do not fit into it (over {@value #MOST}, far days, low priorities) are
 * all compared in full.
 */
final class GrossRequirements {
    private static final int PLACE_BITS = 15;
    private static final int RANK_BITS = 30;
    private static final int PRIORITY_BITS = 4;
    private static final int MOST = 1 << PLACE_BITS;
    private static final int FARTHEST = 1 << (63 - PLACE_BITS - RANK_BITS - PRIORITY_BITS);
    /** Lines that are dates sort behind lines that are texts. */
    private static final long DATE_LINE = 1L << 40;

    private static final ThreadLocal<GrossRequirements> SCRATCH = ThreadLocal.withInitial(GrossRequirements::new);

    private Snapshot snapshot;
    private ChunkedList<PointPlan> plans;
    private DocumentDemands own;
    private ForecastConsumption.Net[] forecast;
    /** Where the edges that end at the point begin, among all that end somewhere. */
    private int firstEdge;

    private int[] cellStart;
    private int size;
    private boolean fits;
    private int[] ownDay = new int[64];
    private long[] quantity = new long[64];
    private int[] cell = new int[64];
    private long[] key = new long[64];
    private int[] turn = new int[64];
    private final AscendingRuns runs = new AscendingRuns();

    private GrossRequirements() {}

    /**
     * The demands of point {@code p}; those above it are in {@code plans} already.
     *
     * @param forecast what the forecast asks of this point, in order of first day
     */
    static DemandList gather(
            Snapshot snapshot,
            int p,
            ChunkedList<PointPlan> plans,
            PlanOptions options,
            ForecastConsumption.Net[] forecast) {
        return with(snapshot, p, plans, forecast, explosion -> explosion.gather(p, options));
    }

    /**
     * The demands of a point of which nothing else has changed than what some planned orders above ask for.
     *
     * @param before its demands before
     * @param asksOtherwise the points whose planned orders are others than before
     */
    static DemandList again(
            Snapshot snapshot,
            DemandList before,
            ChunkedList<PointPlan> plans,
            PlanOptions options,
            ForecastConsumption.Net[] forecast,
            BitSet asksOtherwise) {
        return with(snapshot, before.point, plans, forecast, explosion -> {
            DemandList mended = explosion.mend(before, asksOtherwise);
            return mended != null ? mended : explosion.gather(before.point, options);
        });
    }

    private static DemandList with(
            Snapshot snapshot,
            int p,
            ChunkedList<PointPlan> plans,
            ForecastConsumption.Net[] forecast,
            Function<GrossRequirements, DemandList> task) {
        GrossRequirements explosion = SCRATCH.get();
        explosion.snapshot = snapshot;
        explosion.plans = plans;
        explosion.own = snapshot.demands.get(p);
        explosion.forecast = forecast;
        try {
            return task.apply(explosion);
        } finally {
            explosion.snapshot = null;
            explosion.plans = null;
            explosion.own = null;
            explosion.forecast = null;
            explosion.cellStart = null;
        }
    }

    private DemandList gather(int p, PlanOptions options) {
        size = 0;
        fits = true;
        Network network = snapshot.network;
        firstEdge = network.incomingStart[p];
        int edges = network.incomingStart[p + 1] - firstEdge;
        cellStart = new int[edges + 1];
        for (int k = 0; k < edges; k++) {
            PlannedOrders above = plans.get(network.incomingFrom[firstEdge + k]).planned;
            // both lie far apart in memory and are needed next: asked for here, they come at the same time for all
            // edges
            cellStart[k + 1] = cellStart[k] + Math.min(above.start.length, above.started.length);
        }
        makeRoom(cellStart[edges] + own.size + forecast.length);
        addDocuments(options);
        long step = snapshot.points[p].step;
        for (int k = 0; k < edges; k++) {
            addAlong(k, step);
        }
        if (fits) {
            byKey();
        } else {
            inFull();
        }
        return inTurn(p, documents());
    }

    /** Keeps what comes along the other edges, and merges it with what comes anew; null if that is not worth it. */
    private DemandList mend(DemandList before, BitSet asksOtherwise) {
        Network network = snapshot.network;
        firstEdge = network.incomingStart[before.point];
        int edges = before.cellStart.length - 1;
        cellStart = new int[edges + 1];
        int anew = 0;
        for (int k = 0; k < edges; k++) {
            int parent = network.incomingFrom[firstEdge + k];
            boolean otherwise = asksOtherwise.get(parent);
            int cells = otherwise ? plans.get(parent).planned.size : before.cellStart[k + 1] - before.cellStart[k];
            anew += otherwise ? cells : 0;
            cellStart[k + 1] = cellStart[k] + cells;
        }
        if (anew > before.size / 2 || anew > MOST) {
            return null;
        }
        size = 0;
        fits = true;
        makeRoom(Math.max(firstDocument() + before.documents.length, before.cells()));
        keep(before, asksOtherwise);
        int kept = size;
        for (int k = 0; k < edges; k++) {
            if (asksOtherwise.get(network.incomingFrom[firstEdge + k])) {
                addAlong(k, snapshot.points[before.point].step);
            }
        }
        if (!fits) {
            return null;
        }
        merge(kept);
        return inTurn(before.point, before.documents);
    }

    /** Adds the demands that stay, in their order, each in its new cell. */
    private void keep(DemandList before, BitSet asksOtherwise) {
        int[] moved = turn;
        for (int k = 0; k < cellStart.length - 1; k++) {
            boolean otherwise = asksOtherwise.get(snapshot.network.incomingFrom[firstEdge + k]);
            int by = cellStart[k] - before.cellStart[k];
            for (int c = before.cellStart[k]; c < before.cellStart[k + 1]; c++) {
                moved[c] = otherwise ? DemandList.ABSENT : c + by;
            }
        }
        int by = firstDocument() - before.firstDocument();
        for (int c = before.firstDocument(); c < before.cells(); c++) {
            moved[c] = c + by;
        }
        for (int d = 0; d < before.size; d++) {
            int to = moved[before.cell[d]];
            if (to != DemandList.ABSENT) {
                ownDay[size] = before.ownDay[d];
                quantity[size] = before.quantity[d];
                cell[size++] = to;
            }
        }
    }

    /** Puts those from {@code kept} on between the others, which are in order. */
    private void merge(int kept) {
        Arrays.sort(key, kept, size);
        int[] added = new int[size - kept];
        for (int i = 0; i < added.length; i++) {
            added[i] = (int) (key[kept + i] & (MOST - 1));
        }
        settle(added, kept);
        int old = 0;
        int i = 0;
        for (int to = 0; to < size; to++) {
            boolean takeOld = i == added.length || old < kept && compare(old, added[i]) < 0;
            turn[to] = takeOld ? old++ : added[i++];
        }
    }

    private void addAlong(int slot, long step) {
        long units = snapshot.network.incomingUnits[firstEdge + slot];
        if (units > 0) {
            addPlain(slot, units, step);
        } else {
            addRaised(slot, step);
        }
    }

    private int firstDocument() {
        return cellStart[cellStart.length - 1];
    }

    private Object[] documents() {
        if (forecast.length == 0) {
            return own.document.length == own.size ? own.document : Arrays.copyOf(own.document, own.size);
        }
        Object[] documents = Arrays.copyOf(own.document, own.size + forecast.length);
        for (int i = 0; i < forecast.length; i++) {
            documents[own.size + i] = forecast[i].bucket();
        }
        return documents;
    }

    private void addDocuments(PlanOptions options) {
        boolean all = options.countsAll();
        int firstCell = firstDocument();
        for (int i = 0; i < own.size; i++) {
            boolean counts = all
                    || (i < own.customerOrders
                            ? options.counts((CustomerOrderLine) own.document[i])
                            : options.counts((OpenOrder) own.document[i]));
            if (counts) {
                fits &= own.priority[i] >= 0 && own.priority[i] < 1 << PRIORITY_BITS;
                add(own.ownDay[i], own.quantity[i], firstCell + i, rank(own.priority[i], own.number[i]));
            }
        }
        for (int i = 0; i < forecast.length; i++) {
            ForecastConsumption.Net net = forecast[i];
            long rank = rank(
                    ForecastConsumption.PRIORITY,
                    snapshot.numbers.of(net.bucket().set()));
            add(net.day(), net.quantity(), firstCell + own.size + i, rank);
        }
    }

    /** What the planned orders above need along an edge that always asks for whole units, from their start on. */
    private void addPlain(int slot, long units, long step) {
        PlannedOrders planned = plans.get(snapshot.network.incomingFrom[firstEdge + slot]).planned;
        long rank = rank(CustomerOrderLine.DEFAULT_PRIORITY, snapshot.network.incomingRank[firstEdge + slot]);
        for (int o = 0; o < planned.size; o++) {
            if (planned.start[o] <= snapshot.horizonEnd) {
                long whole = units == 1 ? planned.started[o] : Quantity.times(planned.started[o], units);
                long needed = Quantity.roundUp(whole, step);
                if (needed > 0) {
                    add(planned.start[o], needed, cellStart[slot] + o, rank);
                }
            }
        }
    }

    /** What the planned orders above need along one edge; nothing where the line is not valid on their start day. */
    private void addRaised(int slot, long step) {
        Network network = snapshot.network;
        int edge = network.incoming[firstEdge + slot];
        PlannedOrders planned = plans.get(network.edgeFrom[edge]).planned;
        Kits.Part part = network.edgePart[edge];
        int operation = network.operation(edge);
        long rank = rank(CustomerOrderLine.DEFAULT_PRIORITY, network.incomingRank[firstEdge + slot]);
        for (int o = 0; o < planned.size; o++) {
            if (part.validOn(Math.max(planned.start[o], snapshot.today))) {
                long needed = part.needed(planned.started[o], step);
                int day = planned.needs(o, operation);
                if (needed > 0 && day <= snapshot.horizonEnd) {
                    add(day, needed, cellStart[slot] + o, rank);
                }
            }
        }
    }

    private void makeRoom(int demands) {
        if (demands > ownDay.length) {
            int capacity = demands * 2;
            ownDay = new int[capacity];
            quantity = new long[capacity];
            cell = new int[capacity];
            key = new long[capacity];
            turn = new int[capacity];
        }
        fits &= demands <= MOST;
    }

    /** Priority and number as a part of the key. */
    private static long rank(int priority, int number) {
        return ((long) priority << RANK_BITS | number) << PLACE_BITS;
    }

    private void add(int day, long amount, int ofCell, long rank) {
        long ahead = Math.max(0L, (long) day - snapshot.today);
        fits &= ahead < FARTHEST;
        ownDay[size] = day;
        quantity[size] = amount;
        cell[size] = ofCell;
        key[size] = ahead << (PRIORITY_BITS + RANK_BITS + PLACE_BITS) | rank | (size & (MOST - 1));
        size++;
    }

    private DemandList inTurn(int p, Object[] documents) {
        int[] days = new int[size];
        long[] quantities = new long[size];
        int[] cells = new int[size];
        for (int i = 0; i < size; i++) {
            int from = turn[i];
            days[i] = ownDay[from];
            quantities[i] = quantity[from];
            cells[i] = cell[from];
        }
        return new DemandList(p, snapshot.today, days, quantities, cells, cellStart, documents);
    }

    private void byKey() {
        key = runs.sort(key, size);
        for (int i = 0; i < size; i++) {
            turn[i] = (int) (key[i] & (MOST - 1));
        }
        settle(turn, 0);
    }

    /** Puts those whose keys leave it open in order; the keys of the {@code order} begin at a place. */
    private void settle(int[] order, int first) {
        for (int i = 1; first + i < size; i++) {
            int place = order[i];
            int to = i;
            long rank = key[first + i] >>> PLACE_BITS;
            while (to > 0 && key[first + to - 1] >>> PLACE_BITS == rank && compareRest(order[to - 1], place) > 0) {
                order[to] = order[to - 1];
                to--;
            }
            order[to] = place;
        }
    }

    /** Compares two of one day, priority and number. */
    private int compareRest(int a, int b) {
        if (raised(a) && raised(b) && edge(a) == edge(b)) {
            int[] due = plans.get(parent(a)).planned.due;
            int c = Integer.compare(due[parentOrder(a)], due[parentOrder(b)]);
            return c == 0 ? Integer.compare(cell[a], cell[b]) : c;
        }
        return compare(a, b);
    }

    private void inFull() {
        Integer[] boxed = new Integer[size];
        Arrays.setAll(boxed, i -> i);
        Arrays.sort(boxed, this::compare);
        for (int i = 0; i < size; i++) {
            turn[i] = boxed[i];
        }
    }

    private int compare(int a, int b) {
        int c = Integer.compare(Math.max(ownDay[a], snapshot.today), Math.max(ownDay[b], snapshot.today));
        if (c == 0) c = Integer.compare(priority(a), priority(b));
        if (c == 0) c = Integer.compare(number(a), number(b));
        if (c == 0) c = Long.compare(line(a), line(b));
        if (c == 0) c = Integer.compare(parentSite(a), parentSite(b));
        if (c == 0) c = Integer.compare(parentOrder(a), parentOrder(b));
        if (c == 0) c = Integer.compare(kit(a), kit(b));
        if (c == 0) c = Integer.compare(position(a), position(b));
        return c;
    }

    private boolean raised(int i) {
        return cell[i] < firstDocument();
    }

    /** Along which edge a demand comes that a planned order raises. */
    private int edge(int i) {
        return firstEdge + DemandList.slot(cellStart, cell[i]);
    }

    private int parent(int i) {
        return snapshot.network.incomingFrom[edge(i)];
    }

    private int document(int i) {
        return cell[i] - firstDocument();
    }

    /** The net forecast that a document's demand is, or null if it is none. */
    private ForecastConsumption.Net net(int i) {
        return document(i) < own.size ? null : forecast[document(i) - own.size];
    }

    private int priority(int i) {
        return raised(i)
                ? CustomerOrderLine.DEFAULT_PRIORITY
                : net(i) != null ? ForecastConsumption.PRIORITY : own.priority[document(i)];
    }

    private int number(int i) {
        if (raised(i)) {
            return snapshot.network.incomingRank[edge(i)];
        }
        return net(i) != null ? snapshot.numbers.of(net(i).bucket().set()) : own.number[document(i)];
    }

    private long line(int i) {
        if (raised(i)) {
            return DATE_LINE + plans.get(parent(i)).planned.due[parentOrder(i)];
        }
        return net(i) != null ? DATE_LINE + net(i).bucket().fromDay() : own.line[document(i)];
    }

    private int parentSite(int i) {
        return raised(i) ? snapshot.points[parent(i)].site : net(i) != null ? -1 : own.parentSite[document(i)];
    }

    private int parentOrder(int i) {
        return raised(i) ? cell[i] - cellStart[DemandList.slot(cellStart, cell[i])] : -1;
    }

    /** The kit whose forecast it is; -1 for the item's own and for what is no forecast. */
    private int kit(int i) {
        return raised(i) || net(i) == null ? -1 : net(i).kit();
    }

    /** The line of the bill of materials, or the place among the parts of a kit or the components of an order. */
    private int position(int i) {
        if (raised(i)) {
            return snapshot.network.incoming[edge(i)] - snapshot.network.edgeStart[parent(i)];
        }
        return net(i) != null ? net(i).position() : own.position[document(i)];
    }
}
