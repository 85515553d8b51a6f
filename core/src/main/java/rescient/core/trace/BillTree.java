package rescient.core.trace;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.HashSet;
import java.util.List;
import java.util.Set;
import rescient.core.base.DocumentOrder;
import rescient.core.company.CompanyFacts;
import rescient.core.company.Fact;

/** What an item is made of on all levels, and what it is used in. */
public final class BillTree {
    /** More levels than any product has; a bill of materials that loops ends before. */
    private static final int DEEPEST = 60;

    private static final Comparator<Fact.BomLine> IN_ORDER =
            Comparator.comparing(Fact.BomLine::line, DocumentOrder.INSTANCE);

    private final CompanyFacts company;

    public BillTree(CompanyFacts company) {
        this.company = company;
    }

    /**
     * A line of the tree.
     *
     * @param depth 0: the item's own lines
     * @param loop the component stands above itself; what is below is not followed
     * @param more the component has components of its own, which follow
     */
    public record Line(int depth, Fact.BomLine line, boolean loop, boolean more) {}

    /** All lines below an item, each followed by what stands below it. */
    public List<Line> below(String item) {
        List<Line> lines = new ArrayList<>();
        Set<String> above = new HashSet<>();
        above.add(item);
        explode(item, above, lines);
        return lines;
    }

    private void explode(String parent, Set<String> above, List<Line> into) {
        int depth = above.size() - 1;
        for (Fact.BomLine line : lines(parent)) {
            String component = line.component();
            boolean loop = !above.add(component);
            boolean deeper = !loop && above.size() <= DEEPEST;
            into.add(new Line(depth, line, loop, deeper && !lines(component).isEmpty()));
            if (deeper) {
                explode(component, above, into);
            }
            if (!loop) {
                above.remove(component);
            }
        }
    }

    /** The lines of an item's own bill of materials, in order. */
    public List<Fact.BomLine> lines(String parent) {
        return company.where(Fact.BomLine.class, "parent", parent).stream()
                .sorted(IN_ORDER)
                .toList();
    }

    /** The lines in which an item is a component, by parent. */
    public List<Fact.BomLine> usedIn(String component) {
        return company.where(Fact.BomLine.class, "component", component).stream()
                .sorted(Comparator.comparing(Fact.BomLine::parent, DocumentOrder::byCodePoint)
                        .thenComparing(IN_ORDER))
                .toList();
    }
}
