package rescient.core.forecast;

import java.util.Map;
import org.hipparchus.analysis.MultivariateFunction;
import org.hipparchus.exception.MathIllegalStateException;
import org.hipparchus.optim.InitialGuess;
import org.hipparchus.optim.MaxEval;
import org.hipparchus.optim.nonlinear.scalar.GoalType;
import org.hipparchus.optim.nonlinear.scalar.ObjectiveFunction;
import org.hipparchus.optim.nonlinear.scalar.noderiv.NelderMeadSimplex;
import org.hipparchus.optim.nonlinear.scalar.noderiv.SimplexOptimizer;

/**
 * The parameters of exponential smoothing by least squared errors one bucket ahead: Nelder and Mead's simplex (1965) over
 * what keeps to its bounds by a logistic curve. Bounds as usual (Hyndman et al. 2008, section 2.7): α in 0 to 1, β to α, γ to
 * 1 − α, φ from 0.8 to 0.98.
 */
final class SmoothingFit {
    private static final int MOST = 800;
    private static final double SIDE = 0.7;
    private static final double CLOSE = 1e-5;
    private static final double LEAST_PHI = 0.8;
    private static final double MOST_PHI = 0.98;
    private static final double TINY = 1e-4;

    private final Smoothing.Kind kind;
    private final double[] y;
    private final int n;
    private final Season season;
    private final double level;
    private final double trend;
    private final double unit;
    private final Map<String, Double> given;
    private double least = Double.MAX_VALUE;
    private double[] best;

    private SmoothingFit(Smoothing.Kind kind, double[] y, int n, Season season, Map<String, Double> given) {
        this.given = given;
        this.kind = kind;
        this.y = y;
        this.n = n;
        this.season = season;
        Line line = new Line();
        int first = Math.min(n, Math.max(10, 2 * season.length()));
        for (int t = 0; t < first; t++) {
            line.see(kind.season ? season.without(y[t], t) : y[t]);
        }
        this.trend = kind.trend ? line.slope() : 0;
        this.level = kind.trend ? line.at(-1) : line.at((first - 1) / 2.0);
        double spread = 0;
        for (int t = 1; t < n; t++) {
            spread += Math.abs(y[t] - y[t - 1]);
        }
        this.unit = n < 2 || spread == 0 ? 1 : spread / (n - 1);
    }

    /**
     * The model of the first {@code n} values, with the state that they leave.
     *
     * @param given parameters that are not fitted, by name
     */
    static Model of(Smoothing.Kind kind, double[] y, int n, Season season, Map<String, Double> given) {
        SmoothingFit fit = new SmoothingFit(kind, y, n, season, given);
        Smoothing model = new Smoothing(kind, fit.parameters(fit.search()), season);
        for (int t = 0; t < n; t++) {
            model.see(y[t]);
        }
        return model;
    }

    private double[] search() {
        double[] guess = new double[2 + (kind.trend ? 2 : 0) + (kind.damped ? 1 : 0) + (kind.season ? 1 : 0)];
        // a level that follows a little, trend and season slowly, a trend that hardly fades
        guess[0] = -0.8;
        int i = kind.trend ? 3 : 2;
        if (kind.trend) {
            guess[i++] = -3;
        }
        if (kind.damped) {
            guess[i++] = 1.5;
        }
        if (kind.season) {
            guess[i] = -3;
        }
        best = guess;
        MultivariateFunction squares = point -> {
            double sum = Smoothing.squares(kind, parameters(point), season, y, n);
            if (sum < least) {
                least = sum;
                best = point.clone();
            }
            return Double.isFinite(sum) ? sum : Double.MAX_VALUE;
        };
        try {
            new SimplexOptimizer(CLOSE, Double.MIN_NORMAL)
                    .optimize(
                            new MaxEval(MOST),
                            new ObjectiveFunction(squares),
                            GoalType.MINIMIZE,
                            new InitialGuess(guess),
                            new NelderMeadSimplex(guess.length, SIDE));
        } catch (MathIllegalStateException e) {
            // it has looked often enough; the best it saw is taken
            return best;
        }
        return best;
    }

    /** In the order level's share, level, trend, trend's share, damping, season's share. */
    private Smoothing.Parameters parameters(double[] point) {
        int i = 0;
        double alpha = between(point[i++], TINY, 1 - TINY);
        double first = level + unit * point[i++];
        double rise = kind.trend ? trend + unit * point[i++] / n : 0;
        double beta = kind.trend ? between(point[i++], 0, alpha) : 0;
        double phi = kind.damped ? between(point[i++], LEAST_PHI, MOST_PHI) : 1;
        double gamma = kind.season ? between(point[i], 0, 1 - alpha) : 0;
        return new Smoothing.Parameters(
                given.getOrDefault("alpha", alpha),
                kind.trend ? given.getOrDefault("beta", beta) : 0,
                kind.season ? given.getOrDefault("gamma", gamma) : 0,
                kind.damped ? given.getOrDefault("phi", phi) : 1,
                first,
                rise);
    }

    private static double between(double x, double low, double high) {
        return low + (high - low) / (1 + Math.exp(-x));
    }
}
