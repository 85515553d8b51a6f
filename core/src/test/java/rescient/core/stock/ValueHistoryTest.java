package rescient.core.stock;

import static org.assertj.core.api.Assertions.assertThat;

import java.math.BigDecimal;
import java.time.LocalDate;
import java.util.Map;
import org.junit.jupiter.api.Test;

/** Worth 100 today; 30 came in today, and 20 went out the day before yesterday. */
class ValueHistoryTest {
    private static final LocalDate TODAY = LocalDate.of(2026, 3, 20);

    @Test
    void eachDayIsWithoutWhatCameAfterIt() {
        assertThat(ValueHistory.of(
                        new BigDecimal(100),
                        Map.of(TODAY, new BigDecimal(30), TODAY.minusDays(2), new BigDecimal(-20)),
                        TODAY.minusDays(3),
                        TODAY))
                .extracting(one -> one.day().getDayOfMonth() + ": " + one.value())
                .containsExactly("17: 90", "18: 70", "19: 70", "20: 100");
    }
}
