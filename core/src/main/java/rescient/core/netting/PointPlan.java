package rescient.core.netting;

import java.util.BitSet;
import rescient.core.base.ChunkedList;
import rescient.core.snapshot.ForecastConsumption;
import rescient.core.snapshot.PlanOptions;
import rescient.core.snapshot.Signal;
import rescient.core.snapshot.Snapshot;
import rescient.core.snapshot.StockPoint;

/** What the calculation found for one stock point; never changed once it is made. */
public final class PointPlan {
    public final DemandList demands;
    public final ScheduledReceipts known;
    public final PlannedOrders planned;
    final int noSourceDay;
    final long noSourceQuantity;
    /** All signals of the point but late customer orders. */
    public final Signal[] signals;

    private PointPlan(
            Snapshot snapshot, DemandList demands, ScheduledReceipts known, Netting netting, PlanOptions options) {
        this.demands = demands;
        this.known = known;
        this.planned = netting.planned();
        this.noSourceDay = netting.noSourceDay();
        this.noSourceQuantity = netting.noSourceQuantity();
        StockPoint stockPoint = snapshot.points[demands.point];
        long safetyStock = netting.safetyStock();
        // the balance of each day is looked at where something can follow from it
        boolean opens = known.open.length > 0;
        boolean plain = netting.balances() != null && !netting.everShort() && !stockPoint.byReorderPoint();
        Projection projection = plain || !opens && !netting.everShort() ? null : projection(snapshot);
        if (opens && plain) {
            Rescheduling.run(snapshot, stockPoint, known, netting.balances(), safetyStock);
        } else if (opens) {
            Rescheduling.run(snapshot, stockPoint, known, projection, netting.needs(), safetyStock);
        }
        this.signals = Signals.of(snapshot, this, projection, safetyStock, options);
    }

    /** Plans point {@code p}; the points above it are in {@code plans} already. */
    public static PointPlan of(Snapshot snapshot, int p, ChunkedList<PointPlan> plans, PlanOptions options) {
        ForecastConsumption.Net[] forecast = ForecastConsumption.of(snapshot, p, options);
        DemandList demands = GrossRequirements.gather(snapshot, p, plans, options, forecast);
        return of(snapshot, demands, options);
    }

    private static PointPlan of(Snapshot snapshot, DemandList demands, PlanOptions options) {
        ScheduledReceipts known = new ScheduledReceipts(snapshot, demands.point, options);
        return new PointPlan(snapshot, demands, known, netting(snapshot, demands, known, options), options);
    }

    /**
     * Plans a point again.
     *
     * @param before its plan, if only what others ask of it has changed, else null
     * @param asksOtherwise the points that ask for something else than before
     */
    public static PointPlan again(
            Snapshot snapshot,
            int p,
            ChunkedList<PointPlan> plans,
            PlanOptions options,
            PointPlan before,
            BitSet asksOtherwise) {
        if (before == null) {
            return of(snapshot, p, plans, options);
        }
        ForecastConsumption.Net[] forecast = ForecastConsumption.of(snapshot, p, options);
        DemandList demands = GrossRequirements.again(snapshot, before.demands, plans, options, forecast, asksOtherwise);
        return of(snapshot, demands, options);
    }

    /** What the planned orders that meet these demands are made for. */
    public static OrderNeeds needs(Snapshot snapshot, DemandList demands, PlanOptions options) {
        return netting(snapshot, demands, new ScheduledReceipts(snapshot, demands.point, options), options)
                .needs();
    }

    private static Netting netting(
            Snapshot snapshot, DemandList demands, ScheduledReceipts known, PlanOptions options) {
        Netting netting = new Netting(snapshot, demands, known, options);
        netting.run();
        return netting;
    }

    public Projection projection(Snapshot snapshot) {
        return Projection.of(snapshot, demands, known, planned);
    }
}
