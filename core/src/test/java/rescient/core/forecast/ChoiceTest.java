package rescient.core.forecast;

import static org.assertj.core.api.Assertions.assertThat;

import java.time.LocalDate;
import java.util.List;
import java.util.Map;
import org.junit.jupiter.api.Test;
import rescient.core.company.Consistency;
import rescient.core.company.ForecastFacts;
import rescient.core.company.ForecastMethod;
import rescient.core.company.PeriodUnit;

/** What may be chosen for a forecast, and what it does. */
class ChoiceTest {
    private static ForecastFacts.ForecastChoice kept(ForecastMethod method, String parameters) {
        return new ForecastFacts.ForecastChoice(
                "CHAIR", "W", PeriodUnit.MONTH, method, parameters, null, null, null, null, null, null);
    }

    private static List<String> wrong(ForecastFacts.ForecastChoice kept) {
        return Choice.flaws(kept).stream().map(Consistency.Flaw::column).toList();
    }

    @Test
    void parametersAreReadByTheirNames() {
        assertThat(Choice.of(kept(ForecastMethod.DAMPED, " alpha=0.2, phi=0.9 ")))
                .isEqualTo(new Choice(ForecastMethod.DAMPED, Map.of("alpha", 0.2, "phi", 0.9)));
        assertThat(Choice.of(kept(null, null))).isEqualTo(Choice.AUTOMATIC);
        assertThat(Choice.taken(ForecastMethod.COMBINATION)).isEmpty();
        assertThat(Choice.taken(ForecastMethod.DAMPED)).containsExactly("alpha", "beta", "phi");
    }

    @Test
    void whatAMethodDoesNotHaveIsWrong() {
        assertThat(wrong(kept(ForecastMethod.MOVING_AVERAGE, "n=6"))).isEmpty();
        assertThat(wrong(kept(ForecastMethod.MOVING_AVERAGE, "n=6.5"))).containsExactly("parameters");
        assertThat(wrong(kept(ForecastMethod.MOVING_AVERAGE, "alpha=0.2"))).containsExactly("parameters");
        assertThat(wrong(kept(ForecastMethod.SIMPLE, "alpha=1.2"))).containsExactly("parameters");
        assertThat(wrong(kept(ForecastMethod.SIMPLE, "alpha"))).containsExactly("parameters");
        assertThat(wrong(kept(null, "alpha=0.2"))).containsExactly("parameters");
    }

    @Test
    void aWindowEndsBehindItsBeginningAndNothingIsLikeItself() {
        LocalDate may = LocalDate.of(2026, 5, 1);
        assertThat(wrong(new ForecastFacts.ForecastChoice(
                        "CHAIR", "W", PeriodUnit.MONTH, null, null, may, may.minusDays(1), null, null, null, null)))
                .containsExactly("to_date");
        assertThat(wrong(new ForecastFacts.ForecastChoice(
                        "CHAIR", "W", PeriodUnit.MONTH, null, null, null, null, "CHAIR", "W", null, null)))
                .containsExactly("like_item");
        assertThat(wrong(new ForecastFacts.ForecastChoice(
                        "CHAIR", "W", PeriodUnit.MONTH, null, null, null, null, "CHAIR", "D", null, null)))
                .isEmpty();
    }

    /** The mean of the last two of 2, 4, 6, 8 is 7; an alpha of 1 says the last value again. */
    @Test
    void whatIsGivenIsNotFitted() {
        double[] y = {2, 4, 6, 8, 2, 4, 6, 8};
        Forecast two = Forecaster.of(y, 12, 3, new Choice(ForecastMethod.MOVING_AVERAGE, Map.of("n", 2.0)));
        assertThat(two.mean()).containsExactly(7, 7, 7);
        Forecast last = Forecaster.of(y, 12, 1, new Choice(ForecastMethod.SIMPLE, Map.of("alpha", 1.0)));
        assertThat(last.mean()).containsExactly(8);
        assertThat(last.parameters()).containsEntry("alpha", 1.0);
        assertThat(last.automatic()).isFalse();
    }
}
