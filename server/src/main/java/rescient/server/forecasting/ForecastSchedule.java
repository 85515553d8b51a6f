package rescient.server.forecasting;

import java.time.DayOfWeek;
import java.time.Duration;
import java.time.Instant;
import java.time.LocalDate;
import java.time.ZoneId;
import java.time.temporal.TemporalAdjusters;
import java.util.Optional;
import org.springframework.stereotype.Component;
import rescient.server.planning.LivePlan;
import rescient.server.platform.JobProblem;
import rescient.server.platform.Nullable;
import rescient.server.platform.SharedWork;
import rescient.server.platform.Today;

/** Begins a run over all series when the setting {@value #KEY} says so: daily, weekly (on Mondays) or monthly (on the first). */
@Component
class ForecastSchedule implements SharedWork {
    static final String KEY = "forecast_run";
    private static final Duration EVERY = Duration.ofMinutes(5);

    private final LivePlan live;
    private final ForecastRuns runs;
    private final Today today;

    ForecastSchedule(LivePlan live, ForecastRuns runs, Today today) {
        this.live = live;
        this.runs = runs;
        this.today = today;
    }

    @Override
    public String name() {
        return "forecast-schedule";
    }

    @Override
    public Duration every() {
        return EVERY;
    }

    @Override
    public void run() {
        LocalDate due = due(live.current().directory().facts().setting(KEY), day(today.now()));
        if (due == null) {
            return;
        }
        Optional<LocalDate> last = runs.lastScheduled().map(run -> day(run.begunAt()));
        if (last.isEmpty() || last.get().isBefore(due)) {
            try {
                runs.begin(ForecastRuns.SCHEDULE);
            } catch (JobProblem e) {
                // somebody has begun one: the next time will do
                return;
            }
        }
    }

    /** Of the calendar, also while the company stands at a day of its own. */
    private static LocalDate day(Instant at) {
        return at.atZone(ZoneId.systemDefault()).toLocalDate();
    }

    /** The last day on which one was due; null: none is scheduled. */
    @Nullable
    static LocalDate due(@Nullable String schedule, LocalDate day) {
        return switch (schedule == null ? "" : schedule) {
            case "daily" -> day;
            case "weekly" -> day.with(TemporalAdjusters.previousOrSame(DayOfWeek.MONDAY));
            case "monthly" -> day.withDayOfMonth(1);
            default -> null;
        };
    }
}
