package rescient.core;

/** What the calculation found for one stock point; never changed once it is made. */
final class PointPlan {
    final int point;
    final DemandList demands;
    final KnownSupplies known;
    final PlannedOrders planned;
    final Explosion.Raised raised;
    final Pegging pegging;
    final int noSourceDay;
    final long noSourceQuantity;

    private PointPlan(
            int point,
            DemandList demands,
            KnownSupplies known,
            PlannedOrders planned,
            Explosion.Raised raised,
            Pegging pegging,
            int noSourceDay,
            long noSourceQuantity) {
        this.point = point;
        this.demands = demands;
        this.known = known;
        this.planned = planned;
        this.raised = raised;
        this.pegging = pegging;
        this.noSourceDay = noSourceDay;
        this.noSourceQuantity = noSourceQuantity;
    }

    /** Plans point {@code p}; the points above it are in {@code plans} already. */
    static PointPlan of(Snapshot snapshot, int p, PointPlan[] plans, PlanOptions options, DemandList forecast) {
        DemandList demands = Explosion.gather(snapshot, p, plans, options, forecast);
        KnownSupplies known = new KnownSupplies(snapshot, p, options);
        Netting netting = new Netting(snapshot, p, demands, known, options);
        netting.run();
        PlannedOrders planned = netting.planned();
        return new PointPlan(
                p,
                demands,
                known,
                planned,
                Explosion.raise(snapshot, p, planned),
                Pegging.of(snapshot, demands, known, planned),
                netting.noSourceDay(),
                netting.noSourceQuantity());
    }
}
