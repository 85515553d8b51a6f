package rescient.core;

import java.util.Arrays;

/**
 * The last part of section 5: which open orders are not needed, or not yet. Latest first, each with the decisions on
 * later ones applied and the planned orders as they stand.
 */
final class Rescheduling {
    private final Snapshot snapshot;
    private final StockPoint point;
    private final KnownSupplies known;
    private final long safetyStock;
    private final int[] day;
    private final int days;
    private final long[] balance;
    /** What arrives after each day, planned orders included; only for reorder-point rules. */
    private final long[] later;

    /** Room that every stock point uses anew. */
    private static final class Room {
        long[] balance = {};
        long[] later = {};

        void hold(int days) {
            if (days > balance.length) {
                balance = new long[days * 2];
                later = new long[days * 2];
            }
        }
    }

    private static final ThreadLocal<Room> ROOM = ThreadLocal.withInitial(Room::new);

    private Rescheduling(
            Snapshot snapshot,
            StockPoint point,
            KnownSupplies known,
            long safetyStock,
            int[] day,
            int days,
            long[] of) {
        this.snapshot = snapshot;
        this.point = point;
        this.known = known;
        this.safetyStock = safetyStock;
        this.day = day;
        this.days = days;
        Room room = ROOM.get();
        room.hold(days);
        this.balance = room.balance;
        this.later = room.later;
        System.arraycopy(of, 0, balance, 0, days);
    }

    /** Writes the proposals beside the open orders. */
    static void run(Snapshot snapshot, StockPoint point, KnownSupplies known, Projection projection, long safetyStock) {
        Rescheduling rescheduling = new Rescheduling(
                snapshot, point, known, safetyStock, projection.day, projection.size, projection.balance);
        if (point.byReorderPoint()) {
            rescheduling.addUp(projection);
        }
        rescheduling.decide();
    }

    /** The same for a point that is not ordered by its position, with the balances that netting found. */
    static void run(Snapshot snapshot, StockPoint point, KnownSupplies known, Timeline line, long safetyStock) {
        new Rescheduling(snapshot, point, known, safetyStock, line.day, line.size, line.covered).decide();
    }

    private void addUp(Projection projection) {
        later[days - 1] = 0;
        for (int i = days - 2; i >= 0; i--) {
            later[i] = Quantity.plus(later[i + 1], projection.receipts[i + 1] + projection.planned[i + 1]);
        }
    }

    private void decide() {
        for (int i : latestFirst(known)) {
            if (!known.pulledIn[i] && !known.locked[i]) {
                decide(i);
            }
        }
    }

    /** By the day they count on, number and line; their stage does not matter here. */
    private static int[] latestFirst(KnownSupplies known) {
        int[] order = new int[known.open.length];
        for (int i = 0; i < order.length; i++) {
            int to = order.length - 1 - i;
            order[to] = i;
            while (to + 1 < order.length && isLater(known, order[to + 1], order[to])) {
                int earlier = order[to];
                order[to] = order[to + 1];
                order[++to] = earlier;
            }
        }
        return order;
    }

    private static boolean isLater(KnownSupplies known, int a, int b) {
        if (known.openDay[a] != known.openDay[b]) {
            return known.openDay[a] > known.openDay[b];
        }
        return known.open[a].number() != known.open[b].number()
                ? known.open[a].number() > known.open[b].number()
                : known.open[a].line() > known.open[b].line();
    }

    private int at(int wanted) {
        return Arrays.binarySearch(day, 0, days, wanted);
    }

    private void decide(int i) {
        long quantity = known.openQuantity[i];
        int from = at(known.openDay[i]);
        int missedDay = Integer.MAX_VALUE;
        boolean belowReorderPoint = false;
        for (int k = from; k < days && day[k] <= snapshot.horizonEnd; k++) {
            if (crosses(balance[k], quantity, safetyStock)) {
                missedDay = day[k];
                break;
            }
            belowReorderPoint |= point.byReorderPoint() && crosses(balance[k] + later[k], quantity, point.reorderPoint);
        }
        if (missedDay == Integer.MAX_VALUE && !belowReorderPoint) {
            propose(i, KnownSupplies.Proposal.CANCEL, KnownSupplies.NONE);
            takeAway(from, days, quantity);
        } else if (missedDay != Integer.MAX_VALUE && !point.byReorderPoint()) {
            int proposed = point.receipt(missedDay, snapshot.today);
            if (proposed - (long) known.openDay[i] > point.rescheduleTolerance) {
                propose(i, KnownSupplies.Proposal.PUSH_BACK, proposed);
                int to = at(proposed);
                takeAway(from, to < 0 ? -to - 1 : to, quantity);
            }
        }
    }

    private static boolean crosses(long with, long quantity, long level) {
        return with >= level && with - quantity < level;
    }

    private void propose(int i, KnownSupplies.Proposal proposal, int proposedDay) {
        known.proposal[i] = proposal;
        known.proposedDay[i] = proposedDay;
    }

    private void takeAway(int from, int to, long quantity) {
        for (int k = from; k < to; k++) {
            balance[k] -= quantity;
        }
    }
}
