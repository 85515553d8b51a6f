package rescient.server.commands;

import java.time.Instant;
import java.util.UUID;
import java.util.function.Supplier;
import rescient.dataset.Facts;
import rescient.server.access.SignedIn;
import rescient.server.planning.CompanyMoment;
import rescient.server.planning.PlanVersion;

/**
 * The moment in which a command is carried out; nobody else changes facts meanwhile.
 *
 * @param key of the command
 * @param company as it is
 * @param planned waits for its plan
 */
public record Turn(SignedIn who, UUID key, CompanyMoment company, Supplier<PlanVersion> planned, Instant now) {
    /** The plan of the company as it is; whoever needs the facts alone does not ask for it. */
    public PlanVersion version() {
        return planned.get();
    }

    /** The company's facts as they are. */
    public Facts facts() {
        return company.directory().facts();
    }
}
