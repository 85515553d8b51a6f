package rescient.server.decisions;

import java.util.ArrayList;
import java.util.List;
import java.util.function.LongConsumer;
import org.springframework.http.HttpStatus;
import rescient.dataset.FactChange;
import rescient.server.access.SignedIn;
import rescient.server.commands.Outcome;
import rescient.server.commands.Turn;
import rescient.server.planning.Words;
import rescient.server.platform.Cause;
import rescient.server.platform.JobProblem;
import rescient.server.tables.FactRows;

/** Keeps what a {@link FactsCommand} comes to. */
record ChangingFacts(DecisionLog log, FactRows facts, FactsCommand wanted) implements DecisionCommand {
    @Override
    public String kind() {
        return wanted.kind();
    }

    @Override
    public Object content() {
        return wanted.content();
    }

    @Override
    public void permit(SignedIn who) {
        if (!wanted.permitted(who.role().rights())) {
            throw new JobProblem(
                    HttpStatus.FORBIDDEN,
                    "This is for planners to decide; you are signed in as " + Words.word(who.role()));
        }
    }

    @Override
    public LongConsumer progress() {
        return wanted.progress();
    }

    @Override
    public Outcome<Decision> carryOut(Turn turn) {
        List<FactChange> changes = wanted.otherwise(turn.version());
        if (changes.isEmpty()) {
            throw new JobProblem(HttpStatus.UNPROCESSABLE_ENTITY, "Nothing would be otherwise");
        }
        facts.keep(turn.facts(), changes, progress());
        List<FactChange> all = new ArrayList<>(changes);
        all.addAll(wanted.besides());
        long id = log.add(turn, kind(), wanted.sentence(), List.of());
        return new Outcome<>(
                log.made(turn.who(), id, List.of()),
                new Cause(wanted.from(), turn.who().name(), wanted.sentence()),
                all);
    }
}
