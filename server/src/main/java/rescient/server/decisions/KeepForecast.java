package rescient.server.decisions;

import jakarta.validation.constraints.Max;
import jakarta.validation.constraints.Min;
import jakarta.validation.constraints.Size;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import rescient.core.company.FactEdit;
import rescient.core.company.ForecastMethod;
import rescient.core.company.PeriodUnit;
import rescient.core.company.UnfitException;
import rescient.core.forecast.Buckets;
import rescient.core.forecast.Choice;
import rescient.core.forecast.DemandSeries;
import rescient.core.forecast.Forecast;
import rescient.core.forecast.ForecastKeeping;
import rescient.core.forecast.Forecaster;
import rescient.core.forecast.Shares;
import rescient.core.forecast.Together;
import rescient.dataset.FactChange;
import rescient.dataset.Facts;
import rescient.server.access.Rights;
import rescient.server.planning.SeriesKey;
import rescient.server.platform.Asked;
import rescient.server.platform.Nullable;

/**
 * The forecast of an item at a site goes into a forecast set, or those of several.
 *
 * @param set a new one, or one that there is
 * @param series several by their keys, in the place of {@code item} and {@code site}; what is several itself is split over its
 *     items by their shares
 * @param bucket null: months
 * @param periods buckets that are kept; null: {@value #USUAL}
 * @param method null: as it is chosen for the item, or else the one with the least error
 */
record KeepForecast(
        @Nullable @Size(max = LONGEST) String set,
        @Nullable @Size(max = LONGEST) String item,
        @Nullable @Size(max = LONGEST) String site,
        @Nullable @Size(max = KeepForecast.MOST_SERIES) List<@Size(max = 2 * LONGEST) String> series,
        @Nullable PeriodUnit bucket,
        @Nullable @Min(1) @Max(KeepForecast.MOST_PERIODS) Integer periods,
        @Nullable ForecastMethod method)
        implements PlanCommand {
    static final int MOST_PERIODS = 400;
    static final int MOST_SERIES = 50_000;
    private static final int USUAL = 12;

    /** What goes into the set of one item at one site. */
    private record Kept(DemandSeries series, double[] quantities, ForecastMethod method) {}

    @Override
    public void propose(Proposing desk) {
        Facts facts = desk.version().directory().facts();
        Map<DemandSeries.Place, Kept> kept = new HashMap<>();
        List<SeriesKey> keys = keys();
        List<FactEdit<?>> edits = new ArrayList<>();
        int done = 0;
        for (SeriesKey key : keys) {
            Asked.watch().planned(done++, keys.size());
            for (Kept one : kept(desk, key)) {
                DemandSeries.Place place = one.series.place();
                if (kept.putIfAbsent(place, one) == null) {
                    edits.addAll(new ForecastKeeping(facts, set, place.item(), place.site())
                            .edits(
                                    one.series,
                                    one.quantities,
                                    one.method,
                                    desk.version().today()));
                    desk.proposal().point(place.item(), place.site());
                }
            }
        }
        if (kept.isEmpty()) {
            throw new UnfitException("Nothing of " + keys.get(0).code() + " was ever shipped from there", "item");
        }
        desk.proposal()
                .changes
                .addAll(PlanningRows.checked(facts, FactChange.of(edits), "This cannot be the forecast"));
        desk.say(sentence(kept));
    }

    private String sentence(Map<DemandSeries.Place, Kept> kept) {
        if (kept.size() > 1) {
            return "Forecast " + kept.size() + " series in " + set.strip();
        }
        Kept one = kept.values().iterator().next();
        return "Forecast " + one.series.place().item() + " by "
                + one.method.title().toLowerCase(Locale.ROOT) + " in " + set.strip();
    }

    private List<Kept> kept(Proposing desk, SeriesKey key) {
        Facts facts = desk.version().directory().facts();
        Buckets buckets = new Buckets(bucket == null ? PeriodUnit.MONTH : bucket);
        int ahead = periods == null ? USUAL : periods;
        Choice choice = method == null ? null : Choice.of(method);
        if (key.by() == null) {
            new ForecastKeeping(facts, set, key.code(), key.site());
            DemandSeries one =
                    DemandSeries.of(facts, key.place(), buckets, desk.version().today());
            if (!one.hasHistory()) {
                return List.of();
            }
            Forecast forecast = one.forecast(ahead, choice, Forecaster::of);
            return List.of(new Kept(one, forecast.mean(), forecast.method()));
        }
        if (key.by() == Together.By.CUSTOMER) {
            throw new UnfitException(
                    "A forecast is of items and sites, not of customers: what a customer takes can be looked at only",
                    "series");
        }
        Together together =
                Together.of(facts, key.by(), key.code(), buckets, desk.version().today());
        if (together == null) {
            return List.of();
        }
        Forecast forecast = together.forecast(ahead, choice, Forecaster::of);
        double[] shares = together.shares();
        List<Kept> split = new ArrayList<>();
        for (int i = 0; i < shares.length; i++) {
            split.add(new Kept(
                    together.members().get(i),
                    Shares.part(forecast.mean(), shares[i], together.weights()[i]),
                    forecast.method()));
        }
        return split;
    }

    private List<SeriesKey> keys() {
        return series == null || series.isEmpty()
                ? List.of(new SeriesKey(null, item, site))
                : series.stream().distinct().map(SeriesKey::of).toList();
    }

    @Override
    public boolean permitted(Rights rights, List<String> sources) {
        return rights.forecastSets();
    }
}
