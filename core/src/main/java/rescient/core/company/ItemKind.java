package rescient.core.company;

/** Kept in stock, sold as one line but kept as its parts, or passed through to its components. */
public enum ItemKind {
    STOCKED,
    KIT,
    PHANTOM
}
