package rescient.core.forecast;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.math.BigDecimal;
import java.time.LocalDate;
import java.util.Arrays;
import java.util.List;
import java.util.Map;
import java.util.Random;
import net.jqwik.api.Assume;
import net.jqwik.api.ForAll;
import net.jqwik.api.Property;
import net.jqwik.api.constraints.DoubleRange;
import net.jqwik.api.constraints.IntRange;
import org.junit.jupiter.api.Test;
import rescient.core.company.ForecastMethod;
import rescient.core.company.PeriodUnit;

/** The choice among methods, and what holds of every forecast. */
class ForecasterTest {
    private static final double[] YEAR = {60, 70, 110, 150, 160, 140, 100, 80, 60, 50, 70, 90};

    private static double[] seasonal(int months, double noise, long seed) {
        Random random = new Random(seed);
        double[] y = new double[months];
        for (int t = 0; t < months; t++) {
            y[t] = YEAR[t % 12] * (1 + t / 200.0) + noise * random.nextGaussian();
        }
        return y;
    }

    /** What comes again every year exactly is said exactly, and the simplest method is enough. */
    @Test
    void ofEqualErrorsTheSimplerMethod() {
        double[] y = new double[48];
        for (int t = 0; t < 48; t++) {
            y[t] = YEAR[t % 12];
        }
        Forecast forecast = Forecaster.of(y, 12, 12);
        assertThat(forecast.method()).isEqualTo(ForecastMethod.SEASONAL_NAIVE);
        assertThat(forecast.mean()).containsExactly(YEAR);
        assertThat(forecast.season()).isEqualTo(12);
        assertThat(forecast.ofMethod().mase()).isZero();
    }

    /** A single method takes the place of the combination only if its error is less by a fifth. */
    @Property(tries = 40)
    void theCombinationStandsUnlessAMethodIsClearlyBetter(
            @ForAll @IntRange(max = 10_000) int seed, @ForAll @IntRange(min = 2, max = 30) int noise) {
        Forecast automatic = Forecaster.of(seasonal(72, noise, seed), 12, 12);
        Assume.that(automatic.season() == 12);
        double combined = automatic.tested().stream()
                .filter(one -> one.method() == ForecastMethod.COMBINATION)
                .mapToDouble(Forecast.Tested::mase)
                .findFirst()
                .orElseThrow();
        double least = automatic.tested().get(0).mase();
        assertThat(automatic.method() == ForecastMethod.COMBINATION).isEqualTo(least > combined * 0.8);
        assertThat(automatic.automatic()).isTrue();
    }

    /** Another method can be chosen, if it fits: what is asked for every month is not intermittent. */
    @Test
    void anotherMethodIsChosen() {
        double[] y = seasonal(72, 10, 1);
        Forecast automatic = Forecaster.of(y, 12, 12);
        assertThat(automatic.tested()).extracting(Forecast.Tested::mase).isSorted();
        Forecast chosen = Forecaster.of(y, 12, 12, Choice.of(ForecastMethod.MOVING_AVERAGE));
        assertThat(chosen.method()).isEqualTo(ForecastMethod.MOVING_AVERAGE);
        assertThat(chosen.automatic()).isFalse();
        assertThat(chosen.tested()).hasSameSizeAs(automatic.tested());
        assertThat(Forecaster.of(y, 12, 12, Choice.of(ForecastMethod.CROSTON)).method())
                .isEqualTo(automatic.method());
    }

    /** A demand now and then, without a season: nobody repeats the year before. */
    @Test
    void withoutASeasonTheLastYearIsNotRepeated() {
        double[] wild = new double[60];
        Random random = new Random(3);
        for (int t = 0; t < 60; t++) {
            wild[t] = random.nextInt(5) == 0 ? random.nextInt(30) : 0;
        }
        assertThat(Forecaster.of(wild, 12, 12).season()).isEqualTo(1);
        assertThat(Forecaster.of(wild, 12, 12).method()).isNotEqualTo(ForecastMethod.SEASONAL_NAIVE);
    }

