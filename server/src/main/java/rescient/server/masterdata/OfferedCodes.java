package rescient.server.masterdata;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.Locale;
import rescient.server.platform.Nullable;
import rescient.server.platform.Sought;

/**
 * All codes of a table with their names, to be found while somebody types: in one text, for a hundred thousand texts lie all
 * over the memory, and to go there for each takes longer than to look through them.
 */
final class OfferedCodes {
    private static final char END = '\0';

    private final List<DataController.OfferedView> codes;
    /** All in small letters, one after the other. */
    private final String text;
    /** Where each begins. */
    private final int[] begin;

    OfferedCodes(List<DataController.OfferedView> codes) {
        StringBuilder all = new StringBuilder();
        this.codes = List.copyOf(codes);
        this.begin = new int[codes.size() + 1];
        for (int i = 0; i < codes.size(); i++) {
            DataController.OfferedView one = codes.get(i);
            begin[i] = all.length();
            all.append(one.code().toLowerCase(Locale.ROOT)).append('\n');
            all.append(one.name() == null ? "" : one.name().toLowerCase(Locale.ROOT))
                    .append(END);
        }
        begin[codes.size()] = all.length();
        this.text = all.toString();
    }

    /** The first in which all words occur, in any case and order. */
    List<DataController.OfferedView> found(@Nullable String words, int most) {
        Sought sought = new Sought(words == null ? null : words.toLowerCase(Locale.ROOT));
        if (sought.nothing()) {
            return codes.subList(0, Math.min(most, codes.size()));
        }
        List<DataController.OfferedView> found = new ArrayList<>();
        String first = sought.first();
        for (int at = text.indexOf(first); at >= 0 && found.size() < most; ) {
            int place = Arrays.binarySearch(begin, at);
            int row = place < 0 ? -place - 2 : place;
            int end = begin[row + 1];
            if (sought.each(word -> holds(row, end, word))) {
                found.add(codes.get(row));
            }
            at = text.indexOf(first, end);
        }
        return found;
    }

    private boolean holds(int row, int end, String word) {
        int at = text.indexOf(word, begin[row]);
        return at >= 0 && at + word.length() < end;
    }
}
