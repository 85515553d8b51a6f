package rescient.server.decisions;

import java.time.Instant;
import java.util.List;
import rescient.server.platform.Nullable;

/**
 * A decision that was kept.
 *
 * @param orders keys of the orders that came out
 * @param about keys of the orders it was about
 */
public record Decision(
        long id,
        String name,
        boolean mine,
        Instant madeAt,
        String kind,
        String sentence,
        List<String> orders,
        List<String> about,
        @Nullable Instant undoneAt,
        @Nullable String undoneBy) {}
