package rescient.core.forecast;

import java.util.LinkedHashMap;
import java.util.Map;

/** A straight line of least squares; beyond the history its slope fades by a tenth from bucket to bucket. */
final class Trend implements Model {
    /** What is left of the slope from one bucket to the next. */
    private static final double FADING = 0.9;

    private final Line line = new Line();
    private final double fading;

    /** Of values without a season. */
    Trend(double[] y, int n, Map<String, Double> given) {
        this.fading = given.getOrDefault("phi", FADING);
        for (int t = 0; t < n; t++) {
            line.see(y[t]);
        }
    }

    @Override
    public void see(double value) {
        line.see(value);
    }

    @Override
    public void ahead(double[] into) {
        double last = line.at(line.size() - 1);
        double sum = 0;
        double power = 1;
        for (int h = 0; h < into.length; h++) {
            power *= fading;
            sum += power;
            into[h] = last + sum * line.slope();
        }
    }

    @Override
    public Map<String, Double> parameters() {
        Map<String, Double> named = new LinkedHashMap<>();
        named.put("slope", line.slope());
        named.put("phi", fading);
        return named;
    }
}
