package rescient.core.netting;

import java.util.Arrays;
import rescient.core.base.Quantity;
import rescient.core.snapshot.Snapshot;
import rescient.core.snapshot.StockPoint;

/**
 * The last part of section 5: which open orders are not needed, or not yet. Latest first, each with the decisions on
 * later ones applied and the planned orders as they stand.
 */
final class Rescheduling {
    private final Snapshot snapshot;
    private final StockPoint point;
    private final ScheduledReceipts known;
    private final long safetyStock;
    private final int[] day;
    private final int days;
    private final long[] balance;
    /**
     * The position of each day; only for reorder-point rules. Of the planned orders it counts those made for a need on or
     * before that day: one that a later need brought does not make an open order superfluous.
     */
    private final long[] position;

    /** Room that every stock point uses anew. */
    private static final class Room {
        long[] balance = {};
        long[] position = {};

        void hold(int days) {
            if (days > balance.length) {
                balance = new long[days * 2];
                position = new long[days * 2];
            }
        }
    }

    private static final ThreadLocal<Room> ROOM = ThreadLocal.withInitial(Room::new);

    private Rescheduling(
            Snapshot snapshot,
            StockPoint point,
            ScheduledReceipts known,
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
        this.position = room.position;
        System.arraycopy(of, 0, balance, 0, days);
    }

    /**
     * Writes the proposals beside the open orders.
     *
     * @param needs what the planned orders were made for
     */
    static void run(
            Snapshot snapshot,
            StockPoint point,
            ScheduledReceipts known,
            Projection projection,
            OrderNeeds needs,
            long safetyStock) {
        Rescheduling rescheduling = new Rescheduling(
                snapshot, point, known, safetyStock, projection.day, projection.size, projection.balance);
        if (point.byReorderPoint()) {
            rescheduling.addUp(projection, needs);
        }
        rescheduling.decide();
    }

    /** The same for a point that is not ordered by its position, with the balances that netting found. */
    static void run(Snapshot snapshot, StockPoint point, ScheduledReceipts known, Timeline line, long safetyStock) {
        new Rescheduling(snapshot, point, known, safetyStock, line.day, line.size, line.covered).decide();
    }

    private void addUp(Projection projection, OrderNeeds needs) {
        long opens = 0;
        for (long quantity : known.openQuantity) {
            opens = Quantity.plus(opens, quantity);
        }
        long arrived = 0;
        long plannedSoFar = 0;
        long made = 0;
        int next = 0;
        for (int k = 0; k < days; k++) {
            arrived += projection.receipts[k];
            plannedSoFar += projection.planned[k];
            // needs come in the order of their days
            for (; next < needs.size && needs.needDay[next] <= day[k]; next++) {
                made = Quantity.plus(made, needs.good[next]);
            }
            position[k] = Quantity.plus(balance[k] - plannedSoFar, Quantity.plus(opens - arrived, made));
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
    private static int[] latestFirst(ScheduledReceipts known) {
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

    private static boolean isLater(ScheduledReceipts known, int a, int b) {
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
            belowReorderPoint |= point.byReorderPoint() && crosses(position[k], quantity, point.reorderPoint);
        }
        if (missedDay == Integer.MAX_VALUE && !belowReorderPoint) {
            propose(i, ScheduledReceipts.Proposal.CANCEL, ScheduledReceipts.NONE);
            takeAway(from, days, quantity);
            forget(quantity);
        } else if (missedDay != Integer.MAX_VALUE && !point.byReorderPoint()) {
            int proposed = point.receipt(missedDay, snapshot.today);
            if (proposed - (long) known.openDay[i] > point.rescheduleTolerance) {
                propose(i, ScheduledReceipts.Proposal.PUSH_BACK, proposed);
                int to = at(proposed);
                takeAway(from, to < 0 ? -to - 1 : to, quantity);
            }
        }
    }

    private static boolean crosses(long with, long quantity, long level) {
        return with >= level && with - quantity < level;
    }

    private void propose(int i, ScheduledReceipts.Proposal proposal, int proposedDay) {
        known.proposal[i] = proposal;
        known.proposedDay[i] = proposedDay;
    }

    /** A position counts an order on every day, before it arrives and after. */
    private void forget(long quantity) {
        for (int k = 0; point.byReorderPoint() && k < days; k++) {
            position[k] -= quantity;
        }
    }

    private void takeAway(int from, int to, long quantity) {
        for (int k = from; k < to; k++) {
            balance[k] -= quantity;
        }
    }
}
