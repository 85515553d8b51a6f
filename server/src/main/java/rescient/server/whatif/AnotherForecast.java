package rescient.server.whatif;

import jakarta.validation.constraints.Size;
import java.util.List;
import rescient.core.company.BasicFacts;
import rescient.core.company.FactEdit;
import rescient.core.company.ForecastFacts;
import rescient.core.company.UnfitException;
import rescient.dataset.FactChange;
import rescient.server.planning.Directory;
import rescient.server.platform.Nullable;

/**
 * The plan uses another forecast.
 *
 * @param set null: none
 */
record AnotherForecast(@Nullable @Size(max = LONGEST) String set) implements Assumption {
    private static final String SETTING = "forecast_set";

    @Override
    public List<FactChange> apply(Assumed company) {
        if (set != null
                && company.facts().texts(ForecastFacts.Forecast.class, "set").noneMatch(set::equals)) {
            throw new UnfitException("There is no forecast set " + set, "set");
        }
        BasicFacts.Setting now =
                company.facts().one(BasicFacts.Setting.class, SETTING).orElse(null);
        BasicFacts.Setting next = set == null ? null : new BasicFacts.Setting(SETTING, set);
        return now == null && next == null ? List.of() : FactChange.of(List.<FactEdit<?>>of(new FactEdit<>(now, next)));
    }

    @Override
    public String sentence(Directory directory) {
        return set == null ? "No forecast" : "The forecast " + set;
    }
}
