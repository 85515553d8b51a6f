package rescient.server.forecasting;

import java.math.BigDecimal;
import java.time.LocalDate;
import java.util.Comparator;
import java.util.EnumMap;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.function.Function;
import java.util.stream.DoubleStream;
import java.util.stream.IntStream;
import org.springframework.beans.factory.annotation.Value;
import org.springframework.stereotype.Component;
import rescient.core.company.ForecastFacts;
import rescient.core.company.ForecastMethod;
import rescient.core.company.PeriodUnit;
import rescient.core.forecast.Buckets;
import rescient.core.forecast.DemandSeries;
import rescient.core.forecast.FollowUp;
import rescient.core.forecast.Forecast;
import rescient.core.forecast.Outliers;
import rescient.core.forecast.SalesHistory;
import rescient.core.forecast.Together;
import rescient.dataset.Facts;
import rescient.server.planning.Directory;
import rescient.server.planning.OnceForPlan;
import rescient.server.planning.PlanVersion;
import rescient.server.planning.SeriesKey;
import rescient.server.platform.Nullable;
import rescient.server.platform.Sought;

/** The series of a company: one for each item and site that is asked for, or several as one. */
@Component
class ForecastSeriesList {
    static final int YEAR = 12;
    private static final Buckets MONTHS = new Buckets(PeriodUnit.MONTH);

    private final Forecasts forecasts;
    private final int most;
    private final OnceForPlan<SeriesMaking> all = new OnceForPlan<>();
    private final Map<Together.By, OnceForPlan<SeriesMaking>> together = new EnumMap<>(Together.By.class);

    ForecastSeriesList(Forecasts forecasts, @Value("${rescient.list-most:1000}") int most) {
        this.forecasts = forecasts;
        this.most = most;
        for (Together.By by : Together.By.values()) {
            together.put(by, new OnceForPlan<>());
        }
    }

    /**
     * A series in the list.
     *
     * @param site empty if it is several as one
     * @param lastYear what was asked for in the last twelve months, {@code nextYear} what is forecast for the next
     * @param value of the next year at the item's price, or else its cost; null: neither is known
     * @param method by which it is forecast; null: there is nothing to forecast from
     * @param chosen somebody said how it is made
     * @param signal the tracking signal of what was forecast; null: nothing that was forecast has come yet
     * @param odd how many buckets of the history lie far from all around and are not corrected
     * @param kept what the forecast set that the plan uses says of the next year; null: nothing
     * @param ahead what is forecast, month by month
     */
    record SeriesRow(
            String key,
            String item,
            String itemName,
            String site,
            String siteName,
            String unit,
            BigDecimal lastYear,
            BigDecimal nextYear,
            @Nullable BigDecimal value,
            @Nullable ForecastMethod method,
            String methodTitle,
            boolean chosen,
            @Nullable Double mase,
            @Nullable Double bias,
            @Nullable Double signal,
            boolean season,
            int odd,
            @Nullable BigDecimal kept,
            List<BigDecimal> ahead) {
        boolean wantsALook() {
            return signal != null && Math.abs(signal) > FollowUp.LOOK;
        }
    }

    /**
     * @param total how many fit
     * @param months the first days of those that are forecast
     * @param set the forecast set that the plan uses
     * @param off how many of all run away to one side
     * @param place of the series that was asked for, from 0 on; null: it is none of those that fit
     * @param making how far they are, if they are not there yet; null: they are
     */
    record SeriesRows(
            List<SeriesRow> rows,
            int total,
            List<LocalDate> months,
            @Nullable String set,
            int off,
            @Nullable Integer place,
            @Nullable Making making) {}

    /** How many series of how many are forecast, while the list is not there yet. */
    record Making(int done, int total) {}

