package rescient.core.stock;

import java.math.BigDecimal;
import java.time.LocalDate;
import java.util.List;
import java.util.Locale;

/**
 * One immutable line of the stock record.
 *
 * @param quantity above 0: came in, in the item's unit
 * @param value of it in money, with the same sign
 * @param document null: it belongs to none
 * @param reverses the number of the movement that it takes back; null: none
 * @param layers what it took of layers of value, if it went out
 */
public record Movement(
        long number,
        String key,
        LocalDate date,
        Kind kind,
        Bin bin,
        BigDecimal quantity,
        BigDecimal value,
        Document document,
        Long reverses,
        String reason,
        List<Layer> layers) {

    /** What moved it. */
    public enum Kind {
        RECEIPT,
        ISSUE,
        OUTPUT,
        TRANSFER_OUT,
        TRANSFER_IN,
        SHIPMENT,
        CUSTOMER_RETURN,
        SUPPLIER_RETURN,
        ADJUSTMENT,
        COUNT,
        STATE,
        REVALUATION;

        /** As it is written in a file. */
        public String code() {
            return name().toLowerCase(Locale.ROOT);
        }
    }

    /** @param kind buy, make, assemble, subcontract, transfer or customer_order */
    public record Document(String kind, String number, String line) {}

    /**
     * Where something lies.
     *
     * @param lot empty: it has none; so is {@code serial}
     */
    public record Bin(String item, String site, String lot, String serial, boolean quarantined) {
        public Lot ofLot() {
            return new Lot(item, lot, serial);
        }
    }

    /** A lot or a serial number of an item, wherever it lies. */
    public record Lot(String item, String lot, String serial) {}

    /**
     * What lies in stock of one movement, for items whose value goes by what came first.
     *
     * @param date null: before all others
     * @param number of the movement; below 0: it was there at first
     */
    public record Layer(LocalDate date, long number, BigDecimal quantity, BigDecimal value) {}
}
