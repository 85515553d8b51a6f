package rescient.server.decisions;

import java.util.List;
import java.util.Map;
import java.util.stream.Collectors;
import org.springframework.http.HttpStatus;
import rescient.server.access.SignedIn;
import rescient.server.commands.Outcome;
import rescient.server.commands.Turn;
import rescient.server.platform.Cause;
import rescient.server.platform.JobProblem;

/**
 * Takes a decision back.
 *
 * @param elsewhere what decisions change besides the company, by table
 */
record TakingBack(DecisionLog log, KeptRows rows, Map<String, TakenBack> elsewhere, long id)
        implements DecisionCommand {
    @Override
    public String kind() {
        return "TAKE_BACK";
    }

    @Override
    public Object content() {
        return Map.of("decision", id);
    }

    /** Whoever decided takes it back, and those who may take back what others decided. */
    @Override
    public void permit(SignedIn who) {
        Decision decision = find(who);
        if (decision.undoneAt() == null
                && !decision.mine()
                && !who.role().rights().undoOthers()) {
            throw new JobProblem(HttpStatus.FORBIDDEN, "Only planners take back what others decided");
        }
    }

    private Decision find(SignedIn who) {
        return log.of(who, id).orElseThrow(() -> JobProblem.notFound("There is no such decision"));
    }

    @Override
    public Outcome<Decision> carryOut(Turn turn) {
        Decision decision = find(turn.who());
        if (decision.undoneAt() != null) {
            return Outcome.unchanged(decision);
        }
        Map<Boolean, List<Edit>> edits =
                log.edits(id).stream().collect(Collectors.partitioningBy(edit -> elsewhere.containsKey(edit.table())));
        List<Edit> done;
        try {
            done = rows.apply(edits.get(false).stream().map(Edit::reversed).toList());
        } catch (KeptRows.StaleRowsException e) {
            throw new JobProblem(
                    HttpStatus.CONFLICT,
                    "\"" + decision.sentence() + "\" cannot be taken back: "
                            + String.join(" ", e.edit().key().values()) + " has been released or changed since");
        }
        edits.get(true).forEach(edit -> elsewhere.get(edit.table()).takenBack(edit));
        log.undone(id, turn);
        return new Outcome<>(
                find(turn.who()),
                new Cause(Cause.Kind.TAKEN_BACK, turn.who().name(), "Took back: " + decision.sentence()),
                EditedRows.of(turn.version().directory().facts(), done));
    }
}
