package rescient.dataset;

import java.io.IOException;
import java.io.UncheckedIOException;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.TreeMap;
import java.util.TreeSet;
import java.util.concurrent.ConcurrentHashMap;
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

    private final LongConsumer progress;
    private final Map<String, List<Row>> rows = new ConcurrentHashMap<>();
    private long rowsRead;

    private DatasetReader(LongConsumer progress) {
        this.progress = progress;
    }

    /**
     * Looks at a dataset that was put together from others, as if it had been read.
     *
     * @throws FaultyDatasetException with all that is wrong with it
     */
    public static Dataset checked(Dataset dataset) {
        Checks.all(dataset).refuse();
        return dataset;
    }

    /**
     * Looks at a planning row for an item of a company as if it stood there.
     *
     * @throws FaultyDatasetException with all that is wrong with it
     */
    public static Row checked(Facts facts, Row planning) {
        Checks.planning(facts, planning).refuse();
        return planning;
    }

    /**
     * Looks at changes of a company: whether the rows that come of them are right.
     *
     * @param facts the company before
     * @throws FaultyDatasetException with all that is wrong with them
     */
    public static List<FactChange> checked(Facts facts, List<FactChange> changes) {
        Neighbourhood.faults(
                        facts.after(changes),
                        changes.stream()
                                .flatMap(change -> change.after().stream())
                                .toList(),
                        changes.stream()
                                .filter(change -> change.after().isEmpty())
                                .flatMap(change -> change.before().stream())
                                .toList())
                .refuse();
        return changes;
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

    /**
     * The same, telling every hundred thousand rows and at the end how many were read.
     *
     * @param progress is told by one thread at a time, not always the same
     */
    public static Dataset read(Path path, LongConsumer progress) {
        return read(path, progress, false);
    }

    /** The same of a folder in which other files may lie beside the tables. */
    static Dataset readTables(Path path, LongConsumer progress) {
        return read(path, progress, true);
    }

    private static Dataset read(Path path, LongConsumer progress, boolean others) {
        DatasetReader reader = new DatasetReader(progress);
        Faults faults;
        try (DatasetSource source = DatasetSource.open(path)) {
            faults = reader.readAll(source, others);
        } catch (IOException | UncheckedIOException e) {
            throw new UncheckedIOException(
                    "The dataset " + path + " cannot be read: " + e.getMessage(),
                    e instanceof IOException io ? io : ((UncheckedIOException) e).getCause());
        }
        faults.addAll(reader.references());
        Dataset dataset = new Dataset(reader.rows);
        // the rules of the job are only asked when every value is of its kind
        if (faults.none()) {
            faults.addAll(Checks.all(dataset));
        }
        faults.refuse();
        return dataset;
    }

    private Faults readAll(DatasetSource source, boolean others) throws IOException {
        Faults faults = new Faults();
        String tables = "one of "
                + String.join(", ", Table.ALL.stream().map(Table::name).toList());
        for (String name : others ? List.<String>of() : source.strangers()) {
            faults.add(name, 0, "", "", "is not a table of a dataset", tables);
        }
        faults.addAll(
                SideBySide.faults(source.threads(), Table.ALL, (table, found) -> readTable(source, table, found)));
        faults.addAll(SideBySide.faults(
                source.threads(), RecordTables.ALL, (table, found) -> readTable(source, table, found)));
        progress.accept(rowsRead);
        return faults;
    }

    private void readTable(DatasetSource source, Table table, Faults faults) {
        try (TableRows raw = source.rows(table)) {
            if (raw != null) {
                rows.put(table.name(), new TableReader(table, faults, this::rowRead).read(raw));
            }
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
    }

    private synchronized void rowRead() {
        if (++rowsRead % TOLD_EVERY == 0) {
            progress.accept(rowsRead);
        }
    }

    private Faults references() {
        Map<String, Set<String>> known = new ConcurrentHashMap<>();
        Faults missing = missingTables();
        List<Table> all = new ArrayList<>(Table.ALL);
        all.addAll(RecordTables.ALL);
        missing.addAll(SideBySide.faults(SideBySide.CORES, all, (table, faults) -> {
            for (int c = 0; c < table.columns().size(); c++) {
                Column column = table.columns().get(c);
                if (column.references() != null && rows.containsKey(column.references())) {
                    references(table, c, known.computeIfAbsent(column.references(), this::codes), faults);
                }
            }
        }));
        return missing;
    }

    /** A table that others name codes of is not there at all: one fault, however many rows name them. */
    private Faults missingTables() {
        Map<String, Set<String>> missing = new TreeMap<>();
        for (Table table : Table.ALL) {
            for (int c = 0; c < table.columns().size(); c++) {
                String named = table.columns().get(c).references();
                int column = c;
                if (named != null
                        && !rows.containsKey(named)
                        && rows.getOrDefault(table.name(), List.of()).stream()
                                .anyMatch(row -> !row.at(column).isEmpty())) {
                    missing.computeIfAbsent(named, n -> new TreeSet<>()).add(table.name());
                }
            }
        }
        Faults faults = new Faults();
        missing.forEach((table, by) -> faults.add(
                table + ".csv",
                0,
                "",
                "",
                "is missing",
                "the table with the codes that " + String.join(", ", by) + (by.size() == 1 ? " names" : " name")));
        return faults;
    }

    private Set<String> codes(String table) {
        Set<String> codes = new HashSet<>();
        rows.getOrDefault(table, List.of()).forEach(r -> codes.add(r.at(0)));
        return codes;
    }

    private void references(Table table, int c, Set<String> known, Faults faults) {
        Column column = table.columns().get(c);
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
