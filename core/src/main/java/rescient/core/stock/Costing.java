package rescient.core.stock;

/** How what lies in stock is valued. */
public enum Costing {
    /** Always the standard cost of what is there. */
    STANDARD,
    /** The mean of all that is there. */
    AVERAGE,
    /** What came first goes first, at the value it came in with. */
    FIFO,
    /** As {@link #FIFO}, within each lot or serial number. */
    SPECIFIC
}
