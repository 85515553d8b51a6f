package rescient.server.forecasting;

import java.math.BigDecimal;
import java.math.RoundingMode;
import java.time.LocalDate;
import java.util.Comparator;
import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.function.Function;
import java.util.stream.DoubleStream;
import java.util.stream.IntStream;
import org.springframework.beans.factory.annotation.Value;
import org.springframework.stereotype.Component;
import rescient.core.company.Fact;
import rescient.core.company.PeriodUnit;
import rescient.core.forecast.Buckets;
import rescient.core.forecast.Forecast;
import rescient.core.forecast.Method;
import rescient.core.forecast.Outliers;
import rescient.core.forecast.SalesHistory;
import rescient.server.planning.Directory;
import rescient.server.planning.OnceForPlan;
import rescient.server.planning.OrderKey;
import rescient.server.planning.PlanVersion;
import rescient.server.planning.Words;
import rescient.server.platform.Nullable;
import rescient.server.platform.Sought;

/** The series of a company: one for each item and site of which something was shipped. */
@Component
class ForecastSeriesList {
    private static final int YEAR = 12;
    /** Of intervals. */
    private static final int DECIMALS = 3;

    private final Forecasts forecasts;
    private final int most;
    private final OnceForPlan<List<ForecastController.SeriesRow>> all = new OnceForPlan<>();

    ForecastSeriesList(Forecasts forecasts, @Value("${rescient.list-most:1000}") int most) {
        this.forecasts = forecasts;
        this.most = most;
    }

    private record Place(String item, String site) {}

    /**
     * Which series are asked for.
     *
     * @param words all occur in item, name, site or method
     * @param sort value, quantity, change, mase or bias; null: value
     * @param desc the greatest first; null: so it is with value
     * @param place of which series the place in the list is told, by key
     */
    record Asked(
            @Nullable String words,
            @Nullable String sort,
            @Nullable Boolean desc,
            @Nullable String place,
            @Nullable Integer offset,
            @Nullable Integer limit) {}

    ForecastController.SeriesRows list(PlanVersion version, Asked asked) {
        Sought sought = new Sought(asked.words);
        List<ForecastController.SeriesRow> fitting = all.of(version.plan(), () -> rows(version)).stream()
                .filter(row ->
                        sought.nothing() || sought.in(row.item(), row.itemName(), row.siteName(), row.methodTitle()))
                .sorted(order(asked))
                .toList();
        int from = Math.min(fitting.size(), Math.max(0, asked.offset == null ? 0 : asked.offset));
        int size = Math.min(most, asked.limit == null ? most : Math.max(0, asked.limit));
        int place = IntStream.range(0, fitting.size())
                .filter(i -> fitting.get(i).key().equals(asked.place))
                .findFirst()
                .orElse(-1);
        return new ForecastController.SeriesRows(
                fitting.subList(from, Math.min(fitting.size(), from + size)),
                fitting.size(),
                months(version.today()),
                version.directory().facts().setting(ForecastSettings.KEY),
                place < 0 ? null : (Integer) place);
    }

    private static List<LocalDate> months(LocalDate today) {
        Buckets months = new Buckets(PeriodUnit.MONTH);
        return IntStream.range(0, YEAR)
                .mapToObj(h -> months.after(months.start(today), h))
                .toList();
    }

    private static Comparator<ForecastController.SeriesRow> order(Asked asked) {
        Function<ForecastController.SeriesRow, Double> by = switch (asked.sort == null ? "value" : asked.sort) {
            case "mase" -> ForecastController.SeriesRow::mase;
            case "bias" -> row -> row.bias() == null ? null : Math.abs(row.bias());
            case "change" ->
                row -> Math.abs(row.nextYear().subtract(row.lastYear()).doubleValue()
                        / Math.max(1, row.lastYear().doubleValue()));
            case "quantity" -> row -> row.nextYear().doubleValue();
            default -> row -> row.value() == null ? null : row.value().doubleValue();
        };
        boolean down = asked.desc == null ? asked.sort == null : asked.desc;
        Comparator<Double> values = down ? Comparator.reverseOrder() : Comparator.naturalOrder();
        return Comparator.comparing(by, Comparator.nullsLast(values))
                .thenComparing(ForecastController.SeriesRow::item)
                .thenComparing(ForecastController.SeriesRow::site);
    }

