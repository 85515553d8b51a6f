package rescient.server.changes;

import java.time.Instant;
import java.util.List;
import rescient.core.compare.OrderChange;
import rescient.core.compare.PlanDifference;
import rescient.server.platform.Cause;
import rescient.server.platform.Nullable;

/**
 * What one new plan changed.
 *
 * @param left how many changes of planned orders were too many to be kept
 */
record JournalEntry(List<Happened> causes, List<Order> orders, List<Late> late, int left) {
    /**
     * A cause and when it came.
     *
     * @param number of the open order that did not come, else null
     */
    record Happened(
            Instant at,
            Cause.Kind kind,
            @Nullable String name,
            String sentence,
            @Nullable String number) {
        static Happened of(Instant at, Cause cause) {
            return new Happened(at, cause.kind(), cause.name(), cause.sentence(), null);
        }
    }

    /** @param by places among the causes */
    record Order(OrderChange change, List<Integer> by) {}

    /** @param by places among the causes */
    record Late(PlanDifference.Lateness change, List<Integer> by) {}

    /** A plan that cannot be compared with one before. */
    static JournalEntry beginning(List<Happened> causes) {
        return new JournalEntry(causes, List.of(), List.of(), 0);
    }
}
