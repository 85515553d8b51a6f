package rescient.server.platform;

import de.siegmar.fastcsv.writer.CsvWriter;
import java.io.IOException;
import java.io.OutputStreamWriter;
import java.nio.charset.StandardCharsets;
import java.sql.Connection;
import java.sql.ResultSet;
import java.sql.SQLException;
import java.sql.Timestamp;
import java.time.Instant;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.Collection;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.TreeMap;
import java.util.function.LongConsumer;
import org.postgresql.PGConnection;
import org.postgresql.copy.PGCopyOutputStream;
import org.springframework.jdbc.core.ConnectionCallback;
import org.springframework.jdbc.core.JdbcTemplate;
import org.springframework.stereotype.Component;
import rescient.dataset.Column;
import rescient.dataset.DeskTables;
import rescient.dataset.FactChange;
import rescient.dataset.Row;
import rescient.dataset.Table;

/** Every change of a fact as it is kept for ever: written with its revision, read by revision or by item. */
@Component
public class ToldChanges {
    /** From so many on they go in one COPY. */
    private static final int MANY = 100;

    /** After so many it is told how far it is. */
    private static final int AT_ONCE = 5_000;

    private static final String INSERT =
            "insert into fact_changes (revision, place, table_name, item, key, before, after) values (?, ?, ?, ?, ?, ?, ?)";
    private static final String COPY =
            "copy fact_changes (revision, place, table_name, item, key, before, after) from stdin (format csv)";

    private final JdbcTemplate database;
    private final FactCodec codec;

    ToldChanges(JdbcTemplate database, FactCodec codec) {
        this.database = database;
        this.codec = codec;
    }

    void keep(long revision, List<FactChange> changes, LongConsumer progress) {
        if (changes.size() < MANY) {
            List<Object[]> rows = new ArrayList<>();
            for (FactChange change : changes) {
                rows.add(values(revision, rows.size(), change));
            }
            database.batchUpdate(INSERT, rows);
        } else {
            database.execute((ConnectionCallback<Void>) connection -> copy(connection, revision, changes, progress));
        }
    }

    private Void copy(Connection connection, long revision, List<FactChange> changes, LongConsumer progress)
            throws SQLException {
        try (CsvWriter csv = CsvWriter.builder()
                .build(new OutputStreamWriter(
                        new PGCopyOutputStream(connection.unwrap(PGConnection.class), COPY), StandardCharsets.UTF_8))) {
            int place = 0;
            for (FactChange change : changes) {
                Object[] values = values(revision, place++, change);
                String[] texts = new String[values.length];
                for (int i = 0; i < texts.length; i++) {
                    texts[i] = values[i] == null ? "" : values[i].toString();
                }
                csv.writeRecord(texts);
                if (place % AT_ONCE == 0) {
                    progress.accept(place);
                }
            }
        } catch (IOException e) {
            throw new SQLException(e);
        }
        return null;
    }

    private Object[] values(long revision, int place, FactChange change) {
        Row any = change.any();
        return new Object[] {
            revision,
            place,
            change.table().name(),
            itemOf(any),
            key(any),
            codec.text(change.before()),
            codec.text(change.after())
        };
    }

    /** The item that a row is about, or null. */
    private static String itemOf(Row row) {
        if (DeskTables.has(row.table())) {
            return null;
        }
        return switch (row.table().name()) {
            case "items" -> row.text("code");
            case "bom_lines" -> row.text("parent");
            case "open_order_components", "customer_order_parts" -> row.text("component");
            default -> row.table().indexOf("item") < 0 ? null : row.text("item");
        };
    }

    /** The values of a row's key, one after the other. */
    public static String key(Row row) {
        List<String> values = new ArrayList<>();
        for (Column column : row.table().columns()) {
            if (column.key()) {
                values.add(row.text(column.name(), ""));
            }
        }
        return String.join(" ", values).strip();
    }

