package rescient.server.forecasting;

import java.math.BigDecimal;
import java.math.RoundingMode;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.TreeMap;
import java.util.stream.DoubleStream;
import java.util.stream.IntStream;
import org.springframework.stereotype.Component;
import rescient.core.company.ForecastFacts;
import rescient.core.company.ForecastMethod;
import rescient.core.company.PeriodUnit;
import rescient.core.forecast.Buckets;
import rescient.core.forecast.Choice;
import rescient.core.forecast.DemandSeries;
import rescient.core.forecast.Forecast;
import rescient.core.forecast.Outliers;
import rescient.core.forecast.SalesHistory;
import rescient.core.forecast.Shares;
import rescient.core.forecast.Together;
import rescient.server.planning.Directory;
import rescient.server.planning.PlanVersion;
import rescient.server.planning.SeriesKey;
import rescient.server.planning.Words;
import rescient.server.platform.Nullable;

/** One series, or several as one: its history, its forecast, what is known on top of it and what was forecast before. */
@Component
class SeriesPicture {
    /** Of intervals. */
    private static final int DECIMALS = 3;

    /** So many of what was forecast earlier are shown. */
    private static final int EARLIER = 6;

    private final Forecasts forecasts;

    SeriesPicture(Forecasts forecasts) {
        this.forecasts = forecasts;
    }

    /**
     * What is looked at.
     *
     * @param method in the place of the chosen one; null: that one
     * @param draft what is tried beside what is kept
     */
    record Asked(
            SeriesKey key,
            PeriodUnit bucket,
            int periods,
            @Nullable ForecastMethod method,
            DemandSeries.Draft draft) {}

    /** Null: nothing is known of such a series. */
    @Nullable
    SeriesView of(PlanVersion version, Asked asked) {
        return asked.key.by() == null ? one(version, asked) : several(version, asked);
    }

    private static Choice choice(Asked asked, DemandSeries series) {
        Choice kept = series == null ? Choice.AUTOMATIC : series.choice();
        return asked.method == null || asked.method == kept.method() ? kept : Choice.of(asked.method);
    }

    private SeriesView one(PlanVersion version, Asked asked) {
        Directory directory = version.directory();
        Buckets buckets = new Buckets(asked.bucket);
        DemandSeries series =
                DemandSeries.of(directory.facts(), asked.key.place(), buckets, version.today(), asked.draft);
        if (!series.hasHistory() && !Places.asked(directory.facts(), asked.key.place())) {
            return null;
        }
        Forecast forecast =
                series.hasHistory() ? series.forecast(asked.periods, choice(asked, series), forecasts) : null;
        String item = asked.key.code();
        Shown shown = new Shown(directory, item, Places.decimals(directory, item));
        return view(
                asked,
                shown,
                new About(null, item, directory.itemName(item), asked.key.site(), directory.siteName(asked.key.site())),
                series,
                forecast,
                new Several(List.of(), List.of()));
    }

    private SeriesView several(PlanVersion version, Asked asked) {
        Directory directory = version.directory();
        Buckets buckets = new Buckets(asked.bucket);
        Together together = Together.of(directory.facts(), asked.key.by(), asked.key.code(), buckets, version.today());
        if (together == null) {
            return null;
        }
        Forecast forecast = together.forecast(asked.periods, choice(asked, null), forecasts);
        SalesHistory history = together.history();
        DemandSeries series = new DemandSeries(null, history, history, history, null, List.of());
        String unit =
                together.inMoney() ? null : together.members().get(0).place().item();
        return view(
                asked,
                new Shown(directory, unit, unit == null ? 0 : Places.decimals(directory, unit)),
                new About(
                        asked.key.by(),
                        asked.key.code(),
                        Places.name(directory, asked.key),
                        "",
                        together.members().size() + " series"),
                series,
                forecast,
                new Several(
                        members(directory, together, forecast),
                        DoubleStream.of(together.bottomUp(asked.periods, forecasts))
                                .mapToObj(sum -> rounded(sum, DECIMALS))
                                .toList()));
    }

