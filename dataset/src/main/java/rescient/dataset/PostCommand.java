package rescient.dataset;

import java.io.IOException;
import java.io.InputStreamReader;
import java.io.UncheckedIOException;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.time.LocalDate;
import java.util.Arrays;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Objects;
import java.util.Set;
import rescient.core.stock.Books;
import rescient.core.stock.Poster;
import rescient.core.stock.PostingRow;
import rescient.core.stock.Refused;

/**
 * Carries out postings on a dataset, without a database or a browser: {@code post DATASET POSTINGS.csv --out FOLDER [--today
 * DATE]}. Writes the dataset as it is afterwards, with its movements, values, costs and what was refused. Exit 0 posted,
 * whatever was refused; 2 the dataset or the postings have faults, all of them on standard error and nothing written; 1
 * anything else.
 */
public final class PostCommand {
    private static final Table TABLE = Table.table(
            "postings",
            Column.required("key", ColumnType.TEXT),
            Column.required("date", ColumnType.DAY),
            Column.required(
                    "action",
                    ColumnType.words(Arrays.stream(PostingRow.Action.values())
                            .map(PostingRow.Action::code)
                            .toArray(String[]::new))),
            Column.of("number", ColumnType.TEXT),
            Column.of("line", ColumnType.TEXT),
            Column.of("item", ColumnType.TEXT),
            Column.of("site", ColumnType.TEXT),
            Column.of("lot", ColumnType.TEXT),
            Column.of("serial", ColumnType.TEXT),
            Column.of("quantity", ColumnType.SIGNED),
            Column.of("unit", ColumnType.TEXT),
            Column.of("quarantined", ColumnType.FLAG),
            Column.of("scrapped", ColumnType.AMOUNT),
            Column.of("price", ColumnType.AMOUNT),
            Column.of("minutes", ColumnType.AMOUNT),
            Column.of("step", ColumnType.TEXT),
            Column.of("expiry", ColumnType.DAY),
            Column.of("reverses", ColumnType.TEXT),
            Column.of("reason", ColumnType.TEXT));

    /** What cannot be said without a quantity. */
    private static final Set<PostingRow.Action> WITH_QUANTITY = Set.of(
            PostingRow.Action.ADJUST,
            PostingRow.Action.COUNT,
            PostingRow.Action.RETURN_TO_SUPPLIER,
            PostingRow.Action.RETURN_FROM_CUSTOMER);

    private PostCommand() {}

    public static void main(String[] words) {
        CommandWords.run(() -> run(words));
    }

    private static void run(String[] words) {
        if (words.length < 2 || words[0].startsWith("--") || words[1].startsWith("--")) {
            throw new IllegalArgumentException(
                    "Say what is posted on which dataset: post DATASET POSTINGS.csv --out FOLDER");
        }
        CommandWords options = CommandWords.of(words, 2, Set.of("--out", "--today"));
        Path out = Path.of(options.needed("--out", "Say where the dataset goes: --out FOLDER"));
        post(Path.of(words[0]), Path.of(words[1]), out, options.given().get("--today"));
    }

    /** @param day null: the dataset's */
    static void post(Path from, Path file, Path out, String day) {
        Map<String, List<Row>> dataset = ExecutionTables.read(from);
        List<Row> postings = read(file);
        ExecutionData data = new ExecutionData(
                dataset,
                today(day, dataset),
                postings.stream()
                        .map(row -> row.text("step"))
                        .filter(Objects::nonNull)
                        .toList());
        Books books = BooksReader.read(data);
        List<Refused> refused = new Poster(books)
                .post(postings.stream().map(row -> row(data, row)).toList());
        new BooksWriter(data, books).write(out, refused);
        System.out.println("Posted " + books.movements().size() + " movements, refused "
                + refused.stream().map(Refused::key).distinct().count());
    }

    static LocalDate today(String day, Map<String, List<Row>> dataset) {
        String text = day;
        if (text == null) {
            text = dataset.getOrDefault("settings", List.of()).stream()
                    .filter(row -> row.text("key").equals("today"))
                    .map(row -> row.text("value"))
                    .findFirst()
                    .orElseThrow(
                            () -> new IllegalArgumentException("Say today, in settings.csv or on the command line"));
        }
        return LocalDate.parse(text);
    }

    /**
     * The rows of a file, in their order.
     *
     * @throws FaultyDatasetException with all that is wrong with them
     */
    static List<Row> read(Path file) {
        Faults faults = new Faults();
        List<Row> rows;
        try (TableRows raw =
                new CsvRows(new InputStreamReader(Files.newInputStream(file), StandardCharsets.UTF_8.newDecoder()))) {
            rows = new TableReader(TABLE, faults, () -> {}).read(raw);
        } catch (IOException e) {
            throw new UncheckedIOException("The postings " + file + " cannot be read: " + e.getMessage(), e);
        }
        // of a row that cannot be read nobody knows what it would need
        for (Row row : faults.none() ? rows : List.<Row>of()) {
            boolean needed = WITH_QUANTITY.contains(action(row)) && row.text("quantity") == null;
            if (needed) {
                faults.add(row.table(), row.line(), "quantity", "", "is missing", "how much");
            }
        }
        faults.refuse();
        return rows;
    }

    private static PostingRow.Action action(Row row) {
        return PostingRow.Action.valueOf(row.text("action").toUpperCase(Locale.ROOT));
    }

    private static PostingRow row(ExecutionData data, Row row) {
        return new PostingRow(
                row.text("key"),
                row.date("date"),
                action(row),
                row.text("number"),
                row.text("line"),
                row.text("item"),
                row.text("site"),
                row.text("lot"),
                row.text("serial"),
                row.decimal("quantity"),
                row.text("unit"),
                row.flag("quarantined", false),
                row.decimal("scrapped"),
                row.decimal("price"),
                row.decimal("minutes"),
                data.step(row.text("step")),
                row.date("expiry"),
                row.text("reverses"),
                row.text("reason"));
    }
}
