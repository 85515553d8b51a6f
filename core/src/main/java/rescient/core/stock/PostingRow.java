package rescient.core.stock;

import java.math.BigDecimal;
import java.time.LocalDate;
import java.util.Locale;

/**
 * One row of a posting, as it was written; null where nothing is said.
 *
 * @param key of the posting: rows that follow each other with one key are one posting
 * @param number of the document, {@code line} of it
 * @param minutes of work
 * @param reverses the key of the posting that is taken back
 */
public record PostingRow(
        String key,
        LocalDate date,
        Action action,
        String number,
        String line,
        String item,
        String site,
        String lot,
        String serial,
        BigDecimal quantity,
        String unit,
        boolean quarantined,
        BigDecimal scrapped,
        BigDecimal price,
        BigDecimal minutes,
        Integer step,
        LocalDate expiry,
        String reverses,
        String reason) {

    /** What is done. */
    public enum Action {
        RECEIVE,
        RETURN_TO_SUPPLIER,
        ISSUE,
        OUTPUT,
        FINISH,
        SHIP_TRANSFER,
        RECEIVE_TRANSFER,
        SHIP,
        RETURN_FROM_CUSTOMER,
        ADJUST,
        COUNT,
        QUARANTINE,
        FREE,
        REVERSE;

        /** As it is written in a file. */
        public String code() {
            return name().toLowerCase(Locale.ROOT);
        }
    }

    String lotOr() {
        return lot == null ? "" : lot;
    }

    String serialOr() {
        return serial == null ? "" : serial;
    }
}
