package rescient.core.snapshot;

import java.util.Arrays;
import java.util.Collection;
import java.util.HashMap;
import java.util.Map;
import rescient.core.base.DocumentOrder;
import rescient.core.base.PlanningException;

/**
 * The place of each text in {@link DocumentOrder} as a number, with gaps between them so that a text that comes later
 * can get a place of its own.
 */
public final class Ranks {
    /** One above the highest rank. */
    static final int LIMIT = 1 << 30;

    private static final int WIDEST_GAP = 1024;
    private static final int MOST_ADDED = 1000;

    private final String[] sorted;
    private final Map<String, Integer> ranks;
    private final Map<String, Integer> added;

    private Ranks(String[] sorted, Map<String, Integer> ranks, Map<String, Integer> added) {
        this.sorted = sorted;
        this.ranks = ranks;
        this.added = added;
    }

    /** @param texts in any order, some perhaps more than once */
    public static Ranks of(Collection<String> texts) {
        String[] sorted = texts.toArray(String[]::new);
        Arrays.parallelSort(sorted, DocumentOrder.INSTANCE);
        int distinct = 0;
        for (String text : sorted) {
            if (distinct == 0 || !text.equals(sorted[distinct - 1])) {
                sorted[distinct++] = text;
            }
        }
        sorted = Arrays.copyOf(sorted, distinct);
        int gap = Math.min(WIDEST_GAP, LIMIT / (sorted.length + 1));
        if (gap == 0) {
            throw new PlanningException("More than " + LIMIT + " different numbers cannot be planned");
        }
        Map<String, Integer> ranks = new HashMap<>(sorted.length * 2);
        for (int i = 0; i < sorted.length; i++) {
            ranks.put(sorted[i], (i + 1) * gap - 1);
        }
        return new Ranks(sorted, ranks, Map.of());
    }

    /** The rank of a text that is known. */
    public int of(String text) {
        Integer rank = ranks.get(text);
        return rank != null ? rank : added.get(text);
    }

    /** These ranks with the texts that they do not know, or new ones if there is no room. */
    Ranks covering(Collection<String> texts) {
        if (sorted.length == 0) {
            return of(texts);
        }
        Ranks known = this;
        for (String text : texts) {
            known = known.with(text);
            if (known == null) {
                return of(texts);
            }
        }
        return known;
    }

    /** Whether what has a rank here has the same one there. */
    boolean isKeptBy(Ranks other) {
        return ranks == other.ranks;
    }

    /** These ranks and one for this text too, or null if there is no room for it. */
    Ranks with(String text) {
        if (ranks.containsKey(text) || added.containsKey(text)) {
            return this;
        }
        if (added.size() == MOST_ADDED) {
            return null;
        }
        int at = -Arrays.binarySearch(sorted, text, DocumentOrder.INSTANCE) - 1;
        int below = at == 0 ? -1 : ranks.get(sorted[at - 1]);
        int above = at == sorted.length ? LIMIT : ranks.get(sorted[at]);
        for (Map.Entry<String, Integer> other : added.entrySet()) {
            int rank = other.getValue();
            if (DocumentOrder.INSTANCE.compare(other.getKey(), text) < 0) {
                below = Math.max(below, rank);
            } else {
                above = Math.min(above, rank);
            }
        }
        if (above - below < 2) {
            return null;
        }
        Map<String, Integer> more = new HashMap<>(added);
        more.put(text, below + (above - below) / 2);
        return new Ranks(sorted, ranks, more);
    }
}
