package rescient.core.compare;

import static org.assertj.core.api.Assertions.assertThat;

import java.math.BigDecimal;
import java.time.YearMonth;
import java.util.List;
import java.util.Map;
import org.junit.jupiter.api.Test;

class MonthDifferenceTest {
    private static final YearMonth MARCH = YearMonth.of(2026, 3);
    private static final YearMonth APRIL = YearMonth.of(2026, 4);

    private static BigDecimal number(String text) {
        return new BigDecimal(text);
    }

    @Test
    void monthsAndCodesOfBothAreThereAndASumIsNotMadeOfRoundedFigures() {
        Map<YearMonth, Map<String, BigDecimal>> before =
                Map.of(MARCH, Map.of("SAW", number("1.14"), "PAINT", number("2.04")));
        Map<YearMonth, Map<String, BigDecimal>> after =
                Map.of(MARCH, Map.of("SAW", number("1.14")), APRIL, Map.of("SAW", number("0.25")));

        List<String> told = MonthDifference.between(before, after, 1).stream()
                .map(d -> d.month().getMonthValue() + " " + d.code() + " " + d.before() + " " + d.after() + " "
                        + d.more())
                .toList();

        // 1.14 + 2.04 = 3.18, shown as 3.2 beside 1.1 and 2.0
        assertThat(told)
                .containsExactly(
                        "3 null 3.2 1.1 -2.1",
                        "3 PAINT 2.0 0.0 -2.0",
                        "3 SAW 1.1 1.1 0.0",
                        "4 null 0.0 0.3 0.3",
                        "4 SAW 0.0 0.3 0.3");
    }
}
