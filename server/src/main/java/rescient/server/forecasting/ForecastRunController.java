package rescient.server.forecasting;

import jakarta.validation.constraints.Max;
import jakarta.validation.constraints.Min;
import java.math.BigDecimal;
import java.util.List;
import org.springframework.http.HttpStatus;
import org.springframework.security.core.annotation.AuthenticationPrincipal;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.bind.annotation.ResponseStatus;
import org.springframework.web.bind.annotation.RestController;
import rescient.core.company.ForecastMethod;
import rescient.server.access.SignedIn;
import rescient.server.planning.Directory;
import rescient.server.planning.LivePlan;
import rescient.server.planning.SeriesKey;
import rescient.server.platform.JobProblem;
import rescient.server.platform.Nullable;

/** Forecasts of all series in the background: begun, watched, ended, and what they found. */
@RestController
@RequestMapping("/api/forecast-runs")
class ForecastRunController {
    private static final int MOST = 1000;

    private final ForecastRuns runs;
    private final LivePlan live;

    ForecastRunController(ForecastRuns runs, LivePlan live) {
        this.runs = runs;
        this.live = live;
    }

    /**
     * @param runs the last ones, the latest first
     * @param schedule daily, weekly or monthly; null: they are begun by hand only
     */
    record ForecastRunsView(
            List<ForecastRuns.ForecastRun> runs, @Nullable String schedule) {}

    /**
     * A series that comes to something else than is kept.
     *
     * @param kept what the set said of the next year when it was compared; null: nothing
     * @param money what the difference is worth; null: nobody knows
     */
    record ChangedSeries(
            String key,
            String item,
            String itemName,
            String site,
            String siteName,
            String unit,
            String methodTitle,
            @Nullable BigDecimal kept,
            BigDecimal forecast,
            @Nullable BigDecimal money,
            String why) {}

    record ChangedSeriesRows(ForecastRuns.ForecastRun run, List<ChangedSeries> rows, int total) {}

    @GetMapping
    ForecastRunsView forecastRuns() {
        return new ForecastRunsView(
                runs.last(), live.current().directory().facts().setting(ForecastSchedule.KEY));
    }

    /** Begins one; it goes on when whoever began it leaves. */
    @PostMapping
    @ResponseStatus(HttpStatus.CREATED)
    ForecastRuns.ForecastRun begin(@AuthenticationPrincipal SignedIn user) {
        permit(user);
        return runs.begin(user.name());
    }

    /** Ends one that is under way; nothing of it is kept. */
    @PostMapping("/{id}/end")
    ForecastRuns.ForecastRun end(@AuthenticationPrincipal SignedIn user, @PathVariable long id) {
        permit(user);
        runs.end(id);
        return runs.one(id);
    }

    /** What one found, what is worth most first. */
    @GetMapping("/{id}/changes")
    ChangedSeriesRows changes(
            @PathVariable long id,
            @RequestParam(defaultValue = "0") @Min(0) @Max(10_000_000) int offset,
            @RequestParam(defaultValue = "1000") @Min(0) @Max(MOST) int limit) {
        Directory directory = live.current().directory();
        ForecastRuns.ForecastRun run = runs.one(id);
        return new ChangedSeriesRows(
                run,
                runs.rows(id, offset, limit).stream()
                        .map(row -> changed(directory, row))
                        .toList(),
                run.changed());
    }

    private static ChangedSeries changed(Directory directory, ForecastRuns.Found row) {
        SeriesKey key = SeriesKey.of(row.series());
        return new ChangedSeries(
                row.series(),
                key.code(),
                directory.itemName(key.code()),
                key.site(),
                directory.siteName(key.site()),
                directory.unit(key.code()),
                row.method() == null ? "" : ForecastMethod.of(row.method()).title(),
                row.kept(),
                row.forecast(),
                row.money(),
                row.why());
    }

    private static void permit(SignedIn user) {
        if (!user.role().rights().forecastSets()) {
            throw new JobProblem(HttpStatus.FORBIDDEN, "Forecasts are for planners to make");
        }
    }
}
