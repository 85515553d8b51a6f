package rescient.core.stock;

import static org.assertj.core.api.Assertions.assertThat;

import java.math.BigDecimal;
import java.time.LocalDate;
import java.util.List;
import org.junit.jupiter.api.Test;
import rescient.core.company.StockFacts;

/** When a lot does not pass, and what is set aside for it. */
class LotTestsTest {
    private static StockFacts.LotTest test(String lot, String value, String lower, String upper) {
        return new StockFacts.LotTest(
                "HONEY", lot, null, "moisture", number(value), "%", number(lower), number(upper), LocalDate.EPOCH);
    }

    private static BigDecimal number(String text) {
        return text == null ? null : new BigDecimal(text);
    }

    private static StockFacts.Stock bin(String site, String lot, int quantity, boolean quarantined) {
        return new StockFacts.Stock(
                "HONEY", site, lot, null, BigDecimal.valueOf(quantity), null, quarantined, null, null, null);
    }

    @Test
    void limitsThemselvesAreAllowed() {
        assertThat(test("A", "18", "16", "18").failed()).isFalse();
        assertThat(test("A", "16", "16", "18").failed()).isFalse();
        assertThat(test("A", "18.1", "16", "18").failed()).isTrue();
        assertThat(test("A", "15.9", "16", "18").failed()).isTrue();
        assertThat(test("A", "15.9", null, "18").failed()).isFalse();
        assertThat(test("A", "99", "16", null).failed()).isFalse();
        // not tested yet
        assertThat(test("A", null, "16", "18").failed()).isFalse();
    }

    @Test
    void onlyItsOwnLotFails() {
        List<StockFacts.LotTest> tests = List.of(test("A", "19", null, "18"), test("B", "17", null, "18"));
        assertThat(LotTests.failed(tests, "A", null)).hasSize(1);
        assertThat(LotTests.failed(tests, "A", "")).hasSize(1);
        assertThat(LotTests.failed(tests, "B", null)).isEmpty();
        assertThat(LotTests.failed(tests, "C", null)).isEmpty();
    }

    /** At every site; what is set aside already, and other lots, stay. */
    @Test
    void allThatIsFreeOfItIsSetAside() {
        List<StockFacts.Stock> stock = List.of(
                bin("N", "A", 5, false), bin("S", "A", 7, false), bin("N", "A", 2, true), bin("N", "B", 9, false));
        assertThat(LotTests.toSetAside(stock, "A", null))
                .extracting(bin -> bin.site() + bin.quantity())
                .containsExactly("N5", "S7");
    }
}
