package rescient.core.company;

/** How the quantity of a planned order is sized. */
public enum PlanningRule {
    LOT_FOR_LOT,
    PER_ORDER,
    PERIOD,
    FIXED_QUANTITY,
    MIN_MAX
}
