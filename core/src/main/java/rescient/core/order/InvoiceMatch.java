package rescient.core.order;

import java.math.BigDecimal;
import java.math.RoundingMode;
import java.util.ArrayList;
import java.util.List;
import rescient.core.base.Ratio;

/**
 * Whether a line of a supplier's invoice says what was agreed and received (execution rules, section 4). What lies outside the
 * tolerances waits for somebody's approval.
 */
public final class InvoiceMatch {
    private static final int DECIMALS = 6;
    private static final BigDecimal HUNDRED = BigDecimal.valueOf(100);

    private InvoiceMatch() {}

    /** In what an invoice is otherwise. */
    public enum Kind {
        PRICE,
        QUANTITY
    }

    /**
     * A line of an order, and what it is charged for. Quantities and prices are in one unit.
     *
     * @param received less what went back
     * @param before charged by other invoices, and by earlier lines of this one
     * @param agreed the price of one; null: none was agreed
     * @param quantity that is charged now, at {@code price}; below 0: that is credited
     */
    public record Charged(
            BigDecimal received, BigDecimal before, BigDecimal agreed, BigDecimal quantity, BigDecimal price) {}

    /**
     * How far an invoice may be off without anybody being asked, both percent.
     *
     * @param price of what was agreed, to either side
     * @param quantity of what was received, above it
     */
    public record Tolerance(BigDecimal price, BigDecimal quantity) {
        public static final Tolerance NONE = new Tolerance(BigDecimal.ZERO, BigDecimal.ZERO);
    }

    /**
     * What is otherwise.
     *
     * @param expected the agreed price, or how many may still be charged (never below 0), or are to be credited (never above);
     *     null: no price was agreed
     * @param found the price, or how many are charged
     * @param value what is charged too much by it; below 0: too little
     */
    public record Difference(Kind kind, BigDecimal expected, BigDecimal found, BigDecimal value) {}

    /**
     * What came, in the unit that is charged: seven tenths of a pallet, if that is what came of it.
     *
     * @param quantity in the item's unit
     * @param factor how many of the item's unit one of the charged unit is, above 0
     * @return with six decimals, half up
     */
    public static BigDecimal inUnit(BigDecimal quantity, Ratio factor) {
        return quantity.multiply(new BigDecimal(factor.denominator()))
                .divide(new BigDecimal(factor.numerator()), DECIMALS, RoundingMode.HALF_UP)
                .stripTrailingZeros();
    }

    /**
     * A line of an order as a document names it.
     *
     * @param line null: it does not say
     * @param item by our code; null: it does not say
     */
    public record Named(String order, String line, String item) {
        /** Whether it may mean a line: by order and line, or else by order and item. */
        public boolean means(String ofOrder, String ofLine, String ofItem) {
            return ofOrder.equals(order) && (line != null ? ofLine.equals(line) : item == null || ofItem.equals(item));
        }

        @Override
        public String toString() {
            return (order == null ? "no order" : order)
                    + (line == null ? "" : " line " + line)
                    + (item == null ? "" : " " + item);
        }
    }

    /**
     * What lies outside the tolerances, the price first. Fewer than were received is no difference: the rest may follow; so is
     * less than was charged too much.
     */
    public static List<Difference> of(Charged line, Tolerance tolerance) {
        List<Difference> differences = new ArrayList<>();
        if (line.agreed == null) {
            differences.add(new Difference(Kind.PRICE, null, line.price, line.price.multiply(line.quantity)));
        } else {
            BigDecimal off = line.price.subtract(line.agreed);
            if (off.abs().multiply(HUNDRED).compareTo(line.agreed.multiply(tolerance.price)) > 0) {
                differences.add(new Difference(Kind.PRICE, line.agreed, line.price, off.multiply(line.quantity)));
            }
        }
        BigDecimal each = line.agreed == null ? line.price : line.agreed;
        if (line.quantity.signum() < 0) {
            BigDecimal back = line.received.subtract(line.before).min(BigDecimal.ZERO);
            if (line.quantity.compareTo(back) < 0) {
                differences.add(new Difference(
                        Kind.QUANTITY,
                        back,
                        line.quantity,
                        line.quantity.subtract(back).multiply(each)));
            }
            return differences;
        }
        BigDecimal most =
                line.received.multiply(HUNDRED.add(tolerance.quantity)).movePointLeft(2);
        if (line.before.add(line.quantity).compareTo(most) > 0) {
            BigDecimal left = line.received.subtract(line.before).max(BigDecimal.ZERO);
            differences.add(new Difference(
                    Kind.QUANTITY,
                    left,
                    line.quantity,
                    line.quantity.subtract(left).multiply(each)));
        }
        return differences;
    }
}
