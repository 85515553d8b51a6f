package rescient.server.platform;

import java.util.Locale;
import java.util.stream.Stream;

/** What is looked for in a list: a text that occurs in one of those of a row, in any case; nothing is in every row. */
public record Sought(@Nullable String words) {
    /** @param texts of a row; null where it has none */
    public boolean in(Stream<String> texts) {
        String wanted = words == null ? "" : words.strip().toLowerCase(Locale.ROOT);
        return wanted.isEmpty()
                || texts.anyMatch(
                        text -> text != null && text.toLowerCase(Locale.ROOT).contains(wanted));
    }
}