    private List<ForecastController.SeriesRow> rows(PlanVersion version) {
        Map<Place, Boolean> places = new LinkedHashMap<>();
        version.directory()
                .facts()
                .rows("shipments")
                .forEach(row -> places.put(new Place(row.text("item"), row.text("site")), true));
        return places.keySet().parallelStream()
                .map(place -> row(version, place))
                .filter(row -> row != null)
                .toList();
    }

    private ForecastController.SeriesRow row(PlanVersion version, Place place) {
        Directory directory = version.directory();
        SalesHistory history = history(version, place, new Buckets(PeriodUnit.MONTH));
        if (history.values().length == 0) {
            return null;
        }
        history = history.corrected(corrections(version, place));
        Forecast forecast = forecasts.of(history, YEAR, null);
        Forecast.Tested tested = forecast.ofMethod();
        int decimals = decimals(directory, place.item);
        BigDecimal next = rounded(DoubleStream.of(forecast.mean()).sum(), decimals);
        BigDecimal each = each(directory.item(place.item));
        List<Fact.Forecast> kept = kept(directory, place);
        return new ForecastController.SeriesRow(
                OrderKey.encoded(place.item) + '~' + OrderKey.encoded(place.site),
                place.item,
                directory.itemName(place.item),
                place.site,
                directory.siteName(place.site),
                directory.unit(place.item),
                rounded(
                        DoubleStream.of(history.values())
                                .skip(Math.max(0, history.values().length - YEAR))
                                .sum(),
                        decimals),
                next,
                each == null ? null : each.multiply(next),
                forecast.method(),
                forecast.method().title(),
                tested == null ? null : tested.mase(),
                tested == null ? null : tested.bias(),
                forecast.season() > 1,
                sum(history, kept),
                DoubleStream.of(forecast.mean())
                        .mapToObj(quantity -> rounded(quantity, decimals))
                        .toList());
    }

    private static SalesHistory history(PlanVersion version, Place place, Buckets buckets) {
        return SalesHistory.shipped(version.directory().facts(), place.item, place.site, buckets, version.today());
    }

    private static BigDecimal each(Fact.Item item) {
        return item == null ? null : item.price() != null ? item.price() : item.standardCost();
    }

    private static BigDecimal sum(SalesHistory history, List<Fact.Forecast> kept) {
        return IntStream.range(0, YEAR)
                .mapToObj(h -> kept(history, h, kept))
                .filter(quantity -> quantity != null)
                .reduce(BigDecimal::add)
                .orElse(null);
    }

    /** What the set in use says of a bucket to come: of its own buckets those that begin in it and are no longer; null: nothing. */
    private static BigDecimal kept(SalesHistory history, int h, List<Fact.Forecast> kept) {
        LocalDate from = history.ahead(h);
        LocalDate next = history.ahead(h + 1);
        return kept.stream()
                .filter(row -> row.bucket().compareTo(history.buckets().unit()) <= 0)
                .filter(row -> !row.fromDate().isBefore(from) && row.fromDate().isBefore(next))
                .map(Fact.Forecast::quantity)
                .reduce(BigDecimal::add)
                .orElse(null);
    }

    /** The rows of the set in use. */
    private static List<Fact.Forecast> kept(Directory directory, Place place) {
        String set = directory.facts().setting(ForecastSettings.KEY);
        return directory.facts().where(Fact.Forecast.class, "item", place.item).stream()
                .filter(row -> row.set().equals(set) && row.site().equals(place.site))
                .toList();
    }

    private static int decimals(Directory directory, String item) {
        return directory
                .facts()
                .one(Fact.Unit.class, directory.unit(item))
                .map(Fact.Unit::decimals)
                .orElse(0);
    }

