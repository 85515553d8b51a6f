package rescient.server.forecasting;

import java.math.BigDecimal;
import java.time.LocalDate;
import java.util.Comparator;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.TreeMap;
import java.util.function.ToDoubleFunction;
import java.util.stream.Collectors;
import java.util.stream.IntStream;
import org.springframework.beans.factory.annotation.Value;
import org.springframework.stereotype.Component;
import rescient.core.company.ForecastFacts;
import rescient.core.company.PeriodUnit;
import rescient.core.forecast.Buckets;
import rescient.core.forecast.DemandSeries;
import rescient.core.forecast.FollowUp;
import rescient.dataset.Facts;
import rescient.server.planning.Directory;
import rescient.server.planning.PlanVersion;
import rescient.server.planning.SeriesKey;
import rescient.server.platform.Nullable;
import rescient.server.platform.Sought;

/** Follows what was forecast in the set that the plan uses. */
@Component
class FollowUps {
    private static final int MONEY = 2;
    private static final int DECIMALS = 6;

    private final int most;

    FollowUps(@Value("${rescient.list-most:1000}") int most) {
        this.most = most;
    }

    /**
     * Which series are asked for.
     *
     * @param lag only what was forecast so many buckets before; null: the last that was
     * @param off only what wants a look
     * @param sort missed (also null), bias, hand, method or signal: what is worst first
     */
    record Asked(
            @Nullable String words,
            PeriodUnit bucket,
            @Nullable Integer lag,
            boolean off,
            @Nullable String sort,
            @Nullable String place,
            @Nullable Integer offset,
            @Nullable Integer limit) {}

    /**
     * What became of the forecasts of one series.
     *
     * @param each what a unit of it is worth, 0: not known
     */
    private record Followed(FollowUpController.FollowedSeries row, double each) {}

    FollowUpController.FollowedRows list(PlanVersion version, Asked asked) {
        Facts facts = version.directory().facts();
        String set = Places.set(facts);
        Map<DemandSeries.Place, List<ForecastFacts.ForecastVersion>> versions = facts.all(
                        ForecastFacts.ForecastVersion.class)
                .filter(row -> row.set().equals(set) && row.bucket() == asked.bucket)
                .collect(Collectors.groupingBy(row -> new DemandSeries.Place(row.item(), row.site())));
        Sought sought = new Sought(asked.words);
        List<Followed> all = versions.entrySet().parallelStream()
                .map(one -> followed(version, one.getKey(), one.getValue(), asked))
                .filter(Objects::nonNull)
                .filter(one -> sought.nothing() || sought.in(one.row.item(), one.row.itemName(), one.row.siteName()))
                .filter(one -> !asked.off || one.row.look())
                .sorted(order(asked.sort))
                .toList();
        int from = Math.min(all.size(), Math.max(0, asked.offset == null ? 0 : asked.offset));
        int size = Math.min(most, asked.limit == null ? most : Math.max(0, asked.limit));
        int place = IntStream.range(0, all.size())
                .filter(i -> all.get(i).row.key().equals(asked.place))
                .findFirst()
                .orElse(-1);
        return new FollowUpController.FollowedRows(
                all.subList(from, Math.min(all.size(), from + size)).stream()
                        .map(Followed::row)
                        .toList(),
                all.size(),
                (int) all.stream().filter(one -> one.row.look()).count(),
                months(all),
                lags(versions, new Buckets(asked.bucket)),
                set,
                place < 0 ? null : (Integer) place);
    }

    private static List<Integer> lags(
            Map<DemandSeries.Place, List<ForecastFacts.ForecastVersion>> versions, Buckets buckets) {
        return versions.values().stream()
                .flatMap(List::stream)
                .map(one -> buckets.between(buckets.start(one.made()), one.fromDate()))
                .distinct()
                .sorted()
                .toList();
    }

