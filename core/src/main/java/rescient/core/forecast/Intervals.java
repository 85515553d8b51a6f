package rescient.core.forecast;

import java.util.List;
import org.hipparchus.distribution.continuous.TDistribution;

/**
 * How far from a forecast what comes may lie: for each number of buckets ahead the root mean square of the back-test's
 * errors, no less than for fewer buckets ahead, times the quantile of Student's distribution with as many degrees of freedom
 * as there were errors. Errors of series with a multiplicative season are counted in parts of what was said. Beyond what
 * could be tested the spread grows with the square root of the buckets ahead, as that of a random walk.
 */
final class Intervals {
    private final double[] spread;
    private final int[] freedom;
    private final boolean relative;

    private Intervals(double[] spread, int[] freedom, boolean relative) {
        this.spread = spread;
        this.freedom = freedom;
        this.relative = relative;
    }

    /** @param relative errors count in parts of what was said */
    static Intervals of(List<List<double[]>> byHorizon, boolean relative) {
        double[] spread = new double[byHorizon.size()];
        int[] freedom = new int[spread.length];
        for (int h = 0; h < spread.length; h++) {
            List<double[]> errors = byHorizon.get(h);
            double squares = 0;
            for (double[] error : errors) {
                double e = relative ? error[0] / floor(error[1]) : error[0];
                squares += e * e;
            }
            double before = h == 0 ? 0 : spread[h - 1];
            if (errors.size() > 1) {
                spread[h] = Math.max(before, Math.sqrt(squares / errors.size()));
                freedom[h] = errors.size();
            } else {
                spread[h] = h == 0 ? Math.sqrt(squares) : before * Math.sqrt((h + 1.0) / h);
                freedom[h] = h == 0 ? 1 : freedom[h - 1];
            }
        }
        return new Intervals(spread, freedom, relative);
    }

    private static double floor(double value) {
        return Math.max(1e-9, Math.abs(value));
    }

    /** Half the width of the interval that holds such a share, around what is said for {@code h} buckets ahead, from 0 on. */
    double reach(double share, int h, double said) {
        double quantile = new TDistribution(Math.max(1, freedom[h])).inverseCumulativeProbability((1 + share) / 2);
        return quantile * spread[h] * (relative ? Math.abs(said) : 1);
    }
}
