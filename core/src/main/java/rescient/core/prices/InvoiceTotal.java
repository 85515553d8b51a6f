package rescient.core.prices;

import java.math.BigDecimal;
import java.math.RoundingMode;
import java.util.List;

/**
 * What an invoice comes to, in the company's currency. Each line is rounded half up to the decimals of the currency, and so is the
 * tax on their sum.
 *
 * @param rate of tax, in percent; null: none is known, and no tax is charged
 * @param gross with tax
 */
public record InvoiceTotal(BigDecimal net, BigDecimal rate, BigDecimal tax, BigDecimal gross) {
    private static final BigDecimal HUNDRED = BigDecimal.valueOf(100);

    /** @param decimals of the currency, 0 or more */
    public static BigDecimal ofLine(BigDecimal quantity, BigDecimal price, int decimals) {
        return quantity.multiply(price).setScale(decimals, RoundingMode.HALF_UP);
    }

    /** @param lines as {@link #ofLine} gives them */
    public static InvoiceTotal of(List<BigDecimal> lines, BigDecimal rate, int decimals) {
        BigDecimal net = lines.stream().reduce(BigDecimal.ZERO.setScale(decimals), BigDecimal::add);
        BigDecimal tax = rate == null
                ? BigDecimal.ZERO.setScale(decimals)
                : net.multiply(rate).divide(HUNDRED, decimals, RoundingMode.HALF_UP);
        return new InvoiceTotal(net, rate, tax, net.add(tax));
    }
}