    private static List<SeriesView.SeriesMember> members(Directory directory, Together together, Forecast forecast) {
        double[] shares = together.shares();
        return IntStream.range(0, shares.length)
                .mapToObj(i -> {
                    DemandSeries.Place place = together.members().get(i).place();
                    double[] part = Shares.part(forecast.mean(), shares[i], together.weights()[i]);
                    return new SeriesView.SeriesMember(
                            SeriesKey.of(place).text(),
                            place.item(),
                            directory.itemName(place.item()),
                            directory.siteName(place.site()),
                            directory.unit(place.item()),
                            shares[i],
                            rounded(DoubleStream.of(part).sum(), Places.decimals(directory, place.item())));
                })
                .sorted(Comparator.comparing(SeriesView.SeriesMember::share)
                        .reversed()
                        .thenComparing(SeriesView.SeriesMember::key))
                .toList();
    }

    /**
     * In what it is told.
     *
     * @param item whose unit it is; null: money
     */
    private record Shown(Directory directory, @Nullable String item, int decimals) {
        String unit() {
            return item == null ? Places.currency(directory) : directory.unit(item);
        }
    }

    private record About(@Nullable Together.By by, String code, String name, String site, String siteName) {}

    private record Several(List<SeriesView.SeriesMember> members, List<BigDecimal> bottomUp) {}

    private SeriesView view(
            Asked asked, Shown shown, About about, DemandSeries series, @Nullable Forecast forecast, Several several) {
        Directory directory = shown.directory;
        SalesHistory window = series.window();
        boolean any = series.hasHistory();
        return new SeriesView(
                about.by,
                about.code,
                about.name,
                about.site,
                about.siteName,
                shown.unit(),
                asked.bucket,
                was(directory, series),
                forecast == null ? List.of() : ahead(shown, series, forecast),
                forecast == null ? null : forecast.method(),
                forecast == null
                        ? "nothing to forecast from yet"
                        : forecast.method().title(),
                forecast == null || forecast.automatic(),
                forecast == null ? 1 : forecast.season(),
                forecast == null
                        ? List.of()
                        : forecast.parameters().entrySet().stream()
                                .map(one -> new SeriesView.MethodParameter(one.getKey(), one.getValue()))
                                .toList(),
                forecast == null ? List.of() : Choice.taken(forecast.method()),
                forecast == null ? List.of() : tested(forecast),
                forecast == null
                        ? 0
                        : forecast.heldOut()
                                + series.counts()
                                        .buckets()
                                        .between(series.counts().first(), window.first()),
                forecast == null ? 0 : forecast.covered()[0],
                forecast == null ? 0 : forecast.covered()[1],
                Places.set(directory.facts()),
                any ? window.first() : null,
                any ? window.next() : null,
                chosen(series.chosen()),
                series.place() == null ? List.of() : earlier(directory, series),
                several.members,
                several.bottomUp,
                fit(forecast));
    }

    private static SeriesView.ChosenWay chosen(@Nullable ForecastFacts.ForecastChoice kept) {
        return kept == null
                ? null
                : new SeriesView.ChosenWay(
                        kept.method(),
                        kept.parameters(),
                        kept.fromDate(),
                        kept.toDate(),
                        kept.likeItem(),
                        kept.likeSite(),
                        kept.likePercent(),
                        kept.reason());
    }

    private static List<BigDecimal> fit(@Nullable Forecast forecast) {
        Forecast.Tested tested = forecast == null ? null : forecast.ofMethod();
        return tested == null
                ? List.of()
                : DoubleStream.of(tested.next())
                        .mapToObj(said -> rounded(said, DECIMALS))
                        .toList();
    }

    private static List<SeriesView.MethodRow> tested(Forecast forecast) {
        return forecast.tested().stream()
                .map(one -> new SeriesView.MethodRow(
                        one.method(),
                        one.method().title(),
                        one.mase(),
                        one.bias(),
                        DoubleStream.of(one.said())
                                .mapToObj(said -> rounded(Math.max(0, said), DECIMALS))
                                .toList()))
                .toList();
    }

