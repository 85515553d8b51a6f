package rescient.core.stock;

import java.math.BigDecimal;
import java.util.Locale;

/**
 * Why a posting was refused: one line for each row and component that cannot be.
 *
 * @param site null: not of a site, or not known; so are item, lot and serial
 * @param wanted in the item's unit, with what is {@code there}; null: it is not about a quantity
 */
public record Refused(
        String key,
        String item,
        String site,
        String lot,
        String serial,
        Code code,
        BigDecimal wanted,
        BigDecimal there) {

    /** In the order in which they are looked for. */
    public enum Code {
        /** The key stands for something else already. */
        DUPLICATE,
        /** It lies too far back, or ahead. */
        DATE,
        /** There is no such document, line, item, site, unit, step or component. */
        UNKNOWN,
        /** The document does not take it. */
        CLOSED,
        /** 0, below 0 or with too many decimals. */
        QUANTITY,
        /** A lot or serial number is missing or too much. */
        TRACKING,
        /** The serial number lies somewhere already. */
        SERIAL_TWICE,
        /** More than the document has open. */
        OVER,
        EXPIRED,
        QUARANTINED,
        /** There is not so much. */
        SHORT;

        /** As it is written in a file. */
        public String code() {
            return name().toLowerCase(Locale.ROOT);
        }
    }
}
