package rescient.core;

import java.util.Arrays;

/** The planned orders of one stock point in columns, in the order they were made, each with what it was made for. */
final class PlannedOrders {
    /** Why a planned order was made. */
    enum Need {
        /** Covered was below the safety stock. */
        HARD,
        /** The position was below the reorder point. */
        SOFT,
        /** A phantom's need, passed to its components: not an order. */
        PASSING
    }

    private static final Need[] NO_NEEDS = {};
    private static final int[] NO_INTS = {};
    private static final long[] NO_LONGS = {};

    int size;
    Need[] need = NO_NEEDS;
    int[] needDay = NO_INTS;
    /** Covered and position before the orders of this need, and the good quantity wanted of them. */
    long[] covered = NO_LONGS;

    long[] position = NO_LONGS;
    long[] wanted = NO_LONGS;
    long[] good = NO_LONGS;
    long[] started = NO_LONGS;
    int[] start = NO_INTS;
    int[] due = NO_INTS;
    /** The due date before the frozen fence moved it. */
    int[] wantedDue = NO_INTS;
    /** The demand a per-order supply was made for, or -1. */
    int[] forDemand = NO_INTS;
    /** The day each operation of each order starts, or null if no component is tied to an operation. */
    int[][] stepStart;

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
            int demand) {
        if (size == due.length) {
            resize(Math.max(4, size * 2));
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
        size++;
    }

    /** A copy that takes no more room than its orders. */
    PlannedOrders copy() {
        PlannedOrders copy = new PlannedOrders();
        if (size > 0) {
            copy.size = size;
            copy.need = Arrays.copyOf(need, size);
            copy.needDay = Arrays.copyOf(needDay, size);
            copy.covered = Arrays.copyOf(covered, size);
            copy.position = Arrays.copyOf(position, size);
            copy.wanted = Arrays.copyOf(wanted, size);
            copy.good = Arrays.copyOf(good, size);
            copy.started = Arrays.copyOf(started, size);
            copy.start = Arrays.copyOf(start, size);
            copy.due = Arrays.copyOf(due, size);
            copy.wantedDue = Arrays.copyOf(wantedDue, size);
            copy.forDemand = Arrays.copyOf(forDemand, size);
        }
        return copy;
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
    }
}
