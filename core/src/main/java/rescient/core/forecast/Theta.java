package rescient.core.forecast;

import java.util.LinkedHashMap;
import java.util.Map;

/**
 * The theta method with lines 0 and 2 (Assimakopoulos and Nikolopoulos, 2000): simple exponential smoothing with a drift of
 * half the slope of the straight line through all values (Hyndman and Billah, 2003):
 * {@code l + b/2 · (h − 1 + (1 − (1 − α)^n) / α)}.
 */
final class Theta implements Model {
    private final Model level;
    private final double alpha;
    private final Line line = new Line();

    /** Of values without a season. */
    Theta(double[] y, int n, Map<String, Double> given) {
        this.level = SmoothingFit.of(Smoothing.Kind.LEVEL, y, n, Season.NONE, given);
        this.alpha = level.parameters().get("alpha");
        for (int t = 0; t < n; t++) {
            line.see(y[t]);
        }
    }

    @Override
    public void see(double value) {
        level.see(value);
        line.see(value);
    }

    @Override
    public void ahead(double[] into) {
        level.ahead(into);
        double drift = line.slope() / 2;
        double begun = (1 - Math.pow(1 - alpha, line.size())) / alpha;
        for (int h = 0; h < into.length; h++) {
            into[h] += drift * (h + begun);
        }
    }

    @Override
    public Map<String, Double> parameters() {
        Map<String, Double> named = new LinkedHashMap<>();
        named.put("alpha", alpha);
        named.put("drift", line.slope() / 2);
        return named;
    }
}
