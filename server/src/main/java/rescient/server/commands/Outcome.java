package rescient.server.commands;

import java.util.List;
import rescient.dataset.FactChange;
import rescient.server.platform.Cause;
import rescient.server.platform.Nullable;

/**
 * What a command did.
 *
 * @param cause as it stands in Changes; null if no fact became otherwise
 * @param changes of facts, all there are
 */
public record Outcome<A>(A answer, @Nullable Cause cause, List<FactChange> changes) {
    /** Of a command after which everything is as it was. */
    public static <A> Outcome<A> unchanged(A answer) {
        return new Outcome<>(answer, null, List.of());
    }
}
