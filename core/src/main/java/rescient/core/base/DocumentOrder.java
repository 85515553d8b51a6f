package rescient.core.base;

import java.util.Comparator;

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
        int byValue = digitsA ? byValue(a, b) : 0;
        return byValue != 0 ? byValue : byCodePoint(a, b);
    }

    /** Two documents by their numbers, then their lines. */
    public static int compare(String numberA, String lineA, String numberB, String lineB) {
        int c = INSTANCE.compare(numberA, numberB);
        return c != 0 ? c : INSTANCE.compare(lineA, lineB);
    }

    /** By code point; unlike {@link String#compareTo} also beyond the basic plane. */
    public static int byCodePoint(String a, String b) {
        int common = Math.min(a.length(), b.length());
        for (int i = 0; i < common; i++) {
            char x = a.charAt(i);
            char y = b.charAt(i);
            if (x != y) {
                boolean beyondX = Character.isSurrogate(x);
                return beyondX == Character.isSurrogate(y) ? x - y : beyondX ? 1 : -1;
            }
        }
        return a.length() - b.length();
    }

    private static int byValue(String a, String b) {
        int i = leadingZeros(a);
        int j = leadingZeros(b);
        int byLength = (a.length() - i) - (b.length() - j);
        for (; byLength == 0 && i < a.length(); i++, j++) {
            if (a.charAt(i) != b.charAt(j)) {
                return a.charAt(i) - b.charAt(j);
            }
        }
        return byLength;
    }

    private static int leadingZeros(String text) {
        int zeros = 0;
        while (zeros < text.length() && text.charAt(zeros) == '0') {
            zeros++;
        }
        return zeros;
    }

    private static boolean digits(String text) {
        for (int i = 0; i < text.length(); i++) {
            if (text.charAt(i) < '0' || text.charAt(i) > '9') {
                return false;
            }
        }
        return !text.isEmpty();
    }
}
