package rescient.dataset;

import java.io.IOException;
import java.io.InputStream;
import java.io.InputStreamReader;
import java.nio.charset.StandardCharsets;
import java.util.Arrays;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Objects;
import java.util.Set;
import rescient.core.stock.PostingRow;

/** Postings as they are written in a file, one row after the other. */
public final class PostingFile {
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

    private PostingFile() {}

    /** A row that came from no file, by column; what is missing or null is empty. */
    public static Row row(Map<String, String> cells) {
        return Row.of(TABLE, cells);
    }

    /** The steps that rows name. */
    static List<String> steps(List<Row> rows) {
        return rows.stream()
                .map(row -> row.text("step"))
                .filter(Objects::nonNull)
                .toList();
    }

    /**
     * The rows of a file, in their order.
     *
     * @throws FaultyDatasetException with all that is wrong with them
     */
    public static List<Row> read(InputStream file) throws IOException {
        Faults faults = new Faults();
        List<Row> rows;
        try (TableRows raw = new CsvRows(new InputStreamReader(file, StandardCharsets.UTF_8.newDecoder()))) {
            rows = new TableReader(TABLE, faults, () -> {}).read(raw);
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

    static PostingRow row(ExecutionData data, Row row) {
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
