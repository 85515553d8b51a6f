package rescient.core.plan;

import java.util.ArrayList;
import java.util.List;
import rescient.core.netting.PlannedOrders;
import rescient.core.netting.PointPlan;
import rescient.core.netting.Projection;
import rescient.core.snapshot.Snapshot;

/** The projected balance of a stock point: a row for today and for each day with an event, up to the horizon. */
final class Balances {
    private Balances() {}

    static List<Balance> of(Snapshot snapshot, PointPlan plan) {
        return rows(snapshot, plan.projection(snapshot));
    }

    /** What would happen if nothing were ordered any more. */
    static List<Balance> withoutPlanned(Snapshot snapshot, PointPlan plan) {
        return rows(snapshot, Projection.of(snapshot, plan.demands, plan.known, PlannedOrders.NONE));
    }

    private static List<Balance> rows(Snapshot snapshot, Projection days) {
        List<Balance> rows = new ArrayList<>(days.size);
        for (int t = 0; t < days.size && days.day[t] <= snapshot.horizonEnd; t++) {
            rows.add(new Balance(
                    days.day[t], days.receipts[t], days.demands[t], days.planned[t], days.expired[t], days.balance[t]));
        }
        return rows;
    }
}
