package rescient.core.snapshot;

/** Where a demand comes from. */
public enum DemandKind {
    CUSTOMER_ORDER,
    FORECAST,
    /** A component of a planned or open order. */
    COMPONENT,
    /** What a planned or open transfer takes from the sending site. */
    TRANSFER
}
