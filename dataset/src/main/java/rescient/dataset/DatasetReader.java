package rescient.dataset;

import de.siegmar.fastcsv.reader.CsvParseException;
import java.io.IOException;
import java.io.UncheckedIOException;
import java.nio.charset.CharacterCodingException;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.HashMap;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.function.LongConsumer;

/**
 * Reads a dataset and checks all of it before any of it is accepted.
 *
 * <pre>{@code
 * Dataset dataset = DatasetReader.read(Path.of("demo/dataset"));
 * }</pre>
 */
public final class DatasetReader {
    private static final int TOLD_EVERY = 100_000;
    private static final char BETWEEN = '\0';
    private static final char BYTE_ORDER_MARK = '\uFEFF';

    private final Faults faults = new Faults();
    private final Map<String, List<Row>> rows = new HashMap<>();
    private LongConsumer progress = rows -> {};
    private long rowsRead;

    private DatasetReader() {}

    /**
     * Looks at a dataset that was put together from others, as if it had been read.
     *
     * @throws FaultyDatasetException with all that is wrong with it
     */
    public static Dataset checked(Dataset dataset) {
        Faults faults = new Faults();
        new Checks(dataset, faults).all();
        faults.refuse();
        return dataset;
    }

    /**
     * The dataset in a folder of CSV files, a zip of one, or an .xlsx file with a sheet for each table.
     *
     * @throws FaultyDatasetException with every fault, if there is any
     * @throws UncheckedIOException if it cannot be read
     */
    public static Dataset read(Path path) {
        return read(path, rows -> {});
    }

    /** The same, telling every hundred thousand rows and at the end how many were read. */
    public static Dataset read(Path path, LongConsumer progress) {
        DatasetReader reader = new DatasetReader();
        reader.progress = progress;
        try (DatasetSource source = DatasetSource.open(path)) {
            reader.readAll(source);
        } catch (IOException e) {
            throw new UncheckedIOException("The dataset " + path + " cannot be read: " + e.getMessage(), e);
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

    private void readAll(DatasetSource source) throws IOException {
        String tables = "one of "
                + String.join(", ", Table.ALL.stream().map(Table::name).toList());
        for (String name : source.strangers()) {
            faults.add(name, 0, "", "", "is not a table of a dataset", tables);
        }
        for (Table table : Table.ALL) {
            try (TableRows raw = source.rows(table)) {
                if (raw != null) {
                    readTable(table, raw);
                }
            }
        }
        progress.accept(rowsRead);
    }

    private void readTable(Table table, TableRows source) throws IOException {
        List<Row> read = new ArrayList<>();
        rows.put(table.name(), read);
        Set<String> keys = new HashSet<>();
        int[] places = null;
        try {
            while (source.hasNext()) {
                TableRows.Raw raw = source.next();
                if (places == null) {
                    places = header(table, raw.values());
                    if (places == null) {
                        return;
                    }
                } else {
                    readRow(table, raw, places, read, keys);
                    if (++rowsRead % TOLD_EVERY == 0) {
                        progress.accept(rowsRead);
                    }
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
        } catch (UncheckedIOException e) {
            if (!(e.getCause() instanceof CharacterCodingException)) {
                throw e;
            }
            faults.add(table, 0, "", "", "is not UTF-8", "a file saved as UTF-8");
        }
    }

    /** The place in the table of each column of the file, or null if a column is unknown or a needed one missing. */
    private int[] header(Table table, String[] names) {
        int[] places = new int[names.length];
        boolean good = true;
        for (int i = 0; i < places.length; i++) {
            String name = names[i].strip();
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

    private void readRow(Table table, TableRows.Raw raw, int[] places, List<Row> read, Set<String> keys) {
        long line = raw.line();
        if (raw.blank()) {
            return;
        }
        if (raw.values().length != places.length) {
            faults.add(
                    table,
                    line,
                    "",
                    "",
                    "has " + raw.values().length + " values",
                    places.length + " values, as the header");
            return;
        }
        String[] values = new String[table.columns().size()];
        Arrays.fill(values, "");
        for (int i = 0; i < places.length; i++) {
            values[places[i]] = raw.values()[i];
        }
        StringBuilder key = new StringBuilder();
        for (int c = 0; c < values.length; c++) {
            Column column = table.columns().get(c);
            if (column.key()) {
                key.append(values[c]).append(BETWEEN);
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
        if (!keys.add(key.toString())) {
            String twice = key.substring(0, key.length() - 1).replace(String.valueOf(BETWEEN), ", ");
            faults.add(table, line, "", "", "stands there twice: " + twice, "one row for each key");
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
