package rescient.core.netting;

import java.util.Arrays;
import rescient.core.base.Quantity;
import rescient.core.snapshot.Snapshot;

/**
 * One stock point day by day when its planned orders are made: what arrives, expires and leaves, and what is left. Holds
 * today and every day with an event, those behind the horizon on which something planned is due too.
 */
public final class Projection {
    private static final ThreadLocal<Projection> SCRATCH = ThreadLocal.withInitial(() -> new Projection(64));

    public int size;
    private int[] others = new int[64];
    public int[] day;
    private int[] firstDemand;
    /** Open orders. */
    public long[] receipts;

    public long[] planned;
    public long[] demands;
    public long[] expired;
    /** At the end of the day. */
    public long[] balance;

    private Projection(int capacity) {
        grow(capacity);
    }

    private void grow(int capacity) {
        day = new int[capacity];
        firstDemand = new int[capacity + 1];
        receipts = new long[capacity];
        planned = new long[capacity];
        demands = new long[capacity];
        expired = new long[capacity];
        balance = new long[capacity];
    }

    /** The days of a point with these planned orders, which may be none; they are this thread's until it asks again. */
    public static Projection of(Snapshot snapshot, DemandList demands, ScheduledReceipts known, PlannedOrders planned) {
        Projection projection = SCRATCH.get();
        projection.days(snapshot, demands, known, planned);
        projection.fill(snapshot, demands, known, planned);
        return projection;
    }

    private void days(Snapshot snapshot, DemandList list, ScheduledReceipts known, PlannedOrders orders) {
        int more = known.open.length + known.lot.length + orders.size;
        if (more > others.length) {
            others = new int[more * 2];
        }
        if (1 + list.size + more > day.length) {
            grow((1 + list.size + more) * 2);
        }
        System.arraycopy(orders.due, 0, others, 0, orders.size);
        int n = orders.size;
        for (int open : known.openDay) {
            others[n++] = open;
        }
        for (int i = 0; i < known.lot.length && known.lotExpiry[i] <= snapshot.horizonEnd; i++) {
            others[n++] = known.lotExpiry[i];
        }
        size = Days.into(day, firstDemand, snapshot.today, list, others, n);
        Arrays.fill(receipts, 0, size, 0);
        Arrays.fill(planned, 0, size, 0);
        Arrays.fill(expired, 0, size, 0);
    }

    private void fill(Snapshot snapshot, DemandList list, ScheduledReceipts known, PlannedOrders orders) {
        long running = 0;
        for (int i = 0; i < known.lot.length; i++) {
            running = Quantity.plus(running, known.lotQuantity[i]);
            if (known.lotExpiry[i] <= snapshot.horizonEnd) {
                expired[at(known.lotExpiry[i])] += known.lotExpired[i];
            }
        }
        for (int i = 0; i < known.open.length; i++) {
            int at = at(known.openDay[i]);
            receipts[at] = Quantity.plus(receipts[at], known.openQuantity[i]);
        }
        int t = 0;
        for (int o = 0; o < orders.size; o++) {
            // mostly made in the order they are due
            t = day[t] <= orders.due[o] ? t : at(orders.due[o]);
            while (day[t] != orders.due[o]) {
                t++;
            }
            planned[t] = Quantity.plus(planned[t], orders.good[o]);
        }
        for (t = 0; t < size; t++) {
            long leaving = list.sum(firstDemand[t], firstDemand[t + 1]);
            demands[t] = leaving;
            running = Quantity.plus(running, receipts[t]);
            running = Quantity.plus(running, planned[t]);
            running = Quantity.plus(running, -expired[t]);
            running = Quantity.plus(running, -leaving);
            balance[t] = running;
        }
    }

    /** The place of a day that has an event, else where it would stand, negative as in a binary search. */
    int at(int wanted) {
        return Arrays.binarySearch(day, 0, size, wanted);
    }
}
