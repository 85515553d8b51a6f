package rescient.server.decisions;

import jakarta.validation.constraints.Max;
import jakarta.validation.constraints.Min;
import jakarta.validation.constraints.Size;
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
import rescient.server.platform.Nullable;

/**
 * The forecast of an item at a site goes into a forecast set.
 *
 * @param set a new one, or one that there is
 * @param bucket null: months
 * @param periods buckets that are kept; null: {@value #USUAL}
 * @param method null: the one with the least error
 */
record KeepForecast(
        @Nullable @Size(max = LONGEST) String set,
        @Nullable @Size(max = LONGEST) String item,
        @Nullable @Size(max = LONGEST) String site,
        @Nullable PeriodUnit bucket,
        @Nullable @Min(1) @Max(KeepForecast.MOST_PERIODS) Integer periods,
        @Nullable Method method)
        implements PlanCommand {
    static final int MOST_PERIODS = 400;
    private static final int USUAL = 12;

    @Override
    public void propose(Proposing desk) {
        Facts facts = desk.version().directory().facts();
        ForecastKeeping keeping = new ForecastKeeping(facts, set, item, site);
        Buckets buckets = new Buckets(bucket == null ? PeriodUnit.MONTH : bucket);
        SalesHistory history =
                SalesHistory.shipped(facts, item, site, buckets, desk.version().today());
        if (history.values().length == 0) {
            throw new UnfitException("Nothing of " + item + " was ever shipped from there", "item");
        }
        Forecast forecast =
                Forecaster.of(history.values(), buckets.season(), periods == null ? USUAL : periods, method);
        List<FactEdit<?>> edits = keeping.edits(buckets, history.next(), forecast.mean());
        desk.proposal()
                .changes
                .addAll(PlanningRows.checked(facts, FactChange.of(edits), "This cannot be the forecast"));
        desk.proposal().point(item, site);
        desk.say("Forecast " + item + " by " + forecast.method().title().toLowerCase(Locale.ROOT) + " in "
                + set.strip());
    }

    @Override
    public boolean permitted(Rights rights, List<String> sources) {
        return rights.forecastSets();
    }
}
