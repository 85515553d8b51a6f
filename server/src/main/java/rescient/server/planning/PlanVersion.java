package rescient.server.planning;

import java.time.Instant;
import java.time.LocalDate;
import rescient.core.Plan;

/**
 * A complete plan with the names that belong to it.
 *
 * @param number counts the plans since the server started
 * @param revision the company's revision it was made from
 * @param tookMillis reading and calculating
 */
public record PlanVersion(
        long number,
        long revision,
        Instant madeAt,
        long tookMillis,
        LocalDate today,
        LocalDate horizonEnd,
        String company,
        boolean demo,
        Plan plan,
        Directory directory) {}