    /** The mean of one value says each time what came before. */
    @Test
    void whatWasSaidOneBucketBeforeIsKnown() {
        double[] y = {5, 7, 6, 9, 8, 4, 3, 7, 6};
        Forecast forecast = Forecaster.of(y, 12, 3, new Choice(ForecastMethod.MOVING_AVERAGE, Map.of("n", 1.0)));
        assertThat(forecast.heldOut()).isEqualTo(6);
        assertThat(forecast.ofMethod().next()).containsExactly(4, 3, 7);
    }

    @Test
    void nothingOrNextToNothingIsForecastWithoutATest() {
        assertThat(Forecaster.of(new double[] {7}, 12, 3).mean()).containsExactly(7, 7, 7);
        assertThat(Forecaster.of(new double[] {6, 8}, 12, 2).tested()).isEmpty();
        assertThat(Forecaster.of(new double[24], 12, 4).mean()).containsExactly(0, 0, 0, 0);
    }

    /** What was held out is not seen by what is fitted before it: another value there changes nothing that was said there. */
    @Property(tries = 20)
    void nothingFromAfterTheOriginIsSeen(
            @ForAll @IntRange(min = 30, max = 80) int months,
            @ForAll @IntRange(max = 1000) int seed,
            @ForAll @DoubleRange(min = 0, max = 5000) double other) {
        double[] y = seasonal(months, 10, seed);
        BackTest test = BackTest.of(y, 12, 6, Choice.AUTOMATIC);
        double[] changed = y.clone();
        Arrays.fill(changed, test.first(), months, other);
        BackTest after = BackTest.of(changed, 12, 6, Choice.AUTOMATIC);
        assertThat(after.residuals().keySet()).isEqualTo(test.residuals().keySet());
        test.residuals()
                .forEach((method, residuals) -> assertThat(
                                after.residuals().get(method).said())
                        .as(method.title())
                        .containsExactly(residuals.said()));
    }

    /** Counted by the dozen a forecast is a twelfth. */
    @Property(tries = 20)
    void anotherUnitIsAnotherScale(
            @ForAll @IntRange(min = 30, max = 70) int months, @ForAll @IntRange(max = 1000) int seed) {
        double[] y = seasonal(months, 10, seed);
        double[] dozens = Arrays.stream(y).map(v -> v / 12).toArray();
        Forecast one = Forecaster.of(y, 12, 12);
        Forecast other = Forecaster.of(dozens, 12, 12);
        assertThat(other.method()).isEqualTo(one.method());
        for (int h = 0; h < 12; h++) {
            assertThat(other.mean()[h] * 12).isCloseTo(one.mean()[h], within(one.mean()[h] * 0.02 + 1e-6));
        }
    }

    /** A hundred more in every bucket is a hundred more ahead, by all methods that add and do not multiply. */
    @Property(tries = 20)
    void aHundredMoreIsAHundredMore(
            @ForAll @IntRange(min = 20, max = 70) int buckets,
            @ForAll @IntRange(max = 1000) int seed,
            @ForAll @DoubleRange(min = -1, max = 2) double slope) {
        Random random = new Random(seed);
        double[] y = new double[buckets];
        double[] more = new double[buckets];
        for (int t = 0; t < buckets; t++) {
            y[t] = 300 + slope * t + random.nextInt(20);
            more[t] = y[t] + 100;
        }
        for (ForecastMethod method : List.of(
                ForecastMethod.MOVING_AVERAGE,
                ForecastMethod.SIMPLE,
                ForecastMethod.HOLT,
                ForecastMethod.DAMPED,
                ForecastMethod.THETA,
                ForecastMethod.TREND)) {
            Forecast one = Forecaster.of(y, 1, 6, Choice.of(method));
            Forecast other = Forecaster.of(more, 1, 6, Choice.of(method));
            assertThat(one.method()).isEqualTo(method);
            for (int h = 0; h < 6; h++) {
                assertThat(other.mean()[h] - 100).as(method.title()).isCloseTo(one.mean()[h], within(0.5));
            }
        }
    }

