package rescient.server.whatif;

import jakarta.validation.constraints.Size;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.TreeMap;
import rescient.core.company.BasicFacts;
import rescient.core.company.ItemFacts;
import rescient.core.company.UnfitException;
import rescient.dataset.FactChange;
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
    public List<FactChange> apply(Assumed company) {
        company.facts().known(ItemFacts.Item.class, item, "item");
        company.facts().known(BasicFacts.Site.class, site, "site");
        if (fields == null || fields.isEmpty()) {
            throw new UnfitException("Say which planning data are to be otherwise", "fields");
        }
        return List.of(PlanningRows.change(company.facts(), item, site, fields));
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
