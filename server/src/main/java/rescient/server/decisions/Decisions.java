package rescient.server.decisions;

import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.UUID;
import java.util.stream.Collectors;
import org.springframework.stereotype.Service;
import rescient.server.access.SignedIn;
import rescient.server.commands.CommandPipeline;
import rescient.server.planning.LivePlan;
import rescient.server.platform.JobProblem;
import rescient.server.platform.ToldChanges;
import rescient.server.tables.DeskRows;
import rescient.server.tables.FactRows;

/** Decisions on the plan: seen before they are kept, kept whole or not at all, and taken back until the order is released. */
@Service
public class Decisions {
    private final LivePlan live;
    private final CommandPipeline pipeline;
    private final DecisionLog log;
    private final DeskRows desk;
    private final FactRows facts;
    private final DocumentNumbers numbers;
    private final ToldChanges told;
    /** What decisions change besides the company, by table. */
    private final Map<String, TakenBack> elsewhere;

    Decisions(
            LivePlan live,
            CommandPipeline pipeline,
            DecisionLog log,
            DeskRows desk,
            FactRows facts,
            DocumentNumbers numbers,
            ToldChanges told,
            List<TakenBack> elsewhere) {
        this.live = live;
        this.pipeline = pipeline;
        this.log = log;
        this.desk = desk;
        this.facts = facts;
        this.numbers = numbers;
        this.told = told;
        this.elsewhere = elsewhere.stream().collect(Collectors.toMap(TakenBack::table, e -> e));
    }

    Consequence preview(PlanCommand command) {
        return Consequence.of(Proposing.look(desk, live.current(), command));
    }

    /**
     * Keeps a decision.
     *
     * @param key repeated after a lost connection, it does nothing and answers the same
     * @throws JobProblem 409 if the plan no longer has an order, 422 if it cannot be, 403 if this person may not
     */
    Decision keep(SignedIn who, UUID key, PlanCommand command) {
        return pipeline.carryOut(who, key, new Keeping(log, desk, facts, numbers, command));
    }

    /**
     * Makes other facts of the company's, as one decision that can be taken back.
     *
     * @throws JobProblem 409 if this command was carried out with another content, 422 if nothing would be otherwise, 403
     *     if this person may not
     */
    public Decision change(SignedIn who, UUID key, FactsCommand command) {
        return pipeline.carryOut(who, key, new ChangingFacts(log, facts, command));
    }

    /** What came of a command that was carried out before, whatever else is known of it here. */
    public Optional<Decision> carriedOut(SignedIn who, UUID key) {
        return log.ofCommand(who, key);
    }

    /** The latest decisions of everybody, newest first. */
    List<Decision> latest(SignedIn who) {
        return log.latest(who);
    }

    /**
     * Takes a decision back; one that is taken back stays so.
     *
     * @throws JobProblem 409 if what it changed has changed since, or its order has been released
     */
    Decision undo(SignedIn who, long id) {
        return pipeline.carryOut(who, UUID.randomUUID(), new TakingBack(log, facts, told, elsewhere, id));
    }
}
