package rescient.core.prices;

import static org.assertj.core.api.Assertions.assertThat;

import java.math.BigDecimal;
import org.junit.jupiter.api.Test;

class ValueDifferenceTest {
    @Test
    void whatComesLessWhatGoes() {
        ValueDifference difference = new ValueDifference();
        assertThat(difference.sum()).isZero();
        difference.comes(new BigDecimal("10.50"));
        difference.goes(new BigDecimal("4"));
        assertThat(difference.sum()).isEqualByComparingTo("6.50");
    }

    @Test
    void withAValueThatIsNotKnownNothingIsKnown() {
        ValueDifference difference = new ValueDifference();
        difference.goes(null);
        difference.comes(BigDecimal.ONE);
        assertThat(difference.sum()).isNull();
    }
}