    private static Comparator<Followed> order(@Nullable String sort) {
        ToDoubleFunction<Followed> worst = switch (sort == null ? "missed" : sort) {
            case "bias" -> one -> -Math.abs(one.row.bias()) * worth(one);
            case "hand" -> one -> one.row.byHand() * worth(one);
            case "method" -> one -> one.row.byMethod() == null ? 0 : one.row.byMethod() * worth(one);
            case "signal" -> one -> -Math.abs(one.row.signal());
            default -> one -> -one.row.error() * worth(one);
        };
        return Comparator.comparingDouble(worst)
                .thenComparing(one -> one.row.item())
                .thenComparing(one -> one.row.site());
    }

    private static double worth(Followed one) {
        return one.each == 0 ? 1 : one.each;
    }

    private static Followed followed(
            PlanVersion version, DemandSeries.Place place, List<ForecastFacts.ForecastVersion> versions, Asked asked) {
        Directory directory = version.directory();
        DemandSeries series = DemandSeries.of(directory.facts(), place, new Buckets(asked.bucket), version.today());
        FollowUp follow = FollowUp.of(versions, series.counts(), asked.lag);
        if (follow.lines().isEmpty()) {
            return null;
        }
        BigDecimal each = Places.each(directory, place.item());
        return new Followed(
                new FollowUpController.FollowedSeries(
                        SeriesKey.of(place).text(),
                        place.item(),
                        directory.itemName(place.item()),
                        place.site(),
                        directory.siteName(place.site()),
                        directory.unit(place.item()),
                        follow.bias(),
                        follow.error(),
                        follow.mase(),
                        follow.byHand(),
                        Double.isNaN(follow.byMethod()) ? null : (Double) follow.byMethod(),
                        follow.signal(),
                        follow.wantsALook(),
                        each == null ? null : money(follow.error() * each.doubleValue()),
                        follow.lines().stream().map(FollowUps::line).toList()),
                each == null ? 0 : each.doubleValue());
    }

    private static FollowUpController.FollowedLine line(FollowUp.Line line) {
        return new FollowUpController.FollowedLine(
                line.from(),
                line.lag(),
                SeriesPicture.rounded(line.came(), DECIMALS),
                SeriesPicture.rounded(line.forecast(), DECIMALS),
                SeriesPicture.rounded(line.expected(), DECIMALS),
                Double.isNaN(line.naive()) ? null : SeriesPicture.rounded(line.naive(), DECIMALS));
    }

    /** Sums of a month in money. */
    private static final class Sums {
        private int series;
        private double came;
        private double expected;
        private double missed;
        private double byMethod;
        private double byNaive;

        void add(FollowUpController.FollowedLine line, double each) {
            double real = line.came().doubleValue();
            series++;
            came += real * each;
            expected += line.expected().doubleValue() * each;
            missed += Math.abs(real - line.expected().doubleValue()) * each;
            byMethod += Math.abs(real - line.forecast().doubleValue()) * each;
            byNaive += line.naive() == null ? 0 : Math.abs(real - line.naive().doubleValue()) * each;
        }

        FollowUpController.FollowedMonth of(LocalDate from) {
            return new FollowUpController.FollowedMonth(
                    from,
                    series,
                    money(came),
                    money(expected),
                    money(came - expected),
                    money(missed),
                    money(byMethod),
                    money(byNaive));
        }
    }

    private static List<FollowUpController.FollowedMonth> months(List<Followed> all) {
        Map<LocalDate, Sums> sums = new TreeMap<>();
        for (Followed one : all) {
            for (FollowUpController.FollowedLine line : one.row.lines()) {
                sums.computeIfAbsent(line.from(), from -> new Sums()).add(line, one.each);
            }
        }
        return sums.entrySet().stream()
                .map(month -> month.getValue().of(month.getKey()))
                .toList();
    }

    private static BigDecimal money(double amount) {
        return SeriesPicture.rounded(amount, MONEY);
    }
}
