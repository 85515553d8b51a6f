package rescient.core;

import java.util.Arrays;

/** What the calculation found for one stock point; never changed once it is made. */
final class PointPlan {
    final int point;
    final DemandList demands;
    final KnownSupplies known;
    final PlannedOrders planned;
    final Pegging pegging;
    final int noSourceDay;
    final long noSourceQuantity;
    /** All signals of the point but late customer orders. */
    final Signal[] signals;

    private PointPlan(
            Snapshot snapshot, int p, DemandList demands, KnownSupplies known, Netting netting, PlanOptions options) {
        this.point = p;
        this.demands = demands;
        this.known = known;
        this.planned = netting.planned();
        this.noSourceDay = netting.noSourceDay();
        this.noSourceQuantity = netting.noSourceQuantity();
        this.pegging = Pegging.of(snapshot, demands, known, planned);
        StockPoint stockPoint = snapshot.points[p];
        long safetyStock = netting.safetyStock();
        Projection projection = projection(snapshot);
        Rescheduling.run(snapshot, stockPoint, known, projection, safetyStock);
        if (stockPoint.routing != null) {
            planned.stepStart = new int[planned.size][];
            for (int o = 0; o < planned.size; o++) {
                planned.stepStart[o] = stockPoint.routing.starts(planned.due[o], planned.started[o]);
            }
        }
        this.signals = Signals.of(snapshot, this, projection, safetyStock, options);
    }

    /** Plans point {@code p}; the points above it are in {@code plans} already. */
    static PointPlan of(Snapshot snapshot, int p, PointPlan[] plans, PlanOptions options) {
        ForecastConsumption.Net[] forecast = ForecastConsumption.of(snapshot, p, options);
        DemandList demands = Explosion.gather(snapshot, p, plans, options, forecast);
        KnownSupplies known = new KnownSupplies(snapshot, p, options);
        Netting netting = new Netting(snapshot, p, demands, known, options);
        netting.run();
        return new PointPlan(snapshot, p, demands, known, netting, options);
    }

    Projection projection(Snapshot snapshot) {
        return Projection.of(snapshot, demands, known, planned);
    }

    /** Whether the points below see the same planned orders. */
    boolean asksTheSame(PointPlan other) {
        return Arrays.equals(planned.start, other.planned.start)
                && Arrays.equals(planned.due, other.planned.due)
                && Arrays.equals(planned.started, other.planned.started)
                && Arrays.deepEquals(planned.stepStart, other.planned.stepStart);
    }
}
