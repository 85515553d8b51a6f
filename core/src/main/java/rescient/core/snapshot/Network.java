package rescient.core.snapshot;

import java.util.ArrayDeque;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.LinkedList;
import java.util.List;
import java.util.Map;
import java.util.function.LongFunction;
import java.util.function.Predicate;
import rescient.core.base.LongIntMap;
import rescient.core.base.Parallel;
import rescient.core.base.Ratio;
import rescient.core.company.Source;

/**
 * Section 4 of the planning rules: which stock point can send demand to which, the levels that follow, and the loops.
 *
 * <p>Edges lie in columns, sorted by the upper point and in the order of its bill of materials: those of point
 * {@code p} are {@code edgeStart[p]} to {@code edgeStart[p + 1]}.
 */
public final class Network implements Cloneable {
    public StockPoint[] points;
    /** The first point of each level, and one past the last planned point. */
    public int[] levelStart;
    /** Points on a loop, in order. */
    public int[] loops;

    public int[] edgeStart;
    public int[] edgeTo;
    public int[] edgeFrom;
    public Kits.Part[] edgePart;
    /** For each point the edges that end there: {@code incoming[incomingStart[p]]} to {@code incomingStart[p + 1]}. */
    public int[] incomingStart;

    public int[] incoming;
    /** The place of each edge among those that end at its lower point. */
    public int[] edgeSlot;
    /** In the order of {@link #incoming}: where each edge begins, and how many units one unit there always needs, if whole. */
    public int[] incomingFrom;

    public long[] incomingUnits;
    /** The rank of what stands above as a number of demands; known once {@link #rank} was told of them. */
    public int[] incomingRank;

    private LongIntMap numbers;

    private Network() {}

    /** A transfer's one edge: what arrives is what leaves. */
    private static Kits.Part transferOf(StockPoint point) {
        return new Kits.Part(point.itemCode, point.item, Ratio.ONE, false, Integer.MIN_VALUE, Integer.MAX_VALUE, null);
    }

    /** A point, what it asks for, and of which points; these as keys until all points are found. */
    private record Draft(StockPoint point, long key, List<Kits.Part> parts, long[] asked, int[] below) {
        private static final long[] NOTHING = {};

        static Draft of(long key, int sites, LongFunction<StockPoint> pointFor, Kits kits) {
            StockPoint point = pointFor.apply(key);
            int site = point.phantom || point.source == Source.MAKE || point.source == Source.ASSEMBLE
                    ? point.site
                    : point.fromSite;
            boolean transfer = point.transfers();
            if (site < 0 || (!transfer && !point.phantom && !point.source.fromComponents())) {
                return new Draft(point, key, List.of(), NOTHING, new int[0]);
            }
            List<Kits.Part> parts = transfer ? List.of(transferOf(point)) : kits.components(point.itemCode);
            long[] asked = new long[parts.size()];
            for (int k = 0; k < asked.length; k++) {
                asked[k] = (long) parts.get(k).item() * sites + site;
            }
            return new Draft(point, key, parts, asked, new int[asked.length]);
        }
    }

    /**
     * @param seeds the keys of points that exist whatever the bills of materials say, each once
     * @param leftOut points that are not planned, nor those below them
     */
    static Network of(
            long[] seeds, int sites, LongFunction<StockPoint> pointFor, Kits kits, Predicate<StockPoint> leftOut) {
        Draft[] first = new Draft[seeds.length];
        Parallel.each(0, seeds.length, (from, to) -> {
            for (int i = from; i < to; i++) {
                first[i] = Draft.of(seeds[i], sites, pointFor, kits);
            }
        });
        LongIntMap found = new LongIntMap(seeds.length);
        for (int i = 0; i < seeds.length; i++) {
            found.put(seeds[i], i);
        }
        List<Draft> drafts = new ArrayList<>(Arrays.asList(first));
        for (int i = 0; i < drafts.size(); i++) {
            Draft draft = drafts.get(i);
            for (int k = 0; k < draft.asked.length; k++) {
                int known = found.get(draft.asked[k]);
                if (known < 0) {
                    known = drafts.size();
                    found.put(draft.asked[k], known);
                    drafts.add(Draft.of(draft.asked[k], sites, pointFor, kits));
                }
                draft.below[k] = known;
            }
        }
        Network network = new Network();
        network.number(drafts, found, leftOut);
        return network;
    }

