package rescient.bench;

import java.util.Locale;
import java.util.Random;
import rescient.core.base.Parallel;
import rescient.core.forecast.Forecast;
import rescient.core.forecast.Forecaster;

/**
 * Measures how fast series are forecast, all methods with their back-test: {@code ForecastTimes [SERIES [BUCKETS]]}. A quarter of
 * the series has a season and a trend, a quarter only a season, a quarter is a level with noise, a quarter intermittent.
 */
public final class ForecastTimes {
    private static final int SERIES = 3000;
    private static final int BUCKETS = 60;
    private static final int YEAR = 12;
    private static final int RUNS = 5;
    private static final long SEED = 11;

    private ForecastTimes() {}

    public static void main(String[] words) {
        int count = words.length > 0 ? Integer.parseInt(words[0]) : SERIES;
        int buckets = words.length > 1 ? Integer.parseInt(words[1]) : BUCKETS;
        double[][] series = new double[count][];
        for (int i = 0; i < count; i++) {
            series[i] = series(i, buckets, new Random(SEED + i));
        }
        for (int run = 1; run <= RUNS; run++) {
            long begin = System.nanoTime();
            Forecast[] made = new Forecast[count];
            Parallel.each(count, i -> made[i] = Forecaster.of(series[i], YEAR, YEAR));
            double seconds = (System.nanoTime() - begin) / 1e9;
            System.out.printf(
                    Locale.ROOT,
                    "run %d: %d series of %d buckets in %.2f s, %.0f a second%n",
                    run,
                    count,
                    buckets,
                    seconds,
                    count / seconds);
        }
    }

    private static double[] series(int i, int buckets, Random random) {
        double[] y = new double[buckets];
        for (int t = 0; t < buckets; t++) {
            double season = 1 + 0.4 * Math.sin(2 * Math.PI * (t + i) / YEAR);
            y[t] = switch (i % 4) {
                case 0 -> (200 + 2 * t) * season + 10 * random.nextGaussian();
                case 1 -> 200 * season + 20 * random.nextGaussian();
                case 2 -> 100 + 15 * random.nextGaussian();
                default -> random.nextInt(4) == 0 ? 1 + random.nextInt(20) : 0;
            };
            y[t] = Math.max(0, Math.round(y[t]));
        }
        return y;
    }
}
