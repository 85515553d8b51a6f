package rescient.core.company;

/** How a stock point is replenished; also the kind of an order. */
public enum Source {
    MAKE,
    ASSEMBLE,
    BUY,
    TRANSFER,
    SUBCONTRACT,
    NONE;

    /** Made, assembled or subcontracted: from components, with a yield. */
    public boolean fromComponents() {
        return this == MAKE || this == ASSEMBLE || this == SUBCONTRACT;
    }
}
