package rescient.core;

import java.util.Arrays;

/** The days of one stock point that have an event, with what is known to arrive, expire and leave on each. */
final class Timeline {
    final int size;
    final int[] day;
    final long[] receipts;
    final long[] demands;
    final long[] expired;
    /** The demands of day {@code t} are {@code firstDemand[t]} to {@code firstDemand[t + 1]}. */
    final int[] firstDemand;
    /** Stock on hand today that still serves. */
    final long stock;

    private final KnownSupplies known;
    /** What per-order supplies serve on each day, which no lot has to. */
    private final long[] served;

    private long laterReceipts;
    private int arrived;

    Timeline(Snapshot snapshot, DemandList list, KnownSupplies known) {
        this.known = known;
        this.day = days(snapshot, list, known);
        this.size = day.length;
        this.receipts = new long[size];
        this.demands = new long[size];
        this.expired = new long[size];
        this.served = new long[size];
        this.firstDemand = new int[size + 1];
        long sum = 0;
        for (long quantity : known.lotQuantity) {
            sum = Quantity.plus(sum, quantity);
        }
        this.stock = sum;
        for (int i = 0; i < known.open.length; i++) {
            int t = Arrays.binarySearch(day, known.openDay[i]);
            receipts[t] = Quantity.plus(receipts[t], known.openQuantity[i]);
            laterReceipts = Quantity.plus(laterReceipts, known.openQuantity[i]);
        }
        int d = 0;
        for (int t = 0; t < size; t++) {
            firstDemand[t] = d;
            while (d < list.size && list.day(d) == day[t]) {
                demands[t] = Quantity.plus(demands[t], list.quantity[d++]);
            }
        }
        firstDemand[size] = d;
        expire();
    }

    private static int[] days(Snapshot snapshot, DemandList list, KnownSupplies known) {
        int[] others = new int[known.open.length + known.lot.length];
        int n = 0;
        for (int open : known.openDay) {
            others[n++] = open;
        }
        for (int i = 0; i < known.lot.length && known.lotExpiry[i] <= snapshot.horizonEnd; i++) {
            others[n++] = known.lotExpiry[i];
        }
        return Days.of(snapshot.today, list, others, n);
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
        receipts[Arrays.binarySearch(day, fromDay)] -= quantity;
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
        Arrays.fill(expired, 0);
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
