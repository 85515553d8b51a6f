package rescient.server.platform;

import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Objects;
import java.util.StringTokenizer;
import java.util.stream.Collectors;
import java.util.stream.Stream;

/** What is looked for in a list: words that all occur in the texts of a row, in any order and case; nothing is in every row. */
public final class Sought {
    private final List<String> words;

    /** @param words as they were typed; null: nothing is looked for */
    public Sought(@Nullable String words) {
        List<String> all = new ArrayList<>();
        StringTokenizer each = new StringTokenizer(words == null ? "" : words.toLowerCase(Locale.ROOT));
        while (each.hasMoreTokens()) {
            all.add(each.nextToken());
        }
        this.words = all;
    }

    /** @param texts of a row; null where it has none */
    public boolean in(Stream<String> texts) {
        if (words.isEmpty()) {
            return true;
        }
        String row =
                texts.filter(Objects::nonNull).collect(Collectors.joining("\n")).toLowerCase(Locale.ROOT);
        return words.stream().allMatch(row::contains);
    }
}
