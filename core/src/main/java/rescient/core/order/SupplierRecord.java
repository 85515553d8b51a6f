package rescient.core.order;

import java.math.BigDecimal;
import java.math.MathContext;
import java.math.RoundingMode;
import java.util.Arrays;
import java.util.Collection;
import java.util.function.Predicate;
import rescient.core.order.DeliveredLine.Turned;

/**
 * How a supplier delivers, from the record of what was ordered and what came.
 *
 * @param orders how many, with {@code lines} of them
 * @param value of what was ordered, in the company's currency; lines without a price count 0
 * @param judged lines whose day is over, or of which all came: {@code inTime}, {@code late}, closed {@code cut} or {@code overdue}
 * @param quantityInTime of the lines judged, what part of what was ordered came by its day, each piece counted at its price:
 *     0 to 1; null: none is judged, or none has a price
 * @param days after (below 0: before) its day, of lines of which all came
 * @param lead calendar days from sending to receiving, of each receipt alike
 * @param over lines of which more came than was ordered
 * @param returned part of what came that went back, {@code doubtful} that was put into quarantine, each piece counted at its
 *     price: 0 to 1; null: nothing came, or none has a price
 * @param agreed what lines cost of which the price list knows a price too, and what they would cost by {@code list}
 */
public record SupplierRecord(
        int orders,
        int lines,
        BigDecimal value,
        int judged,
        int inTime,
        int late,
        int cut,
        int overdue,
        Double quantityInTime,
        Spread days,
        Spread lead,
        int over,
        Double returned,
        Double doubtful,
        BigDecimal agreed,
        BigDecimal list) {

    /**
     * How numbers are spread.
     *
     * @param count of them
     * @param median the middle one, or the mean of the two in the middle; null: there are none, as the others
     * @param ninety so many or less are nine of ten of them: the nearest rank
     * @param deviation of the sample; null for fewer than two
     */
    public record Spread(int count, Double median, Double ninety, Double mean, Double deviation) {
        private static final double NINE_OF_TEN = 0.9;

        static Spread of(int[] numbers) {
            int n = numbers.length;
            if (n == 0) {
                return new Spread(0, null, null, null, null);
            }
            int[] sorted = numbers.clone();
            Arrays.sort(sorted);
            double mean = Arrays.stream(sorted).average().orElseThrow();
            double squares = Arrays.stream(sorted)
                    .mapToDouble(x -> (x - mean) * (x - mean))
                    .sum();
            return new Spread(
                    n,
                    (sorted[(n - 1) / 2] + sorted[n / 2]) / 2.0,
                    (double) sorted[(int) Math.ceil(NINE_OF_TEN * n) - 1],
                    mean,
                    n < 2 ? null : (Double) Math.sqrt(squares / (n - 1)));
        }
    }

    /** What a figure counts, so that its lines can be shown. */
    public enum Figure {
        IN_TIME(line -> line.turned() == Turned.IN_TIME),
        LATE(line -> line.turned() == Turned.LATE),
        SHORT(line -> line.turned() == Turned.SHORT),
        OVERDUE(line -> line.turned() == Turned.OVERDUE),
        OVER(DeliveredLine::over),
        RETURNED(line -> line.line().returned().signum() > 0),
        DOUBTFUL(line -> line.line().doubtful().signum() > 0),
        /** Not at the price of the list. */
        OTHER_PRICE(line -> line.line().value() != null
                && line.line().listValue() != null
                && line.line().value().compareTo(line.line().listValue()) != 0),
        CAME(line -> !line.came().isEmpty());

        private final Predicate<DeliveredLine> counts;

        Figure(Predicate<DeliveredLine> counts) {
            this.counts = counts;
        }

        /** Whether a line is one of those that it counts. */
        public boolean counts(DeliveredLine line) {
            return counts.test(line);
        }
    }

    /** So many of a hundred lines came in time, half up; null: none is judged. */
    public Integer percent() {
        return judged == 0 ? null : (Integer) Math.toIntExact(Math.round(inTime * 100.0 / judged));
    }

    /** How much dearer (below 0: cheaper) than by the price list, as a part of it; null: nothing can be compared. */
    public Double dearer() {
        return list.signum() == 0
                ? null
                : (Double) agreed.subtract(list)
                        .divide(list, MathContext.DECIMAL64)
                        .doubleValue();
    }

    /** @param lines all of one supplier, or of one item of his */
    public static SupplierRecord of(Collection<DeliveredLine> lines) {
        int[] turned = new int[Turned.values().length];
        Weighed inTime = new Weighed();
        Weighed returned = new Weighed();
        Weighed doubtful = new Weighed();
        BigDecimal value = BigDecimal.ZERO;
        BigDecimal agreed = BigDecimal.ZERO;
        BigDecimal list = BigDecimal.ZERO;
        for (DeliveredLine line : lines) {
            DeliveredLine.Bought bought = line.line();
            BigDecimal each = each(bought);
            value = value.add(bought.value() == null ? BigDecimal.ZERO : bought.value());
            if (line.turned() != null) {
                turned[line.turned().ordinal()]++;
                inTime.add(line.inTime(), bought.ordered(), each);
            }
            returned.add(bought.returned(), line.received(), each);
            doubtful.add(bought.doubtful(), line.received(), each);
            if (bought.value() != null && bought.listValue() != null) {
                agreed = agreed.add(bought.value());
                list = list.add(bought.listValue());
            }
        }
        return new SupplierRecord(
                (int) lines.stream()
                        .map(line -> line.line().number())
                        .distinct()
                        .count(),
                lines.size(),
                value,
                Arrays.stream(turned).sum(),
                turned[Turned.IN_TIME.ordinal()],
                turned[Turned.LATE.ordinal()],
                turned[Turned.SHORT.ordinal()],
                turned[Turned.OVERDUE.ordinal()],
                inTime.part(),
                Spread.of(lines.stream()
                        .filter(line -> line.turned() == Turned.IN_TIME || line.turned() == Turned.LATE)
                        .mapToInt(DeliveredLine::days)
                        .toArray()),
                Spread.of(lines.stream()
                        .flatMap(line -> line.came().stream())
                        .mapToInt(DeliveredLine.Came::leadDays)
                        .toArray()),
                (int) lines.stream().filter(DeliveredLine::over).count(),
                returned.part(),
                doubtful.part(),
                agreed,
                list);
    }

    /** What one piece of it costs, or null. */
    private static BigDecimal each(DeliveredLine.Bought line) {
        return line.value() == null || line.ordered().signum() == 0
                ? null
                : line.value().divide(line.ordered(), MathContext.DECIMAL64);
    }

    /** A part of a whole, each piece counted at its price. */
    private static final class Weighed {
        private static final int DECIMALS = 6;

        private BigDecimal part = BigDecimal.ZERO;
        private BigDecimal whole = BigDecimal.ZERO;

        void add(BigDecimal of, BigDecimal all, BigDecimal each) {
            if (each != null) {
                part = part.add(of.multiply(each));
                whole = whole.add(all.multiply(each));
            }
        }

        Double part() {
            return whole.signum() == 0
                    ? null
                    : (Double)
                            part.divide(whole, DECIMALS, RoundingMode.HALF_UP).doubleValue();
        }
    }
}
