package rescient.server.whatif;

import java.time.LocalDate;
import rescient.server.platform.JobProblem;
import rescient.server.platform.Nullable;

/**
 * The time in which something is otherwise.
 *
 * @param from first day, null: always; {@code to}: last day, null: from then on
 */
record Span(@Nullable LocalDate from, @Nullable LocalDate to) {
    boolean holds(LocalDate day) {
        return (from == null || !day.isBefore(from)) && (to == null || !day.isAfter(to));
    }

    boolean said() {
        return from != null || to != null;
    }

    /** @throws JobProblem 422 if it has no beginning or no end, or ends before it begins */
    void complete() {
        if (from == null || to == null) {
            throw Assumed.wrong("Say from which day to which", from == null ? "from" : "to");
        }
        if (to.isBefore(from)) {
            throw Assumed.wrong("The last day lies before the first", "to");
        }
    }

    /** {@code  from 2026-12-01 to 2026-12-14}. */
    String words() {
        return (from == null ? "" : " from " + from) + (to == null ? "" : " to " + to);
    }
}
