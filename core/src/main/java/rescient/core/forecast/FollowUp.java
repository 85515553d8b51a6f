package rescient.core.forecast;

import java.time.LocalDate;
import java.util.ArrayList;
import java.util.Collection;
import java.util.List;
import java.util.Map;
import java.util.TreeMap;
import rescient.core.company.ForecastFacts;

/**
 * What was forecast against what came.
 *
 * @param lines one for each bucket that has been and was forecast, the oldest first
 * @param bias mean of what came less what was expected: above 0 too little was
 * @param error mean absolute error of what was expected
 * @param mase the same in parts of the mean absolute seasonal difference before the first of these buckets
 * @param byHand by how much changes by hand made the mean absolute error smaller, below 0: greater
 * @param byMethod by how much the method did better than a season before; NaN: that is not known
 * @param signal the tracking signal: the sum of errors in parts of their mean absolute value (Brown 1963)
 */
public record FollowUp(
        List<Line> lines, double bias, double error, double mase, double byHand, double byMethod, double signal) {
    /** Beyond it a forecast wants a look. */
    public static final double LOOK = 4;

    /**
     * A bucket.
     *
     * @param lag how many buckets before it was forecast
     * @param forecast by the method, {@code expected} with what was changed by hand, {@code naive} a season before (NaN:
     *     not known)
     */
    public record Line(LocalDate from, int lag, double came, double forecast, double expected, double naive) {}

    /**
     * What became of forecasts.
     *
     * @param versions of one item at one site, in one set and in the buckets of the history
     * @param history as it counts
     * @param lag only those made so many buckets before; null: of each bucket the last one made
     */
    public static FollowUp of(Collection<ForecastFacts.ForecastVersion> versions, SalesHistory history, Integer lag) {
        Buckets buckets = history.buckets();
        Map<LocalDate, ForecastFacts.ForecastVersion> last = new TreeMap<>();
        for (ForecastFacts.ForecastVersion one : versions) {
            int ahead = ahead(buckets, one);
            boolean asked = ahead >= 0 && (lag == null || ahead == lag);
            LocalDate from = buckets.start(one.fromDate());
            if (asked && !Double.isNaN(history.at(from))) {
                last.merge(from, one, (a, b) -> a.made().isBefore(b.made()) ? b : a);
            }
        }
        List<Line> lines = new ArrayList<>();
        last.forEach((from, one) -> lines.add(new Line(
                from,
                ahead(buckets, one),
                history.at(from),
                one.quantity().doubleValue(),
                one.adjusted().doubleValue(),
                one.naive() == null ? Double.NaN : one.naive().doubleValue())));
        return of(lines, history);
    }

    private static int ahead(Buckets buckets, ForecastFacts.ForecastVersion one) {
        return buckets.between(buckets.start(one.made()), buckets.start(one.fromDate()));
    }

    private static FollowUp of(List<Line> lines, SalesHistory history) {
        if (lines.isEmpty()) {
            return new FollowUp(lines, 0, 0, 0, 0, Double.NaN, 0);
        }
        double sum = 0;
        double absolute = 0;
        double ofMethod = 0;
        double ofBoth = 0;
        double ofNaive = 0;
        int known = 0;
        for (Line line : lines) {
            sum += line.came - line.expected;
            absolute += Math.abs(line.came - line.expected);
            ofMethod += Math.abs(line.came - line.forecast);
            if (!Double.isNaN(line.naive)) {
                ofBoth += Math.abs(line.came - line.forecast);
                ofNaive += Math.abs(line.came - line.naive);
                known++;
            }
        }
        int n = lines.size();
        int before = Math.max(0, history.buckets().between(history.first(), lines.get(0).from));
        double scale =
                BackTest.scale(history.values(), before, history.buckets().season());
        return new FollowUp(
                List.copyOf(lines),
                sum / n,
                absolute / n,
                absolute / n / scale,
                (ofMethod - absolute) / n,
                known == 0 ? Double.NaN : (ofNaive - ofBoth) / known,
                absolute == 0 ? 0 : sum / (absolute / n));
    }

    /** Whether the forecast runs away to one side. */
    public boolean wantsALook() {
        return Math.abs(signal) > LOOK;
    }
}
