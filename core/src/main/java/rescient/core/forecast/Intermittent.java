package rescient.core.forecast;

import java.util.Arrays;
import java.util.LinkedHashMap;
import java.util.Map;
import java.util.function.ToDoubleFunction;

/**
 * What is asked for now and then. Croston's method (1972) smooths the size z of a demand and the interval p between demands
 * when there is one, and says z / p; Syntetos and Boylan (2005) take out its bias: (1 − α/2) z / p. Teunter, Syntetos and
 * Babai (2011) smooth the probability of a demand in every bucket, so that what is asked for no more fades: size · probability.
 */
final class Intermittent implements Model {
    /** From so many buckets from demand to demand on in the mean, a series is intermittent (Syntetos and Boylan 2005). */
    static final double INTERVAL = 1.32;

    private static final double[] SHARES = {0.02, 0.05, 0.1, 0.15, 0.2, 0.3};

    /** Which of the three. */
    enum Kind {
        CROSTON,
        SBA,
        TSB
    }

    private final Kind kind;
    private final double alpha;
    private final double beta;
    private double size;
    private double interval;
    private double probability;
    private int since = 1;

    /**
     * @param alpha share of a new size
     * @param beta share of a new interval, or of whether there was a demand
     */
    private Intermittent(Kind kind, double alpha, double beta, double size, double interval) {
        this.kind = kind;
        this.alpha = alpha;
        this.beta = beta;
        this.size = size;
        this.interval = interval;
        this.probability = 1 / interval;
    }

    /** Whether demands are so far apart. */
    static boolean is(double[] y, int n) {
        int demands = 0;
        for (int t = 0; t < n; t++) {
            demands += y[t] > 0 ? 1 : 0;
        }
        return demands > 0 && (double) n / demands >= INTERVAL;
    }

    /** The model of the first {@code n} values, with the shares that would have said the next value best. */
    static Model of(Kind kind, double[] y, int n, Map<String, Double> given) {
        double sum = 0;
        int demands = 0;
        for (int t = 0; t < n; t++) {
            sum += Math.max(0, y[t]);
            demands += y[t] > 0 ? 1 : 0;
        }
        double size = demands == 0 ? 0 : sum / demands;
        double interval = demands == 0 ? Math.max(1, n) : (double) n / demands;
        ToDoubleFunction<Intermittent> squares = model -> {
            double total = 0;
            for (int t = 0; t < n; t++) {
                double error = y[t] - model.next();
                total += error * error;
                model.see(y[t]);
            }
            return total;
        };
        double[] shares = {SHARES[0], SHARES[0]};
        double least = Double.MAX_VALUE;
        for (double a : shares(given.get("alpha"))) {
            for (double b : shares(given.get("beta"))) {
                double error = squares.applyAsDouble(new Intermittent(kind, a, b, size, interval));
                if (error < least) {
                    least = error;
                    shares = new double[] {a, b};
                }
            }
        }
        Intermittent model = new Intermittent(kind, shares[0], shares[1], size, interval);
        for (int t = 0; t < n; t++) {
            model.see(y[t]);
        }
        return model;
    }

    private static double[] shares(Double given) {
        return given == null ? SHARES : new double[] {given};
    }

    @Override
    public void see(double value) {
        boolean demand = value > 0;
        probability += beta * ((demand ? 1 : 0) - probability);
        if (demand) {
            size += alpha * (value - size);
            interval += beta * (since - interval);
            since = 1;
        } else {
            since++;
        }
    }

    private double next() {
        return switch (kind) {
            case CROSTON -> size / interval;
            case SBA -> (1 - beta / 2) * size / interval;
            case TSB -> size * probability;
        };
    }

    @Override
    public void ahead(double[] into) {
        Arrays.fill(into, next());
    }

    @Override
    public Map<String, Double> parameters() {
        Map<String, Double> named = new LinkedHashMap<>();
        named.put("alpha", alpha);
        named.put("beta", beta);
        return named;
    }
}
