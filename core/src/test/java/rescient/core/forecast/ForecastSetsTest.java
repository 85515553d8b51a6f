package rescient.core.forecast;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.math.BigDecimal;
import java.time.LocalDate;
import java.util.List;
import java.util.stream.Collectors;
import org.junit.jupiter.api.Test;
import rescient.core.FewFacts;
import rescient.core.company.BasicFacts;
import rescient.core.company.CompanyFacts;
import rescient.core.company.Fact;
import rescient.core.company.FactEdit;
import rescient.core.company.ForecastFacts;
import rescient.core.company.ItemFacts;
import rescient.core.company.PeriodUnit;
import rescient.core.company.UnfitException;

/** Forecast sets as wholes. */
class ForecastSetsTest {
    private static final LocalDate MAY = LocalDate.of(2026, 5, 1);

    private static ForecastFacts.Forecast row(String set, LocalDate from, String quantity) {
        return new ForecastFacts.Forecast(set, "CHAIR", "W", from, PeriodUnit.MONTH, new BigDecimal(quantity));
    }

    private final CompanyFacts company = FewFacts.of(
            new ItemFacts.Item("CHAIR", null, null, "pcs", null, null, null, null, null, null),
            new BasicFacts.Unit("pcs", null, 0),
            row("Base", MAY, "7"),
            row("Base", MAY.plusMonths(1), "10"),
            row("High", MAY, "8"),
            row("High", MAY.plusMonths(2), "9"));

    private static List<String> said(List<FactEdit<?>> edits) {
        return edits.stream()
                .map(edit -> said(edit.before()) + " > " + said(edit.after()))
                .sorted()
                .collect(Collectors.toList());
    }

    private static String said(Fact fact) {
        return fact instanceof ForecastFacts.Forecast row
                ? row.set() + " " + row.fromDate().getMonthValue() + " "
                        + row.quantity().toPlainString()
                : "none";
    }

    /** A tenth more of 7 is 7.7, which is 8 pieces; July, which Base does not have, goes. */
    @Test
    void aSetIsReplacedByAnother() {
        assertThat(said(ForecastSets.copied(company, "Base", "High", new BigDecimal("110"))))
                .containsExactly("High 7 9 > none", "none > High 6 11");
        assertThat(said(ForecastSets.copied(company, "Base", " New ", new BigDecimal("100"))))
                .containsExactly("none > New 5 7", "none > New 6 10");
    }

    @Test
    void aSetIsScaledInPlaceAndTakenAway() {
        assertThat(said(ForecastSets.copied(company, "Base", "Base", new BigDecimal("50"))))
                .containsExactly("Base 5 7 > Base 5 4", "Base 6 10 > Base 6 5");
        assertThat(said(ForecastSets.gone(company, "High"))).containsExactly("High 5 8 > none", "High 7 9 > none");
    }

    @Test
    void whatThereIsNotIsRefused() {
        assertThatThrownBy(() -> ForecastSets.copied(company, "Low", "High", BigDecimal.TEN))
                .isInstanceOf(UnfitException.class)
                .hasMessageContaining("Low");
        assertThatThrownBy(() -> ForecastSets.copied(company, "Base", " ", BigDecimal.TEN))
                .isInstanceOf(UnfitException.class);
    }
}