    private static List<SeriesView.Ahead> ahead(Shown shown, DemandSeries series, Forecast forecast) {
        double[] expected = series.adjusted(forecast.mean());
        List<ForecastFacts.Forecast> inSet =
                series.place() == null ? List.of() : Places.kept(shown.directory.facts(), series.place());
        return IntStream.range(0, expected.length)
                .mapToObj(h -> new SeriesView.Ahead(
                        series.counts().ahead(h),
                        rounded(forecast.mean()[h], shown.decimals),
                        rounded(forecast.narrow().low()[h], DECIMALS),
                        rounded(forecast.narrow().high()[h], DECIMALS),
                        rounded(forecast.wide().low()[h], DECIMALS),
                        rounded(forecast.wide().high()[h], DECIMALS),
                        Places.kept(series.counts(), h, inSet),
                        rounded(expected[h], shown.decimals),
                        known(series.adjustment(series.counts().ahead(h)))))
                .toList();
    }

    private static SeriesView.KnownAhead known(@Nullable ForecastFacts.ForecastAdjustment known) {
        if (known == null) {
            return null;
        }
        List<String> changes = new ArrayList<>();
        if (known.percent() != null) {
            changes.add(Words.signed(known.percent()) + " %");
        }
        if (known.amount() != null) {
            changes.add(Words.signed(known.amount()));
        }
        return new SeriesView.KnownAhead(String.join(" ", changes), known.kind(), known.reason());
    }

    /** What was shipped, what of it is not usual, and what it counts for. */
    private static List<SeriesView.Was> was(Directory directory, DemandSeries series) {
        SalesHistory shipped = series.shipped();
        SalesHistory counts = series.counts();
        Buckets buckets = counts.buckets();
        double[] usual = Outliers.usual(shipped.values(), buckets.season());
        double[] model = Outliers.model(shipped.values(), buckets.season());
        int begun = buckets.between(counts.first(), shipped.first());
        Map<LocalDate, ForecastFacts.HistoryCorrection> why = new HashMap<>();
        if (series.place() != null) {
            SalesHistory.corrections(
                            directory.facts(),
                            series.place().item(),
                            series.place().site())
                    .stream()
                    .filter(one -> one.bucket() == buckets.unit())
                    .forEach(one -> why.put(buckets.start(one.fromDate()), one));
        }
        return IntStream.range(0, counts.values().length)
                .mapToObj(t -> {
                    LocalDate from = buckets.after(counts.first(), t);
                    ForecastFacts.HistoryCorrection correction = why.get(from);
                    double odd = t < begun ? Double.NaN : usual[t - begun];
                    return new SeriesView.Was(
                            from,
                            BigDecimal.valueOf(t < begun ? 0 : shipped.values()[t - begun]),
                            BigDecimal.valueOf(counts.values()[t]),
                            correction != null || t < begun,
                            Double.isNaN(odd) ? null : rounded(odd, DECIMALS),
                            rounded(t < begun ? counts.values()[t] : model[t - begun], DECIMALS),
                            correction == null || correction.kind() == null ? null : Words.word(correction.kind()),
                            correction == null ? null : correction.reason());
                })
                .toList();
    }

    /** What the set in use said earlier, with what was changed by hand. */
    private static List<SeriesView.EarlierForecast> earlier(Directory directory, DemandSeries series) {
        Map<LocalDate, List<ForecastFacts.ForecastVersion>> byDay = new TreeMap<>(Comparator.reverseOrder());
        Places.versions(
                        directory.facts(),
                        series.place(),
                        series.counts().buckets().unit())
                .forEach(one -> byDay.computeIfAbsent(one.made(), day -> new ArrayList<>())
                        .add(one));
        return byDay.entrySet().stream()
                .limit(EARLIER)
                .map(day -> {
                    day.getValue().sort(Comparator.comparing(ForecastFacts.ForecastVersion::fromDate));
                    return new SeriesView.EarlierForecast(
                            day.getKey(),
                            day.getValue().get(0).fromDate(),
                            day.getValue().stream()
                                    .map(ForecastFacts.ForecastVersion::adjusted)
                                    .toList());
                })
                .toList();
    }

    static BigDecimal rounded(double quantity, int decimals) {
        return BigDecimal.valueOf(quantity).setScale(decimals, RoundingMode.HALF_UP);
    }
}
