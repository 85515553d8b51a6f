package rescient.core.netting;

import java.util.Arrays;
import rescient.core.base.Quantity;
import rescient.core.snapshot.Snapshot;

/** The days of one stock point that have an event, with what is known to arrive, expire and leave on each. */
final class Timeline {
    private static final ThreadLocal<Timeline> SCRATCH = ThreadLocal.withInitial(Timeline::new);

    int size;
    int[] day = new int[64];
    long[] receipts = new long[64];
    long[] demands = new long[64];
    long[] expired = new long[64];
    /** Covered at the end of each day, written by the walk through the days. */
    long[] covered = new long[64];
    /** The demands of day {@code t} are {@code firstDemand[t]} to {@code firstDemand[t + 1]}. */
    int[] firstDemand = new int[65];
    /** Stock on hand today that still serves. */
    long stock;

    private ScheduledReceipts known;
    /** What per-order supplies serve on each day, which no lot has to. */
    private long[] served = new long[64];

    private long laterReceipts;
    private int arrived;

    private Timeline() {}

    /** The days of a point; they are this thread's, until it asks for those of the next point. */
    static Timeline of(Snapshot snapshot, DemandList list, ScheduledReceipts known) {
        Timeline timeline = SCRATCH.get();
        timeline.fill(snapshot, list, known);
        return timeline;
    }

    private void fill(Snapshot snapshot, DemandList list, ScheduledReceipts supplies) {
        known = supplies;
        int most = 1 + list.size + known.open.length + known.lot.length;
        if (most > day.length) {
            grow(most * 2);
        }
        size = days(snapshot, list);
        Arrays.fill(receipts, 0, size, 0);
        Arrays.fill(expired, 0, size, 0);
        Arrays.fill(served, 0, size, 0);
        long sum = 0;
        for (long quantity : known.lotQuantity) {
            sum = Quantity.plus(sum, quantity);
        }
        stock = sum;
        laterReceipts = 0;
        arrived = 0;
        for (int i = 0; i < known.open.length; i++) {
            int t = at(known.openDay[i]);
            receipts[t] = Quantity.plus(receipts[t], known.openQuantity[i]);
            laterReceipts = Quantity.plus(laterReceipts, known.openQuantity[i]);
        }
        for (int t = 0; t < size; t++) {
            demands[t] = list.sum(firstDemand[t], firstDemand[t + 1]);
        }
        expire();
    }

    private void grow(int capacity) {
        day = new int[capacity];
        receipts = new long[capacity];
        demands = new long[capacity];
        expired = new long[capacity];
        covered = new long[capacity];
        served = new long[capacity];
        firstDemand = new int[capacity + 1];
    }

    private int at(int wanted) {
        return Arrays.binarySearch(day, 0, size, wanted);
    }

    private int days(Snapshot snapshot, DemandList list) {
        int[] others = new int[known.open.length + known.lot.length];
        int n = 0;
        for (int open : known.openDay) {
            others[n++] = open;
        }
        for (int i = 0; i < known.lot.length && known.lotExpiry[i] <= snapshot.horizonEnd; i++) {
            others[n++] = known.lotExpiry[i];
        }
        return Days.into(day, firstDemand, snapshot.today, list, others, n);
    }

    /** How the balance changes on day {@code t}, as far as is known. */
    long change(int t) {
        return receipts[t] - expired[t] - demands[t];
    }

    /** Everything that is known to arrive after day {@code t}; asked with {@code t} that never falls. */
    long receiptsAfter(int t) {
        while (arrived <= t) {
            laterReceipts -= receipts[arrived++];
        }
        return laterReceipts;
    }

    /** Takes a receipt away from a later day. */
    void move(int fromDay, long quantity, int t) {
        receiptsAfter(t);
        receipts[at(fromDay)] -= quantity;
        laterReceipts -= quantity;
    }

    /** A supply made for one demand serves this much of day {@code t}. */
    void serve(int t, long quantity) {
        served[t] = Quantity.plus(served[t], quantity);
        expire();
    }

    /** Lets the demands use the lots, first-expiring first, and finds what is left of each on its expiry. */
    private void expire() {
        if (known.lot.length == 0 || known.lotExpiry[0] > day[size - 1]) {
            return;
        }
        Arrays.fill(expired, 0, size, 0);
        long[] left = known.lotQuantity.clone();
        int first = 0;
        for (int t = 0; t < size; t++) {
            while (first < left.length && known.lotExpiry[first] <= day[t]) {
                known.lotExpired[first] = left[first];
                expired[t] = Quantity.plus(expired[t], left[first++]);
            }
            long wanted = demands[t] - served[t];
            for (int i = first; i < left.length && wanted > 0; i++) {
                long taken = Math.min(left[i], wanted);
                left[i] -= taken;
                wanted -= taken;
            }
        }
    }
}
