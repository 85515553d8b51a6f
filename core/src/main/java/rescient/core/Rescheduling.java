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
    private final PlannedOrders planned;
    private final Timeline line;
    private final long safetyStock;
    private int[] day;
    private long[] balance;
    /** What arrives after each day, planned orders included. */
    private long[] later;

    Rescheduling(
            Snapshot snapshot,
            StockPoint point,
            KnownSupplies known,
            PlannedOrders planned,
            Timeline line,
            long safetyStock) {
        this.snapshot = snapshot;
        this.point = point;
        this.known = known;
        this.planned = planned;
        this.line = line;
        this.safetyStock = safetyStock;
    }

    void run() {
        if (known.open.length == 0) {
            return;
        }
        project();
        for (int i = known.open.length - 1; i >= 0; i--) {
            if (!known.pulledIn[i] && !known.locked[i]) {
                decide(i);
            }
        }
    }

    private void project() {
        int[] all = Arrays.copyOf(line.day, line.size + planned.size);
        System.arraycopy(planned.due, 0, all, line.size, planned.size);
        day = Timeline.distinct(all);
        long[] receipts = new long[day.length];
        balance = new long[day.length];
        for (int i = 0; i < known.open.length; i++) {
            receipts[at(known.openDay[i])] += known.openQuantity[i];
        }
        for (int o = 0; o < planned.size; o++) {
            receipts[at(planned.due[o])] += planned.good[o];
        }
        long running = line.stock;
        int t = 0;
        for (int i = 0; i < day.length; i++) {
            running = Quantity.plus(running, receipts[i]);
            if (t < line.size && line.day[t] == day[i]) {
                running = Quantity.plus(running, -line.demands[t] - line.expired[t]);
                t++;
            }
            balance[i] = running;
        }
        later = new long[day.length];
        for (int i = day.length - 2; i >= 0; i--) {
            later[i] = Quantity.plus(later[i + 1], receipts[i + 1]);
        }
    }

    private int at(int wanted) {
        return Arrays.binarySearch(day, wanted);
    }

    private void decide(int i) {
        long quantity = known.openQuantity[i];
        int from = at(known.openDay[i]);
        int missedDay = Integer.MAX_VALUE;
        boolean belowReorderPoint = false;
        for (int k = from; k < day.length && day[k] <= snapshot.horizonEnd; k++) {
            if (crosses(balance[k], quantity, safetyStock)) {
                missedDay = day[k];
                break;
            }
            belowReorderPoint |= point.byReorderPoint() && crosses(balance[k] + later[k], quantity, point.reorderPoint);
        }
        if (missedDay == Integer.MAX_VALUE && !belowReorderPoint) {
            propose(i, KnownSupplies.Proposal.CANCEL, KnownSupplies.NONE);
            takeAway(from, day.length, quantity);
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
