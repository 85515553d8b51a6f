package rescient.core.netting;

import java.util.Arrays;
import rescient.core.snapshot.Routing;

/**
 * The planned orders of one stock point while they are made, each with the need that it is made for. The plan keeps the
 * orders; the needs are found again, by the same walk, when somebody asks why.
 */
public final class OrderNeeds {
    /** Why a planned order was made. */
    public enum Need {
        /** Covered was below the safety stock. */
        HARD,
        /** The position was below the reorder point. */
        SOFT,
        /** A phantom's need, passed to its components: not an order. */
        PASSING
    }

    private static final int FIRST = 64;

    int size;
    public Need[] need = new Need[FIRST];
    public int[] needDay = new int[FIRST];
    /** Covered and position before the orders of this need, and the good quantity wanted of them. */
    public long[] covered = new long[FIRST];

    public long[] position = new long[FIRST];
    public long[] wanted = new long[FIRST];
    long[] good = new long[FIRST];
    private long[] started = new long[FIRST];
    private int[] start = new int[FIRST];
    private int[] due = new int[FIRST];
    private int[] wantedDue = new int[FIRST];
    private int[] forDemand = new int[FIRST];
    private long[] ownPart = new long[FIRST];
    private boolean fenced;
    private boolean perOrder;
    private boolean yields;

    /** Begins anew. */
    void clear() {
        size = 0;
        fenced = false;
        perOrder = false;
        yields = false;
    }

    void add(
            Need kind,
            int dayOfNeed,
            long coveredBefore,
            long positionBefore,
            long quantityWanted,
            Sizing.Part part,
            int startDay,
            int dueDay,
            int dueBeforeFence,
            int demand,
            long partOfDemand) {
        if (size == due.length) {
            resize(size * 2);
        }
        need[size] = kind;
        needDay[size] = dayOfNeed;
        covered[size] = coveredBefore;
        position[size] = positionBefore;
        wanted[size] = quantityWanted;
        good[size] = part.good();
        started[size] = part.started();
        start[size] = startDay;
        due[size] = dueDay;
        wantedDue[size] = dueBeforeFence;
        forDemand[size] = demand;
        ownPart[size] = partOfDemand;
        fenced |= dueBeforeFence != dueDay;
        perOrder |= demand >= 0;
        yields |= part.good() != part.started();
        size++;
    }

    /** The orders, without what they were made for. */
    PlannedOrders orders(Routing routing) {
        if (size == 0) {
            return PlannedOrders.NONE;
        }
        long[] starts = Arrays.copyOf(started, size);
        int[][] steps = routing == null ? null : new int[size][];
        for (int o = 0; steps != null && o < size; o++) {
            steps[o] = routing.starts(due[o], started[o]);
        }
        return new PlannedOrders(
                Arrays.copyOf(start, size),
                Arrays.copyOf(due, size),
                starts,
                yields ? Arrays.copyOf(good, size) : starts,
                fenced ? Arrays.copyOf(wantedDue, size) : null,
                perOrder ? Arrays.copyOf(forDemand, size) : null,
                perOrder ? Arrays.copyOf(ownPart, size) : null,
                steps);
    }

    /** Of one need the orders share their terms: the first of them. */
    public int firstOfNeed(int order) {
        int first = order;
        while (first > 0 && needDay[first - 1] == needDay[order] && need[first - 1] == need[order]) {
            first--;
        }
        return first;
    }

    private void resize(int capacity) {
        need = Arrays.copyOf(need, capacity);
        needDay = Arrays.copyOf(needDay, capacity);
        covered = Arrays.copyOf(covered, capacity);
        position = Arrays.copyOf(position, capacity);
        wanted = Arrays.copyOf(wanted, capacity);
        good = Arrays.copyOf(good, capacity);
        started = Arrays.copyOf(started, capacity);
        start = Arrays.copyOf(start, capacity);
        due = Arrays.copyOf(due, capacity);
        wantedDue = Arrays.copyOf(wantedDue, capacity);
        forDemand = Arrays.copyOf(forDemand, capacity);
        ownPart = Arrays.copyOf(ownPart, capacity);
    }
}
