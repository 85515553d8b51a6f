package rescient.server.decisions;

import jakarta.validation.constraints.Max;
import jakarta.validation.constraints.Min;
import jakarta.validation.constraints.Size;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import rescient.core.company.FactEdit;
import rescient.core.company.PeriodUnit;
import rescient.core.company.UnfitException;
import rescient.core.forecast.Buckets;
import rescient.core.forecast.Forecast;
import rescient.core.forecast.ForecastKeeping;
import rescient.core.forecast.Forecaster;
import rescient.core.forecast.Method;
import rescient.core.forecast.SalesHistory;
import rescient.dataset.FactChange;
import rescient.dataset.Facts;
import rescient.server.access.Rights;
import rescient.server.planning.OrderKey;
import rescient.server.platform.Asked;
import rescient.server.platform.Nullable;

/**
 * The forecast of an item at a site goes into a forecast set, or those of several.
 *
 * @param set a new one, or one that there is
 * @param series several items at sites, by their keys, in the place of {@code item} and {@code site}
 * @param bucket null: months
 * @param periods buckets that are kept; null: {@value #USUAL}
 * @param method null: the one with the least error
 */
record KeepForecast(
        @Nullable @Size(max = LONGEST) String set,
        @Nullable @Size(max = LONGEST) String item,
        @Nullable @Size(max = LONGEST) String site,
        @Nullable @Size(max = KeepForecast.MOST_SERIES) List<@Size(max = 2 * LONGEST) String> series,
        @Nullable PeriodUnit bucket,
        @Nullable @Min(1) @Max(KeepForecast.MOST_PERIODS) Integer periods,
        @Nullable Method method)
        implements PlanCommand {
    static final int MOST_PERIODS = 400;
    static final int MOST_SERIES = 5000;
    private static final int USUAL = 12;

    private record Place(String item, String site) {}

    @Override
    public void propose(Proposing desk) {
        Facts facts = desk.version().directory().facts();
        Buckets buckets = new Buckets(bucket == null ? PeriodUnit.MONTH : bucket);
        List<FactEdit<?>> edits = new ArrayList<>();
        List<Place> places = places();
        Forecast last = null;
        String lastItem = null;
        int kept = 0;
        for (Place place : places) {
            ForecastKeeping keeping = new ForecastKeeping(facts, set, place.item, place.site);
            SalesHistory history = SalesHistory.shipped(
                            facts,
                            place.item,
                            place.site,
                            buckets,
                            desk.version().today())
                    .corrected(SalesHistory.corrections(facts, place.item, place.site));
            if (history.values().length == 0) {
                continue;
            }
            Asked.watch().planned(kept, places.size());
            last = Forecaster.of(history.values(), buckets.season(), periods == null ? USUAL : periods, method);
            edits.addAll(keeping.edits(buckets, history.next(), last.mean()));
            desk.proposal().point(place.item, place.site);
            lastItem = place.item;
            kept++;
        }
        if (last == null) {
            throw new UnfitException("Nothing of " + places.get(0).item + " was ever shipped from there", "item");
        }
        desk.proposal()
                .changes
                .addAll(PlanningRows.checked(facts, FactChange.of(edits), "This cannot be the forecast"));
        desk.say(
                kept == 1
                        ? "Forecast " + lastItem + " by "
                                + last.method().title().toLowerCase(Locale.ROOT) + " in " + set.strip()
                        : "Forecast " + kept + " series in " + set.strip());
    }

    private List<Place> places() {
        if (series == null || series.isEmpty()) {
            return List.of(new Place(item, site));
        }
        return series.stream()
                .distinct()
                .map(key -> {
                    int end = key.indexOf('~');
                    if (end < 0) {
                        throw new UnfitException("There is no series " + key, "series");
                    }
                    return new Place(OrderKey.decoded(key.substring(0, end)), OrderKey.decoded(key.substring(end + 1)));
                })
                .toList();
    }

    @Override
    public boolean permitted(Rights rights, List<String> sources) {
        return rights.forecastSets();
    }
}
