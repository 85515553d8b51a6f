package rescient.core.snapshot;

import java.util.Arrays;
import java.util.BitSet;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import rescient.core.company.ItemKind;
import rescient.core.company.Source;

/**
 * Another bill of materials of an item in a snapshot that is being changed: what is made of it asks for the other components
 * instead, as long as all of them are known and stand on lower levels, and none that is no longer asked for vanishes.
 */
final class OtherComponents {
    private final Snapshot before;
    private final SnapshotParts parts;
    private final Network network;

    private OtherComponents(Snapshot before, SnapshotParts parts) {
        this.before = before;
        this.parts = parts;
        this.network = parts.network;
    }

    /**
     * Puts the edges of a parent in their place.
     *
     * @param rows with the other bill of materials
     * @return the points that ask otherwise or are asked otherwise; null if the network has to be made anew
     */
    static BitSet of(Snapshot before, SnapshotParts parts, Rows rows, String parent) {
        Integer item = parts.itemIndex.get(parent);
        boolean kit = item != null && before.documents.item(parent).kind() == ItemKind.KIT;
        return item == null || kit ? null : new OtherComponents(before, parts).put(rows, item, parent);
    }

    private BitSet put(Rows rows, int item, String parent) {
        List<Kits.Part> components = before.documents.kits(rows.bomLines).components(parent);
        Map<Integer, Network.Asked> asked = new HashMap<>();
        BitSet reached = new BitSet();
        for (int site = 0; site < before.siteIndex.size(); site++) {
            int p = network.pointOf((long) item * before.siteIndex.size() + site);
            if (p >= 0 && network.points[p].madeOfComponents()) {
                int[] below = below(p, components);
                if (below == null) {
                    return null;
                }
                asked.put(p, new Network.Asked(components, below));
                reached.set(p);
                Arrays.stream(below).forEach(reached::set);
                for (int e = network.edgeStart[p]; e < network.edgeStart[p + 1]; e++) {
                    reached.set(network.edgeTo[e]);
                }
            }
        }
        Network next = network.asking(asked, parts.itemRank, parts.siteRank);
        if (reached.stream().anyMatch(q -> mayVanish(next, rows, q))) {
            return null;
        }
        parts.network = next;
        boolean fits = asked.entrySet().stream()
                .allMatch(one -> parts.waves.fit(one.getKey(), one.getValue().below()));
        if (!fits || parts.waves == DatingOrder.NONE) {
            parts.waves = DatingOrder.counted(next, parts.openOrdersOf);
        }
        return reached;
    }

    /** A stock point that only a bill of materials makes one is none without it. */
    private boolean mayVanish(Network next, Rows rows, int q) {
        StockPoint point = next.points[q];
        return next.incomingStart[q] == next.incomingStart[q + 1]
                && network.incomingStart[q] != network.incomingStart[q + 1]
                && !rows.planning.getOrDefault(point.itemCode, Map.of()).containsKey(point.siteCode);
    }

    /** The points that a point would ask for its components; null if one is not known or does not stand below it. */
    private int[] below(int p, List<Kits.Part> components) {
        StockPoint point = network.points[p];
        int site = point.source == Source.SUBCONTRACT && !point.phantom ? point.fromSite : point.site;
        int[] below = new int[components.size()];
        for (int k = 0; k < below.length; k++) {
            int q = network.pointOf((long) components.get(k).item() * before.siteIndex.size() + site);
            if (q < 0 || q >= network.planned() || p >= network.planned() || network.levelOf(q) <= network.levelOf(p)) {
                return null;
            }
            below[k] = q;
        }
        return below;
    }
}
