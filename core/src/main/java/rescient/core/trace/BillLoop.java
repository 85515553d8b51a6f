package rescient.core.trace;

import java.util.ArrayDeque;
import java.util.Deque;
import java.util.HashMap;
import java.util.LinkedList;
import java.util.List;
import java.util.Map;
import rescient.core.company.CompanyFacts;
import rescient.core.company.MakingFacts;

/** What would make an item a component of itself. */
public final class BillLoop {
    private BillLoop() {}

    /**
     * The loop that a line closes, or would close.
     *
     * @return the items from the parent down through its component to the parent again; empty if there is no loop
     */
    public static List<String> closedBy(CompanyFacts company, String parent, String component) {
        if (parent.equals(component)) {
            return List.of(parent, parent);
        }
        Map<String, String> above = new HashMap<>();
        above.put(component, parent);
        Deque<String> waiting = new ArrayDeque<>(List.of(component));
        while (!waiting.isEmpty()) {
            String item = waiting.poll();
            for (MakingFacts.BomLine line : company.where(MakingFacts.BomLine.class, "parent", item)) {
                if (line.component().equals(parent)) {
                    return way(above, parent, item);
                }
                if (above.putIfAbsent(line.component(), item) == null) {
                    waiting.add(line.component());
                }
            }
        }
        return List.of();
    }

    private static List<String> way(Map<String, String> above, String parent, String last) {
        LinkedList<String> way = new LinkedList<>(List.of(parent));
        for (String item = last; !item.equals(parent); item = above.get(item)) {
            way.addFirst(item);
        }
        way.addFirst(parent);
        return List.copyOf(way);
    }
}
