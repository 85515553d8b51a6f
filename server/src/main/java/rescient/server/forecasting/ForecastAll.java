package rescient.server.forecasting;

import java.math.BigDecimal;
import java.math.RoundingMode;
import java.util.ArrayList;
import java.util.Collection;
import java.util.Comparator;
import java.util.List;
import java.util.Locale;
import java.util.concurrent.atomic.AtomicBoolean;
import java.util.concurrent.atomic.AtomicInteger;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.springframework.stereotype.Component;
import rescient.core.base.Parallel;
import rescient.core.company.ForecastFacts;
import rescient.core.company.ForecastMethod;
import rescient.core.company.PeriodUnit;
import rescient.core.forecast.DemandSeries;
import rescient.server.planning.LivePlan;
import rescient.server.planning.PlanVersion;
import rescient.server.platform.Nullable;
import rescient.server.platform.SharedTask;

/** Forecasts all series and says which come to something else than the set in use says, and why. */
@Component
class ForecastAll implements SharedTask {
    private static final Logger LOG = LoggerFactory.getLogger(ForecastAll.class);
    private static final int MONEY = 2;

    /** After so many series it is told how far it is. */
    private static final int STEP = 100;

    private final LivePlan live;
    private final ForecastSeriesList list;
    private final ForecastRuns runs;

    ForecastAll(LivePlan live, ForecastSeriesList list, ForecastRuns runs) {
        this.live = live;
        this.list = list;
        this.runs = runs;
    }

    @Override
    public String name() {
        return ForecastRuns.TASK;
    }

    @Override
    public void run(long id) {
        try {
            if (!forecast(id, live.current())) {
                runs.ended(id, "cancelled", null, 0);
            }
        } catch (RuntimeException e) {
            LOG.warn("Forecasting all series failed", e);
            runs.ended(id, "failed", e.getMessage() == null ? e.toString() : e.getMessage(), 0);
        }
    }

    private boolean forecast(long id, PlanVersion version) {
        Collection<DemandSeries.Place> places = Places.all(version.directory().facts());
        List<DemandSeries.Place> all = List.copyOf(places);
        runs.running(id, all.size(), Places.set(version.directory().facts()));
        ForecastSeriesList.SeriesRow[] rows = new ForecastSeriesList.SeriesRow[all.size()];
        AtomicInteger done = new AtomicInteger();
        AtomicBoolean ending = new AtomicBoolean(runs.at(id, 0));
        Parallel.each(all.size(), i -> {
            if (ending.get()) {
                return;
            }
            rows[i] = list.row(version, all.get(i));
            int so = done.incrementAndGet();
            if (so % STEP == 0 && runs.at(id, so)) {
                ending.set(true);
            }
        });
        if (ending.get() || runs.at(id, done.get())) {
            return false;
        }
        runs.found(id, changed(version, rows));
        return true;
    }

    private static List<ForecastRuns.Found> changed(PlanVersion version, ForecastSeriesList.SeriesRow[] rows) {
        List<ForecastRuns.Found> found = new ArrayList<>();
        for (ForecastSeriesList.SeriesRow row : rows) {
            boolean same = row.kept() != null && row.kept().compareTo(row.nextYear()) == 0;
            if (row.method() != null && !same) {
                found.add(found(version, row));
            }
        }
        found.sort(Comparator.comparing((ForecastRuns.Found one) ->
                        one.money() == null ? BigDecimal.ZERO : one.money().abs())
                .reversed()
                .thenComparing(ForecastRuns.Found::series));
        return found;
    }

    private static ForecastRuns.Found found(PlanVersion version, ForecastSeriesList.SeriesRow row) {
        BigDecimal before = row.kept() == null ? BigDecimal.ZERO : row.kept();
        BigDecimal each = Places.each(version.directory(), row.item());
        BigDecimal money = each == null
                ? null
                : row.nextYear().subtract(before).multiply(each).setScale(MONEY, RoundingMode.HALF_UP);
        return new ForecastRuns.Found(
                row.key(), row.method().code(), row.kept(), row.nextYear(), money, why(version, row));
    }

    private static String why(PlanVersion version, ForecastSeriesList.SeriesRow row) {
        if (row.kept() == null) {
            return "nothing is kept of it yet";
        }
        ForecastFacts.ForecastVersion last = last(version, row);
        if (last == null) {
            return "what is kept was not forecast here";
        }
        ForecastMethod method = last.method();
        String since = last.made().equals(version.today()) ? "" : ", and what came since " + last.made();
        return method == row.method() || method == null
                ? last.made().equals(version.today())
                        ? "its history or how it is made was changed"
                        : "what came since " + last.made()
                : "by " + row.methodTitle().toLowerCase(Locale.ROOT) + " instead of "
                        + method.title().toLowerCase(Locale.ROOT) + since;
    }

    @Nullable
    private static ForecastFacts.ForecastVersion last(PlanVersion version, ForecastSeriesList.SeriesRow row) {
        return Places.versions(
                        version.directory().facts(), new DemandSeries.Place(row.item(), row.site()), PeriodUnit.MONTH)
                .stream()
                .max(Comparator.comparing(ForecastFacts.ForecastVersion::made))
                .orElse(null);
    }
}
