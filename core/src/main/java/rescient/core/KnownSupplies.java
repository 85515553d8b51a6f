package rescient.core;

import java.util.Arrays;
import java.util.Comparator;

/**
 * What one stock point has and expects: its lots that still serve, first-expiring first, and its open orders in order
 * of the day they count on, released before firmed, number, line. Netting writes its decisions beside them.
 */
final class KnownSupplies {
    static final int NONE = Integer.MIN_VALUE;

    /** What the calculation proposes for an open order. */
    enum Proposal {
        BRING_FORWARD,
        PUSH_BACK,
        CANCEL
    }

    /** Index of each lot in the snapshot. */
    final int[] lot;

    final long[] lotQuantity;
    final int[] lotExpiry;
    /** What is left of each lot when it expires within the horizon. */
    final long[] lotExpired;
    /** Index of each open order in the snapshot. */
    final int[] open;

    final long[] openQuantity;
    /** The day the plan counts on: its due date, today if overdue, or the day it was pulled in to. */
    final int[] openDay;

    final boolean[] locked;
    final boolean[] pulledIn;
    final Proposal[] proposal;
    final int[] proposedDay;

    KnownSupplies(Snapshot snapshot, int p, PlanOptions options) {
        int[] lots = snapshot.stockOf[p];
        if (lots == null || options.without().contains(PlanOptions.Kind.STOCK)) {
            lots = new int[0];
        }
        lot = Arrays.stream(lots)
                .filter(i -> snapshot.stock.get(i).expiry() > snapshot.today)
                .toArray();
        lotQuantity = Arrays.stream(lot)
                .mapToLong(i -> snapshot.stock.get(i).quantity())
                .toArray();
        lotExpiry = Arrays.stream(lot).map(i -> snapshot.stock.get(i).expiry()).toArray();
        lotExpired = new long[lot.length];
        int[] orders = snapshot.openOrdersOf[p];
        open = orders == null
                ? new int[0]
                : Arrays.stream(orders)
                        .filter(i -> counts(snapshot, options, snapshot.openOrders.get(i)))
                        .boxed()
                        .sorted(Comparator.<Integer>comparingInt(i -> countsOn(snapshot, i))
                                .thenComparing(i -> snapshot.openOrders.get(i).stage())
                                .thenComparing(i -> i))
                        .mapToInt(Integer::intValue)
                        .toArray();
        openQuantity = Arrays.stream(open)
                .mapToLong(i -> snapshot.openOrders.get(i).quantity())
                .toArray();
        openDay = Arrays.stream(open).map(i -> countsOn(snapshot, i)).toArray();
        locked = new boolean[open.length];
        for (int i = 0; i < open.length; i++) {
            locked[i] = snapshot.openOrders.get(open[i]).locked();
        }
        pulledIn = new boolean[open.length];
        proposal = new Proposal[open.length];
        proposedDay = new int[open.length];
        Arrays.fill(proposedDay, NONE);
    }

    private static boolean counts(Snapshot snapshot, PlanOptions options, OpenOrder order) {
        return order.dueDay() <= snapshot.horizonEnd && order.quantity() > 0 && options.counts(order);
    }

    private static int countsOn(Snapshot snapshot, int order) {
        return Math.max(snapshot.openOrders.get(order).dueDay(), snapshot.today);
    }
}
