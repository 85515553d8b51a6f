package rescient.core.forecast;

import java.util.Arrays;
import org.hipparchus.distribution.continuous.FDistribution;

/**
 * The season of a series: an index for each place in it, tested and not assumed. What is left without the centred moving
 * average (of less than four seasons: without a straight line) is looked at by analysis of variance: a series has a season if its places differ by more than values of one place do,
 * as happens once in a hundred times by chance (the test for stable seasonality of the census method, Shiskin, Young and
 * Musgrave 1967), and if it is at least two seasons long. Indices come from a classical decomposition by these averages: ratios
 * where all values are above 0, differences elsewhere.
 *
 * @param length buckets, 1: none
 * @param index by place in the season, place 0 that of the first value; ratios have the mean 1, differences 0
 */
record Season(int length, boolean multiplicative, double[] index) {
    static final Season NONE = new Season(1, false, new double[] {0});

    /** So seldom places differ as much by chance. */
    private static final double SURE = 0.01;

    /** Of fewer seasons too little is left without an average over one: a straight line is taken out instead. */
    private static final int FEW = 4;

    /** Indices are drawn towards 1 (or 0) by as many values as this: few seasons say little. */
    private static final double DOUBT = 0.5;

    /**
     * The season of the first {@code n} values.
     *
     * @param length 12, 52, 7; less than 2: none is looked for
     */
    static Season of(double[] y, int n, int length) {
        if (length < 2 || n < 2 * length + 1 || !tested(y, n, length)) {
            return NONE;
        }
        boolean multiplicative = true;
        for (int t = 0; t < n; t++) {
            multiplicative &= y[t] > 0;
        }
        return indices(y, n, length, multiplicative);
    }

    /** Analysis of variance: whether the places of the season differ by more than values of one place do. */
    private static boolean tested(double[] y, int n, int m) {
        double[] rest = n < FEW * m ? withoutLine(y, n) : withoutAverage(y, n, m);
        int first = (n - rest.length) / 2;
        double[] sum = new double[m];
        int[] of = new int[m];
        double mean = 0;
        for (int i = 0; i < rest.length; i++) {
            sum[(first + i) % m] += rest[i];
            of[(first + i) % m]++;
            mean += rest[i] / rest.length;
        }
        double between = 0;
        double within = 0;
        for (int i = 0; i < rest.length; i++) {
            int place = (first + i) % m;
            double ofPlace = sum[place] / of[place];
            between += (ofPlace - mean) * (ofPlace - mean);
            within += (rest[i] - ofPlace) * (rest[i] - ofPlace);
        }
        int freedom = rest.length - m;
        if (freedom < 1 || between <= 0) {
            return false;
        }
        return within <= 0
                || new FDistribution(m - 1, freedom).cumulativeProbability(between / (m - 1) / (within / freedom))
                        > 1 - SURE;
    }

    private static double[] withoutAverage(double[] y, int n, int m) {
        int half = m / 2;
        double[] rest = new double[n - 2 * half];
        for (int i = 0; i < rest.length; i++) {
            rest[i] = y[half + i] - centred(y, half + i, m);
        }
        return rest;
    }

    private static double[] withoutLine(double[] y, int n) {
        Line line = new Line();
        for (int t = 0; t < n; t++) {
            line.see(y[t]);
        }
        double[] rest = new double[n];
        for (int t = 0; t < n; t++) {
            rest[t] = y[t] - line.at(t);
        }
        return rest;
    }

    /** Without a test, as differences or ratios. */
    static Season indices(double[] y, int n, int m, boolean multiplicative) {
        double[] sum = new double[m];
        int[] count = new int[m];
        int half = m / 2;
        for (int t = half; t + half < n; t++) {
            double trend = centred(y, t, m);
            if (multiplicative && trend <= 0) {
                continue;
            }
            sum[t % m] += multiplicative ? y[t] / trend : y[t] - trend;
            count[t % m]++;
        }
        double[] index = new double[m];
        double neutral = multiplicative ? 1 : 0;
        for (int i = 0; i < m; i++) {
            index[i] = (sum[i] + DOUBT * neutral) / (count[i] + DOUBT);
        }
        double mean = Arrays.stream(index).average().orElse(neutral);
        for (int i = 0; i < m; i++) {
            index[i] = multiplicative ? index[i] / mean : index[i] - mean;
        }
        return new Season(m, multiplicative, index);
    }

    private static double centred(double[] y, int t, int m) {
        int half = m / 2;
        double sum = 0;
        for (int i = t - half; i <= t + half; i++) {
            sum += y[i];
        }
        if (m % 2 == 0) {
            sum -= (y[t - half] + y[t + half]) / 2;
        }
        return sum / m;
    }

    boolean isThere() {
        return length > 1;
    }

    private double at(int t) {
        return index[t % length];
    }

    /** The value at a place without its season. */
    double without(double value, int t) {
        return multiplicative ? value / at(t) : value - at(t);
    }

    /** What is said without a season, with it. */
    double with(double value, int t) {
        return multiplicative ? value * at(t) : value + at(t);
    }
}
