package rescient.core.netting;

import java.util.Arrays;
import java.util.stream.IntStream;
import rescient.core.snapshot.Kits;
import rescient.core.snapshot.Snapshot;

/** The planned orders of one stock point in columns, in the order they were made; never changed once they are. */
public final class PlannedOrders {
    public static final PlannedOrders NONE =
            new PlannedOrders(new int[0], new int[0], new long[0], new long[0], null, null, null, null);

    public final int size;
    /** The first day on which one starts; {@link Integer#MAX_VALUE} if there is none. */
    public final int firstStart;

    public final int[] start;
    public final int[] due;
    public final long[] started;
    public final long[] good;
    /** The due dates before the frozen fence moved them, or null if it moved none. */
    private final int[] wantedDue;
    /** The demand that each per-order supply was made for, or -1; null if none was. */
    private final int[] forDemand;
    /** How much of each was made for that demand; what sizing added is not among it. */
    private final long[] ownPart;
    /** The day each operation of each order starts, or null without a routing. */
    final int[][] stepStart;

    PlannedOrders(
            int[] start,
            int[] due,
            long[] started,
            long[] good,
            int[] wantedDue,
            int[] forDemand,
            long[] ownPart,
            int[][] stepStart) {
        this.size = start.length;
        this.firstStart = IntStream.of(start).min().orElse(Integer.MAX_VALUE);
        this.start = start;
        this.due = due;
        this.started = started;
        this.good = good;
        this.wantedDue = wantedDue;
        this.forDemand = forDemand;
        this.ownPart = ownPart;
        this.stepStart = stepStart;
    }

    /** The due date before the frozen fence moved it. */
    public int wantedDue(int o) {
        return wantedDue == null ? due[o] : wantedDue[o];
    }

    /** Whether some were made for one demand each. */
    boolean perOrder() {
        return forDemand != null;
    }

    /** The demand a per-order supply was made for, or -1. */
    public int forDemand(int o) {
        return forDemand == null ? -1 : forDemand[o];
    }

    /** What of a per-order supply its own demand gets; 0 for other supplies. */
    long ownPart(int o) {
        return forDemand(o) < 0 ? 0 : ownPart[o];
    }

    /** The day on which an order needs what the given operation needs; its start, if that is -1. */
    public int needs(int o, int operation) {
        return operation < 0 ? start[o] : stepStart[o][operation];
    }

    /** Whether the points below see the same orders. */
    public boolean askTheSame(PlannedOrders other) {
        return Arrays.equals(start, other.start)
                && Arrays.equals(due, other.due)
                && Arrays.equals(started, other.started)
                && Arrays.deepEquals(stepStart, other.stepStart);
    }

    /** Whether order {@code o} asks for something along an edge of the network, within the horizon. */
    public boolean asks(Snapshot snapshot, int edge, int o) {
        Kits.Part part = snapshot.network.edgePart[edge];
        return part.validOn(Math.max(start[o], snapshot.today))
                && !part.quantity().isZero()
                && started[o] > 0
                && needs(o, snapshot.network.operation(edge)) <= snapshot.horizonEnd;
    }
}
