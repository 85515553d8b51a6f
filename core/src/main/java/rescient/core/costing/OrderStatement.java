package rescient.core.costing;

import java.math.BigDecimal;
import java.math.MathContext;
import java.math.RoundingMode;
import java.util.ArrayList;
import java.util.List;

/**
 * What an order was expected to cost, and what it cost, component by component and operation by operation (execution rules, section
 * 3): what differs is told apart into more or less used, at the expected price, and dearer or cheaper, for what was used. Amounts are
 * rounded half up to the decimals of the currency, each once; the price variance is what is left of the difference.
 *
 * @param lines components first, then operations, then what is paid outside
 */
public record OrderStatement(List<Line> lines) {
    private static final BigDecimal HOUR = BigDecimal.valueOf(60);

    public OrderStatement {
        lines = List.copyOf(lines);
    }

    /** Of what it is. */
    public enum Kind {
        MATERIAL,
        WORK,
        OUTSIDE
    }

    /**
     * A component, an operation, or the service of a subcontractor.
     *
     * @param name component, or step
     * @param expectedQuantity in the item's unit, or minutes
     * @param price expected, of one unit or one hour
     * @param expected value of it
     * @param quantityVariance above 0: more was used
     * @param priceVariance above 0: it was dearer
     */
    public record Line(
            Kind kind,
            String name,
            BigDecimal expectedQuantity,
            BigDecimal actualQuantity,
            BigDecimal price,
            BigDecimal expected,
            BigDecimal actual,
            BigDecimal quantityVariance,
            BigDecimal priceVariance) {}

    /**
     * What an order takes of a component.
     *
     * @param planned at release, for all that is started; 0: it is no component of it
     * @param perOrder whole, whatever is started
     * @param cost of one as it is expected; null: nobody said, so that what it cost counts as expected
     * @param used less what was returned, with its {@code value}
     */
    public record Component(
            String item, BigDecimal planned, boolean perOrder, BigDecimal cost, BigDecimal used, BigDecimal value) {}

    /**
     * An operation.
     *
     * @param setup minutes, {@code run} of one piece
     * @param efficiency 1 = 100 %
     * @param rate of an hour
     * @param passed pieces that were reported at it or later
     * @param booked pieces whose planned time was booked
     * @param given minutes that were said; null: none were
     */
    public record Operation(
            String step,
            BigDecimal setup,
            BigDecimal run,
            BigDecimal efficiency,
            BigDecimal rate,
            BigDecimal passed,
            BigDecimal booked,
            BigDecimal given) {}

    /**
     * What is paid to a subcontractor.
     *
     * @param price of one good piece
     * @param pieces that were received
     */
    public record Service(BigDecimal price, BigDecimal pieces, BigDecimal actual) {}

    /**
     * The statement of what was reported so far.
     *
     * @param started in all, above 0
     * @param reported good and spoiled pieces
     * @param service null: nothing is paid outside
     * @param decimals of the currency
     */
    public static OrderStatement of(
            BigDecimal started,
            BigDecimal reported,
            List<Component> components,
            List<Operation> operations,
            Service service,
            int decimals) {
        List<Line> lines = new ArrayList<>();
        for (Component one : components) {
            BigDecimal expected = one.perOrder()
                    ? (reported.signum() > 0 ? one.planned() : BigDecimal.ZERO)
                    : one.planned().multiply(reported).divide(started, MathContext.DECIMAL64);
            BigDecimal cost = one.cost() != null
                    ? one.cost()
                    : one.used().signum() == 0
                            ? BigDecimal.ZERO
                            : one.value().divide(one.used(), MathContext.DECIMAL64);
            lines.add(line(Kind.MATERIAL, one.item(), expected, one.used(), cost, cost, one.value(), decimals));
        }
        for (Operation one : operations) {
            BigDecimal expected = planned(one, one.passed(), one.passed().signum() > 0);
            BigDecimal actual = one.given() != null
                    ? one.given()
                    : planned(one, one.booked(), one.booked().signum() > 0);
            BigDecimal each = one.rate().divide(HOUR, MathContext.DECIMAL64);
            lines.add(line(
                    Kind.WORK,
                    one.step(),
                    expected,
                    actual,
                    one.rate(),
                    each,
                    actual.multiply(each).setScale(decimals, RoundingMode.HALF_UP),
                    decimals));
        }
        if (service != null) {
            lines.add(line(
                    Kind.OUTSIDE,
                    "",
                    service.pieces(),
                    service.pieces(),
                    service.price(),
                    service.price(),
                    service.actual(),
                    decimals));
        }
        return new OrderStatement(lines);
    }

    private static BigDecimal planned(Operation of, BigDecimal pieces, boolean setup) {
        BigDecimal minutes = of.run().multiply(pieces);
        return (setup ? minutes.add(of.setup()) : minutes).divide(of.efficiency(), MathContext.DECIMAL64);
    }

    private static Line line(
            Kind kind,
            String name,
            BigDecimal expectedQuantity,
            BigDecimal actualQuantity,
            BigDecimal price,
            BigDecimal each,
            BigDecimal actual,
            int decimals) {
        BigDecimal expected = expectedQuantity.multiply(each).setScale(decimals, RoundingMode.HALF_UP);
        BigDecimal quantity =
                actualQuantity.subtract(expectedQuantity).multiply(each).setScale(decimals, RoundingMode.HALF_UP);
        return new Line(
                kind,
                name,
                expectedQuantity,
                actualQuantity,
                price,
                expected,
                actual,
                quantity,
                actual.subtract(expected).subtract(quantity));
    }

    public BigDecimal expected() {
        return lines.stream().map(Line::expected).reduce(BigDecimal.ZERO, BigDecimal::add);
    }

    public BigDecimal actual() {
        return lines.stream().map(Line::actual).reduce(BigDecimal.ZERO, BigDecimal::add);
    }
}
