package rescient.core.company;

/** How far an order that recalculation respects has gone. The order of the values is the order of precedence. */
public enum Stage {
    RELEASED,
    FIRMED
}
