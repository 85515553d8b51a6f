package rescient.core.prices;

import static org.assertj.core.api.Assertions.assertThat;

import java.math.BigDecimal;
import java.util.List;
import org.junit.jupiter.api.Test;

/** From 1 on at 5.00, from 100 on at 4.50, from 500 on at 4.00, from 800 on nobody said. */
class BuyingHintsTest {
    private static final PriceBreaks LIST =
            new PriceBreaks(List.of(step("0", "5"), step("100", "4.50"), step("500", "4"), step("800", null)));

    private static PriceBreaks.Break step(String from, String price) {
        return new PriceBreaks.Break(new BigDecimal(from), price == null ? null : new BigDecimal(price));
    }

    private static BigDecimal number(String text) {
        return new BigDecimal(text);
    }

    /** 95 cost 475 and 100 cost 450: 5 more for 25 less. 60 cost 300: 40 more cost 150 more. */
    @Test
    void theNextBreakSaysWhatItSaves() {
        BuyingHints.Cheaper near = BuyingHints.cheaper(LIST, number("95")).orElseThrow();
        assertThat(near.more()).isEqualByComparingTo("5");
        assertThat(near.price()).isEqualByComparingTo("4.50");
        assertThat(near.saves()).isEqualByComparingTo("25");
        assertThat(BuyingHints.cheaper(LIST, number("60")).orElseThrow().saves())
                .isEqualByComparingTo("-150");
        assertThat(BuyingHints.cheaper(LIST, number("100")).orElseThrow().from())
                .isEqualByComparingTo("500");
    }

    @Test
    void aboveTheLastBreakNothingIsCheaper() {
        assertThat(BuyingHints.cheaper(LIST, number("500"))).isEmpty();
        assertThat(BuyingHints.cheaper(LIST, number("900"))).isEmpty();
        assertThat(BuyingHints.cheaper(new PriceBreaks(List.of()), number("5"))).isEmpty();
    }

    @Test
    void whatIsMissingToAFullPallet() {
        assertThat(BuyingHints.toFull(number("48"), number("50"))).isEqualByComparingTo("2");
        assertThat(BuyingHints.toFull(number("100"), number("50"))).isZero();
        assertThat(BuyingHints.toFull(number("101"), number("50"))).isEqualByComparingTo("49");
        assertThat(BuyingHints.toFull(number("7"), null)).isZero();
        assertThat(BuyingHints.toLeast(number("7"), number("10"))).isEqualByComparingTo("3");
        assertThat(BuyingHints.toLeast(number("12"), number("10"))).isZero();
        assertThat(BuyingHints.toLeast(number("12"), null)).isZero();
    }
}
