package rescient.core.forecast;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import rescient.core.company.ForecastMethod;

/**
 * Makes forecasts: every method that fits is tried on the last part of the history; the combination of them, or one that
 * did clearly better, is fitted to all of it. Without a clock and without chance.
 */
public final class Forecaster {
    private static final double NARROW = 0.8;
    private static final double WIDE = 0.95;
    /** By such a share a method has to be better than the combination. */
    private static final double BETTER = 0.2;
    /** Errors that differ by less are equal, and the simpler method is taken. */
    private static final double EQUAL = 0.0005;

    private final double[] y;
    private final int length;
    private final int horizon;

    private Forecaster(double[] y, int length, int horizon) {
        if (length < 1 || horizon < 1) {
            throw new IllegalArgumentException(
                    "A season and a forecast have one bucket at least, not " + length + " and " + horizon);
        }
        this.y = y.clone();
        this.length = length;
        this.horizon = horizon;
    }

    /**
     * The forecast by the method with the least error.
     *
     * @param history one value a bucket, the oldest first
     * @param length buckets that a season would have, if there is one: 12 months, 52 weeks, 7 days; 1: none is looked for
     * @param horizon how many buckets are forecast
     */
    public static Forecast of(double[] history, int length, int horizon) {
        return of(history, length, horizon, Choice.AUTOMATIC);
    }

    /**
     * The forecast as it is chosen.
     *
     * @param chosen of no method, or one that does not fit the history: by the one with the least error
     */
    public static Forecast of(double[] history, int length, int horizon, Choice chosen) {
        return new Forecaster(history, length, horizon).forecast(chosen);
    }

    private Forecast forecast(Choice chosen) {
        BackTest test = BackTest.of(y, length, horizon, chosen);
        List<Forecast.Tested> tested = new ArrayList<>();
        test.residuals()
                .forEach((method, residuals) -> tested.add(new Forecast.Tested(
                        method, test.mase(residuals), test.bias(residuals), residuals.said(), residuals.next())));
        tested.sort(Comparator.comparingDouble(Forecast.Tested::mase));
        Fitting fitting = new Fitting(y, y.length, length, chosen);
        ForecastMethod automatic = automatic(tested, fitting);
        ForecastMethod method = chosen.method() != null && fitting.fits(chosen.method()) ? chosen.method() : automatic;
        Model model = model(fitting, method);
        double[] mean = new double[horizon];
        model.ahead(mean);
        for (int h = 0; h < horizon; h++) {
            mean[h] = Math.max(0, mean[h]);
        }
        BackTest.Residuals residuals = test.residuals().get(method);
        Intervals intervals = residuals == null
                ? null
                : Intervals.of(residuals.byHorizon(), fitting.season().multiplicative());
        return new Forecast(
                method,
                method == automatic,
                model.parameters(),
                fitting.season().length(),
                mean,
                interval(mean, intervals, NARROW),
                interval(mean, intervals, WIDE),
                List.copyOf(tested),
                test.first(),
                new double[] {covered(residuals, intervals, NARROW), covered(residuals, intervals, WIDE)});
    }

    /**
     * The method that did best; of equal errors the simpler one. The combination stands unless another is better by a share: of
     * a dozen the best one's error is flattered by having been the best. Without a test, what asks for the least.
     */
    private static ForecastMethod automatic(List<Forecast.Tested> tested, Fitting fitting) {
        List<Forecast.Tested> fit =
                tested.stream().filter(one -> usual(one.method(), fitting)).toList();
        if (fit.isEmpty()) {
            return ForecastMethod.MOVING_AVERAGE;
        }
        double least = fit.get(0).mase();
        double combined = fit.stream()
                .filter(one -> one.method() == ForecastMethod.COMBINATION)
                .mapToDouble(Forecast.Tested::mase)
                .findFirst()
                .orElse(Double.MAX_VALUE);
        return least > combined * (1 - BETTER)
                ? ForecastMethod.COMBINATION
                : fit.stream()
                        .filter(one -> one.mase() <= least + EQUAL)
                        .map(Forecast.Tested::method)
                        .min(Comparator.naturalOrder())
                        .orElseThrow();
    }

    /** Without a season nobody repeats the last year. */
    private static boolean usual(ForecastMethod method, Fitting fitting) {
        return fitting.fits(method)
                && (method != ForecastMethod.SEASONAL_NAIVE || fitting.season().isThere());
    }

    private static Model model(Fitting fitting, ForecastMethod method) {
        return method == ForecastMethod.COMBINATION
                ? new Combined(Fitting.combined(fitting.all()))
                : fitting.model(method);
    }

    private static Forecast.Interval interval(double[] mean, Intervals intervals, double share) {
        double[] low = mean.clone();
        double[] high = mean.clone();
        for (int h = 0; h < mean.length && intervals != null; h++) {
            double reach = intervals.reach(share, h, mean[h]);
            low[h] = Math.max(0, mean[h] - reach);
            high[h] = mean[h] + reach;
        }
        return new Forecast.Interval(low, high);
    }

    /** What share of the errors lies within. */
    private static double covered(BackTest.Residuals residuals, Intervals intervals, double share) {
        int within = 0;
        int all = 0;
        for (int h = 0; residuals != null && h < residuals.byHorizon().size(); h++) {
            for (double[] error : residuals.byHorizon().get(h)) {
                within += Math.abs(error[0]) <= intervals.reach(share, h, error[1]) ? 1 : 0;
                all++;
            }
        }
        return all == 0 ? 0 : (double) within / all;
    }
}
