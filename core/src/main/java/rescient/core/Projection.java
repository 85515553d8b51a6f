package rescient.core;

import java.util.Arrays;

/**
 * One stock point day by day when its planned orders are made: what arrives, expires and leaves, and what is left. Holds
 * today and every day with an event, those behind the horizon on which something planned is due too.
 */
final class Projection {
    final int size;
    final int[] day;
    /** Open orders. */
    final long[] receipts;

    final long[] planned;
    final long[] demands;
    final long[] expired;
    /** At the end of the day. */
    final long[] balance;

    private Projection(int[] day) {
        this.day = day;
        this.size = day.length;
        this.receipts = new long[size];
        this.planned = new long[size];
        this.demands = new long[size];
        this.expired = new long[size];
        this.balance = new long[size];
    }

    /** The days of a point with these planned orders, which may be none. */
    static Projection of(Snapshot snapshot, DemandList demands, KnownSupplies known, PlannedOrders planned) {
        Projection projection = new Projection(days(snapshot, demands, known, planned));
        projection.fill(snapshot, demands, known, planned);
        return projection;
    }

    private static int[] days(Snapshot snapshot, DemandList demands, KnownSupplies known, PlannedOrders planned) {
        int[] others = new int[known.open.length + known.lot.length + planned.size];
        System.arraycopy(planned.due, 0, others, 0, planned.size);
        int n = planned.size;
        for (int open : known.openDay) {
            others[n++] = open;
        }
        for (int i = 0; i < known.lot.length && known.lotExpiry[i] <= snapshot.horizonEnd; i++) {
            others[n++] = known.lotExpiry[i];
        }
        return Days.of(snapshot.today, demands, others, n);
    }

    private void fill(Snapshot snapshot, DemandList list, KnownSupplies known, PlannedOrders orders) {
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
        int d = 0;
        for (t = 0; t < size; t++) {
            long leaving = 0;
            while (d < list.size && list.day(d) == day[t]) {
                leaving = Quantity.plus(leaving, list.quantity[d++]);
            }
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
        return Arrays.binarySearch(day, wanted);
    }
}