    private static BigDecimal rounded(double quantity, int decimals) {
        return BigDecimal.valueOf(quantity).setScale(decimals, RoundingMode.HALF_UP);
    }

    private static List<Fact.HistoryCorrection> corrections(PlanVersion version, Place place) {
        return SalesHistory.corrections(version.directory().facts(), place.item, place.site);
    }

    /**
     * One series with its forecast.
     *
     * @param drafted corrections that are tried beside those that are kept
     * @return null if there is no history
     */
    ForecastController.SeriesView one(
            PlanVersion version,
            String item,
            String site,
            PeriodUnit bucket,
            int periods,
            @Nullable Method method,
            List<Fact.HistoryCorrection> drafted) {
        Directory directory = version.directory();
        Place place = new Place(item, site);
        SalesHistory shipped = history(version, place, new Buckets(bucket));
        if (shipped.values().length == 0) {
            return null;
        }
        List<Fact.HistoryCorrection> kept = corrections(version, place);
        SalesHistory history = shipped.corrected(kept).corrected(drafted);
        Forecast forecast = forecasts.of(history, periods, method);
        int decimals = decimals(directory, item);
        List<Fact.Forecast> inSet = kept(directory, place);
        return new ForecastController.SeriesView(
                item,
                directory.itemName(item),
                site,
                directory.siteName(site),
                directory.unit(item),
                bucket,
                was(shipped, history, kept),
                IntStream.range(0, periods)
                        .mapToObj(h -> new ForecastController.Ahead(
                                history.ahead(h),
                                rounded(forecast.mean()[h], decimals),
                                rounded(forecast.narrow().low()[h], DECIMALS),
                                rounded(forecast.narrow().high()[h], DECIMALS),
                                rounded(forecast.wide().low()[h], DECIMALS),
                                rounded(forecast.wide().high()[h], DECIMALS),
                                kept(history, h, inSet)))
                        .toList(),
                forecast.method(),
                forecast.method().title(),
                forecast.automatic(),
                forecast.season(),
                forecast.parameters().entrySet().stream()
                        .map(one -> new ForecastController.Parameter(one.getKey(), one.getValue()))
                        .toList(),
                forecast.tested().stream()
                        .map(one -> new ForecastController.MethodRow(
                                one.method(),
                                one.method().title(),
                                one.mase(),
                                one.bias(),
                                DoubleStream.of(one.said())
                                        .mapToObj(said -> rounded(Math.max(0, said), DECIMALS))
                                        .toList()))
                        .toList(),
                forecast.heldOut(),
                forecast.covered()[0],
                forecast.covered()[1],
                directory.facts().setting(ForecastSettings.KEY));
    }

    /** What was shipped, what of it is not usual, and what it counts for. */
    private static List<ForecastController.Was> was(
            SalesHistory shipped, SalesHistory history, List<Fact.HistoryCorrection> kept) {
        double[] usual = Outliers.usual(shipped.values(), shipped.buckets().season());
        Map<LocalDate, Fact.HistoryCorrection> why = new HashMap<>();
        for (Fact.HistoryCorrection one : kept) {
            if (one.bucket() == shipped.buckets().unit()) {
                why.put(shipped.buckets().start(one.fromDate()), one);
            }
        }
        return IntStream.range(0, shipped.values().length)
                .mapToObj(t -> {
                    LocalDate from = shipped.buckets().after(shipped.first(), t);
                    Fact.HistoryCorrection correction = why.get(from);
                    return new ForecastController.Was(
                            from,
                            BigDecimal.valueOf(shipped.values()[t]),
                            BigDecimal.valueOf(history.values()[t]),
                            correction != null,
                            Double.isNaN(usual[t]) ? null : rounded(usual[t], DECIMALS),
                            correction == null || correction.kind() == null ? null : Words.word(correction.kind()),
                            correction == null ? null : correction.reason());
                })
                .toList();
    }
}
