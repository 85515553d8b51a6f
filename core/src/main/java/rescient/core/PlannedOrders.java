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

    int size;
    Need[] need = new Need[0];
    int[] needDay = new int[0];
    /** Covered and position before the orders of this need, and the good quantity wanted of them. */
    long[] covered = new long[0];

    long[] position = new long[0];
    long[] wanted = new long[0];
    long[] good = new long[0];
    long[] started = new long[0];
    int[] start = new int[0];
    int[] due = new int[0];
    /** The due date before the frozen fence moved it. */
    int[] wantedDue = new int[0];
    /** The demand a per-order supply was made for, or -1. */
    int[] forDemand = new int[0];

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
            grow();
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

    private void grow() {
        int capacity = Math.max(2, size * 2);
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
