package rescient.server.decisions;

import jakarta.validation.constraints.Size;
import java.util.List;
import org.springframework.http.HttpStatus;
import rescient.core.company.FactEdit;
import rescient.core.company.MakingFacts;
import rescient.dataset.FactChange;
import rescient.server.access.Rights;
import rescient.server.platform.JobProblem;
import rescient.server.platform.Nullable;

/**
 * A line goes out of a bill of materials.
 *
 * @param item the parent
 * @param site whose stock line shows what happens
 */
record TakeOutOfBill(
        @Nullable @Size(max = LONGEST) String item,
        @Nullable @Size(max = LONGEST) String line,
        @Nullable @Size(max = LONGEST) String site)
        implements PlanCommand {
    @Override
    public void propose(Proposing desk) {
        if (item == null || line == null) {
            throw new JobProblem(HttpStatus.UNPROCESSABLE_ENTITY, "Say which line of which bill of materials goes");
        }
        Proposal proposal = desk.proposal();
        MakingFacts.BomLine gone = desk.version().directory().bills().lines(item).stream()
                .filter(bomLine -> bomLine.line().equals(line))
                .findFirst()
                .orElse(null);
        if (gone == null) {
            desk.say("Take line " + line + " out of the bill of materials of " + item);
            proposal.stale = true;
            proposal.refusals.add("The bill of materials of " + item + " has no line " + line + " any more.");
            return;
        }
        proposal.changes.addAll(FactChange.of(List.of(FactEdit.gone(gone))));
        if (site != null) {
            proposal.point(item, site);
        }
        desk.say("Took " + gone.component() + " out of the bill of materials of " + item);
    }

    @Override
    public boolean permitted(Rights rights, List<String> sources) {
        return rights.materials();
    }
}
