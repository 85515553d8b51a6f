package rescient.core.forecast;

import java.util.ArrayList;
import java.util.EnumMap;
import java.util.List;
import java.util.Map;

/** The models of all methods that fit a series, as its first values say. */
final class Fitting {
    /** With fewer values nothing is smoothed. */
    private static final int FEW = 4;

    private final double[] y;
    private final int n;
    private final int length;
    private final Season season;
    private final double[] plain;

    /**
     * @param n so many values count; nothing behind them is looked at
     * @param length of a season in buckets
     */
    Fitting(double[] y, int n, int length) {
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
    Map<Method, Model> all() {
        Map<Method, Model> models = new EnumMap<>(Method.class);
        for (Method method : Method.values()) {
            if (method != Method.COMBINATION && fits(method)) {
                models.put(method, model(method));
            }
        }
        return models;
    }

    /**
     * Those that the combination is made of: not what others are measured by, and of the two kinds of season the one that
     * the series has. Where nothing else is left, all.
     */
    static List<Model> combined(Map<Method, Model> models) {
        List<Model> of = new ArrayList<>();
        boolean multiplicative = models.containsKey(Method.WINTERS_MULTIPLICATIVE);
        models.forEach((method, model) -> {
            boolean measure = method == Method.SEASONAL_NAIVE || method == Method.MOVING_AVERAGE;
            if (!measure && !(multiplicative && method == Method.WINTERS_ADDITIVE)) {
                of.add(model);
            }
        });
        return of.isEmpty() ? List.copyOf(models.values()) : of;
    }

    boolean fits(Method method) {
        return switch (method) {
            case SEASONAL_NAIVE, MOVING_AVERAGE, COMBINATION -> true;
            case SIMPLE, HOLT, DAMPED, THETA, TREND ->
                n >= FEW && (season.isThere() || !isIntermittent() || method == Method.SIMPLE);
            case WINTERS_ADDITIVE -> season.isThere();
            case WINTERS_MULTIPLICATIVE -> season.isThere() && season.multiplicative();
            case CROSTON, SBA, TSB -> isIntermittent();
        };
    }

    private boolean isIntermittent() {
        return Intermittent.is(y, n);
    }

    Model model(Method method) {
        return switch (method) {
            case SEASONAL_NAIVE -> new SeasonalNaive(y, n, length);
            case MOVING_AVERAGE -> adjusted(new MovingAverage(plain, n));
            case SIMPLE -> adjusted(SmoothingFit.of(Smoothing.Kind.LEVEL, plain, n, Season.NONE));
            case HOLT -> adjusted(SmoothingFit.of(Smoothing.Kind.TREND, plain, n, Season.NONE));
            case DAMPED -> adjusted(SmoothingFit.of(Smoothing.Kind.DAMPED, plain, n, Season.NONE));
            case THETA -> adjusted(new Theta(plain, n));
            case TREND -> adjusted(new Trend(plain, n));
            case WINTERS_ADDITIVE -> SmoothingFit.of(Smoothing.Kind.SEASON, y, n, Season.indices(y, n, length, false));
            case WINTERS_MULTIPLICATIVE -> SmoothingFit.of(Smoothing.Kind.SEASON, y, n, season);
            case CROSTON -> Intermittent.of(Intermittent.Kind.CROSTON, y, n);
            case SBA -> Intermittent.of(Intermittent.Kind.SBA, y, n);
            case TSB -> Intermittent.of(Intermittent.Kind.TSB, y, n);
            case COMBINATION -> throw new IllegalArgumentException("A combination is made of the others");
        };
    }

    private Model adjusted(Model model) {
        return season.isThere() ? new Adjusted(model, season, n) : model;
    }
}
