package rescient.core.stock;

import java.math.BigDecimal;
import java.util.Locale;

/**
 * One thing that a posting changed on a document, as it is kept: with it the posting can be taken back after the books were
 * closed and opened again. What a kind does not need is null.
 *
 * @param number of the document, {@code line} of it
 * @param what component or item; of a cost its kind, of a row of the history its table
 * @param lot with {@code serial} and {@code site}, of what moved
 * @param step of the routing
 * @param a the first figure of the change, then {@code b} and {@code c}; quantities in the item's unit, values in the
 *     company's currency
 */
public record DocumentStep(
        Kind kind,
        String number,
        String line,
        String what,
        String item,
        String lot,
        String serial,
        String site,
        Integer step,
        BigDecimal a,
        BigDecimal b,
        BigDecimal c) {
    /** What was changed. */
    public enum Kind {
        /** Good quantity {@code a} came, {@code b} less is open. */
        COME,
        /** Pieces {@code a} were spoiled. */
        SCRAP,
        /** It cost {@code a} more. */
        COST,
        /** Of a component {@code a} was issued and {@code b} put out; {@code c} is the value of what is inside. */
        PART,
        /** Of a lot {@code a} was issued, worth {@code b}. */
        ISSUED,
        /** Of a lot {@code a} was received, for {@code b}. */
        RECEIPT,
        /** Of a lot {@code a} more is on its way, worth {@code b}. */
        WAY,
        /** At a step {@code a} good pieces and {@code b} spoiled ones were reported. */
        REPORT,
        /** At a step the time for {@code a} units was booked. */
        BOOK,
        /** At a step {@code a} minutes were given; {@code b} is 1 if none were before. */
        MINUTES,
        /** The line ended; {@code a} is 1 if it was finished by hand. */
        END,
        /** Of a customer order {@code a} was shipped. */
        SHIP,
        /** Of a lot {@code a} left for the customer. */
        LEFT,
        /** The line of a customer order is done. */
        DONE,
        /** A row of the history says {@code a} more. */
        PAST;

        /** As it is written. */
        public String code() {
            return name().toLowerCase(Locale.ROOT);
        }
    }
}
