package rescient.dataset;

import java.io.IOException;
import java.io.InputStreamReader;
import java.io.UncheckedIOException;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.List;
import rescient.core.company.Consistency;
import rescient.core.company.CustomerOrderLine;
import rescient.core.promise.Request;

/** What customers would like to have, as a CSV file: request, line, item, site, quantity, wanted and priority. */
final class Requests {
    private static final Table TABLE = Table.table(
            "requests",
            Column.key("request", ColumnType.TEXT),
            Column.key("line", ColumnType.TEXT),
            Column.required("item", ColumnType.TEXT).to("items"),
            Column.required("site", ColumnType.TEXT).to("sites"),
            Column.required("quantity", ColumnType.AMOUNT),
            Column.required("wanted", ColumnType.DAY),
            Column.of("priority", new ColumnType.Whole(1, 1_000_000)));

    private Requests() {}

    /**
     * The rows of a file, in their order.
     *
     * @throws FaultyDatasetException with all that is wrong with them
     */
    static List<Row> read(Dataset dataset, Path file) {
        Faults faults = new Faults();
        List<Row> rows;
        try (TableRows raw =
                new CsvRows(new InputStreamReader(Files.newInputStream(file), StandardCharsets.UTF_8.newDecoder()))) {
            rows = new TableReader(TABLE, faults, () -> {}).read(raw);
        } catch (IOException e) {
            throw new UncheckedIOException("The requests " + file + " cannot be read: " + e.getMessage(), e);
        }
        if (faults.none()) {
            Facts facts = Facts.of(dataset);
            rows.forEach(row -> check(facts, row, faults));
        }
        faults.refuse();
        return rows;
    }

    private static void check(Facts facts, Row row, Faults faults) {
        for (Column column : TABLE.columns()) {
            String code = row.text(column.name());
            if (column.references() != null && facts.row(column.references(), code) == null) {
                faults.add(
                        row.table(),
                        row.line(),
                        column.name(),
                        code,
                        "is not in " + column.references() + ".csv",
                        "a code that stands there");
            }
        }
        Row item = facts.row("items", row.text("item"));
        String quantity = row.text("quantity");
        if (row.decimal("quantity").signum() <= 0) {
            faults.add(row.table(), row.line(), "quantity", quantity, "is not above 0", "what is wanted");
        } else if (item != null) {
            new Consistency(facts.units())
                    .decimals("quantity", quantity, Texts.decimals(quantity), item.text("unit"))
                    .ifPresent(flaw -> faults.add(
                            row.table(), row.line(), flaw.column(), flaw.value(), flaw.wrong(), flaw.right()));
        }
    }

    static Request request(Row row) {
        return new Request(
                row.text("item"),
                row.text("site"),
                row.quantity("quantity", 0),
                row.day("wanted", 0),
                row.whole("priority", CustomerOrderLine.DEFAULT_PRIORITY));
    }
}
