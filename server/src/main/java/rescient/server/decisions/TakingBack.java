package rescient.server.decisions;

import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.stream.Collectors;
import org.springframework.http.HttpStatus;
import rescient.dataset.FactChange;
import rescient.dataset.Facts;
import rescient.server.access.SignedIn;
import rescient.server.commands.Outcome;
import rescient.server.commands.Turn;
import rescient.server.platform.Cause;
import rescient.server.platform.JobProblem;
import rescient.server.platform.ToldChanges;

/**
 * Takes a decision back.
 *
 * @param elsewhere what decisions change besides the company, by table
 */
record TakingBack(
        DecisionLog log, KeptRows rows, FactRows facts, ToldChanges told, Map<String, TakenBack> elsewhere, long id)
        implements DecisionCommand {
    private static final Set<String> ORDERS = Set.of("open_orders", "open_order_components");

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
        Facts present = turn.version().directory().facts();
        Map<Boolean, List<Edit>> edits =
                log.edits(id).stream().collect(Collectors.partitioningBy(edit -> elsewhere.containsKey(edit.table())));
        List<FactChange> changes = new ArrayList<>(facts(edits.get(false)));
        try {
            facts.keep(present, changes);
            List<Edit> done =
                    rows.apply(edits.get(false).stream().map(Edit::reversed).toList());
            changes.addAll(EditedRows.of(present, done));
        } catch (KeptRows.StaleRowsException e) {
            throw stale(decision, String.join(" ", e.edit().key().values()));
        } catch (FactRows.StaleFactException e) {
            throw stale(decision, ToldChanges.key(e.change().any()));
        }
        edits.get(true).forEach(edit -> elsewhere.get(edit.table()).takenBack(edit));
        log.undone(id, turn);
        return new Outcome<>(
                find(turn.who()),
                new Cause(Cause.Kind.TAKEN_BACK, turn.who().name(), "Took back: " + decision.sentence()),
                changes);
    }

    /** What became of facts is read from the stream of changes; what became of orders, and all of older ones, is in the edits. */
    private List<FactChange> facts(List<Edit> edits) {
        Set<String> edited = edits.stream().map(Edit::table).collect(Collectors.toSet());
        boolean orders = edited.stream().anyMatch(table -> table.startsWith("supply_order"));
        List<FactChange> changes = new ArrayList<>();
        for (FactChange change : log.revision(id).map(told::of).orElse(List.of())) {
            String table = change.table().name();
            if (!edited.contains(table) && !(orders && ORDERS.contains(table))) {
                changes.add(0, change.reversed());
            }
        }
        return changes;
    }

    private static JobProblem stale(Decision decision, String what) {
        return new JobProblem(
                HttpStatus.CONFLICT,
                "\"" + decision.sentence() + "\" cannot be taken back: " + what
                        + " has been released or changed since");
    }
}
