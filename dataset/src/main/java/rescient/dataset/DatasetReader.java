package rescient.dataset;

import de.siegmar.fastcsv.reader.CsvParseException;
import de.siegmar.fastcsv.reader.CsvReader;
import de.siegmar.fastcsv.reader.CsvRecord;
import de.siegmar.fastcsv.reader.FieldMismatchStrategy;
import java.io.IOException;
import java.io.Reader;
import java.io.UncheckedIOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.HashMap;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.stream.Stream;

/**
 * Reads a dataset and checks all of it before any of it is accepted.
 *
 * <pre>{@code
 * Dataset dataset = DatasetReader.read(Path.of("demo/dataset"));
 * }</pre>
 */
public final class DatasetReader {
    private static final char BYTE_ORDER_MARK = '\uFEFF';

    private final Faults faults = new Faults();
    private final Map<String, List<Row>> rows = new HashMap<>();

    private DatasetReader() {}

    /**
     * The dataset in a folder of CSV files.
     *
     * @throws FaultyDatasetException with every fault, if there is any
     * @throws UncheckedIOException if a file cannot be read
     */
    public static Dataset read(Path folder) {
        DatasetReader reader = new DatasetReader();
        try {
            reader.readAll(folder);
        } catch (IOException e) {
            throw new UncheckedIOException("The dataset " + folder + " cannot be read: " + e.getMessage(), e);
        }
        reader.checkReferences();
        Dataset dataset = new Dataset(reader.rows);
        // the rules of the job are only asked when every value is of its kind
        if (reader.faults.none()) {
            new Checks(dataset, reader.faults).all();
        }
        reader.faults.refuse();
        return dataset;
    }

    /** Rows of one table from text that is known to be right, such as the database's own. */
    public static List<Row> trusted(Table table, Reader csv) {
        DatasetReader reader = new DatasetReader();
        reader.readTable(table, csv);
        reader.faults.refuse();
        return reader.rows.get(table.name());
    }

    private void readAll(Path folder) throws IOException {
        if (!Files.isDirectory(folder)) {
            throw new IOException("there is no such folder");
        }
        try (Stream<Path> files = Files.list(folder)) {
            files.map(f -> f.getFileName().toString())
                    .filter(f -> f.endsWith(".csv"))
                    .filter(f -> Table.named(f.substring(0, f.length() - 4)) == null)
                    .sorted()
                    .forEach(f -> faults.add(
                            f,
                            0,
                            "",
                            "",
                            "is not a table of a dataset",
                            "one of "
                                    + String.join(
                                            ", ",
                                            Table.ALL.stream()
                                                    .map(t -> t.name() + ".csv")
                                                    .toList())));
        }
        for (Table table : Table.ALL) {
            Path file = folder.resolve(table.name() + ".csv");
            if (Files.exists(file)) {
                try (Reader csv = Files.newBufferedReader(file)) {
                    readTable(table, csv);
                }
            }
        }
    }

    private void readTable(Table table, Reader csv) {
        List<Row> read = new ArrayList<>();
        rows.put(table.name(), read);
        Set<List<String>> keys = new HashSet<>();
        int[] places = null;
        try (CsvReader<CsvRecord> reader = CsvReader.builder()
                .extraFieldStrategy(FieldMismatchStrategy.IGNORE)
                .missingFieldStrategy(FieldMismatchStrategy.IGNORE)
                .ofCsvRecord(csv)) {
            for (CsvRecord record : reader) {
                if (places == null) {
                    places = header(table, record);
                    if (places == null) {
                        return;
                    }
                } else {
                    readRow(table, record, places, read, keys);
                }
            }
        } catch (CsvParseException e) {
            faults.add(
                    table,
                    0,
                    "",
                    "",
                    "is not CSV by RFC 4180: " + e.getMessage(),
                    "quotes around text that has commas");
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
    }

    /** The place in the table of each column of the file, or null if a column is unknown or a needed one missing. */
    private int[] header(Table table, CsvRecord record) {
        int[] places = new int[record.getFieldCount()];
        boolean good = true;
        for (int i = 0; i < places.length; i++) {
            String name = record.getField(i).strip();
            if (i == 0 && !name.isEmpty() && name.charAt(0) == BYTE_ORDER_MARK) {
                name = name.substring(1);
            }
            places[i] = table.indexOf(name);
            if (places[i] < 0) {
                good = false;
                faults.add(
                        table,
                        1,
                        name,
                        name,
                        "is not a column of this table",
                        "one of "
                                + String.join(
                                        ", ",
                                        table.columns().stream()
                                                .map(Column::name)
                                                .toList()));
            }
        }
        for (int c = 0; c < table.columns().size(); c++) {
            Column column = table.columns().get(c);
            int place = c;
            if (column.required() && Arrays.stream(places).noneMatch(p -> p == place)) {
                good = false;
                faults.add(table, 1, column.name(), "", "is missing", "a column of this name");
            }
        }
        return good ? places : null;
    }

    private void readRow(Table table, CsvRecord record, int[] places, List<Row> read, Set<List<String>> keys) {
        long line = record.getStartingLineNumber();
        if (record.getFieldCount() == 1 && record.getField(0).isEmpty()) {
            return;
        }
        if (record.getFieldCount() != places.length) {
            faults.add(
                    table,
                    line,
                    "",
                    "",
                    "has " + record.getFieldCount() + " values",
                    places.length + " values, as the header");
            return;
        }
        String[] values = new String[table.columns().size()];
        Arrays.fill(values, "");
        for (int i = 0; i < places.length; i++) {
            values[places[i]] = record.getField(i);
        }
        List<String> key = new ArrayList<>();
        for (int c = 0; c < values.length; c++) {
            Column column = table.columns().get(c);
            if (column.key()) {
                key.add(values[c]);
            }
            if (values[c].isEmpty()) {
                if (column.required()) {
                    faults.add(table, line, column.name(), "", "is empty", "a value");
                }
            } else {
                Fault.Finding finding = column.type().check(values[c]);
                if (finding != null) {
                    faults.add(table, line, column.name(), values[c], finding.wrong(), finding.right());
                }
            }
        }
        if (!keys.add(key)) {
            faults.add(table, line, "", "", "stands there twice: " + String.join(", ", key), "one row for each key");
        }
        read.add(new Row(table, line, values));
    }

    private void checkReferences() {
        for (Table table : Table.ALL) {
            for (int c = 0; c < table.columns().size(); c++) {
                Column column = table.columns().get(c);
                if (column.references() != null) {
                    checkReferences(table, column, c);
                }
            }
        }
    }

    private void checkReferences(Table table, Column column, int c) {
        Set<String> known = new HashSet<>();
        rows.getOrDefault(column.references(), List.of()).forEach(r -> known.add(r.at(0)));
        for (Row row : rows.getOrDefault(table.name(), List.of())) {
            String value = row.at(c);
            if (!value.isEmpty() && !known.contains(value)) {
                faults.add(
                        table,
                        row.line(),
                        column.name(),
                        value,
                        "is not in " + column.references() + ".csv",
                        "a code that stands there");
            }
        }
    }
}
