package rescient.core.company;

import java.math.BigDecimal;
import java.time.LocalDate;

/** What lies where, its lots, and what was shipped. */
public sealed interface StockFacts extends Fact {
    /**
     * @param expiry the first day on which it no longer serves
     * @param forOrder the customer order whose line it was bought for alone, with {@code forLine}; null: for all
     * @param received the day on which the lot first came to the site; null: nobody said
     */
    record Stock(
            String item,
            String site,
            String lot,
            String serial,
            BigDecimal quantity,
            LocalDate expiry,
            Boolean quarantined,
            String forOrder,
            String forLine,
            LocalDate received)
            implements StockFacts {
        /** Whether it can be planned with. */
        public boolean counts() {
            return StockLot.counts(quarantined);
        }

        public Stock withQuantity(BigDecimal other) {
            return new Stock(item, site, lot, serial, other, expiry, quarantined, forOrder, forLine, received);
        }
    }

    /**
     * What is known of a lot or serial number, wherever it lies.
     *
     * @param supplierLot the number that its maker gave it
     * @param document of a certificate, or where it lies
     */
    record Lot(
            String item, String lot, String serial, LocalDate expiry, String supplierLot, String document, String note)
            implements StockFacts {}

    /**
     * What a test of a lot or serial number came to.
     *
     * @param value that was found; null: not yet
     * @param lower limit, itself allowed; null: none; likewise {@code upper}
     */
    record LotTest(
            String item,
            String lot,
            String serial,
            String name,
            BigDecimal value,
            String unit,
            BigDecimal lower,
            BigDecimal upper,
            LocalDate date)
            implements StockFacts {
        /** It was tested and lies outside its limits. */
        public boolean failed() {
            return value != null
                    && (lower != null && value.compareTo(lower) < 0 || upper != null && value.compareTo(upper) > 0);
        }
    }

    /** What went to a customer. */
    record Shipment(
            String item, String site, LocalDate date, String number, String line, String customer, BigDecimal quantity)
            implements StockFacts {}
}
