package rescient.core.forecast;

import java.util.Arrays;

/**
 * Values that lie far from all around them: more than three robust standard deviations from the median of the buckets around,
 * without the season and with it, for noise may grow with the season or not (the filter of Hampel 1974; the deviation is 1.4826
 * times the median of all absolute distances).
 */
public final class Outliers {
    private static final double FAR = 3;
    /** Of a normal distribution the standard deviation in parts of the median absolute distance. */
    private static final double ROBUST = 1.4826;
    /** So many buckets before and behind are looked at. */
    private static final int AROUND = 6;
    /** With fewer values nothing is far from the others. */
    private static final int FEW = 8;

    private Outliers() {}

    /**
     * What would have been usual in each bucket, whether it is or not: the median of the buckets around with the season; the
     * value itself where there are too few.
     *
     * @param length buckets that a season would have
     */
    public static double[] model(double[] y, int length) {
        return y.length < FEW ? y.clone() : new Around(y, length).model;
    }

    /** The buckets around each. */
    private static final class Around {
        private final double[] distance;
        private final double[] seasonal;
        private final double[] model;

        Around(double[] y, int length) {
            Season season = Season.of(y, y.length, length);
            double[] plain = season.isThere() ? Adjusted.without(y, y.length, season) : y;
            distance = new double[y.length];
            seasonal = new double[y.length];
            model = new double[y.length];
            for (int t = 0; t < y.length; t++) {
                double median = Combined.median(
                        Arrays.copyOfRange(plain, Math.max(0, t - AROUND), Math.min(y.length, t + AROUND + 1)));
                double usual = season.with(median, t);
                distance[t] = Math.abs(plain[t] - median);
                seasonal[t] = Math.abs(y[t] - usual);
                model[t] = Math.max(0, usual);
            }
        }
    }

    /**
     * What would have been usual where a value is not.
     *
     * @param length buckets that a season would have
     * @return by place; {@link Double#NaN} where the value is usual itself
     */
    public static double[] usual(double[] y, int length) {
        double[] usual = new double[y.length];
        Arrays.fill(usual, Double.NaN);
        if (y.length < FEW) {
            return usual;
        }
        Around around = new Around(y, length);
        double far = FAR * ROBUST * Combined.median(around.distance.clone());
        double farInSeason = FAR * ROBUST * Combined.median(around.seasonal.clone());
        for (int t = 0; t < y.length && far > 0; t++) {
            if (around.distance[t] > far && around.seasonal[t] > farInSeason) {
                usual[t] = around.model[t];
            }
        }
        return usual;
    }
}
