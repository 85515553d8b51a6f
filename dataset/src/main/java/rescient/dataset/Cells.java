package rescient.dataset;

import rescient.core.base.Quantity;

/** The values of a row by column, however they are kept. */
interface Cells {
    /** The text, empty if not set. */
    String at(int column);

    default boolean isEmpty(int column) {
        return at(column).isEmpty();
    }

    /** The millionths of a quantity that is set. */
    default long quantity(int column) {
        return Quantity.of(at(column));
    }

    /** The epoch day of a date that is set. */
    default int day(int column) {
        return Texts.day(at(column));
    }
}
