package rescient.core;

import java.util.Arrays;

/**
 * All demands of one stock point: those of documents, the net forecast, the components of planned orders and what
 * planned transfers take (sections 2, 3 and 7), put in turn.
 *
 * <p>The turn is found by sorting one {@code long} a demand, which holds day, priority, number and place; what these
 * leave open is compared in full. Demands that do not fit into it (over {@value #MOST}, far days, low priorities) are
 * all compared in full.
 */
final class Explosion {
    private static final int PLACE_BITS = 15;
    private static final int RANK_BITS = 30;
    private static final int PRIORITY_BITS = 4;
    private static final int MOST = 1 << PLACE_BITS;
    private static final int FARTHEST = 1 << (63 - PLACE_BITS - RANK_BITS - PRIORITY_BITS);
    /** Lines that are dates sort behind lines that are texts. */
    private static final long DATE_LINE = 1L << 40;

    private static final ThreadLocal<Explosion> SCRATCH = ThreadLocal.withInitial(Explosion::new);

    private Snapshot snapshot;
    private Shelf<PointPlan> plans;
    private DocumentDemands own;
    private ForecastConsumption.Net[] forecast;
    private int size;
    private boolean fits;
    private int[] ownDay = new int[64];
    private long[] quantity = new long[64];
    private int[] parent = new int[64];
    private int[] source = new int[64];
    private int[] bomLine = new int[64];
    private int[] cell = new int[64];
    private long[] key = new long[64];
    private int[] turn = new int[64];
    private final Runs runs = new Runs();

    private Explosion() {}

    /**
     * The demands of point {@code p}; those above it are in {@code plans} already.
     *
     * @param forecast what the forecast asks of this point, in order of first day
     */
    static DemandList gather(
            Snapshot snapshot, int p, Shelf<PointPlan> plans, PlanOptions options, ForecastConsumption.Net[] forecast) {
        Explosion explosion = SCRATCH.get();
        explosion.snapshot = snapshot;
        explosion.plans = plans;
        explosion.own = snapshot.demands.get(p);
        explosion.forecast = forecast;
        try {
            return explosion.gather(p, options);
        } finally {
            explosion.snapshot = null;
            explosion.plans = null;
            explosion.own = null;
            explosion.forecast = null;
        }
    }

