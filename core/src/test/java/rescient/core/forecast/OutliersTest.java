package rescient.core.forecast;

import static org.assertj.core.api.Assertions.assertThat;

import java.math.BigDecimal;
import java.time.LocalDate;
import java.util.List;
import java.util.Random;
import org.junit.jupiter.api.Test;
import rescient.core.company.ForecastFacts;
import rescient.core.company.PeriodUnit;

/** What is not usual in a history, and what it is taken for instead. */
class OutliersTest {
    /** 98 to 102 in turn: the median distance from 100 is 1, three deviations are 4.4; 160 is far, 104 is not. */
    @Test
    void whatLiesFarFromAllAround() {
        double[] y = new double[25];
        for (int t = 0; t < y.length; t++) {
            y[t] = 98 + t % 5;
        }
        y[7] = 160;
        y[15] = 104;
        double[] usual = Outliers.usual(y, 1);
        for (int t = 0; t < y.length; t++) {
            if (t == 7) {
                assertThat(usual[t]).isBetween(99.0, 101.0);
            } else {
                assertThat(usual[t]).as("bucket %d", t).isNaN();
            }
        }
    }

    /** Up to 8 more or less is noise (its median distance is 4, three deviations 18); a high season is usual, a month without sales in it not. */
    @Test
    void theSeasonIsUsual() {
        Random random = new Random(5);
        double[] y = new double[60];
        for (int t = 0; t < y.length; t++) {
            y[t] = 120 + 60 * Math.sin(2 * Math.PI * t / 12) + 16 * random.nextDouble() - 8;
        }
        assertThat(Outliers.usual(y, 12)).containsOnly(Double.NaN);
        y[27] = 0;
        double[] usual = Outliers.usual(y, 12);
        // 180 in other years; the month itself is one of the five that say what is usual in it
        assertThat(usual[27]).isBetween(120.0, 190.0);
        assertThat(usual[26]).isNaN();
    }

    @Test
    void littleOrNothingHasNone() {
        assertThat(Outliers.usual(new double[] {1, 90, 2}, 12)).containsOnly(Double.NaN);
        assertThat(Outliers.usual(new double[20], 12)).containsOnly(Double.NaN);
    }

    /** Any day of the month names it; weeks, and months that are not in the history, change nothing of it. */
    @Test
    void whatIsCorrectedCountsInItsBucket() {
        SalesHistory history = SalesHistory.of(
                new Buckets(PeriodUnit.MONTH),
                List.of(
                        new SalesHistory.Sold(LocalDate.of(2026, 1, 5), BigDecimal.TEN),
                        new SalesHistory.Sold(LocalDate.of(2026, 3, 5), BigDecimal.ONE)),
                LocalDate.of(2026, 4, 20));
        SalesHistory corrected = history.corrected(List.of(
                correction(LocalDate.of(2026, 2, 17), PeriodUnit.MONTH, "7.5"),
                correction(LocalDate.of(2026, 1, 5), PeriodUnit.WEEK, "99"),
                correction(LocalDate.of(2026, 4, 1), PeriodUnit.MONTH, "99"),
                correction(LocalDate.of(2025, 12, 1), PeriodUnit.MONTH, "99")));
        assertThat(corrected.values()).containsExactly(10, 7.5, 1);
        assertThat(history.values()).containsExactly(10, 0, 1);
    }

    private static ForecastFacts.HistoryCorrection correction(LocalDate from, PeriodUnit bucket, String quantity) {
        return new ForecastFacts.HistoryCorrection(
                "A", "W", from, bucket, new BigDecimal(quantity), ForecastFacts.CorrectionKind.CLOSURE, null);
    }

    /** A year of 10 in every month but one without stock: what is usual there is 10, and what is usual elsewhere too. */
    @Test
    void whatWouldHaveBeenUsualIsKnownEverywhere() {
        double[] y = {10, 10, 10, 10, 10, 0, 10, 10, 10, 10, 10, 10};
        assertThat(Outliers.model(y, 12)).containsOnly(10);
        assertThat(Outliers.model(new double[] {3, 4}, 12)).containsExactly(3, 4);
    }
}