    /**
     * Which series are asked for.
     *
     * @param words all occur in item, name, site or method
     * @param by several as one; null: each by itself
     * @param only off: those whose forecast runs away; new: those without a history; odd: those with buckets that are not usual;
     *     null: all
     * @param sort value, quantity, change, mase, bias or signal; null: value
     * @param desc the greatest first; null: so it is with value
     * @param place of which series the place in the list is told, by key
     */
    record Asked(
            @Nullable String words,
            @Nullable Together.By by,
            @Nullable String only,
            @Nullable String sort,
            @Nullable Boolean desc,
            @Nullable String place,
            @Nullable Integer offset,
            @Nullable Integer limit) {}

    SeriesRows list(PlanVersion version, Asked asked) {
        Sought sought = new Sought(asked.words);
        SeriesMaking making = making(version, asked.by);
        List<SeriesRow> rows = making.rows();
        if (rows == null) {
            return new SeriesRows(
                    List.of(),
                    0,
                    months(version.today()),
                    Places.set(version.directory().facts()),
                    0,
                    null,
                    new Making(making.done(), making.total()));
        }
        List<SeriesRow> fitting = rows.stream()
                .filter(row ->
                        sought.nothing() || sought.in(row.item(), row.itemName(), row.siteName(), row.methodTitle()))
                .filter(row -> !"off".equals(asked.only) || row.wantsALook())
                .filter(row -> !"new".equals(asked.only) || row.method() == null)
                .filter(row -> !"odd".equals(asked.only) || row.odd() > 0)
                .sorted(order(asked))
                .toList();
        int from = Math.min(fitting.size(), Math.max(0, asked.offset == null ? 0 : asked.offset));
        int size = Math.min(most, asked.limit == null ? most : Math.max(0, asked.limit));
        int place = IntStream.range(0, fitting.size())
                .filter(i -> fitting.get(i).key().equals(asked.place))
                .findFirst()
                .orElse(-1);
        return new SeriesRows(
                fitting.subList(from, Math.min(fitting.size(), from + size)),
                fitting.size(),
                months(version.today()),
                Places.set(version.directory().facts()),
                (int) rows.stream().filter(SeriesRow::wantsALook).count(),
                place < 0 ? null : (Integer) place,
                null);
    }

    /** All series by themselves, or several as one. */
    private SeriesMaking making(PlanVersion version, @Nullable Together.By by) {
        Facts facts = version.directory().facts();
        return by == null
                ? all.of(version.plan(), () -> new SeriesMaking(Places.all(facts), place -> row(version, place)))
                : together.get(by)
                        .of(
                                version.plan(),
                                () -> new SeriesMaking(
                                        Together.codes(facts, by),
                                        code -> several(version, new SeriesKey(by, code, null))));
    }

    private static List<LocalDate> months(LocalDate today) {
        return IntStream.range(0, YEAR)
                .mapToObj(h -> MONTHS.after(MONTHS.start(today), h))
                .toList();
    }

    private static Comparator<SeriesRow> order(Asked asked) {
        Function<SeriesRow, Double> by = switch (asked.sort == null ? "value" : asked.sort) {
            case "mase" -> SeriesRow::mase;
            case "bias" -> row -> row.bias() == null ? null : Math.abs(row.bias());
            case "signal" -> row -> row.signal() == null ? null : Math.abs(row.signal());
            case "change" ->
                row -> Math.abs(row.nextYear().subtract(row.lastYear()).doubleValue()
                        / Math.max(1, row.lastYear().doubleValue()));
            case "quantity" -> row -> row.nextYear().doubleValue();
            default -> row -> row.value() == null ? null : row.value().doubleValue();
        };
        boolean down = asked.desc == null ? asked.sort == null : asked.desc;
        Comparator<Double> values = down ? Comparator.reverseOrder() : Comparator.naturalOrder();
        return Comparator.comparing(by, Comparator.nullsLast(values))
                .thenComparing(SeriesRow::item)
                .thenComparing(SeriesRow::site);
    }