    /** By revision, after one and up to another. */
    Map<Long, List<FactChange>> between(long after, long upTo) {
        Map<Long, List<FactChange>> changes = new TreeMap<>();
        database.query(
                "select revision, table_name, before, after from fact_changes where revision > ? and revision <= ?"
                        + " order by revision, place",
                row -> {
                    changes.computeIfAbsent(row.getLong(1), r -> new ArrayList<>())
                            .add(change(row.getString(2), row.getString(3), row.getString(4)));
                },
                after,
                upTo);
        return changes;
    }

    /** What decides what making things costs: their standard costs, their routings, and the rates of work centers. */
    private static final String OF_COSTS = """
            select f.revision, c.made_at, c.kind, c.name, c.sentence, f.table_name, f.before, f.after
            from (select * from fact_changes where item = any (?) and table_name in ('items', 'operations')
                  union all
                  select * from fact_changes where table_name = 'work_centers') f
              join plan_causes c on c.revision = f.revision
            where c.made_at > ?
            order by f.revision, f.place""";

    /** What became otherwise of the costs of items, of their making, and of all work centers since a moment, in order. */
    public List<Told> ofCosts(Instant since, Collection<String> items) {
        List<Told> changes = new ArrayList<>(
                database.query(OF_COSTS, (row, i) -> told(row), items.toArray(String[]::new), Timestamp.from(since)));
        // under another code it is the same
        changes.removeIf(told -> {
            FactChange change = told.change();
            return !change.before().isEmpty()
                    && !change.after().isEmpty()
                    && !key(change.before().get(0)).equals(key(change.after().get(0)));
        });
        return changes;
    }

    /** All that became otherwise with one revision, in order. */
    public List<FactChange> of(long revision) {
        return between(revision - 1, revision).getOrDefault(revision, List.of());
    }

    private FactChange change(String table, String before, String after) {
        Table of = Table.named(table) == null ? DeskTables.named(table) : Table.named(table);
        return new FactChange(of, codec.rows(of, before), codec.rows(of, after));
    }

    /** The items about which something changed on a day or later. */
    public Set<String> itemsSince(LocalDate day) {
        return new HashSet<>(database.queryForList(
                "select distinct f.item from plan_causes c join fact_changes f on f.revision = c.revision"
                        + " where c.made_at >= ? and f.item is not null",
                String.class,
                Timestamp.valueOf(day.atStartOfDay())));
    }

    /** What became otherwise, with when and by whom. */
    public record Told(long revision, Instant at, Cause cause, FactChange change) {}

    /**
     * The last changes about an item.
     *
     * @param most so many at most, the newest first
     */
    public List<Told> ofItem(String item, int most) {
        return told("f.item = ?", most, item);
    }

    /** The last changes of the rows of a table under a key, see {@link #key}. */
    public List<Told> ofRow(Table table, String key, int most) {
        return told("f.table_name = ? and f.key = ?", most, table.name(), key);
    }

    /** The last changes of all rows of a table whose first key has a value. */
    public List<Told> ofFirstKey(Table table, String value, int most) {
        return told("f.table_name = ? and starts_with(f.key, ?)", most, table.name(), value + " ");
    }

    private List<Told> told(String which, int most, Object... values) {
        return database.query(
                "select f.revision, c.made_at, c.kind, c.name, c.sentence, f.table_name, f.before, f.after"
                        + " from fact_changes f join plan_causes c on c.revision = f.revision where " + which
                        + " order by f.revision desc, f.place limit " + most,
                (row, i) -> told(row),
                values);
    }

    private Told told(ResultSet row) throws SQLException {
        return new Told(
                row.getLong(1),
                row.getTimestamp(2).toInstant(),
                new Cause(Cause.Kind.valueOf(row.getString(3)), row.getString(4), row.getString(5)),
                change(row.getString(6), row.getString(7), row.getString(8)));
    }
}
