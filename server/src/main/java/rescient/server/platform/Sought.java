package rescient.server.platform;

import java.util.ArrayList;
import java.util.Collections;
import java.util.List;
import java.util.StringTokenizer;
import java.util.function.Predicate;

/** What is looked for in a list: words that all occur in the texts of a row, in any order and case; nothing is in every row. */
public final class Sought {
    private final List<String> words;

    private Sought(List<String> words) {
        this.words = words;
    }

    /** @param words as they were typed; null: nothing is looked for */
    public Sought(@Nullable String words) {
        this(words == null ? List.of() : each(words));
    }

    @SuppressWarnings("unchecked") // a tokenizer gives out texts
    private static List<String> each(String words) {
        return (List<String>) (List<?>) Collections.list(new StringTokenizer(words));
    }

    /** Whether nothing is looked for, so that no row need say its texts. */
    public boolean nothing() {
        return words.isEmpty();
    }

    /** The first word; there has to be one. */
    public String first() {
        return words.get(0);
    }

    /** @param texts of a row; null where it has none */
    public boolean in(String... texts) {
        for (String word : words) {
            if (!occurs(word, texts)) {
                return false;
            }
        }
        return true;
    }

    /** Whether each word occurs somewhere, as somebody says who looks through the texts of a row himself. */
    public boolean each(Predicate<String> occurs) {
        for (String word : words) {
            if (!occurs.test(word)) {
                return false;
            }
        }
        return true;
    }

    /** What is still looked for in the other texts of a row that has these. */
    public Sought without(String... texts) {
        List<String> left = new ArrayList<>();
        for (String word : words) {
            if (!occurs(word, texts)) {
                left.add(word);
            }
        }
        return new Sought(left);
    }

    private static boolean occurs(String word, String... texts) {
        for (String text : texts) {
            if (text != null && occurs(word, text)) {
                return true;
            }
        }
        return false;
    }

    /** Lists of a hundred thousand are looked through, so no other form of the text is made. */
    public static boolean occurs(String word, String text) {
        char lower = Character.toLowerCase(word.charAt(0));
        char upper = Character.toUpperCase(word.charAt(0));
        for (int i = 0; i <= text.length() - word.length(); i++) {
            char first = text.charAt(i);
            if ((first == lower || first == upper) && text.regionMatches(true, i, word, 0, word.length())) {
                return true;
            }
        }
        return false;
    }
}