    /** The series of one item at one site, as it is in the list. */
    SeriesRow row(PlanVersion version, DemandSeries.Place place) {
        Directory directory = version.directory();
        DemandSeries series = DemandSeries.of(directory.facts(), place, MONTHS, version.today());
        Forecast forecast = series.hasHistory() ? series.forecast(YEAR, null, forecasts) : null;
        double[] expected = forecast == null ? new double[0] : series.adjusted(forecast.mean());
        int decimals = Places.decimals(directory, place.item());
        BigDecimal each = Places.each(directory, place.item());
        BigDecimal next = SeriesPicture.rounded(DoubleStream.of(expected).sum(), decimals);
        FollowUp follow =
                FollowUp.of(Places.versions(directory.facts(), place, PeriodUnit.MONTH), series.counts(), null);
        Forecast.Tested tested = forecast == null ? null : forecast.ofMethod();
        return new SeriesRow(
                SeriesKey.of(place).text(),
                place.item(),
                directory.itemName(place.item()),
                place.site(),
                directory.siteName(place.site()),
                directory.unit(place.item()),
                SeriesPicture.rounded(lastYear(series.counts()), decimals),
                next,
                each == null ? null : each.multiply(next),
                forecast == null ? null : forecast.method(),
                forecast == null
                        ? "nothing to forecast from yet"
                        : forecast.method().title(),
                series.chosen() != null,
                tested == null ? null : tested.mase(),
                tested == null ? null : tested.bias(),
                follow.lines().isEmpty() ? null : follow.signal(),
                forecast != null && forecast.season() > 1,
                odd(series),
                inSet(series, Places.kept(directory.facts(), place)),
                rounded(expected, decimals));
    }

    private static int odd(DemandSeries series) {
        SalesHistory shipped = series.shipped();
        double[] usual = Outliers.usual(shipped.values(), MONTHS.season());
        int odd = 0;
        for (int t = 0; t < usual.length; t++) {
            double counts = series.counts().at(MONTHS.after(shipped.first(), t));
            odd += !Double.isNaN(usual[t]) && counts == shipped.values()[t] ? 1 : 0;
        }
        return odd;
    }

    private SeriesRow several(PlanVersion version, SeriesKey key) {
        Directory directory = version.directory();
        Together of = Together.of(directory.facts(), key.by(), key.code(), MONTHS, version.today());
        if (of == null) {
            return null;
        }
        Forecast forecast = of.forecast(YEAR, null, forecasts);
        Forecast.Tested tested = forecast.ofMethod();
        String first = of.members().get(0).place().item();
        int decimals = of.inMoney() ? 0 : Places.decimals(directory, first);
        BigDecimal next = SeriesPicture.rounded(DoubleStream.of(forecast.mean()).sum(), decimals);
        double value = 0;
        double[] shares = of.shares();
        for (int i = 0; i < shares.length; i++) {
            BigDecimal each = Places.each(directory, of.members().get(i).place().item());
            value += each == null ? 0 : next.doubleValue() * shares[i] / of.weights()[i] * each.doubleValue();
        }
        return new SeriesRow(
                key.text(),
                key.code(),
                Places.name(directory, key),
                "",
                of.members().size() + " series",
                of.inMoney() ? Places.currency(directory) : directory.unit(first),
                SeriesPicture.rounded(lastYear(of.history()), decimals),
                next,
                SeriesPicture.rounded(value, 2),
                forecast.method(),
                forecast.method().title(),
                false,
                tested == null ? null : tested.mase(),
                tested == null ? null : tested.bias(),
                null,
                forecast.season() > 1,
                0,
                null,
                rounded(forecast.mean(), decimals));
    }

    private static List<BigDecimal> rounded(double[] quantities, int decimals) {
        return DoubleStream.of(quantities)
                .mapToObj(quantity -> SeriesPicture.rounded(quantity, decimals))
                .toList();
    }

    private static double lastYear(SalesHistory history) {
        return DoubleStream.of(history.values())
                .skip(Math.max(0, history.values().length - YEAR))
                .sum();
    }

    private static BigDecimal inSet(DemandSeries series, List<ForecastFacts.Forecast> kept) {
        return IntStream.range(0, YEAR)
                .mapToObj(h -> Places.kept(series.counts(), h, kept))
                .filter(Objects::nonNull)
                .reduce(BigDecimal::add)
                .orElse(null);
    }
}