    /**
     * Low-level codes by taking away, level by level, the points that nothing above can send demand to any more; within a
     * level by item and site, which is the order of the keys.
     */
    private void number(List<Draft> drafts, LongIntMap found, Predicate<StockPoint> leftOut) {
        int n = drafts.size();
        int[] waiting = new int[n];
        for (int i = 0; i < n; i++) {
            Draft draft = drafts.get(i);
            // one that waits for nothing that comes is never reached
            waiting[i] += leftOut.test(draft.point) ? 1 : 0;
            for (int b : draft.below) {
                waiting[b]++;
            }
        }
        int[] order = new int[n];
        int[] starts = new int[n + 1];
        int levels = 0;
        int done = 0;
        int reached = 0;
        for (int i = 0; i < n; i++) {
            if (waiting[i] == 0) {
                order[reached++] = i;
            }
        }
        while (done < reached) {
            int end = reached;
            byKey(order, done, end, drafts, found);
            starts[++levels] = end;
            for (; done < end; done++) {
                for (int b : drafts.get(order[done]).below) {
                    if (--waiting[b] == 0) {
                        order[reached++] = b;
                    }
                }
            }
        }
        levelStart = Arrays.copyOf(starts, levels + 1);
        for (int i = 0; i < n; i++) {
            if (waiting[i] > 0) {
                order[reached++] = i;
            }
        }
        byKey(order, done, n, drafts, found);
        int[] newNumber = new int[n];
        for (int i = 0; i < n; i++) {
            newNumber[order[i]] = i;
        }
        layOut(drafts, order, newNumber);
        loops = Loops.on(this, planned());
    }

    private static void byKey(int[] order, int from, int to, List<Draft> drafts, LongIntMap found) {
        long[] keys = new long[to - from];
        for (int i = from; i < to; i++) {
            keys[i - from] = drafts.get(order[i]).key;
        }
        Arrays.sort(keys);
        for (int i = from; i < to; i++) {
            order[i] = found.get(keys[i - from]);
        }
    }

    private void layOut(List<Draft> drafts, int[] order, int[] newNumber) {
        int n = order.length;
        points = new StockPoint[n];
        numbers = new LongIntMap(n);
        edgeStart = new int[n + 1];
        int edges = drafts.stream().mapToInt(d -> d.below.length).sum();
        edgeTo = new int[edges];
        edgeFrom = new int[edges];
        edgePart = new Kits.Part[edges];
        int e = 0;
        for (int p = 0; p < n; p++) {
            Draft draft = drafts.get(order[p]);
            points[p] = draft.point;
            numbers.put(draft.key, p);
            edgeStart[p] = e;
            for (int k = 0; k < draft.below.length; k++) {
                edgeTo[e] = newNumber[draft.below[k]];
                edgeFrom[e] = p;
                edgePart[e++] = draft.parts.get(k);
            }
        }
        edgeStart[n] = e;
        index();
    }

    /** Puts the edges in the order of their lower points. */
    private void index() {
        int n = points.length;
        int edges = edgeTo.length;
        incomingStart = new int[n + 1];
        for (int to : edgeTo) {
            incomingStart[to + 1]++;
        }
        for (int p = 0; p < n; p++) {
            incomingStart[p + 1] += incomingStart[p];
        }
        incoming = new int[edges];
        int[] at = Arrays.copyOf(incomingStart, n);
        edgeSlot = new int[edges];
        for (int i = 0; i < edges; i++) {
            edgeSlot[i] = at[edgeTo[i]] - incomingStart[edgeTo[i]];
            incoming[at[edgeTo[i]]++] = i;
        }
        incomingFrom = new int[edges];
        incomingUnits = new long[edges];
        for (int i = 0; i < edges; i++) {
            incomingFrom[i] = edgeFrom[incoming[i]];
            incomingUnits[i] = edgePart[incoming[i]].plainUnits();
        }
    }

    /** Takes the ranks of items, and of sites, which name the demands of transfers. */
    void rank(int[] itemRank, int[] siteRank) {
        incomingRank = new int[incoming.length];
        for (int i = 0; i < incoming.length; i++) {
            StockPoint above = points[incomingFrom[i]];
            incomingRank[i] = above.transfers() ? siteRank[above.site] : itemRank[above.item];
        }
    }

    /** Which operation of the upper point needs what an edge asks for, or -1 for the start of the order. */
    public int operation(int edge) {
        Routing routing = points[edgeFrom[edge]].routing;
        return routing == null || edgePart[edge].step() == null ? -1 : routing.indexOf(edgePart[edge].step());
    }

    /** This network with one point planned otherwise, which sends demand where it did before. */
    Network with(int p, StockPoint point) {
        try {
            Network other = (Network) clone();
            other.points = points.clone();
            other.points[p] = point;
            return other;
        } catch (CloneNotSupportedException e) {
            throw new AssertionError(e);
        }
    }

    /** What a point asks for, and of which points: as many of each. */
    record Asked(List<Kits.Part> parts, int[] below) {}

