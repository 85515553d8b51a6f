package rescient.core.company;

/**
 * One item.
 *
 * @param decimals of the item's unit, 0 to 6
 */
public record Item(String code, int decimals, ItemKind kind) {}
