package rescient.core.forecast;

import java.util.Arrays;
import java.util.List;
import java.util.Map;
import rescient.core.company.ForecastMethod;

/**
 * What is to be expected of a series.
 *
 * @param method by which it was made; null: there is no history
 * @param automatic whether the method is the one with the least error
 * @param parameters of the method, by name
 * @param season its length in buckets, 1: none was found
 * @param mean what is expected, one value a bucket, none below 0
 * @param narrow the interval that holds 80 % of what comes, {@code wide} 95 %
 * @param tested all methods that fit, the best first
 * @param heldOut the place of the first bucket of the history that methods did not know in the test
 * @param covered what share of the test's errors lies within the narrow interval, and within the wide one
 */
public record Forecast(
        ForecastMethod method,
        boolean automatic,
        Map<String, Double> parameters,
        int season,
        double[] mean,
        Interval narrow,
        Interval wide,
        List<Tested> tested,
        int heldOut,
        double[] covered) {

    /** One value a bucket; {@code low} is never below 0. */
    public record Interval(double[] low, double[] high) {}

    /**
     * How a method did in the back-test.
     *
     * @param mase mean absolute error in parts of the mean absolute seasonal difference (Hyndman and Koehler 2006)
     * @param bias mean error in the same parts: above 0 too little was said
     * @param said what it would have said at the first bucket that was held out
     * @param next what it said of each bucket that was held out when it knew all before it
     */
    public record Tested(ForecastMethod method, double mase, double bias, double[] said, double[] next) {}

    /** The same without its first buckets. */
    Forecast later(int buckets) {
        return buckets == 0
                ? this
                : new Forecast(
                        method,
                        automatic,
                        parameters,
                        season,
                        tail(mean, buckets),
                        new Interval(tail(narrow.low, buckets), tail(narrow.high, buckets)),
                        new Interval(tail(wide.low, buckets), tail(wide.high, buckets)),
                        tested,
                        heldOut,
                        covered);
    }

    private static double[] tail(double[] all, int from) {
        return Arrays.copyOfRange(all, from, all.length);
    }

    /** How the method in use did; null if there was too little history to test it. */
    public Tested ofMethod() {
        return tested.stream().filter(one -> one.method == method).findFirst().orElse(null);
    }
}
