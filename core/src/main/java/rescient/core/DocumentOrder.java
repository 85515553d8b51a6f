package rescient.core;

import java.math.BigInteger;
import java.util.Collection;
import java.util.Comparator;
import java.util.HashMap;
import java.util.List;
import java.util.Map;

/** The order of numbers and lines of documents: all digits by value and before others, the others by code point. */
public final class DocumentOrder implements Comparator<String> {
    public static final DocumentOrder INSTANCE = new DocumentOrder();

    private DocumentOrder() {}

    @Override
    public int compare(String a, String b) {
        boolean digitsA = digits(a);
        boolean digitsB = digits(b);
        if (digitsA != digitsB) {
            return digitsA ? -1 : 1;
        }
        if (digitsA) {
            int byValue = new BigInteger(a).compareTo(new BigInteger(b));
            if (byValue != 0) {
                return byValue;
            }
        }
        return byCodePoint(a, b);
    }

    /** The position of each distinct text in this order. */
    static Map<String, Integer> ranks(Collection<String> texts) {
        List<String> sorted = texts.stream().distinct().sorted(INSTANCE).toList();
        Map<String, Integer> ranks = new HashMap<>(sorted.size() * 2);
        for (int i = 0; i < sorted.size(); i++) {
            ranks.put(sorted.get(i), i);
        }
        return ranks;
    }

    static int byCodePoint(String a, String b) {
        int[] x = a.codePoints().toArray();
        int[] y = b.codePoints().toArray();
        return java.util.Arrays.compare(x, y);
    }

    private static boolean digits(String text) {
        return !text.isEmpty() && text.chars().allMatch(c -> c >= '0' && c <= '9');
    }
}