    @Property(tries = 30)
    void aForecastIsNeverBelowNothingAndLiesInItsIntervals(
            @ForAll @IntRange(min = 1, max = 60) int buckets,
            @ForAll @IntRange(max = 1000) int seed,
            @ForAll @DoubleRange(min = 0, max = 1) double share) {
        Random random = new Random(seed);
        double[] y = new double[buckets];
        for (int t = 0; t < buckets; t++) {
            y[t] = random.nextDouble() < share ? random.nextInt(40) : 0;
        }
        Forecast forecast = Forecaster.of(y, 12, 8);
        for (int h = 0; h < 8; h++) {
            assertThat(forecast.mean()[h]).isNotNegative().isFinite();
            assertThat(forecast.narrow().low()[h]).isNotNegative().isLessThanOrEqualTo(forecast.mean()[h]);
            assertThat(forecast.wide().low()[h])
                    .isLessThanOrEqualTo(forecast.narrow().low()[h]);
            assertThat(forecast.wide().high()[h])
                    .isGreaterThanOrEqualTo(forecast.narrow().high()[h]);
            assertThat(forecast.narrow().high()[h]).isGreaterThanOrEqualTo(forecast.mean()[h]);
        }
    }

    @Test
    void sameInSameOut() {
        double[] y = seasonal(60, 12, 7);
        Forecast one = Forecaster.of(y, 12, 12);
        Forecast other = Forecaster.of(y, 12, 12);
        assertThat(other.mean()).containsExactly(one.mean());
        assertThat(other.wide().high()).containsExactly(one.wide().high());
        assertThat(other.parameters()).isEqualTo(one.parameters());
    }

    private static SalesHistory.Sold sold(String day, String quantity) {
        return new SalesHistory.Sold(LocalDate.parse(day), new BigDecimal(quantity));
    }

    /** January to April, nothing in March; what lies in May, which has begun, is left out, and May is the first to be forecast. */
    @Test
    void historyIsWholeBuckets() {
        List<SalesHistory.Sold> sold = List.of(
                sold("2026-02-28", "2.5"),
                sold("2026-01-05", "4"),
                sold("2026-02-01", "1"),
                sold("2026-05-03", "9"),
                sold("2026-04-30", "3"));
        SalesHistory months = SalesHistory.of(new Buckets(PeriodUnit.MONTH), sold, LocalDate.parse("2026-05-20"));
        assertThat(months.values()).containsExactly(4, 3.5, 0, 3);
        assertThat(months.first()).isEqualTo("2026-01-01");
        assertThat(months.ahead(0)).isEqualTo("2026-05-01");
        assertThat(months.ahead(8)).isEqualTo("2027-01-01");
    }

    /** Weeks begin on Monday: the 1st of March 2026 is a Sunday. */
    @Test
    void weeksBeginOnMonday() {
        SalesHistory weeks = SalesHistory.of(
                new Buckets(PeriodUnit.WEEK),
                List.of(sold("2026-03-01", "1"), sold("2026-03-02", "2"), sold("2026-03-10", "5")),
                LocalDate.parse("2026-03-16"));
        assertThat(weeks.first()).isEqualTo("2026-02-23");
        assertThat(weeks.values()).containsExactly(1, 2, 5);
        assertThat(weeks.next()).isEqualTo("2026-03-16");
        SalesHistory none = SalesHistory.of(
                new Buckets(PeriodUnit.DAY), List.of(sold("2026-03-16", "1")), LocalDate.parse("2026-03-16"));
        assertThat(none.values()).isEmpty();
    }
}