    private DemandList gather(int p, PlanOptions options) {
        size = 0;
        fits = true;
        Network network = snapshot.network;
        int first = network.incomingStart[p];
        int edges = network.incomingStart[p + 1] - first;
        int[] cellStart = new int[edges + 1];
        for (int k = 0; k < edges; k++) {
            PlannedOrders above = plans.get(network.incomingFrom[first + k]).planned;
            // both lie far apart in memory and are needed next: asked for here, they come at the same time for all
            // edges
            cellStart[k + 1] = cellStart[k] + Math.min(above.start.length, above.started.length);
        }
        addDocuments(options, cellStart[edges]);
        long step = snapshot.points[p].step;
        for (int k = 0; k < edges; k++) {
            long units = network.incomingUnits[first + k];
            if (units > 0) {
                addPlain(first + k, units, cellStart[k], step);
            } else {
                addRaised(first + k, cellStart[k], step);
            }
        }
        return inTurn(p, cellStart, documents());
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

    private void addDocuments(PlanOptions options, int firstCell) {
        boolean all = options.countsAll();
        for (int i = 0; i < own.size; i++) {
            boolean counts = all
                    || (i < own.customerOrders
                            ? options.counts((CustomerOrderLine) own.document[i])
                            : options.counts((OpenOrder) own.document[i]));
            if (counts) {
                add(own.ownDay[i], own.quantity[i], DemandList.DOCUMENT, i, own.position[i], firstCell + i);
                order(own.priority[i], own.number[i]);
            }
        }
        for (int i = 0; i < forecast.length; i++) {
            ForecastConsumption.Net net = forecast[i];
            int which = own.size + i;
            add(net.day(), net.quantity(), DemandList.DOCUMENT, which, net.position(), firstCell + which);
            order(ForecastConsumption.PRIORITY, snapshot.numbers.of(net.bucket().set()));
        }
    }

    /** What the planned orders above need along an edge that always asks for whole units, from their start on. */
    private void addPlain(int slot, long units, int firstCell, long step) {
        int from = snapshot.network.incomingFrom[slot];
        PlannedOrders planned = plans.get(from).planned;
        int rank = snapshot.network.incomingRank[slot];
        int edge = snapshot.network.incoming[slot];
        int line = edge - snapshot.network.edgeStart[from];
        for (int o = 0; o < planned.size; o++) {
            if (planned.start[o] <= snapshot.horizonEnd) {
                long needed = Quantity.roundUp(
                        units == 1 ? planned.started[o] : Quantity.times(planned.started[o], units), step);
                if (needed > 0) {
                    add(planned.start[o], needed, from, o, line, firstCell + o);
                    order(CustomerOrderLine.DEFAULT_PRIORITY, rank);
                }
            }
        }
    }

    /** What the planned orders above need along one edge; nothing where the line is not valid on their start day. */
    private void addRaised(int slot, int firstCell, long step) {
        Network network = snapshot.network;
        int edge = network.incoming[slot];
        int from = network.edgeFrom[edge];
        PlannedOrders planned = plans.get(from).planned;
        Kits.Part part = network.edgePart[edge];
        int operation = network.operation(edge);
        int rank = network.incomingRank[slot];
        int line = edge - network.edgeStart[from];
        for (int o = 0; o < planned.size; o++) {
            if (part.validOn(Math.max(planned.start[o], snapshot.today))) {
                long needed = part.needed(planned.started[o], step);
                int day = planned.needs(o, operation);
                if (needed > 0 && day <= snapshot.horizonEnd) {
                    add(day, needed, from, o, line, firstCell + o);
                    order(CustomerOrderLine.DEFAULT_PRIORITY, rank);
                }
            }
        }
    }

    private void add(int day, long amount, int from, int which, int position, int place) {
        if (size == ownDay.length) {
            grow();
        }
        ownDay[size] = day;
        quantity[size] = amount;
        parent[size] = from;
        source[size] = which;
        bomLine[size] = position;
        cell[size] = place;
    }

    private void grow() {
        int capacity = size * 2;
        ownDay = Arrays.copyOf(ownDay, capacity);
        quantity = Arrays.copyOf(quantity, capacity);
        parent = Arrays.copyOf(parent, capacity);
        source = Arrays.copyOf(source, capacity);
        bomLine = Arrays.copyOf(bomLine, capacity);
        cell = Arrays.copyOf(cell, capacity);
        key = Arrays.copyOf(key, capacity);
        turn = new int[capacity];
    }

    private void order(int priority, int number) {
        long ahead = Math.max(0L, (long) ownDay[size] - snapshot.today);
        fits &= ahead < FARTHEST && priority >= 0 && priority < 1 << PRIORITY_BITS && size < MOST;
        key[size] = (((ahead << PRIORITY_BITS | priority) << RANK_BITS | number) << PLACE_BITS) | (size & (MOST - 1));
        size++;
    }

    private DemandList inTurn(int p, int[] cellStart, Object[] documents) {
        if (fits) {
            byKey();
        } else {
            inFull();
        }
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
        for (int i = 1; i < size; i++) {
            int place = turn[i];
            int to = i;
            while (to > 0 && key[to - 1] >>> PLACE_BITS == key[i] >>> PLACE_BITS && compare(turn[to - 1], place) > 0) {
                turn[to] = turn[to - 1];
                to--;
            }
            turn[to] = place;
        }
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
        if (c == 0) c = Integer.compare(bomLine[a], bomLine[b]);
        return c;
    }

    private boolean raised(int i) {
        return parent[i] != DemandList.DOCUMENT;
    }

    private ForecastConsumption.Net net(int i) {
        return source[i] < own.size ? null : forecast[source[i] - own.size];
    }

    private int priority(int i) {
        return raised(i)
                ? CustomerOrderLine.DEFAULT_PRIORITY
                : net(i) != null ? ForecastConsumption.PRIORITY : own.priority[source[i]];
    }

    private int number(int i) {
        if (raised(i)) {
            StockPoint above = snapshot.points[parent[i]];
            return above.transfers() ? snapshot.siteRank[above.site] : snapshot.itemRank[above.item];
        }
        return net(i) != null ? snapshot.numbers.of(net(i).bucket().set()) : own.number[source[i]];
    }

    private long line(int i) {
        if (raised(i)) {
            return DATE_LINE + plans.get(parent[i]).planned.due[source[i]];
        }
        return net(i) != null ? DATE_LINE + net(i).bucket().fromDay() : own.line[source[i]];
    }

    private int parentSite(int i) {
        return raised(i) ? snapshot.points[parent[i]].site : net(i) != null ? -1 : own.parentSite[source[i]];
    }

    private int parentOrder(int i) {
        return raised(i) ? source[i] : -1;
    }
}
