package rescient.core.forecast;

import java.util.LinkedHashMap;
import java.util.Map;

/**
 * Exponential smoothing with additive errors, in the form of its errors (Hyndman, Koehler, Ord and Snyder, <em>Forecasting
 * with Exponential Smoothing</em>, 2008, table 2.1): with level l, trend b, damping φ and season s of length m,
 *
 * <pre>
 *   ŷ = l + φb + s(t−m)            additive season        ŷ = (l + φb) · s(t−m)          multiplicative
 *   e = y − ŷ                                              e = y − ŷ
 *   l ← l + φb + αe                                        l ← l + φb + αe / s(t−m)
 *   b ← φb + βe                                            b ← φb + βe / s(t−m)
 *   s ← s(t−m) + γe                                        s ← s(t−m) + γe / (l + φb)
 * </pre>
 *
 * h buckets ahead: {@code l + (φ + φ² + … + φ^h)b}, with the season's index of that place.
 */
final class Smoothing implements Model {
    /** What is fitted, in the order in which it stands in an array of parameters. */
    enum Kind {
        LEVEL(false, false, false),
        TREND(true, false, false),
        DAMPED(true, true, false),
        SEASON(true, true, true);

        final boolean trend;
        final boolean damped;
        final boolean season;

        Kind(boolean trend, boolean damped, boolean season) {
            this.trend = trend;
            this.damped = damped;
            this.season = season;
        }
    }

    /**
     * What was fitted.
     *
     * @param alpha how much of an error the level takes, {@code beta} the trend, {@code gamma} the season
     * @param phi what is left of the trend from one bucket to the next, 1: all
     * @param level before the first value, {@code trend} too
     */
    record Parameters(double alpha, double beta, double gamma, double phi, double level, double trend) {}

    private final Kind kind;
    private final Parameters parameters;
    private final boolean multiplicative;
    private final double[] season;
    private double level;
    private double trend;
    private int seen;

    Smoothing(Kind kind, Parameters parameters, Season first) {
        this.kind = kind;
        this.parameters = parameters;
        this.multiplicative = first.multiplicative();
        this.season = kind.season ? first.index().clone() : null;
        this.level = parameters.level;
        this.trend = parameters.trend;
    }

    /** The sum of squared errors one bucket ahead over the first {@code n} values. */
    static double squares(Kind kind, Parameters parameters, Season first, double[] y, int n) {
        Smoothing model = new Smoothing(kind, parameters, first);
        double sum = 0;
        for (int t = 0; t < n; t++) {
            double error = model.seen(y[t]);
            sum += error * error;
        }
        return sum;
    }

    @Override
    public void see(double value) {
        seen(value);
    }

    /** @return the error with which the value was said before */
    private double seen(double value) {
        double along = level + parameters.phi * trend;
        if (!kind.season) {
            double error = value - along;
            level = along + parameters.alpha * error;
            trend = parameters.phi * trend + parameters.beta * error;
            seen++;
            return error;
        }
        int place = seen++ % season.length;
        double index = season[place];
        double error = value - (multiplicative ? along * index : along + index);
        double ofLevel = multiplicative ? error / floor(index) : error;
        level = along + parameters.alpha * ofLevel;
        trend = parameters.phi * trend + parameters.beta * ofLevel;
        season[place] = index + parameters.gamma * (multiplicative ? error / floor(along) : error);
        return error;
    }

    /** Nothing is divided by next to nothing. */
    private static double floor(double value) {
        return Math.abs(value) < 1e-9 ? 1e-9 : value;
    }

    @Override
    public void ahead(double[] into) {
        double sum = 0;
        double power = 1;
        for (int h = 0; h < into.length; h++) {
            power *= parameters.phi;
            sum += power;
            double along = level + (kind.trend ? sum * trend : 0);
            if (kind.season) {
                double index = season[(seen + h) % season.length];
                into[h] = multiplicative ? along * index : along + index;
            } else {
                into[h] = along;
            }
        }
    }

    @Override
    public Map<String, Double> parameters() {
        Map<String, Double> named = new LinkedHashMap<>();
        named.put("alpha", parameters.alpha);
        if (kind.trend) {
            named.put("beta", parameters.beta);
        }
        if (kind.season) {
            named.put("gamma", parameters.gamma);
        }
        if (kind.damped) {
            named.put("phi", parameters.phi);
        }
        return named;
    }
}
