package rescient.server.commands;

import java.util.function.LongConsumer;
import rescient.server.access.SignedIn;
import rescient.server.planning.PlanVersion;
import rescient.server.platform.JobProblem;

/**
 * Something that a person wants done to the company's facts. What is the same for all of them, {@link CommandPipeline}
 * does.
 *
 * @param <A> what is answered
 */
public interface Command<A> {
    /** Under which it stands in the audit: {@code RELEASE}. */
    String kind();

    /** What tells one content of a key from another; it becomes JSON. */
    Object content();

    /**
     * Whether this person may do it at all, before any work.
     *
     * @throws JobProblem 403 if not, with who may
     */
    void permit(SignedIn who);

    /**
     * Looks whether it can be, outside the turn of all commands, by the plan as it is.
     *
     * @throws JobProblem 422 if it cannot
     */
    default void rehearse(SignedIn who, PlanVersion present) {}

    /**
     * Does it, in its turn and in one transaction: all of it or nothing.
     *
     * @throws JobProblem 409 if what it is about is no longer so, with what changed; 422 if it cannot be; 403 if it turns out
     *     to be something that this person may not
     */
    Outcome<A> carryOut(Turn turn);

    /** Is told how many rows were kept so far, of long work, and may throw to end it. */
    default LongConsumer progress() {
        return rows -> {};
    }

    /** The answer as it is kept for a repeated command. */
    String kept(A answer);

    /** The answer to a command that was carried out before. */
    A answered(SignedIn who, String kept);
}
