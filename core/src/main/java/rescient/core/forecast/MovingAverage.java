package rescient.core.forecast;

import java.util.Arrays;
import java.util.Map;

/** The mean of the last values; how many is what would have said the next value best. */
final class MovingAverage implements Model {
    private static final int MOST = 24;

    private final double[] last;
    private int seen;

    MovingAverage(double[] y, int n) {
        this(y, n, fitted(y, n));
    }

    /** @param of so many values */
    MovingAverage(double[] y, int n, int of) {
        this.last = new double[Math.max(1, of)];
        for (int t = 0; t < n; t++) {
            see(y[t]);
        }
    }

    /** All are tried on the same values: those after the first {@value #MOST}, or after half of them. */
    private static int fitted(double[] y, int n) {
        int most = Math.max(1, Math.min(MOST, n / 2));
        int best = 1;
        double least = Double.MAX_VALUE;
        double[] before = new double[n + 1];
        for (int t = 0; t < n; t++) {
            before[t + 1] = before[t] + y[t];
        }
        for (int of = 1; of <= most; of++) {
            double error = 0;
            for (int t = most; t < n; t++) {
                double e = y[t] - (before[t] - before[t - of]) / of;
                error += e * e;
            }
            if (error < least) {
                least = error;
                best = of;
            }
        }
        return best;
    }

    @Override
    public void see(double value) {
        last[seen++ % last.length] = value;
    }

    @Override
    public void ahead(double[] into) {
        int of = Math.min(seen, last.length);
        double sum = 0;
        for (int i = 0; i < of; i++) {
            sum += last[i];
        }
        Arrays.fill(into, of == 0 ? 0 : sum / of);
    }

    @Override
    public Map<String, Double> parameters() {
        return Map.of("n", (double) last.length);
    }
}
