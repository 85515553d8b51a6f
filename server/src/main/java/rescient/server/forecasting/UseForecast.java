package rescient.server.forecasting;

import java.util.List;
import java.util.Map;
import java.util.Objects;
import org.springframework.http.HttpStatus;
import rescient.dataset.FactChange;
import rescient.dataset.Row;
import rescient.dataset.Table;
import rescient.server.access.SignedIn;
import rescient.server.commands.Command;
import rescient.server.commands.Outcome;
import rescient.server.commands.Turn;
import rescient.server.platform.Cause;
import rescient.server.platform.JobProblem;
import rescient.server.platform.Nullable;

/** The plan uses another forecast set, or none. */
record UseForecast(ForecastSettings settings, ForecastSetController.ForecastChoice choice)
        implements Command<ForecastSetController.ForecastSets> {
    @Override
    public String kind() {
        return "USE_FORECAST";
    }

    @Override
    public Object content() {
        return choice;
    }

    @Override
    public void permit(SignedIn who) {
        if (!who.role().rights().forecastSets()) {
            throw new JobProblem(HttpStatus.FORBIDDEN, "Which forecast the plan uses is for planners to choose");
        }
        if (!choice.isClear()) {
            throw new JobProblem(HttpStatus.BAD_REQUEST, "Say which forecast set the plan is to use, or none")
                    .field("name");
        }
    }

    @Override
    public Outcome<ForecastSetController.ForecastSets> carryOut(Turn turn) {
        List<String> sets = settings.sets();
        String set = choice.name();
        if (set != null && !sets.contains(set)) {
            throw new JobProblem(HttpStatus.UNPROCESSABLE_ENTITY, "There is no forecast set " + set).field("name");
        }
        ForecastSetController.ForecastSets answer = new ForecastSetController.ForecastSets(set, sets);
        String before = settings.used();
        if (Objects.equals(before, set)) {
            return Outcome.unchanged(answer);
        }
        settings.use(set);
        return new Outcome<>(
                answer,
                new Cause(
                        Cause.Kind.SETTING,
                        turn.who().name(),
                        set == null ? "Plans without a forecast" : "Plans with the forecast " + set),
                List.of(FactChange.of(row(before), row(set))));
    }

    private static @Nullable Row row(@Nullable String set) {
        return set == null ? null : Row.of(Table.named("settings"), Map.of("key", ForecastSettings.KEY, "value", set));
    }

    @Override
    public String kept(ForecastSetController.ForecastSets answer) {
        return "";
    }

    @Override
    public ForecastSetController.ForecastSets answered(SignedIn who, String kept) {
        return new ForecastSetController.ForecastSets(choice.name(), settings.sets());
    }
}
