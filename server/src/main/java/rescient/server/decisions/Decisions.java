package rescient.server.decisions;

import java.util.List;
import java.util.Map;
import java.util.UUID;
import java.util.function.Function;
import java.util.function.Supplier;
import java.util.stream.Collectors;
import org.springframework.stereotype.Service;
import rescient.dataset.FactChange;
import rescient.server.access.SignedIn;
import rescient.server.commands.CommandPipeline;
import rescient.server.planning.LivePlan;
import rescient.server.planning.PlanVersion;
import rescient.server.platform.JobProblem;

/** Decisions on the plan: seen before they are kept, kept whole or not at all, and taken back until the order is released. */
@Service
public class Decisions {
    private final LivePlan live;
    private final CommandPipeline pipeline;
    private final DecisionLog log;
    private final KeptRows rows;
    private final FirmedNumbers numbers;
    /** What decisions change besides the company, by table. */
    private final Map<String, TakenBack> elsewhere;

    Decisions(
            LivePlan live,
            CommandPipeline pipeline,
            DecisionLog log,
            KeptRows rows,
            FirmedNumbers numbers,
            List<TakenBack> elsewhere) {
        this.live = live;
        this.pipeline = pipeline;
        this.log = log;
        this.rows = rows;
        this.numbers = numbers;
        this.elsewhere = elsewhere.stream().collect(Collectors.toMap(TakenBack::table, e -> e));
    }

    Consequence preview(PlanCommand command) {
        return Consequence.of(Proposing.look(rows, live.current(), command));
    }

    /**
     * Keeps a decision.
     *
     * @param key repeated after a lost connection, it does nothing and answers the same
     * @throws JobProblem 409 if the plan no longer has an order, 422 if it cannot be, 403 if this person may not
     */
    Decision keep(SignedIn who, UUID key, PlanCommand command) {
        return pipeline.carryOut(who, key, new Keeping(log, rows, numbers, command));
    }

    /**
     * Keeps other rows in the place of the company's, as one decision that can be taken back.
     *
     * @param otherwise makes another company of the present one
     * @param content tells one content of the command from another
     * @param besides what else it changes: does it, in the same transaction, and says it; a {@link TakenBack} puts it back
     * @throws JobProblem 409 if this command was carried out with another content, 422 if nothing would be otherwise, 403
     *     if this person is no planner
     */
    public Decision takeOver(
            SignedIn who,
            UUID key,
            Object content,
            String sentence,
            Function<PlanVersion, List<FactChange>> otherwise,
            Supplier<Edit> besides) {
        return pipeline.carryOut(who, key, new TakingOver(log, rows, content, sentence, otherwise, besides));
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
        return pipeline.carryOut(who, UUID.randomUUID(), new TakingBack(log, rows, elsewhere, id));
    }
}
