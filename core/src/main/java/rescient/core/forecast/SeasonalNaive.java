package rescient.core.forecast;

import java.util.Map;

/** What was a season ago comes again. */
final class SeasonalNaive implements Model {
    private final double[] last;
    private int seen;

    /** @param length of the season; as long as less was seen, and with length 1, the last value comes again */
    SeasonalNaive(double[] y, int n, int length) {
        this.last = new double[Math.max(1, Math.min(n, length))];
        for (int t = 0; t < n; t++) {
            see(y[t]);
        }
    }

    @Override
    public void see(double value) {
        last[seen++ % last.length] = value;
    }

    @Override
    public void ahead(double[] into) {
        for (int h = 0; h < into.length; h++) {
            into[h] = last[(seen + h) % last.length];
        }
    }

    @Override
    public Map<String, Double> parameters() {
        return Map.of();
    }
}
