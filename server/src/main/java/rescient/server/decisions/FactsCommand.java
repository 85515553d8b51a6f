package rescient.server.decisions;

import java.util.List;
import java.util.function.LongConsumer;
import rescient.dataset.FactChange;
import rescient.server.access.Rights;
import rescient.server.planning.PlanVersion;
import rescient.server.platform.Cause;

/** Something that makes other facts of the company's, kept as one decision that can be taken back. */
public interface FactsCommand {
    /** Under which it stands in the audit. */
    String kind();

    /** What tells one content of the command from another; it becomes JSON. */
    Object content();

    /** What was done, in the past tense. */
    String sentence();

    /** Where the changes come from. */
    Cause.Kind from();

    boolean permitted(Rights rights);

    /**
     * What becomes of the company as it is.
     *
     * @throws rescient.server.platform.JobProblem if it cannot be
     */
    List<FactChange> otherwise(PlanVersion present);

    /** Is told how many rows were kept so far, and may throw to end it. */
    default LongConsumer progress() {
        return rows -> {};
    }

    /** What else it changes beside the company, in the same transaction: does it and says it; {@link TakenBack} puts it back. */
    default List<FactChange> besides() {
        return List.of();
    }
}
