package rescient.core.compare;

import java.util.ArrayDeque;
import java.util.BitSet;
import java.util.Deque;
import rescient.core.plan.Plan;
import rescient.core.snapshot.Network;
import rescient.core.snapshot.Snapshot;

/**
 * What a change at one stock point can touch: its own planned orders and those of all stock points below it; and the dates
 * of customer orders for it and for all that is above it.
 */
public final class Downstream {
    private final Snapshot snapshot;
    private final BitSet below;

    private Downstream(Snapshot snapshot, BitSet below) {
        this.snapshot = snapshot;
        this.below = below;
    }

    /** From a stock point downwards; nothing if the plan does not know it. */
    public static Downstream of(Plan plan, String item, String site) {
        Snapshot snapshot = plan.snapshot();
        Network network = snapshot.network;
        BitSet reached = new BitSet();
        Deque<Integer> open = new ArrayDeque<>();
        int from = snapshot.pointOf(item, site);
        if (from >= 0) {
            reached.set(from);
            open.add(from);
        }
        while (!open.isEmpty()) {
            int at = open.poll();
            for (int e = network.edgeStart[at]; e < network.edgeStart[at + 1]; e++) {
                int to = network.edgeTo[e];
                if (!reached.get(to)) {
                    reached.set(to);
                    open.add(to);
                }
            }
        }
        return new Downstream(snapshot, reached);
    }

    /** Whether a stock point is the one it goes from or lies below it. */
    public boolean holds(String item, String site) {
        int p = snapshot.pointOf(item, site);
        return p >= 0 && below.get(p);
    }
}
