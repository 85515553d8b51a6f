package rescient.server.whatif;

import jakarta.validation.constraints.Size;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.TreeMap;
import rescient.dataset.Dataset;
import rescient.server.decisions.PlanningRows;
import rescient.server.planning.Directory;
import rescient.server.platform.Nullable;

/**
 * A stock point is planned otherwise.
 *
 * @param fields planning data by column of the dataset; empty takes one out
 */
record PlanningOtherwise(
        @Nullable @Size(max = LONGEST) String item,
        @Nullable @Size(max = LONGEST) String site,
        @Nullable @Size(max = 50) Map<String, @Size(max = LONGEST) String> fields)
        implements Assumption {
    @Override
    public Dataset apply(Assumed company) {
        company.known("items", item, "item");
        company.known("sites", site, "site");
        if (fields == null || fields.isEmpty()) {
            throw Assumed.wrong("Say which planning data are to be otherwise", "fields");
        }
        return PlanningRows.with(company.dataset(), item, site, fields);
    }

    @Override
    public String sentence(Directory directory) {
        List<String> said = new ArrayList<>();
        new TreeMap<>(fields == null ? Map.of() : fields)
                .forEach((name, value) -> said.add(
                        name.replace('_', ' ') + " " + (value == null || value.isBlank() ? "none" : value.strip())));
        return item + ": " + String.join(", ", said);
    }
}
