package rescient.core.forecast;

import java.util.Arrays;
import java.util.Collection;
import java.util.List;
import java.util.Map;

/** The median of what several models say. */
final class Combined implements Model {
    private final List<Model> models;

    /** @param models that see every value by themselves */
    Combined(Collection<Model> models) {
        this.models = List.copyOf(models);
    }

    /** The models are told by whoever has them. */
    @Override
    public void see(double value) {
        // nothing of its own
    }

    @Override
    public void ahead(double[] into) {
        double[][] said = new double[models.size()][into.length];
        for (int i = 0; i < said.length; i++) {
            models.get(i).ahead(said[i]);
        }
        double[] at = new double[said.length];
        for (int h = 0; h < into.length; h++) {
            for (int i = 0; i < at.length; i++) {
                at[i] = said[i][h];
            }
            into[h] = median(at);
        }
    }

    /** Of an array that is sorted by it. */
    static double median(double[] values) {
        Arrays.sort(values);
        int half = values.length / 2;
        return values.length % 2 == 1 ? values[half] : (values[half - 1] + values[half]) / 2;
    }

    @Override
    public Map<String, Double> parameters() {
        return Map.of("of", (double) models.size());
    }
}
