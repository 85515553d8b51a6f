package rescient.core.snapshot;

import java.util.Arrays;
import java.util.BitSet;
import java.util.stream.IntStream;
import rescient.core.base.ByPoint;
import rescient.core.base.Parallel;

/**
 * The order in which the possible dates of stock points are worked out: wave by wave, each point after all that it waits
 * for; the points of a wave do not wait for each other.
 *
 * <p>Mostly the waves are the levels of the network, the lowest first. An open order need not follow the bills of materials,
 * though: it may use an alternative item, or components that were changed since it was made, and then wait for a point of
 * its own level or above. Its point and those above it come in a later wave then.
 */
public final class DatingOrder {
    /** Orders wait for each other in a circle, so no order of their points will do. */
    public static final DatingOrder NONE = new DatingOrder(new int[1], new int[0]);

    /** Where each wave begins in the order, and one past the last. */
    private final int[] start;

    private final int[] order;
    /** Where each point stands in the order. */
    private final int[] placeOf;

    private DatingOrder(int[] start, int[] order) {
        this.start = start;
        this.order = order;
        this.placeOf = new int[order.length];
        for (int i = 0; i < order.length; i++) {
            placeOf[order[i]] = i;
        }
    }

    /** The levels of a network in which every open order waits for lower levels only. */
    static DatingOrder levels(Network network) {
        int[] waveOf = new int[network.planned()];
        for (int level = 0; level < network.levels(); level++) {
            Arrays.fill(waveOf, network.levelStart[level], network.levelStart[level + 1], network.levels() - 1 - level);
        }
        return of(waveOf, network.levels());
    }

    /**
     * As few waves as will do, whatever open orders wait for.
     *
     * @param openOrders those of each point
     * @return {@link #NONE} if orders wait for each other in a circle
     */
    static DatingOrder counted(Network network, OpenSupply[][] openOrders) {
        int n = network.planned();
        IntStream.Builder waiting = IntStream.builder();
        IntStream.Builder awaited = IntStream.builder();
        for (int p = 0; p < n; p++) {
            for (int e = network.edgeStart[p]; e < network.edgeStart[p + 1]; e++) {
                pair(p, network.edgeTo[e], n, waiting, awaited);
            }
            for (OpenSupply order : openOrders[p]) {
                for (int below : order.waitsAt()) {
                    pair(p, below, n, waiting, awaited);
                }
            }
        }
        return counted(waiting.build().toArray(), awaited.build().toArray(), n);
    }

    /** What is not planned has no dates, and nothing waits for it. */
    private static void pair(int p, int below, int planned, IntStream.Builder waiting, IntStream.Builder awaited) {
        if (below < planned) {
            waiting.add(p);
            awaited.add(below);
        }
    }

    private static DatingOrder counted(int[] waiting, int[] awaited, int n) {
        ByPoint waitFor = ByPoint.of(awaited, n);
        int[] missing = new int[n];
        for (int p : waiting) {
            missing[p]++;
        }
        int[] ready = new int[n];
        int reached = 0;
        for (int p = 0; p < n; p++) {
            if (missing[p] == 0) {
                ready[reached++] = p;
            }
        }
        int[] waveOf = new int[n];
        int last = -1;
        for (int done = 0; done < reached; done++) {
            int p = ready[done];
            last = Math.max(last, waveOf[p]);
            for (int i = waitFor.start[p]; i < waitFor.start[p + 1]; i++) {
                int above = waiting[waitFor.row[i]];
                waveOf[above] = Math.max(waveOf[above], waveOf[p] + 1);
                if (--missing[above] == 0) {
                    ready[reached++] = above;
                }
            }
        }
        return reached < n ? NONE : of(waveOf, last + 1);
    }

    private static DatingOrder of(int[] waveOf, int waves) {
        ByPoint members = ByPoint.of(waveOf, waves);
        return new DatingOrder(members.start, members.row);
    }

    public int count() {
        return start.length - 1;
    }

    /** How many points a wave has. */
    public int size(int wave) {
        return start[wave + 1] - start[wave];
    }

    /** A point of a wave, which are in their own order. */
    public int point(int wave, int i) {
        return order[start[wave] + i];
    }

    /** Puts a point, if it is planned, among those whose turn comes with its wave. */
    public void put(int p, BitSet places) {
        if (p < placeOf.length) {
            places.set(placeOf[p]);
        }
    }

    /** The points of a wave among those that were put. */
    public int[] due(int wave, BitSet places) {
        int[] due = Parallel.set(places, start[wave], start[wave + 1]);
        for (int i = 0; i < due.length; i++) {
            due[i] = order[due[i]];
        }
        return due;
    }

    /** Whether this is still the order if something of a point waits for these points, too. */
    boolean fit(int p, int[] waitsFor) {
        for (int below : waitsFor) {
            if (p < placeOf.length && below < placeOf.length && waveOf(below) >= waveOf(p)) {
                return false;
            }
        }
        return true;
    }

    private int waveOf(int p) {
        int at = Arrays.binarySearch(start, placeOf[p]);
        // a wave without points does not occur, so every start stands once
        return at >= 0 ? at : -at - 2;
    }
}
