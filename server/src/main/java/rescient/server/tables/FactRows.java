package rescient.server.tables;

import de.siegmar.fastcsv.writer.CsvWriter;
import java.io.IOException;
import java.io.OutputStreamWriter;
import java.nio.charset.StandardCharsets;
import java.sql.Connection;
import java.sql.SQLException;
import java.sql.Statement;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.function.LongConsumer;
import java.util.stream.Collectors;
import java.util.stream.IntStream;
import java.util.stream.Stream;
import org.postgresql.PGConnection;
import org.postgresql.copy.PGCopyOutputStream;
import org.springframework.jdbc.core.ConnectionCallback;
import org.springframework.jdbc.core.JdbcTemplate;
import org.springframework.stereotype.Component;
import rescient.dataset.Column;
import rescient.dataset.DeskTables;
import rescient.dataset.FactChange;
import rescient.dataset.Facts;
import rescient.dataset.Renaming;
import rescient.dataset.Row;
import rescient.dataset.Table;

/**
 * Changes of facts put into the tables that keep them: a few one by one through Hibernate, many in a few statements for
 * each table.
 */
@Component
public class FactRows {
    /** From so many changes of a table on, they go in together. */
    private static final int MANY = 100;

    /** After so many it is told how far it is. */
    private static final int AT_ONCE = 5_000;

    private final KeptRows rows;
    private final DeskRows desk;
    private final JdbcTemplate database;

    FactRows(KeptRows rows, DeskRows desk, JdbcTemplate database) {
        this.rows = rows;
        this.desk = desk;
        this.database = database;
    }

    /** What a change was made on is no longer so. */
    public static final class StaleFactException extends RuntimeException {
        private final transient FactChange change;

        StaleFactException(FactChange change) {
            super("Facts changed: " + change);
            this.change = change;
        }

        public FactChange change() {
            return change;
        }
    }

    /**
     * Puts what is after in the place of what was before, of the company and of what is kept beside it.
     *
     * @param facts the company as it is, whose lock is held
     * @throws StaleFactException if a row is not what it was before
     */
    public void keep(Facts facts, List<FactChange> changes) {
        keep(facts, changes, rows -> {});
    }

    /** @param progress is told how many rows were put into tables so far, and may throw to end it */
    public void keep(Facts facts, List<FactChange> changes, LongConsumer progress) {
        changes.forEach(change -> look(facts, change));
        Optional<Renaming> renaming =
                Renaming.of(changes).filter(one -> one.changes(facts).size() == changes.size());
        if (renaming.isPresent()) {
            rename(renaming.get());
            return;
        }
        Map<Table, List<FactChange>> byTable = changes.stream()
                .collect(Collectors.groupingBy(FactChange::table, LinkedHashMap::new, Collectors.toList()));
        List<FactChange> few = new ArrayList<>();
        Map<Table, List<FactChange>> many = new HashMap<>();
        // what many rows refer to may be a few of another table, and has to be there before them
        boolean bulk = byTable.values().stream().anyMatch(some -> some.size() >= MANY);
        byTable.forEach((table, some) -> {
            if (!bulk || OpenOrderEdits.TABLES.contains(table.name()) || DeskTables.has(table)) {
                few.addAll(some);
            } else {
                many.put(table, some);
            }
        });
        // what others refer to comes first and goes last
        for (Table table : Table.ALL) {
            if (many.containsKey(table)) {
                database.execute(
                        (ConnectionCallback<Void>) connection -> put(connection, table, many.get(table), progress));
            }
        }
        if (!few.isEmpty()) {
            rows.keep(TableEdits.of(rows, facts, few));
        }
        if (byTable.keySet().stream().anyMatch(table -> table.name().equals("open_orders"))) {
            database.update(NUMBERS);
        }
        for (int i = Table.ALL.size() - 1; i >= 0; i--) {
            Table table = Table.ALL.get(i);
            if (many.containsKey(table)) {
                database.execute((ConnectionCallback<Void>)
                        connection -> takeAway(connection, table, many.get(table), progress));
            }
        }
    }

    /** Orders that came in with a number of ours are behind the next one. */
    private static final String NUMBERS = """
            update number_ranges r set next = coalesce(greatest(next, (
                select max(substring(o.number from length(r.prefix) + 1)::bigint) + 1
                from supply_orders o
                where starts_with(o.number, r.prefix)
                  and substring(o.number from length(r.prefix) + 1) ~ '^[0-9]{1,15}$')), 1)
            """;

