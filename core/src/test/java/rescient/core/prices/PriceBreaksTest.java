package rescient.core.prices;

import static org.assertj.core.api.Assertions.assertThat;

import java.math.BigDecimal;
import java.util.List;
import org.junit.jupiter.api.Test;

class PriceBreaksTest {
    private static BigDecimal of(String number) {
        return number == null ? null : new BigDecimal(number);
    }

    private static PriceBreaks.Break step(String from, String price) {
        return new PriceBreaks.Break(of(from), of(price));
    }

    private final PriceBreaks breaks = new PriceBreaks(List.of(step("0", "100"), step("50", null), step("10", "90")));

    @Test
    void theHighestStepThatIsReachedAndHasAPriceHolds() {
        assertThat(breaks.at(of("9.999"))).isEqualByComparingTo("100");
        assertThat(breaks.at(of("10"))).isEqualByComparingTo("90");
        assertThat(breaks.at(of("60"))).isEqualByComparingTo("90");
    }

    @Test
    void belowTheFirstStepNoPriceIsKnown() {
        assertThat(new PriceBreaks(List.of(step("5", "7"))).at(of("4"))).isNull();
        assertThat(new PriceBreaks(List.of()).at(BigDecimal.ONE)).isNull();
    }

    /** 2.5 × 1.11 = 2.775. */
    @Test
    void aValueIsRoundedToTheCentHalvesUp() {
        assertThat(PriceBreaks.value(of("2.5"), of("1.11"))).isEqualTo(of("2.78"));
        assertThat(PriceBreaks.value(BigDecimal.ONE, null)).isNull();
    }
}
