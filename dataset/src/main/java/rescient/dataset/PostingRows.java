package rescient.dataset;

import java.math.BigDecimal;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.HashSet;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Set;
import java.util.TreeMap;
import rescient.core.stock.Books;
import rescient.core.stock.DocumentStep;
import rescient.core.stock.EarlierPosting;
import rescient.core.stock.Poster;

/**
 * Postings as rows of a dataset ({@code postings}), with what each changed on documents ({@code posting_steps}): what its
 * movements do not tell.
 */
public final class PostingRows {
    private PostingRows() {}

    /**
     * What each posting changed on documents.
     *
     * @param rows of {@code posting_steps}, in any order
     * @return by the posting's key, each in turn
     */
    public static Map<String, List<DocumentStep>> steps(List<Row> rows) {
        Map<String, TreeMap<Long, DocumentStep>> byKey = new HashMap<>();
        for (Row row : rows) {
            byKey.computeIfAbsent(row.text("key"), key -> new TreeMap<>())
                    .put(Long.parseLong(row.text("place")), step(row));
        }
        Map<String, List<DocumentStep>> steps = new HashMap<>();
        byKey.forEach((key, of) -> steps.put(key, List.copyOf(of.values())));
        return steps;
    }

    private static DocumentStep step(Row row) {
        // of what moved, a lot that is none is empty
        boolean moved = row.text("item") != null;
        return new DocumentStep(
                DocumentStep.Kind.valueOf(row.text("kind").toUpperCase(Locale.ROOT)),
                row.text("number"),
                row.text("line"),
                row.text("what"),
                row.text("item"),
                moved ? row.text("lot", "") : null,
                moved ? row.text("serial", "") : null,
                row.text("site"),
                row.text("step") == null ? null : Integer.valueOf(row.text("step")),
                figure(row, "a"),
                figure(row, "b"),
                figure(row, "c"));
    }

    private static BigDecimal figure(Row row, String column) {
        return row.text(column) == null ? null : row.decimal(column);
    }

    /** Books of a dataset that tells of its postings know them, and keep what is posted on them in the same way. */
    static void read(ExecutionData data, Books books) {
        List<Row> postings = data.of("postings");
        if (postings.isEmpty()) {
            return;
        }
        Map<String, List<DocumentStep>> steps = steps(data.of("posting_steps"));
        Set<String> reversed = new HashSet<>();
        postings.forEach(row -> reversed.add(row.text("reverses")));
        for (Row row : postings) {
            String key = row.text("key");
            books.begins(new EarlierPosting(
                    key, row.date("date"), row.text("reverses") != null, reversed.contains(key), steps.get(key)));
        }
        books.keepSteps();
    }

    /** The rows of both tables, with what was carried out now. */
    static Map<String, List<Map<String, String>>> write(ExecutionData data, List<Poster.CarriedOut> carriedOut) {
        List<Map<String, String>> postings =
                new ArrayList<>(data.of("postings").stream().map(Row::cells).toList());
        List<Map<String, String>> steps = new ArrayList<>(
                data.of("posting_steps").stream().map(Row::cells).toList());
        for (Poster.CarriedOut one : carriedOut) {
            Map<String, String> posting = new HashMap<>();
            posting.put("key", one.key());
            posting.put("date", one.date().toString());
            posting.put("reverses", BooksWriter.said(one.reverses()));
            postings.add(posting);
            for (int i = 0; i < one.steps().size(); i++) {
                steps.add(row(one.key(), i + 1, one.steps().get(i)));
            }
        }
        return Map.of("postings", postings, "posting_steps", steps);
    }

    private static Map<String, String> row(String key, int place, DocumentStep step) {
        Map<String, String> row = new HashMap<>();
        row.put("key", key);
        row.put("place", Integer.toString(place));
        row.put("kind", step.kind().code());
        row.put("number", step.number());
        row.put("line", step.line());
        row.put("what", BooksWriter.said(step.what()));
        row.put("item", BooksWriter.said(step.item()));
        row.put("lot", BooksWriter.said(step.lot()));
        row.put("serial", BooksWriter.said(step.serial()));
        row.put("site", BooksWriter.said(step.site()));
        row.put("step", BooksWriter.said(step.step()));
        row.put("a", BooksWriter.said(step.a()));
        row.put("b", BooksWriter.said(step.b()));
        row.put("c", BooksWriter.said(step.c()));
        return row;
    }
}