    /**
     * This network with other edges of some points; they must lead to planned points of lower levels. The numbers of points
     * stay, so a point may stand on a lower level than it needs to.
     */
    Network asking(Map<Integer, Asked> others, int[] itemRank, int[] siteRank) {
        Network next = with(0, points[0]);
        int edges = edgeTo.length;
        for (Map.Entry<Integer, Asked> other : others.entrySet()) {
            int p = other.getKey();
            edges += other.getValue().below.length - (edgeStart[p + 1] - edgeStart[p]);
        }
        next.edgeStart = new int[edgeStart.length];
        next.edgeTo = new int[edges];
        next.edgeFrom = new int[edges];
        next.edgePart = new Kits.Part[edges];
        int e = 0;
        for (int p = 0; p < points.length; p++) {
            next.edgeStart[p] = e;
            Asked other = others.get(p);
            int count = other == null ? edgeStart[p + 1] - edgeStart[p] : other.below.length;
            for (int k = 0; k < count; k++) {
                next.edgeTo[e] = other == null ? edgeTo[edgeStart[p] + k] : other.below[k];
                next.edgeFrom[e] = p;
                next.edgePart[e++] = other == null ? edgePart[edgeStart[p] + k] : other.parts.get(k);
            }
        }
        next.edgeStart[points.length] = e;
        next.index();
        next.rank(itemRank, siteRank);
        return next;
    }

    /** How many points are planned; the rest lie on a loop or below one. */
    public int planned() {
        return levelStart[levelStart.length - 1];
    }

    /** The level of a point; of one that is not planned, one below the last. */
    public int levelOf(int p) {
        int at = Arrays.binarySearch(levelStart, p);
        // empty levels do not occur, so every start stands once
        return at >= 0 ? at : -at - 2;
    }

    /** The level of each point; of those that are not planned, one below the last. */
    int[] levelOfPoints() {
        int[] level = new int[points.length];
        Arrays.fill(level, levels());
        for (int l = 0; l < levels(); l++) {
            Arrays.fill(level, levelStart[l], levelStart[l + 1], l);
        }
        return level;
    }

    public int levels() {
        return levelStart.length - 1;
    }

    /** Whether both number the same points in the same levels. */
    public boolean numbersLike(Network other) {
        if (points == other.points && loops == other.loops) {
            return true;
        }
        if (points.length != other.points.length || !Arrays.equals(levelStart, other.levelStart)) {
            return false;
        }
        for (int p = 0; p < points.length; p++) {
            StockPoint its = other.points[p];
            if (points[p] != its
                    && !(points[p].itemCode.equals(its.itemCode) && points[p].siteCode.equals(its.siteCode))) {
                return false;
            }
        }
        return Arrays.equals(loops, other.loops);
    }

    /** The shortest way down from a point back to itself, without itself at its end; empty if it lies on no loop. */
    public List<Integer> wayBackTo(int p) {
        int[] above = new int[points.length];
        Arrays.fill(above, -1);
        ArrayDeque<Integer> open = new ArrayDeque<>(List.of(p));
        while (!open.isEmpty()) {
            int at = open.poll();
            for (int e = edgeStart[at]; e < edgeStart[at + 1]; e++) {
                int below = edgeTo[e];
                if (below == p) {
                    LinkedList<Integer> way = new LinkedList<>();
                    for (int step = at; step != p; step = above[step]) {
                        way.addFirst(step);
                    }
                    way.addFirst(p);
                    return way;
                }
                if (above[below] < 0) {
                    above[below] = at;
                    open.add(below);
                }
            }
        }
        return List.of();
    }

    /** Whether the edges that begin at a point are the same ones. */
    boolean asksOthersLike(Network other, int p) {
        int edges = edgeStart[p + 1] - edgeStart[p];
        boolean same = edges == other.edgeStart[p + 1] - other.edgeStart[p];
        for (int e = 0; same && e < edges; e++) {
            int mine = edgeStart[p] + e;
            int its = other.edgeStart[p] + e;
            same = edgeTo[mine] == other.edgeTo[its] && edgePart[mine].equals(other.edgePart[its]);
        }
        return same;
    }

    /** Whether the edges that end at a point are the same ones. */
    public boolean asksLike(Network other, int p) {
        int edges = incomingStart[p + 1] - incomingStart[p];
        if (edges != other.incomingStart[p + 1] - other.incomingStart[p]) {
            return false;
        }
        for (int k = 0; k < edges; k++) {
            int mine = incoming[incomingStart[p] + k];
            int its = other.incoming[other.incomingStart[p] + k];
            boolean same = edgeFrom[mine] == other.edgeFrom[its]
                    && mine - edgeStart[edgeFrom[mine]] == its - other.edgeStart[other.edgeFrom[its]]
                    && edgePart[mine].equals(other.edgePart[its]);
            if (!same) {
                return false;
            }
        }
        return true;
    }

    int pointOf(long key) {
        return numbers.get(key);
    }
}
