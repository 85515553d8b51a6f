package rescient.core.stock;

import static org.assertj.core.api.Assertions.assertThat;

import java.math.BigDecimal;
import org.junit.jupiter.api.Test;
import rescient.core.company.ItemFacts;

/** What stock is worth where no posting says it. */
class StockValueTest {
    private static BigDecimal number(String text) {
        return new BigDecimal(text);
    }

    private static ItemFacts.Item item(String cost, ItemFacts.Costing costing) {
        return new ItemFacts.Item(
                "A", null, null, "pcs", null, null, cost == null ? null : number(cost), null, costing, null);
    }

    @Test
    void theRecordSaysItButOfWhatIsAlwaysAtStandard() {
        // 3 at 0.335 are 1.005, half up 1.01
        assertThat(StockValue.of(item("0.335", null), null, number("3"), 2)).isEqualTo("1.01");
        assertThat(StockValue.of(item("0.335", null), number("9.00"), number("3"), 2))
                .isEqualTo("9.00");
        assertThat(StockValue.of(item("0.335", ItemFacts.Costing.FIFO), number("9.00"), number("3"), 2))
                .isEqualTo("9.00");
        assertThat(StockValue.of(item("0.335", ItemFacts.Costing.STANDARD), number("9.00"), number("3"), 2))
                .isEqualTo("1.01");
        assertThat(StockValue.of(item(null, null), null, number("3"), 2)).isNull();
    }

    @Test
    void onePieceOfWhatLiesThere() {
        assertThat(StockValue.each(number("10.00"), number("3"))).isEqualTo("3.3333");
        assertThat(StockValue.each(number("10.00"), BigDecimal.ZERO)).isNull();
        assertThat(StockValue.each(null, number("3"))).isNull();
    }

    /** Of seven that are worth 10.00 three are worth 4.29, and two too few are worth as much as two there. */
    @Test
    void someOfItIsWorthItsShare() {
        assertThat(StockValue.part(number("10.00"), number("7"), number("3"), 2))
                .isEqualTo("4.29");
        assertThat(StockValue.part(number("10.00"), number("7"), number("-2"), 2))
                .isEqualTo("-2.86");
        assertThat(StockValue.part(number("10.00"), BigDecimal.ZERO, number("3"), 2))
                .isNull();
        assertThat(StockValue.part(null, number("7"), number("3"), 2)).isNull();
    }

    /** Three at ten are five at ten; what nothing lay of comes at its cost; what is gone is worth nothing. */
    @Test
    void anotherQuantityIsWorthAsMuchAPiece() {
        assertThat(StockValue.following(number("30.00"), number("3"), number("5"), number("7"), 2))
                .isEqualTo("50.00");
        assertThat(StockValue.following(number("10.00"), number("3"), number("2"), number("7"), 2))
                .isEqualTo("6.67");
        assertThat(StockValue.following(number("0.00"), BigDecimal.ZERO, number("2"), number("7"), 2))
                .isEqualTo("14.00");
        assertThat(StockValue.following(number("30.00"), number("3"), BigDecimal.ZERO, number("7"), 2))
                .isEqualTo("0.00");
    }

    @Test
    void currenciesHaveTheirDecimals() {
        assertThat(StockValue.decimals("EUR")).isEqualTo(2);
        assertThat(StockValue.decimals("JPY")).isZero();
        assertThat(StockValue.decimals(null)).isEqualTo(2);
        assertThat(StockValue.decimals("no currency")).isEqualTo(2);
    }
}
