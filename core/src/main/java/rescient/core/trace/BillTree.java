package rescient.core.trace;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.HashMap;
import java.util.HashSet;
import java.util.IdentityHashMap;
import java.util.List;
import java.util.Map;
import java.util.Set;
import rescient.core.base.DocumentOrder;
import rescient.core.base.Ratio;
import rescient.core.company.BomLine;
import rescient.core.company.CompanyFacts;
import rescient.core.company.ItemFacts;
import rescient.core.company.MakingFacts;
import rescient.core.company.Units;

/** What an item is made of on all levels, and what it is used in. */
public final class BillTree {
    /** More levels than any product has; a bill of materials that loops ends before. */
    private static final int DEEPEST = 60;

    private static final Comparator<MakingFacts.BomLine> IN_ORDER =
            Comparator.comparing(MakingFacts.BomLine::line, DocumentOrder.INSTANCE);

    private final CompanyFacts company;
    private final Units units;

    public BillTree(CompanyFacts company) {
        this(company, null);
    }

    /** @param units null: how much of a component is in one finished unit does not matter */
    public BillTree(CompanyFacts company, Units units) {
        this.company = company;
        this.units = units;
    }

    /**
     * A line of the tree.
     *
     * @param depth 0: the item's own lines
     * @param loop the component stands above itself; what is below is not followed
     * @param more the component has components of its own, which follow
     * @param each so much of the component, in its own unit and with scrap, is in one unit of the item that the tree is of;
     *     null where a quantity is for a whole order, or units do not matter
     */
    public record Line(int depth, MakingFacts.BomLine line, boolean loop, boolean more, Ratio each) {}

    /**
     * A line in which an item is used, directly or through others.
     *
     * @param depth 0: the item itself is the component
     * @param last the parent is used in nothing
     */
    public record Use(int depth, MakingFacts.BomLine line, boolean last) {}

    /** All lines below an item, each followed by what stands below it; a line that stands there often is the same each time. */
    public List<Line> below(String item) {
        return new Explosion().of(item);
    }

    /** What stands in a tree again and again is looked for once. */
    private final class Explosion {
        private final List<Line> into = new ArrayList<>();
        private final Map<String, List<MakingFacts.BomLine>> lines = new HashMap<>();
        private final Map<MakingFacts.BomLine, Ratio> quantities = new IdentityHashMap<>();

        List<Line> of(String item) {
            Set<String> above = new HashSet<>();
            above.add(item);
            explode(item, above, Ratio.ONE);
            return into;
        }

        private void explode(String parent, Set<String> above, Ratio ofParent) {
            int depth = above.size() - 1;
            for (MakingFacts.BomLine line : lines(parent)) {
                String component = line.component();
                boolean loop = !above.add(component);
                boolean deeper = !loop && above.size() <= DEEPEST;
                Ratio each = units == null || ofParent == null || line.perOrder()
                        ? null
                        : ofParent.times(quantities.computeIfAbsent(line, BillTree.this::quantity));
                into.add(new Line(depth, line, loop, deeper && !lines(component).isEmpty(), each));
                if (deeper) {
                    explode(component, above, each);
                }
                if (!loop) {
                    above.remove(component);
                }
            }
        }

        private List<MakingFacts.BomLine> lines(String parent) {
            return lines.computeIfAbsent(parent, BillTree.this::lines);
        }
    }

    private Ratio quantity(MakingFacts.BomLine line) {
        String own =
                company.known(ItemFacts.Item.class, line.component(), "item").unit();
        Ratio factor = units.factor(line.component(), line.unit() == null ? own : line.unit(), own);
        return BomLine.needed(Ratio.of(line.quantity()), factor, line.scrap());
    }

    /**
     * All lines in which an item is used, each followed by those in which its parent is: up to what is used in nothing.
     *
     * @param most so many lines at most
     */
    public List<Use> above(String item, int most) {
        List<Use> uses = new ArrayList<>();
        rise(item, new HashSet<>(Set.of(item)), most, uses);
        return uses;
    }

    private void rise(String component, Set<String> below, int most, List<Use> into) {
        int depth = below.size() - 1;
        for (MakingFacts.BomLine line : usedIn(component)) {
            if (into.size() >= most) {
                return;
            }
            String parent = line.parent();
            boolean again = !below.add(parent);
            into.add(new Use(
                    depth,
                    line,
                    again
                            || company.where(MakingFacts.BomLine.class, "component", parent)
                                    .isEmpty()));
            if (!again) {
                if (below.size() <= DEEPEST) {
                    rise(parent, below, most, into);
                }
                below.remove(parent);
            }
        }
    }

    /** The lines of an item's own bill of materials, in order. */
    public List<MakingFacts.BomLine> lines(String parent) {
        return company.where(MakingFacts.BomLine.class, "parent", parent).stream()
                .sorted(IN_ORDER)
                .toList();
    }

    /** The lines in which an item is a component, by parent. */
    public List<MakingFacts.BomLine> usedIn(String component) {
        return company.where(MakingFacts.BomLine.class, "component", component).stream()
                .sorted(Comparator.comparing(MakingFacts.BomLine::parent, DocumentOrder::byCodePoint)
                        .thenComparing(IN_ORDER))
                .toList();
    }
}
