package rescient.server.changes;

import java.util.ArrayDeque;
import java.util.Deque;
import rescient.server.platform.Nullable;

/**
 * Steps from one plan to the next of which nothing is kept yet, each going on from where the one before ended.
 *
 * @param <P> a plan
 */
final class Backlog<P> {
    /** So many that wait are kept one by one. */
    static final int MOST_APART = 3;

    private final Deque<Step<P>> waiting = new ArrayDeque<>();

    /** @param before null: there was none */
    record Step<P>(@Nullable P before, P next) {}

    synchronized void add(@Nullable P before, P next) {
        waiting.add(new Step<>(before, next));
    }

    /**
     * The one that waits longest; where many wait, all of them as one, so that what is kept is never far behind.
     *
     * @return null: none waits
     */
    @Nullable
    synchronized Step<P> take() {
        // the first of a server is held against what another kept
        if (waiting.size() <= MOST_APART || waiting.getFirst().before == null) {
            return waiting.poll();
        }
        Step<P> all = new Step<>(waiting.getFirst().before, waiting.getLast().next);
        waiting.clear();
        return all;
    }
}
