package rescient.core.prices;

import static org.assertj.core.api.Assertions.assertThat;

import java.math.BigDecimal;
import java.util.Arrays;
import java.util.List;
import org.junit.jupiter.api.Test;

class OrderTotalTest {
    private static BigDecimal euros(String value) {
        return new BigDecimal(value);
    }

    @Test
    void aTotalIsKnownIfEveryLineIs() {
        assertThat(OrderTotal.of(List.of(euros("12.50"), euros("0.25")))).isEqualByComparingTo("12.75");
        assertThat(OrderTotal.of(Arrays.asList(euros("12.50"), null))).isNull();
        assertThat(OrderTotal.of(List.of())).isZero();
    }

    @Test
    void anOrderOfTheMinimumIsNotBelowIt() {
        assertThat(OrderTotal.isBelow(euros("100"), euros("99.99"))).isTrue();
        assertThat(OrderTotal.isBelow(euros("100"), euros("100.00"))).isFalse();
        assertThat(OrderTotal.isBelow(null, euros("1"))).isFalse();
        assertThat(OrderTotal.isBelow(euros("100"), null)).isFalse();
    }
}
