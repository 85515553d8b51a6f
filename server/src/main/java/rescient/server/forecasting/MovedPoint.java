package rescient.server.forecasting;

import java.math.BigDecimal;
import java.time.LocalDate;
import java.util.List;
import java.util.stream.DoubleStream;
import java.util.stream.IntStream;
import org.springframework.stereotype.Component;
import rescient.core.company.ForecastFacts;
import rescient.core.forecast.Buckets;
import rescient.core.forecast.Choice;
import rescient.core.forecast.DemandSeries;
import rescient.core.forecast.Forecast;
import rescient.server.planning.PlanVersion;
import rescient.server.platform.Nullable;

/**
 * What a series would be for many values of one bucket of its history: worked out before the bucket is moved, so that the curve
 * follows the pointer without asking.
 */
@Component
class MovedPoint {
    /** Values that are looked at, from nothing to the most. */
    private static final int VALUES = 33;

    private static final int DECIMALS = 3;

    private final Forecasts forecasts;

    MovedPoint(Forecasts forecasts) {
        this.forecasts = forecasts;
    }

    /**
     * The forecast for one value of the bucket.
     *
     * @param expected one value a bucket to come, with what is known on top; intervals of 80 and 95 %
     */
    record MovedCurve(
            BigDecimal value,
            List<BigDecimal> expected,
            List<BigDecimal> low80,
            List<BigDecimal> high80,
            List<BigDecimal> low95,
            List<BigDecimal> high95) {}

    /** @param curves by value, the least first */
    record MovedCurves(LocalDate from, List<MovedCurve> curves) {}

    /** Null: there is nothing to forecast from. */
    @Nullable
    MovedCurves of(PlanVersion version, SeriesPicture.Asked asked, LocalDate from, double most) {
        List<MovedCurve> curves = IntStream.range(0, VALUES)
                .parallel()
                .mapToObj(i -> curve(version, asked, from, most * i / (VALUES - 1)))
                .toList();
        return curves.contains(null) ? null : new MovedCurves(from, curves);
    }

    private MovedCurve curve(PlanVersion version, SeriesPicture.Asked asked, LocalDate from, double value) {
        ForecastFacts.HistoryCorrection moved = new ForecastFacts.HistoryCorrection(
                asked.key().code(), asked.key().site(), from, asked.bucket(), BigDecimal.valueOf(value), null, null);
        DemandSeries series = DemandSeries.of(
                version.directory().facts(),
                asked.key().place(),
                new Buckets(asked.bucket()),
                version.today(),
                new DemandSeries.Draft(List.of(moved), asked.draft().choice()));
        if (!series.hasHistory()) {
            return null;
        }
        Choice choice = asked.method() == null ? null : Choice.of(asked.method());
        Forecast forecast = series.forecast(asked.periods(), choice, forecasts);
        return new MovedCurve(
                BigDecimal.valueOf(value),
                rounded(series.adjusted(forecast.mean())),
                rounded(forecast.narrow().low()),
                rounded(forecast.narrow().high()),
                rounded(forecast.wide().low()),
                rounded(forecast.wide().high()));
    }

    private static List<BigDecimal> rounded(double[] values) {
        return DoubleStream.of(values)
                .mapToObj(value -> SeriesPicture.rounded(value, DECIMALS))
                .toList();
    }
}
