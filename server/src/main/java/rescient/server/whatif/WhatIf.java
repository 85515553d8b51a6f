package rescient.server.whatif;

import java.time.Instant;
import java.util.List;

/**
 * A what-if as it is kept.
 *
 * @param revision counts its changes
 */
record WhatIf(
        long id,
        String login,
        String owner,
        String name,
        Instant changedAt,
        long revision,
        List<Assumption> assumptions) {
    boolean belongsTo(String person) {
        return login.equals(person);
    }
}
