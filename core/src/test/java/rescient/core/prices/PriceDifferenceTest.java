package rescient.core.prices;

import static org.assertj.core.api.Assertions.assertThat;

import java.math.BigDecimal;
import org.junit.jupiter.api.Test;

class PriceDifferenceTest {
    private static final BigDecimal SEVEN = new BigDecimal("7.00");
    private static final BigDecimal TEN = new BigDecimal("10.00");

    @Test
    void isWhatOneWayCostsMore() {
        assertThat(PriceDifference.of(SEVEN, TEN)).isEqualByComparingTo("-3");
        assertThat(PriceDifference.of(null, TEN)).isNull();
        assertThat(PriceDifference.of(TEN, null)).isNull();
    }

    @Test
    void ofAPartComparesWithAsMuchOfTheOrdinaryWay() {
        // two of three that cost 10: 6.666…, so 6.67
        BigDecimal two = BigDecimal.valueOf(2);
        BigDecimal three = BigDecimal.valueOf(3);
        assertThat(PriceDifference.ofPart(SEVEN, TEN, two, three)).isEqualByComparingTo("0.33");
        assertThat(PriceDifference.ofPart(SEVEN, null, two, three)).isNull();
    }
}
