package rescient.server.decisions;

import rescient.server.access.SignedIn;
import rescient.server.commands.Command;

/** A command that is answered with the decision it made or took back; a repeated one with that decision as it is now. */
sealed interface DecisionCommand extends Command<Decision> permits Keeping, ChangingFacts, TakingBack {
    DecisionLog log();

    @Override
    default String kept(Decision answer) {
        return Long.toString(answer.id());
    }

    @Override
    default Decision answered(SignedIn who, String kept) {
        return log().of(who, Long.parseLong(kept)).orElseThrow();
    }
}
