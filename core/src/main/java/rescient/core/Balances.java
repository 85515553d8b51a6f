package rescient.core;

import java.util.ArrayList;
import java.util.List;
import java.util.TreeMap;

/** The projected balance of a stock point: a row for today and for each day with an event, up to the horizon. */
final class Balances {
    private static final int RECEIPTS = 0;
    private static final int DEMANDS = 1;
    private static final int PLANNED = 2;
    private static final int EXPIRED = 3;

    private Balances() {}

    static List<Balance> of(Snapshot snapshot, PointPlan plan) {
        return of(snapshot, plan, true);
    }

    /** What would happen if nothing were ordered any more. */
    static List<Balance> withoutPlanned(Snapshot snapshot, PointPlan plan) {
        return of(snapshot, plan, false);
    }

    private static List<Balance> of(Snapshot snapshot, PointPlan plan, boolean withPlanned) {
        TreeMap<Integer, long[]> days = new TreeMap<>();
        days.put(snapshot.today, new long[4]);
        long running = 0;
        for (int i = 0; i < plan.known.lot.length; i++) {
            running = Quantity.plus(running, plan.known.lotQuantity[i]);
            if (plan.known.lotExpiry[i] <= snapshot.horizonEnd) {
                add(days, plan.known.lotExpiry[i], EXPIRED, plan.known.lotExpired[i]);
            }
        }
        for (int i = 0; i < plan.known.open.length; i++) {
            add(days, plan.known.openDay[i], RECEIPTS, plan.known.openQuantity[i]);
        }
        for (int d = 0; d < plan.demands.size; d++) {
            add(days, plan.demands.day[d], DEMANDS, plan.demands.quantity[d]);
        }
        for (int o = 0; withPlanned && o < plan.planned.size; o++) {
            if (plan.planned.due[o] <= snapshot.horizonEnd) {
                add(days, plan.planned.due[o], PLANNED, plan.planned.good[o]);
            }
        }
        List<Balance> rows = new ArrayList<>(days.size());
        for (var entry : days.entrySet()) {
            long[] sums = entry.getValue();
            running = Quantity.plus(running, sums[RECEIPTS]);
            running = Quantity.plus(running, sums[PLANNED] - sums[EXPIRED] - sums[DEMANDS]);
            rows.add(new Balance(entry.getKey(), sums[RECEIPTS], sums[DEMANDS], sums[PLANNED], sums[EXPIRED], running));
        }
        return rows;
    }

    private static void add(TreeMap<Integer, long[]> days, int day, int column, long quantity) {
        long[] sums = days.computeIfAbsent(day, d -> new long[4]);
        sums[column] = Quantity.plus(sums[column], quantity);
    }
}
