package rescient.core.forecast;

import java.util.Map;

/** A model of a series without its season, and the season put on again. */
final class Adjusted implements Model {
    private final Model model;
    private final Season season;
    private int seen;

    /** @param seen so many values the model has seen */
    Adjusted(Model model, Season season, int seen) {
        this.model = model;
        this.season = season;
        this.seen = seen;
    }

    /** The first {@code n} values without their season. */
    static double[] without(double[] y, int n, Season season) {
        double[] plain = new double[n];
        for (int t = 0; t < n; t++) {
            plain[t] = season.without(y[t], t);
        }
        return plain;
    }

    @Override
    public void see(double value) {
        model.see(season.without(value, seen++));
    }

    @Override
    public void ahead(double[] into) {
        model.ahead(into);
        for (int h = 0; h < into.length; h++) {
            into[h] = season.with(into[h], seen + h);
        }
    }

    @Override
    public Map<String, Double> parameters() {
        return model.parameters();
    }
}
