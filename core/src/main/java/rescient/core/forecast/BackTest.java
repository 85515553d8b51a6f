package rescient.core.forecast;

import java.util.ArrayList;
import java.util.EnumMap;
import java.util.List;
import java.util.Map;
import rescient.core.company.ForecastMethod;

/**
 * How methods would have done over the last part of a history. They are fitted to what lies before its first bucket; then
 * bucket after bucket is shown to them, and after each they say the next ones. Nothing from after the bucket they stand at
 * is seen by what is tested.
 */
final class BackTest {
    /** So much of the history is held out, and at most so many horizons of it. */
    private static final double SHARE = 1 / 3.0;

    private static final int HORIZONS = 2;
    /** What the methods are fitted to has at least so many buckets. */
    private static final int LEAST = 4;

    private final double[] y;
    private final int horizon;
    private final int first;
    private final double scale;
    private final Map<ForecastMethod, Residuals> of = new EnumMap<>(ForecastMethod.class);

    /**
     * The errors of a method.
     *
     * @param said from the first bucket that was held out, as far as it goes
     * @param byHorizon value less forecast, and the forecast, of each number of buckets ahead
     */
    record Residuals(double[] said, List<List<double[]>> byHorizon, double absolute, double sum, int count) {
        /** What was said of each bucket one bucket before. */
        double[] next() {
            return byHorizon.get(0).stream().mapToDouble(one -> one[1]).toArray();
        }
    }

    private BackTest(double[] y, int length, int horizon) {
        this.y = y;
        this.horizon = horizon;
        int held = (int) Math.min((double) HORIZONS * horizon, Math.max(1, Math.floor(y.length * SHARE)));
        this.first = Math.max(LEAST, y.length - held);
        this.scale = scale(y, Math.min(first, y.length), length);
    }

    /**
     * The test of all methods that fit a history.
     *
     * @param length of a season in buckets
     * @param horizon buckets that are forecast
     * @param choice whose parameters are given
     */
    static BackTest of(double[] y, int length, int horizon, Choice choice) {
        BackTest test = new BackTest(y, length, horizon);
        if (test.first < y.length) {
            Map<ForecastMethod, Model> models = new Fitting(y, test.first, length, choice).all();
            // what is made of the others says what they say at the same moment
            models.put(ForecastMethod.COMBINATION, new Combined(Fitting.combined(models)));
            test.run(models);
        }
        return test;
    }

    /**
     * The mean absolute seasonal difference of what methods are fitted to (Hyndman and Koehler 2006); of neighbours where that
     * is 0 or there is no season yet, else the mean, else 1.
     */
    static double scale(double[] y, int n, int length) {
        double seasonal = difference(y, n, length);
        double next = seasonal > 0 ? seasonal : difference(y, n, 1);
        if (next > 0) {
            return next;
        }
        double sum = 0;
        for (int t = 0; t < n; t++) {
            sum += Math.abs(y[t]);
        }
        return sum > 0 ? sum / n : 1;
    }

    private static double difference(double[] y, int n, int lag) {
        double sum = 0;
        for (int t = lag; t < n; t++) {
            sum += Math.abs(y[t] - y[t - lag]);
        }
        return n > lag ? sum / (n - lag) : 0;
    }

    private void run(Map<ForecastMethod, Model> models) {
        Map<ForecastMethod, Errors> errors = new EnumMap<>(ForecastMethod.class);
        models.keySet().forEach(method -> errors.put(method, new Errors(horizon)));
        for (int origin = first; origin < y.length; origin++) {
            for (Map.Entry<ForecastMethod, Model> one : models.entrySet()) {
                errors.get(one.getKey()).at(origin, y, one.getValue());
            }
            for (Model model : models.values()) {
                model.see(y[origin]);
            }
        }
        errors.forEach((method, all) -> of.put(method, all.residuals()));
    }

    /** The errors of a method as they add up. */
    private static final class Errors {
        private final List<List<double[]>> byHorizon = new ArrayList<>();
        private final double[] ahead;
        private double[] said;
        private double absolute;
        private double sum;
        private int count;

        Errors(int horizon) {
            ahead = new double[horizon];
            for (int h = 0; h < horizon; h++) {
                byHorizon.add(new ArrayList<>());
            }
        }

        void at(int origin, double[] y, Model model) {
            model.ahead(ahead);
            said = said == null ? ahead.clone() : said;
            for (int h = 0; h < ahead.length && origin + h < y.length; h++) {
                double forecast = Math.max(0, ahead[h]);
                double error = y[origin + h] - forecast;
                byHorizon.get(h).add(new double[] {error, forecast});
                absolute += Math.abs(error);
                sum += error;
                count++;
            }
        }

        Residuals residuals() {
            return new Residuals(said, byHorizon, absolute, sum, count);
        }
    }

    /** What was tested, nothing if the history is too short. */
    Map<ForecastMethod, Residuals> residuals() {
        return of;
    }

    /** The place of the first bucket that was held out. */
    int first() {
        return first;
    }

    double mase(Residuals residuals) {
        return residuals.absolute / residuals.count / scale;
    }

    /** How much too little was said in the mean, as a share of the scale; below 0: too much. */
    double bias(Residuals residuals) {
        return residuals.sum / residuals.count / scale;
    }
}
