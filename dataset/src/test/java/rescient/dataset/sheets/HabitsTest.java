package rescient.dataset.sheets;

import static org.assertj.core.api.Assertions.assertThat;

import java.time.LocalDate;
import java.time.YearMonth;
import java.util.ArrayList;
import java.util.List;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

class HabitsTest {
    private static Habits of(String... cells) {
        List<String[]> rows = new ArrayList<>();
        for (String cell : cells) {
            rows.add(new String[] {cell});
        }
        return Habits.of(new Sheet("s", List.of("a"), rows));
    }

    @Test
    void aDayOverTwelveSaysWhichPartComesFirst() {
        assertThat(of("03/04/2026", "25/04/2026").dates()).isEqualTo(Habits.DateOrder.DAY_FIRST);
        assertThat(of("03/04/2026", "04/25/2026").dates()).isEqualTo(Habits.DateOrder.MONTH_FIRST);
        assertThat(of("2026-04-25").dates()).isEqualTo(Habits.DateOrder.YEAR_FIRST);
        // nothing says which: the day, as most write it
        assertThat(of("03/04/2026").dates()).isEqualTo(Habits.DateOrder.DAY_FIRST);
        assertThat(of("3.4.26").dates()).isEqualTo(Habits.DateOrder.DAY_FIRST);
    }

    @Test
    void decimalsSayWhichSignStandsBeforeThem() {
        assertThat(of("1.250,50", "3,75").decimal()).isEqualTo(',');
        assertThat(of("1,250.50", "3.75").decimal()).isEqualTo('.');
        assertThat(of("125", "3").decimal()).isEqualTo('.');
    }

    @ParameterizedTest
    @CsvSource({
        "DAY_FIRST, 3.4.2026, 2026-04-03",
        "DAY_FIRST, 03/04/26, 2026-04-03",
        "MONTH_FIRST, 03/04/2026, 2026-03-04",
        "DAY_FIRST, 2026-04-03, 2026-04-03",
        "DAY_FIRST, 3 Apr 2026, 2026-04-03",
        "MONTH_FIRST, Apr 3 2026, 2026-04-03",
        "DAY_FIRST, 3-April-26, 2026-04-03",
        "DAY_FIRST, 31.2.2026, ",
        "DAY_FIRST, soon, ",
        "DAY_FIRST, 12, "
    })
    void days(Habits.DateOrder order, String text, LocalDate day) {
        assertThat(new Habits(order, '.').day(text)).isEqualTo(day);
    }

    @ParameterizedTest
    @CsvSource({
        "',', '1.250,5', 1250.5",
        "',', '1 250', 1250",
        "',', '12.5', ",
        "'.', '1,250.5', 1250.5",
        "'.', '12,5', ",
        "'.', '-3', -3",
        "'.', '+3', 3",
        "'.', '1''250', 1250",
        "'.', '50 pcs', ",
        "'.', '.5', 0.5"
    })
    void numbers(char decimal, String text, String number) {
        assertThat(new Habits(Habits.DateOrder.DAY_FIRST, decimal).number(text)).isEqualTo(number);
    }

    @ParameterizedTest
    @CsvSource({
        "Jan 2026, 2026-01", "2026-02, 2026-02", "03/2026, 2026-03", "Apr-26, 2026-04", "1.5.2026, 2026-05",
        "September 2026, 2026-09", "2026-06-01, 2026-06", "2026-06-02, ", "Item, ", "13/2026, "
    })
    void months(String text, YearMonth month) {
        assertThat(Habits.month(text, new Habits(Habits.DateOrder.DAY_FIRST, '.')))
                .isEqualTo(month);
    }
}
