package rescient.core.forecast;

import java.util.ArrayList;
import java.util.EnumMap;
import java.util.List;
import java.util.Map;
import rescient.core.company.ForecastMethod;

/** The models of all methods that fit a series, as its first values say. */
final class Fitting {
    /** With fewer values nothing is smoothed. */
    private static final int FEW = 4;

    private final double[] y;
    private final int n;
    private final int length;
    private final Season season;
    private final double[] plain;
    private final Choice choice;

    /**
     * @param n so many values count; nothing behind them is looked at
     * @param length of a season in buckets
     * @param choice whose parameters are given
     */
    Fitting(double[] y, int n, int length, Choice choice) {
        this.choice = choice;
        this.y = y;
        this.n = n;
        this.length = length;
        this.season = Season.of(y, n, length);
        this.plain = season.isThere() ? Adjusted.without(y, n, season) : y;
    }

    Season season() {
        return season;
    }

    /** Without the combination, which is made of the others. */
    Map<ForecastMethod, Model> all() {
        Map<ForecastMethod, Model> models = new EnumMap<>(ForecastMethod.class);
        for (ForecastMethod method : ForecastMethod.values()) {
            if (method != ForecastMethod.COMBINATION && fits(method)) {
                models.put(method, model(method));
            }
        }
        return models;
    }

    /**
     * Those that the combination is made of: not what others are measured by, and of the two kinds of season the one that
     * the series has. Where nothing else is left, all.
     */
    static List<Model> combined(Map<ForecastMethod, Model> models) {
        List<Model> of = new ArrayList<>();
        boolean multiplicative = models.containsKey(ForecastMethod.WINTERS_MULTIPLICATIVE);
        models.forEach((method, model) -> {
            boolean measure = method == ForecastMethod.SEASONAL_NAIVE || method == ForecastMethod.MOVING_AVERAGE;
            if (!measure && !(multiplicative && method == ForecastMethod.WINTERS_ADDITIVE)) {
                of.add(model);
            }
        });
        return of.isEmpty() ? List.copyOf(models.values()) : of;
    }

    boolean fits(ForecastMethod method) {
        return switch (method) {
            case SEASONAL_NAIVE, MOVING_AVERAGE, COMBINATION -> true;
            case SIMPLE, HOLT, DAMPED, THETA, TREND ->
                n >= FEW && (season.isThere() || !isIntermittent() || method == ForecastMethod.SIMPLE);
            case WINTERS_ADDITIVE -> season.isThere();
            case WINTERS_MULTIPLICATIVE -> season.isThere() && season.multiplicative();
            case CROSTON, SBA, TSB -> isIntermittent();
        };
    }

    private boolean isIntermittent() {
        return Intermittent.is(y, n);
    }

    Model model(ForecastMethod method) {
        Map<String, Double> given = choice.given(method);
        return switch (method) {
            case SEASONAL_NAIVE -> new SeasonalNaive(y, n, length);
            case MOVING_AVERAGE -> adjusted(moving(given));
            case SIMPLE -> adjusted(SmoothingFit.of(Smoothing.Kind.LEVEL, plain, n, Season.NONE, given));
            case HOLT -> adjusted(SmoothingFit.of(Smoothing.Kind.TREND, plain, n, Season.NONE, given));
            case DAMPED -> adjusted(SmoothingFit.of(Smoothing.Kind.DAMPED, plain, n, Season.NONE, given));
            case THETA -> adjusted(new Theta(plain, n, given));
            case TREND -> adjusted(new Trend(plain, n, given));
            case WINTERS_ADDITIVE ->
                SmoothingFit.of(Smoothing.Kind.SEASON, y, n, Season.indices(y, n, length, false), given);
            case WINTERS_MULTIPLICATIVE -> SmoothingFit.of(Smoothing.Kind.SEASON, y, n, season, given);
            case CROSTON -> Intermittent.of(Intermittent.Kind.CROSTON, y, n, given);
            case SBA -> Intermittent.of(Intermittent.Kind.SBA, y, n, given);
            case TSB -> Intermittent.of(Intermittent.Kind.TSB, y, n, given);
            case COMBINATION -> throw new IllegalArgumentException("A combination is made of the others");
        };
    }

    private Model moving(Map<String, Double> given) {
        Double of = given.get("n");
        return of == null ? new MovingAverage(plain, n) : new MovingAverage(plain, n, of.intValue());
    }

    private Model adjusted(Model model) {
        return season.isThere() ? new Adjusted(model, season, n) : model;
    }
}
