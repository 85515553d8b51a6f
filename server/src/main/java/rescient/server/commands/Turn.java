package rescient.server.commands;

import java.time.Instant;
import java.util.UUID;
import rescient.server.access.SignedIn;
import rescient.server.planning.PlanVersion;

/**
 * The moment in which a command is carried out; nobody else changes facts meanwhile.
 *
 * @param key of the command
 * @param version the plan of the facts as they are
 */
public record Turn(SignedIn who, UUID key, PlanVersion version, Instant now) {}
