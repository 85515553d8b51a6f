package rescient.dataset;

import java.util.EnumMap;
import java.util.HashSet;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Set;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import rescient.core.stock.Books;
import rescient.core.stock.DocumentStep;
import rescient.core.stock.DocumentStep.Kind;
import rescient.core.stock.SupplyLine;

/** What is wrong with postings that a dataset tells of, so that each of them can be taken back. */
final class PostingChecks {
    /** What each kind of step has to say beside its document. */
    private static final Map<Kind, List<String>> NEEDED = new EnumMap<>(Map.ofEntries(
            Map.entry(Kind.COME, List.of("a", "b")),
            Map.entry(Kind.SCRAP, List.of("a")),
            Map.entry(Kind.COST, List.of("what", "a")),
            Map.entry(Kind.PART, List.of("what", "a", "b", "c")),
            Map.entry(Kind.ISSUED, List.of("item", "a", "b")),
            Map.entry(Kind.RECEIPT, List.of("item", "a", "b")),
            Map.entry(Kind.WAY, List.of("item", "a", "b")),
            Map.entry(Kind.REPORT, List.of("a", "b")),
            Map.entry(Kind.BOOK, List.of("a")),
            Map.entry(Kind.MINUTES, List.of("a", "b")),
            Map.entry(Kind.END, List.of("a")),
            Map.entry(Kind.SHIP, List.of("a")),
            Map.entry(Kind.LEFT, List.of("item", "a")),
            Map.entry(Kind.DONE, List.of()),
            Map.entry(Kind.PAST, List.of("what", "item", "site", "a"))));

    /** What a step of a kind can be about. */
    private static final Map<Kind, Set<String>> WHAT =
            Map.of(Kind.COST, names(SupplyLine.Cost.values()), Kind.PAST, names(Books.Past.Table.values()));

    private PostingChecks() {}

    private static Set<String> names(Enum<?>[] values) {
        return Stream.of(values).map(Enum::name).collect(Collectors.toUnmodifiableSet());
    }

    /** Adds what is wrong with the rows of {@code postings} and {@code posting_steps}. */
    static void look(List<Row> postings, List<Row> steps, Faults faults) {
        Set<String> keys = postings.stream().map(row -> row.text("key")).collect(Collectors.toSet());
        Set<String> taken = new HashSet<>();
        for (Row row : postings) {
            String reverses = row.text("reverses");
            if (reverses != null && !keys.contains(reverses)) {
                fault(faults, row, "reverses", "is not in postings.csv", "a key that stands there");
            } else if (reverses != null && !taken.add(reverses)) {
                fault(faults, row, "reverses", "is taken back twice", "one posting that takes it back");
            }
        }
        for (Row row : steps) {
            if (!keys.contains(row.text("key"))) {
                fault(faults, row, "key", "is not in postings.csv", "a key that stands there");
            }
            step(row, faults);
        }
    }

    private static void step(Row row, Faults faults) {
        Kind kind = DocumentStep.Kind.valueOf(row.text("kind").toUpperCase(Locale.ROOT));
        for (String column : NEEDED.get(kind)) {
            if (row.text(column) == null) {
                fault(faults, row, column, "is missing", "what " + kind.code() + " says there");
            }
        }
        Set<String> allowed = WHAT.get(kind);
        if (allowed != null && row.text("what") != null && !allowed.contains(row.text("what"))) {
            fault(
                    faults,
                    row,
                    "what",
                    "is not one of the words allowed here",
                    "one of " + allowed.stream().sorted().collect(Collectors.joining(", ")));
        }
    }

    private static void fault(Faults faults, Row row, String column, String wrong, String right) {
        faults.add(row.table(), row.line(), column, row.text(column, ""), wrong, right);
    }
}
