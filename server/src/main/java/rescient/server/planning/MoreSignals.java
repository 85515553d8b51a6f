package rescient.server.planning;

import java.util.List;
import java.util.Optional;

/** What wants a person beside what the plan itself says: stands with the plan's signals, as one to look at. */
public interface MoreSignals {
    /** Those of a plan's company, the most urgent first. */
    List<SignalView> of(PlanVersion version);

    /** Why one is raised; empty if it is none of these, or no longer is. */
    Optional<Slip> why(PlanVersion version, String kind, String item, String site);
}
