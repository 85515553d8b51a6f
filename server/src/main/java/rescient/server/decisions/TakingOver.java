package rescient.server.decisions;

import java.util.ArrayList;
import java.util.List;
import java.util.function.Function;
import java.util.function.Supplier;
import org.springframework.http.HttpStatus;
import rescient.dataset.FactChange;
import rescient.dataset.Facts;
import rescient.server.access.SignedIn;
import rescient.server.commands.Outcome;
import rescient.server.commands.Turn;
import rescient.server.planning.PlanVersion;
import rescient.server.planning.Words;
import rescient.server.platform.Cause;
import rescient.server.platform.JobProblem;

/**
 * Keeps other rows in the place of the company's, as one decision that can be taken back.
 *
 * @param content tells one content of the command from another
 * @param otherwise what makes another company of the present one
 * @param besides what else it changes: does it, in the same transaction, and says it; a {@link TakenBack} puts it back
 */
record TakingOver(
        DecisionLog log,
        KeptRows rows,
        Object content,
        String sentence,
        Function<PlanVersion, List<FactChange>> otherwise,
        Supplier<Edit> besides)
        implements DecisionCommand {
    @Override
    public String kind() {
        return "TAKE_OVER";
    }

    @Override
    public void permit(SignedIn who) {
        if (!who.role().rights().takeOver()) {
            throw new JobProblem(
                    HttpStatus.FORBIDDEN,
                    "This is for planners to decide; you are signed in as " + Words.word(who.role()));
        }
    }

    @Override
    public Outcome<Decision> carryOut(Turn turn) {
        Facts facts = turn.version().directory().facts();
        List<Edit> edits = TableEdits.of(rows, facts, otherwise.apply(turn.version()));
        if (edits.isEmpty()) {
            throw new JobProblem(HttpStatus.UNPROCESSABLE_ENTITY, "Nothing would be otherwise");
        }
        List<Edit> done = rows.keep(edits);
        List<FactChange> changes = EditedRows.of(facts, done);
        List<Edit> all = new ArrayList<>(done);
        all.add(besides.get());
        long id = log.add(turn, kind(), sentence, List.of(), all);
        return new Outcome<>(
                log.made(turn.who(), id, List.of()),
                new Cause(Cause.Kind.DECISION, turn.who().name(), sentence),
                changes);
    }
}
