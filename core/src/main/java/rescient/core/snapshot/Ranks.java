package rescient.core.snapshot;

import java.util.Arrays;
import java.util.BitSet;
import java.util.Collection;
import java.util.HashMap;
import java.util.HashSet;
import java.util.Map;
import java.util.Set;
import rescient.core.base.DocumentOrder;
import rescient.core.base.PlanningException;

/**
 * The place of each text in {@link DocumentOrder} as a number, with gaps between them so that a text that comes later
 * can get a place of its own: a narrow one behind most, a wide one behind the last number of each series, where the next
 * documents will come.
 */
public final class Ranks {
    /** One above the highest rank. */
    static final int LIMIT = 1 << 30;

    private static final int WIDEST_GAP = 1024;
    /** A text that comes later is so far behind the one before it, where there is room: the next may well follow it. */
    private static final int STEP = 32;

    private static final int MOST_ADDED = 1 << 16;

    private final String[] sorted;
    private final Map<String, Integer> ranks;
    /** Those that came later, in order, and the rank of each. */
    private final String[] added;

    private final int[] addedRanks;

    private Ranks(String[] sorted, Map<String, Integer> ranks, String[] added, int[] addedRanks) {
        this.sorted = sorted;
        this.ranks = ranks;
        this.added = added;
        this.addedRanks = addedRanks;
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
        BitSet growing = lastOfSeries(sorted);
        int more = (LIMIT - (sorted.length + 1) * gap) / Math.max(1, growing.cardinality());
        Map<String, Integer> ranks = new HashMap<>(sorted.length * 2);
        int rank = -1;
        for (int i = 0; i < sorted.length; i++) {
            rank += gap;
            ranks.put(sorted[i], rank);
            rank += growing.get(i) ? more : 0;
        }
        return new Ranks(sorted, ranks, new String[0], new int[0]);
    }

    /** The places of the highest numbers of each series: of two texts and more that differ only in their last digits. */
    private static BitSet lastOfSeries(String[] sorted) {
        Map<String, Integer> highest = new HashMap<>();
        Set<String> several = new HashSet<>();
        for (int i = 0; i < sorted.length; i++) {
            int digits = digitsFrom(sorted[i]);
            if (digits == sorted[i].length()) {
                continue;
            }
            String series = sorted[i].substring(0, digits);
            Integer before = highest.put(series, i);
            if (before != null) {
                several.add(series);
                if (DocumentOrder.INSTANCE.compare(sorted[before].substring(digits), sorted[i].substring(digits)) > 0) {
                    highest.put(series, before);
                }
            }
        }
        BitSet last = new BitSet(sorted.length);
        several.forEach(series -> last.set(highest.get(series)));
        return last;
    }

    /** Where the digits begin that a text ends with. */
    private static int digitsFrom(String text) {
        int from = text.length();
        while (from > 0 && text.charAt(from - 1) >= '0' && text.charAt(from - 1) <= '9') {
            from--;
        }
        return from;
    }

    /** The rank of a text that is known. */
    public int of(String text) {
        Integer rank = ranks.get(text);
        return rank != null ? rank : addedRanks[placeOf(text)];
    }

    private int placeOf(String text) {
        return Arrays.binarySearch(added, text, DocumentOrder.INSTANCE);
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
        int place = ranks.containsKey(text) ? 0 : placeOf(text);
        if (place >= 0) {
            return this;
        }
        if (added.length == MOST_ADDED) {
            return null;
        }
        place = -place - 1;
        int at = -Arrays.binarySearch(sorted, text, DocumentOrder.INSTANCE) - 1;
        int below = at == 0 ? -1 : ranks.get(sorted[at - 1]);
        int above = at == sorted.length ? LIMIT : ranks.get(sorted[at]);
        below = place == 0 ? below : Math.max(below, addedRanks[place - 1]);
        above = place == added.length ? above : Math.min(above, addedRanks[place]);
        if (above - below < 2) {
            return null;
        }
        String[] texts = Arrays.copyOf(added, added.length + 1);
        int[] theirs = Arrays.copyOf(addedRanks, added.length + 1);
        System.arraycopy(added, place, texts, place + 1, added.length - place);
        System.arraycopy(addedRanks, place, theirs, place + 1, added.length - place);
        texts[place] = text;
        theirs[place] = below + Math.min(STEP, (above - below) / 2);
        return new Ranks(sorted, ranks, texts, theirs);
    }
}