    /** What names the code follows in the database by itself. */
    private void rename(Renaming renaming) {
        database.update(
                "update " + renaming.table().name() + " set code = ? where code = ?", renaming.to(), renaming.from());
        for (String column : List.of("item", "site")) {
            if (renaming.table().name().equals(column + "s")) {
                database.update(
                        "update holds set " + column + " = ? where " + column + " = ?", renaming.to(), renaming.from());
            }
        }
    }

    private void look(Facts facts, FactChange change) {
        if (!change.ofOneKey()) {
            throw new IllegalArgumentException("A change is about one key of " + change.table());
        }
        List<Row> present = DeskTables.has(change.table())
                ? Stream.ofNullable(desk.present(change.any())).toList()
                : facts.together(change.any());
        boolean same = present.size() == change.before().size()
                && IntStream.range(0, present.size())
                        .allMatch(i -> present.get(i).sameAs(change.before().get(i)));
        if (!same) {
            throw new StaleFactException(change);
        }
    }

    private static Void put(Connection connection, Table table, List<FactChange> changes, LongConsumer progress)
            throws SQLException {
        List<Row> added = rowsOf(changes.stream().filter(c -> c.before().isEmpty()));
        List<Row> others = rowsOf(changes.stream().filter(c -> !c.before().isEmpty()));
        if (!others.isEmpty()) {
            String told = told(connection, table, others, progress);
            try (Statement statement = connection.createStatement()) {
                String set = table.columns().stream()
                        .filter(column -> !column.key())
                        .map(column -> quoted(column) + " = s." + quoted(column))
                        .collect(Collectors.joining(", "));
                statement.executeUpdate(
                        "update " + table.name() + " t set " + set + " from " + told + " s where " + sameKey(table));
            }
        }
        copy(connection, table.name(), table, added, progress);
        return null;
    }

    private static List<Row> rowsOf(Stream<FactChange> changes) {
        return changes.flatMap(change -> change.after().stream()).toList();
    }

    private static Void takeAway(Connection connection, Table table, List<FactChange> changes, LongConsumer progress)
            throws SQLException {
        List<Row> gone = changes.stream()
                .filter(change -> change.after().isEmpty())
                .flatMap(change -> change.before().stream())
                .toList();
        if (!gone.isEmpty()) {
            String told = told(connection, table, gone, progress);
            try (Statement statement = connection.createStatement()) {
                statement.executeUpdate(
                        "delete from " + table.name() + " t using " + told + " s where " + sameKey(table));
            }
        }
        return null;
    }

    /** A table of its own with these rows, until the transaction ends. */
    private static String told(Connection connection, Table table, List<Row> some, LongConsumer progress)
            throws SQLException {
        String name = "told_" + table.name();
        try (Statement statement = connection.createStatement()) {
            statement.execute("drop table if exists pg_temp." + name);
            statement.execute("create temp table " + name + " on commit drop as select " + columns(table) + " from "
                    + table.name() + " with no data");
            copy(connection, name, table, some, progress);
            statement.execute("analyze " + name);
        }
        return name;
    }

    private static void copy(Connection connection, String into, Table table, List<Row> some, LongConsumer progress)
            throws SQLException {
        if (some.isEmpty()) {
            return;
        }
        String command = "copy " + into + " (" + columns(table) + ") from stdin (format csv)";
        try (CsvWriter csv = CsvWriter.builder()
                .build(new OutputStreamWriter(
                        new PGCopyOutputStream(connection.unwrap(PGConnection.class), command),
                        StandardCharsets.UTF_8))) {
            long done = 0;
            for (Row row : some) {
                csv.writeRecord(row.values());
                if (++done % AT_ONCE == 0) {
                    progress.accept(done);
                }
            }
        } catch (IOException e) {
            throw new SQLException(e);
        }
    }

    private static String columns(Table table) {
        return table.columns().stream().map(FactRows::quoted).collect(Collectors.joining(", "));
    }

    private static String sameKey(Table table) {
        return table.columns().stream()
                .filter(Column::key)
                .map(column -> "t." + quoted(column)
                        + (column.required() ? " = " : " is not distinct from ")
                        + "s." + quoted(column))
                .collect(Collectors.joining(" and "));
    }

    private static String quoted(Column column) {
        return '"' + column.name() + '"';
    }
}
