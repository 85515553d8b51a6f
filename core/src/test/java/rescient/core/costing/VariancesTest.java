package rescient.core.costing;

import static org.assertj.core.api.Assertions.assertThat;

import java.math.BigDecimal;
import java.time.LocalDate;
import java.util.List;
import org.junit.jupiter.api.Test;

class VariancesTest {
    private static final List<Variances.Variance> ALL = List.of(
            of("make", "CHAIR", "SAW", "2026-10-30", "4.00"),
            of("make", "CHAIR", "JOIN", "2026-11-02", "-1.50"),
            of("make", "TABLE", "SAW", "2026-11-03", "2.25"),
            of("count", "LEG", null, "2026-11-03", "-9.00"));

    private static Variances.Variance of(String cause, String item, String center, String day, String value) {
        return new Variances.Variance(cause, item, center, null, null, LocalDate.parse(day), new BigDecimal(value));
    }

    private static List<String> by(Variances.By by) {
        return Variances.by(by, ALL).stream()
                .map(group -> group.code() + " " + group.value() + " of "
                        + group.variances().size())
                .toList();
    }

    @Test
    void whatHasSomethingInCommonIsAddedUp() {
        // the larger difference first, whichever way it goes
        assertThat(by(Variances.By.CAUSE)).containsExactly("count -9.00 of 1", "make 4.75 of 3");
        assertThat(by(Variances.By.ITEM)).containsExactly("LEG -9.00 of 1", "CHAIR 2.50 of 2", "TABLE 2.25 of 1");
        assertThat(by(Variances.By.CENTER)).containsExactly("SAW 6.25 of 2", "JOIN -1.50 of 1");
        assertThat(by(Variances.By.MONTH)).containsExactly("2026-11 -8.25 of 3", "2026-10 4.00 of 1");
    }

    @Test
    void whatDiffersMostStandsFirst() {
        assertThat(Variances.by(Variances.By.MONTH, ALL).get(0).variances())
                .extracting(one -> one.value().toPlainString())
                .containsExactly("-9.00", "2.25", "-1.50");
    }
}
