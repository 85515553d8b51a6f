package rescient.core;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.Comparator;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.function.LongFunction;

/**
 * Section 4 of the planning rules: which stock point can send demand to which, the levels that follow, and the loops.
 *
 * <p>Edges lie in columns, sorted by the upper point and in the order of its bill of materials: those of point
 * {@code p} are {@code edgeStart[p]} to {@code edgeStart[p + 1]}.
 */
final class Network {
    StockPoint[] points;
    /** The first point of each level, and one past the last planned point. */
    int[] levelStart;
    /** Points on a loop, in order. */
    int[] loops;

    int[] edgeStart;
    int[] edgeTo;
    int[] edgeFrom;
    Kits.Part[] edgePart;
    /** For each point the edges that end there: {@code incoming[incomingStart[p]]} to {@code incomingStart[p + 1]}. */
    int[] incomingStart;

    int[] incoming;
    /** The place of each edge among those that end at its lower point. */
    int[] edgeSlot;

    private final Map<Long, Integer> numbers = new HashMap<>();

    private Network() {}

    /** A transfer's one edge: what arrives is what leaves. */
    private static Kits.Part transferOf(String item) {
        return new Kits.Part(item, Ratio.ONE, false, Integer.MIN_VALUE, Integer.MAX_VALUE, null);
    }

    private record Draft(StockPoint point, long key, List<Kits.Part> parts, List<Integer> below) {}

    static Network of(
            Set<Long> seeds, int sites, LongFunction<StockPoint> pointFor, Kits kits, Map<String, Integer> itemIndex) {
        Map<Long, Integer> found = new HashMap<>();
        List<Draft> drafts = new ArrayList<>();
        for (long seed : seeds) {
            draft(seed, found, drafts, pointFor);
        }
        for (int i = 0; i < drafts.size(); i++) {
            Draft draft = drafts.get(i);
            StockPoint point = draft.point;
            int site = point.phantom || point.source == Source.MAKE || point.source == Source.ASSEMBLE
                    ? point.site
                    : point.fromSite;
            boolean transfer = point.source == Source.TRANSFER && !point.phantom;
            if (site < 0 || (!transfer && !point.phantom && !point.source.fromComponents())) {
                continue;
            }
            List<Kits.Part> parts = transfer ? List.of(transferOf(point.itemCode)) : kits.components(point.itemCode);
            for (Kits.Part part : parts) {
                long key = (long) itemIndex.get(part.component()) * sites + site;
                draft.parts.add(part);
                draft.below.add(draft(key, found, drafts, pointFor));
            }
        }
        Network network = new Network();
        network.number(drafts);
        return network;
    }

    private static int draft(
            long key, Map<Long, Integer> found, List<Draft> drafts, LongFunction<StockPoint> pointFor) {
        Integer known = found.get(key);
        if (known != null) {
            return known;
        }
        found.put(key, drafts.size());
        drafts.add(new Draft(pointFor.apply(key), key, new ArrayList<>(), new ArrayList<>()));
        return drafts.size() - 1;
    }

    /** Low-level codes by taking away, level by level, the points that nothing above can send demand to any more. */
    private void number(List<Draft> drafts) {
        int n = drafts.size();
        int[] waiting = new int[n];
        drafts.forEach(d -> d.below.forEach(b -> waiting[b]++));
        Comparator<Integer> byItemAndSite = Comparator.<Integer>comparingInt(i -> drafts.get(i).point.item)
                .thenComparingInt(i -> drafts.get(i).point.site);
        List<Integer> order = new ArrayList<>(n);
        List<Integer> starts = new ArrayList<>(List.of(0));
        List<Integer> level = new ArrayList<>();
        for (int i = 0; i < n; i++) {
            if (waiting[i] == 0) {
                level.add(i);
            }
        }
        while (!level.isEmpty()) {
            level.sort(byItemAndSite);
            order.addAll(level);
            starts.add(order.size());
            List<Integer> next = new ArrayList<>();
            for (int i : level) {
                for (int b : drafts.get(i).below) {
                    if (--waiting[b] == 0) {
                        next.add(b);
                    }
                }
            }
            level = next;
        }
        levelStart = starts.stream().mapToInt(Integer::intValue).toArray();
        List<Integer> left = new ArrayList<>();
        for (int i = 0; i < n; i++) {
            if (waiting[i] > 0) {
                left.add(i);
            }
        }
        left.sort(byItemAndSite);
        order.addAll(left);
        int[] newNumber = new int[n];
        for (int i = 0; i < n; i++) {
            newNumber[order.get(i)] = i;
        }
        layOut(drafts, order, newNumber);
        loops = Loops.on(this, planned());
    }

    private void layOut(List<Draft> drafts, List<Integer> order, int[] newNumber) {
        int n = order.size();
        points = new StockPoint[n];
        edgeStart = new int[n + 1];
        incomingStart = new int[n + 1];
        int edges = drafts.stream().mapToInt(d -> d.below.size()).sum();
        edgeTo = new int[edges];
        edgeFrom = new int[edges];
        edgePart = new Kits.Part[edges];
        int e = 0;
        for (int p = 0; p < n; p++) {
            Draft draft = drafts.get(order.get(p));
            points[p] = draft.point;
            numbers.put(draft.key, p);
            edgeStart[p] = e;
            for (int k = 0; k < draft.below.size(); k++) {
                edgeTo[e] = newNumber[draft.below.get(k)];
                edgeFrom[e] = p;
                edgePart[e++] = draft.parts.get(k);
            }
        }
        edgeStart[n] = e;
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
    }

    /** How many points are planned; the rest lie on a loop or below one. */
    int planned() {
        return levelStart[levelStart.length - 1];
    }

    /** The level of a point; of one that is not planned, one below the last. */
    int levelOf(int p) {
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

    int levels() {
        return levelStart.length - 1;
    }

    /** Whether both number the same points in the same levels. */
    boolean numbersLike(Network other) {
        if (points.length != other.points.length || !Arrays.equals(levelStart, other.levelStart)) {
            return false;
        }
        for (int p = 0; p < points.length; p++) {
            if (!points[p].itemCode.equals(other.points[p].itemCode)
                    || !points[p].siteCode.equals(other.points[p].siteCode)) {
                return false;
            }
        }
        return Arrays.equals(loops, other.loops);
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
    boolean asksLike(Network other, int p) {
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
        Integer number = numbers.get(key);
        return number == null ? -1 : number;
    }
}
