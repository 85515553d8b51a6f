package rescient.core.prices;

import static org.assertj.core.api.Assertions.assertThat;

import java.math.BigDecimal;
import java.util.List;
import org.junit.jupiter.api.Test;

/** What an invoice comes to. */
class InvoiceTotalTest {
    private static BigDecimal n(String text) {
        return new BigDecimal(text);
    }

    /** Three at 0.335 are 1.005, so 1.01; with 10.00 that is 11.01, 19 % of which is 2.0919, so 2.09. */
    @Test
    void linesAreRoundedAndThenTheTaxOnTheirSum() {
        BigDecimal small = InvoiceTotal.ofLine(n("3"), n("0.335"), 2);
        assertThat(small).isEqualTo("1.01");
        assertThat(InvoiceTotal.of(List.of(small, InvoiceTotal.ofLine(n("4"), n("2.5"), 2)), n("19"), 2))
                .isEqualTo(new InvoiceTotal(n("11.01"), n("19"), n("2.09"), n("13.10")));
    }

    /** What comes back is credited with its tax: half up is away from nought. */
    @Test
    void whatIsCreditedBearsItsTax() {
        BigDecimal back = InvoiceTotal.ofLine(n("-3"), n("0.335"), 2);
        assertThat(back).isEqualTo("-1.01");
        assertThat(InvoiceTotal.of(List.of(back), n("50"), 2).gross()).isEqualTo("-1.52");
    }

    @Test
    void withoutARateNoTaxIsCharged() {
        assertThat(InvoiceTotal.of(List.of(n("7")), null, 0)).isEqualTo(new InvoiceTotal(n("7"), null, n("0"), n("7")));
    }
}
