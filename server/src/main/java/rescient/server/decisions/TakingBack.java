package rescient.server.decisions;

import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.stream.Collectors;
import org.springframework.http.HttpStatus;
import rescient.dataset.FactChange;
import rescient.server.access.SignedIn;
import rescient.server.commands.Outcome;
import rescient.server.commands.Turn;
import rescient.server.platform.Cause;
import rescient.server.platform.JobProblem;
import rescient.server.platform.ToldChanges;
import rescient.server.tables.FactRows;

/**
 * Takes a decision back.
 *
 * @param elsewhere what decisions change besides the company, by table
 */
record TakingBack(DecisionLog log, FactRows facts, ToldChanges told, Map<String, TakenBack> elsewhere, long id)
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
        long revision = log.revision(id)
                .orElseThrow(
                        () -> new JobProblem(
                                HttpStatus.CONFLICT,
                                "\"" + decision.sentence()
                                        + "\" cannot be taken back: what it changed was not told, as it was decided before an upgrade"));
        Map<Boolean, List<FactChange>> made = told.of(revision).stream()
                .collect(Collectors.partitioningBy(
                        change -> elsewhere.containsKey(change.table().name())));
        List<FactChange> changes = new ArrayList<>();
        made.get(false).forEach(change -> changes.add(0, change.reversed()));
        try {
            facts.keep(turn.facts(), changes);
        } catch (FactRows.StaleFactException e) {
            throw stale(decision, ToldChanges.key(e.change().any()));
        }
        for (FactChange change : made.get(true)) {
            elsewhere.get(change.table().name()).takenBack(change);
            changes.add(change.reversed());
        }
        log.undone(id, turn);
        return new Outcome<>(
                find(turn.who()),
                new Cause(Cause.Kind.TAKEN_BACK, turn.who().name(), "Took back: " + decision.sentence()),
                changes);
    }

    private static JobProblem stale(Decision decision, String what) {
        return new JobProblem(
                HttpStatus.CONFLICT,
                "\"" + decision.sentence() + "\" cannot be taken back: " + what
                        + " has been released or changed since");
    }
}
