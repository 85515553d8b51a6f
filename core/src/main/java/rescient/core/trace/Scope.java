package rescient.core.trace;

import java.util.BitSet;
import java.util.HashSet;
import java.util.Set;
import java.util.function.Predicate;
import rescient.core.company.Earmark;
import rescient.core.company.Item;
import rescient.core.company.ItemKind;
import rescient.core.plan.Plan;
import rescient.core.snapshot.Network;
import rescient.core.snapshot.Snapshot;

/**
 * Some stock points of a plan and all below them: what is looked at, when not all of it is. The figures are those of the
 * whole plan.
 */
public final class Scope {
    private final Snapshot snapshot;
    /** null: everything. */
    private final BitSet points;
    /** Kits that were chosen themselves. */
    private final Set<String> kits;

    private Scope(Snapshot snapshot, BitSet points, Set<String> kits) {
        this.snapshot = snapshot;
        this.points = points;
        this.kits = kits;
    }

    /** All of a plan. */
    public static Scope all(Plan plan) {
        return new Scope(plan.snapshot(), null, Set.of());
    }

    /** The stock points of the items chosen by their code, the parts of kits chosen, and everything below. */
    public static Scope below(Plan plan, Predicate<String> items) {
        Snapshot snapshot = plan.snapshot();
        Network network = snapshot.network;
        Set<String> kits = new HashSet<>();
        Set<String> chosen = new HashSet<>();
        for (Item item : snapshot.rows.items.values()) {
            if (items.test(Earmark.item(item.code()))) {
                chosen.add(item.code());
                if (item.kind() == ItemKind.KIT) {
                    kits.add(item.code());
                    snapshot.documents.parts(item.code()).forEach(part -> chosen.add(part.component()));
                }
            }
        }
        BitSet points = new BitSet();
        BitSet open = new BitSet();
        for (int p = 0; p < snapshot.points.length; p++) {
            open.set(p, chosen.contains(snapshot.points[p].itemCode));
        }
        // points on a loop may lie above those that lead to them
        for (int p = open.nextSetBit(0); p >= 0; p = open.nextSetBit(0)) {
            open.clear(p);
            points.set(p);
            for (int e = network.edgeStart[p]; e < network.edgeStart[p + 1]; e++) {
                if (!points.get(network.edgeTo[e])) {
                    open.set(network.edgeTo[e]);
                }
            }
        }
        return new Scope(snapshot, points, kits);
    }

    /** Whether an item at a site is looked at. */
    public boolean holds(String item, String site) {
        if (points == null || kits.contains(item)) {
            return true;
        }
        int p = snapshot.pointOf(item, site);
        return p >= 0 && points.get(p);
    }
}
