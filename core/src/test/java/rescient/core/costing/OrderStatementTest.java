package rescient.core.costing;

import static org.assertj.core.api.Assertions.assertThat;

import java.math.BigDecimal;
import java.util.List;
import org.junit.jupiter.api.Test;
import rescient.core.costing.OrderStatement.Component;
import rescient.core.costing.OrderStatement.Line;
import rescient.core.costing.OrderStatement.Operation;
import rescient.core.costing.OrderStatement.Service;

/** Of an order that starts ten, six have been reported. */
class OrderStatementTest {
    private static BigDecimal n(String text) {
        return new BigDecimal(text);
    }

    private static OrderStatement of(List<Component> components, List<Operation> operations, Service service) {
        return OrderStatement.of(n("10"), n("6"), components, operations, service, 2);
    }

    private static String said(Line line) {
        return String.join(
                " ",
                List.of(
                        line.expectedQuantity().stripTrailingZeros().toPlainString(),
                        line.actualQuantity().stripTrailingZeros().toPlainString(),
                        line.expected().toPlainString(),
                        line.actual().toPlainString(),
                        line.quantityVariance().toPlainString(),
                        line.priceVariance().toPlainString()));
    }

    /**
     * Forty legs at 2.00 are planned, so 24 for six; 26 went out for 54.60: two too many are 4.00, and each was 0.10 dearer,
     * which is 2.60.
     */
    @Test
    void moreAndDearerAreToldApart() {
        OrderStatement statement =
                of(List.of(new Component("LEG", n("40"), false, n("2.00"), n("26"), n("54.60"))), List.of(), null);
        assertThat(said(statement.lines().get(0))).isEqualTo("24 26 48.00 54.60 4.00 2.60");
        assertThat(statement.actual().subtract(statement.expected())).isEqualTo("6.60");
    }

    /** Glue for the order as a whole, whatever is reported; a substitute that nobody expected. */
    @Test
    void whatIsPerOrderAndWhatNobodyExpected() {
        OrderStatement statement = of(
                List.of(
                        new Component("GLUE", n("1"), true, n("5"), n("1"), n("5.00")),
                        new Component("PEG", n("0"), false, n("0.50"), n("4"), n("2.00")),
                        new Component("OIL", n("10"), false, null, n("8"), n("16.00"))),
                List.of(),
                null);
        assertThat(said(statement.lines().get(0))).isEqualTo("1 1 5.00 5.00 0.00 0.00");
        assertThat(said(statement.lines().get(1))).isEqualTo("0 4 0.00 2.00 2.00 0.00");
        // nobody said what oil costs: at the 2.00 that it cost, two litres too much
        assertThat(said(statement.lines().get(2))).isEqualTo("6 8 12.00 16.00 4.00 0.00");
    }

    /** 30 minutes and 6 a piece at 80 % are 82.5 for six, at 48.00 an hour 66.00; 100 were said: 14.00 more. */
    @Test
    void workIsExpectedByTheRouting() {
        Operation saw = new Operation("10", n("30"), n("6"), n("0.8"), n("48"), n("6"), n("0"), n("100"));
        assertThat(said(of(List.of(), List.of(saw), null).lines().get(0))).isEqualTo("82.5 100 66.00 80.00 14.00 0.00");
        // of five pieces the planned time was booked: (30 + 30) ÷ 0.8 = 75
        Operation planned = new Operation("10", n("30"), n("6"), n("0.8"), n("48"), n("6"), n("5"), null);
        assertThat(said(of(List.of(), List.of(planned), null).lines().get(0)))
                .isEqualTo("82.5 75 66.00 60.00 -6.00 0.00");
    }

    /** Six were coated at 7.50, and 47.00 charged to the order. */
    @Test
    void whatIsPaidOutside() {
        assertThat(said(of(List.of(), List.of(), new Service(n("7.50"), n("6"), n("47.00")))
                        .lines()
                        .get(0)))
                .isEqualTo("6 6 45.00 47.00 0.00 2.00");
    }
}
