package rescient.server.decisions;

import jakarta.validation.constraints.Size;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import org.springframework.http.HttpStatus;
import rescient.dataset.FactChange;
import rescient.server.access.Rights;
import rescient.server.platform.JobProblem;
import rescient.server.platform.Nullable;

/**
 * How a stock point is planned.
 *
 * @param fields planning data by column of the dataset; empty takes one out
 */
record PlanOtherwise(
        @Nullable @Size(max = LONGEST) String item,
        @Nullable @Size(max = LONGEST) String site,
        @Nullable @Size(max = 50) Map<String, @Size(max = LONGEST) String> fields)
        implements PlanCommand {
    @Override
    public void propose(Proposing desk) {
        if (item == null || site == null || fields == null || fields.isEmpty()) {
            throw new JobProblem(HttpStatus.UNPROCESSABLE_ENTITY, "Say which planning data are to be otherwise");
        }
        Proposal proposal = desk.proposal();
        FactChange change = PlanningRows.change(desk.version().directory().facts(), item, site, fields);
        proposal.planning = change.after().get(0);
        proposal.changes.add(change);
        proposal.point(item, site);
        List<String> words = new ArrayList<>();
        fields.forEach((name, value) ->
                words.add(name.replace('_', ' ') + " " + (value == null || value.isBlank() ? "none" : value.strip())));
        desk.say("Planned " + item + " otherwise: " + String.join(", ", words));
    }

    @Override
    public boolean permitted(Rights rights, List<String> sources) {
        return rights.planningData();
    }
}
