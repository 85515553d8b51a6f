package rescient.core.prices;

import static org.assertj.core.api.Assertions.assertThat;

import java.math.BigDecimal;
import java.time.LocalDate;
import java.util.List;
import org.junit.jupiter.api.Test;
import rescient.core.company.InvoiceFacts;
import rescient.core.company.ItemFacts;
import rescient.core.company.OrderFacts;

/** What customers are to be charged for what they got. */
class CustomerChargeTest {
    private static final OrderFacts.CustomerOrder LINE = line(null);
    private final ItemFacts.Item item = new ItemFacts.Item("A", null, null, "pc", null, null, null, n("9"), null, null);

    private static BigDecimal n(String text) {
        return new BigDecimal(text);
    }

    private static OrderFacts.CustomerOrder line(BigDecimal price) {
        return new OrderFacts.CustomerOrder(
                "SO-1", "2", "ANN", "A", "HALL", n("10"), LocalDate.of(2026, 3, 6), null, price);
    }

    private static InvoiceFacts.InvoiceLine invoiced(
            String supplier, String customer, String orderLine, String quantity) {
        return new InvoiceFacts.InvoiceLine(
                supplier, customer, "R-1", "1", "SO-1", orderLine, n(quantity), null, n("9"));
    }

    /** Seven went and four were charged: three are left; a credit of one before makes it four. */
    @Test
    void whatWentLessWhatWasCharged() {
        assertThat(CustomerCharge.of(LINE, item, n("7"), List.of(invoiced(null, "ANN", "2", "4")))
                        .left())
                .isEqualByComparingTo("3");
        assertThat(CustomerCharge.of(
                                LINE,
                                item,
                                n("7"),
                                List.of(invoiced(null, "ANN", "2", "4"), invoiced(null, "ANN", "2", "-1")))
                        .left())
                .isEqualByComparingTo("4");
    }

    /** Of four charged two came back: they are credited. */
    @Test
    void whatCameBackIsCredited() {
        assertThat(CustomerCharge.of(LINE, item, n("2"), List.of(invoiced(null, "ANN", "2", "4")))
                        .left())
                .isEqualByComparingTo("-2");
    }

    /** Other lines, and what a supplier charged on an order of the same number, are not this line's. */
    @Test
    void othersDoNotCount() {
        assertThat(CustomerCharge.of(
                                LINE,
                                item,
                                n("7"),
                                List.of(invoiced(null, "ANN", "1", "4"), invoiced("BOB", null, "2", "4")))
                        .charged())
                .isZero();
    }

    /** The price is the line's, or else the item's. */
    @Test
    void atThePriceOfTheLineOrTheItem() {
        assertThat(CustomerCharge.of(line(n("8")), item, n("1"), List.of()).price())
                .isEqualByComparingTo("8");
        assertThat(CustomerCharge.of(LINE, item, n("1"), List.of()).price()).isEqualByComparingTo("9");
    }
}
