package rescient.core.base;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.math.BigDecimal;
import net.jqwik.api.ForAll;
import net.jqwik.api.Property;
import net.jqwik.api.constraints.LongRange;
import org.junit.jupiter.api.Test;

/** Exact factors. */
class RatioTest {

    @Test
    void twoAndAhalfIsFiveHalves() {
        assertThat(Ratio.of(2_500_000L)).isEqualTo(new Ratio(5, 2));
        assertThat(Ratio.of(3_000_000L)).isEqualTo(new Ratio(3, 1));
        assertThat(Ratio.of(0L)).isEqualTo(new Ratio(0, 1));
        // 0.000004 = 4/1,000,000 = 1/250,000
        assertThat(Ratio.of(4L)).isEqualTo(new Ratio(1, 250_000));
    }

    @Test
    void aNegativeFactorIsRefused() {
        assertThatThrownBy(() -> Ratio.of(-1L)).isInstanceOf(PlanningException.class);
    }

    @Property
    void aQuantityIsTheFactorThatItsDecimalIs(@ForAll @LongRange(min = 0, max = 1_000_000_000_000_000L) long quantity) {
        assertThat(Ratio.of(quantity)).isEqualTo(Ratio.of(BigDecimal.valueOf(quantity, 6)));
    }
}
