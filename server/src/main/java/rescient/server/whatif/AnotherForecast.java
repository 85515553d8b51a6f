package rescient.server.whatif;

import jakarta.validation.constraints.Size;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import rescient.dataset.Dataset;
import rescient.dataset.Row;
import rescient.dataset.Table;
import rescient.server.planning.Directory;
import rescient.server.platform.Nullable;

/**
 * The plan uses another forecast.
 *
 * @param set null: none
 */
record AnotherForecast(@Nullable @Size(max = LONGEST) String set) implements Assumption {
    @Override
    public Dataset apply(Assumed company) {
        if (set != null && company.dataset().rows("forecasts").stream().noneMatch(r -> set.equals(r.text("set")))) {
            throw Assumed.wrong("There is no forecast set " + set, "set");
        }
        List<Row> settings = new ArrayList<>(company.dataset().rows("settings"));
        settings.removeIf(row -> "forecast_set".equals(row.text("key")));
        if (set != null) {
            settings.add(Row.of(Table.named("settings"), Map.of("key", "forecast_set", "value", set)));
        }
        return company.dataset().with("settings", settings);
    }

    @Override
    public String sentence(Directory directory) {
        return set == null ? "No forecast" : "The forecast " + set;
    }
}
