/**
 * The calculation: what has to exist, how much, and when. Rooms, lowest first; each knows only those before it. Nothing here
 * reads a clock, a file or a database.
 *
 * <p>One face: {@link rescient.core.plan.Planner#plan}. A {@link rescient.core.snapshot.Snapshot} goes in, a
 * {@link rescient.core.plan.Plan} comes out; both are immutable.
 *
 * <p>Days are epoch days ({@link java.time.LocalDate#toEpochDay()}) as {@code int}; quantities are {@code long} millionths
 * of the item's unit ({@link rescient.core.base.Quantity}).
 */
module rescient.core {
    requires hipparchus.core;
    requires hipparchus.optim;

    exports rescient.core.base;
    exports rescient.core.company;
    exports rescient.core.snapshot;
    exports rescient.core.plan;
    exports rescient.core.prices;
    exports rescient.core.order;
    exports rescient.core.compare;
    exports rescient.core.trace;
    exports rescient.core.scenario;
    exports rescient.core.promise;
    exports rescient.core.forecast;
    exports rescient.core.stock;
    exports rescient.core.costing;
    exports rescient.core.health;
}
