package rescient.server.tables;

import com.fasterxml.jackson.core.JsonProcessingException;
import com.fasterxml.jackson.databind.DeserializationFeature;
import com.fasterxml.jackson.databind.ObjectMapper;
import com.fasterxml.jackson.databind.node.ArrayNode;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.function.Predicate;
import java.util.stream.Collectors;
import java.util.stream.IntStream;
import java.util.stream.Stream;
import org.springframework.jdbc.core.JdbcTemplate;
import org.springframework.stereotype.Component;
import rescient.dataset.Table;

/** Rows of the tables that decisions change, as JSON: read, compared and replaced. */
@Component
class KeptRows {
    /** Those that others refer to come first. */
    private static final List<String> TABLES = Stream.concat(
                    Table.ALL.stream().map(Table::name),
                    Stream.of(
                            "supply_orders",
                            "supply_order_lines",
                            "supply_order_components",
                            "holds",
                            "change_requests",
                            "bench_places",
                            "approvals"))
            .toList();

    private final JdbcTemplate database;
    private final RowEntities entities;
    private final ObjectMapper json;

    KeptRows(JdbcTemplate database, RowEntities entities, ObjectMapper json) {
        this.database = database;
        this.entities = entities;
        // quantities are exact
        this.json = json.copy().enable(DeserializationFeature.USE_BIG_DECIMAL_FOR_FLOATS);
    }

    /** The rows of a key, in the order they came. */
    ArrayNode read(String table, Map<String, String> key) {
        String rows = database.queryForObject(
                "select coalesce(jsonb_agg(r order by id), '[]')::text from (select "
                        + (numbered(table) ? "id" : "0 as id") + ", to_jsonb(t) - 'id' as r from " + table + " t where "
                        + matching(key) + ") x",
                String.class,
                said(key));
        return array(rows);
    }

    /**
     * The rows of many keys, in their order: one question for all of a table whose keys have the same columns.
     *
     * @param places tables with a key each
     */
    List<ArrayNode> read(List<Edit.Place> places) {
        ArrayNode[] rows = new ArrayNode[places.size()];
        Map<String, List<Integer>> alike = new LinkedHashMap<>();
        for (int i = 0; i < rows.length; i++) {
            Edit.Place place = places.get(i);
            alike.computeIfAbsent(place.table() + ' ' + matching(place.key()), k -> new ArrayList<>())
                    .add(i);
        }
        for (List<Integer> some : alike.values()) {
            Edit.Place first = places.get(some.get(0));
            if (some.size() == 1 || said(first.key()).length == 0) {
                some.forEach(i -> rows[i] = read(first.table(), places.get(i).key()));
            } else {
                List<String> found =
                        together(first, some.stream().map(places::get).toList());
                for (int i = 0; i < found.size(); i++) {
                    rows[some.get(i)] = array(found.get(i));
                }
            }
        }
        return List.of(rows);
    }

    private List<String> together(Edit.Place first, List<Edit.Place> alike) {
        List<String> columns = first.key().keySet().stream()
                .filter(column -> first.key().get(column) != null)
                .toList();
        String joined = first.key().keySet().stream()
                .map(column -> "t.\"" + column + "\""
                        + (columns.contains(column) ? "::text = k.c" + columns.indexOf(column) : " is null"))
                .collect(Collectors.joining(" and "));
        String sql = "select coalesce(jsonb_agg(to_jsonb(t) - 'id'" + (numbered(first.table()) ? " order by t.id" : "")
                + ") filter (where t.\"" + columns.get(0) + "\" is not null), '[]')::text from unnest("
                + columns.stream().map(column -> "?::text[]").collect(Collectors.joining(", "))
                + ") with ordinality as k ("
                + IntStream.range(0, columns.size()).mapToObj(i -> "c" + i).collect(Collectors.joining(", "))
                + ", n) left join " + first.table() + " t on " + joined + " group by k.n order by k.n";
        return database.queryForList(
                sql,
                String.class,
                columns.stream()
                        .map(column ->
                                alike.stream().map(one -> one.key().get(column)).toArray(String[]::new))
                        .toArray());
    }

    private ArrayNode array(String rows) {
        try {
            return (ArrayNode) json.readTree(rows);
        } catch (JsonProcessingException e) {
            throw new IllegalStateException(e);
        }
    }

    /** Puts the rows after in the place of those before, which stand there as long as the company's lock is held. */
    void keep(List<Edit> edits) {
        List<Edit> inOrder = new ArrayList<>(edits);
        inOrder.sort(Comparator.comparingInt(e -> TABLES.indexOf(e.table())));
        delete(inOrder, edit -> !edit.after().isEmpty() && !isOneRow(edit));
        for (int from = 0; from < inOrder.size(); ) {
            Edit first = inOrder.get(from);
            int to = from + 1;
            while (to < inOrder.size() && alike(first, inOrder.get(to))) {
                to++;
            }
            write(inOrder.subList(from, to));
            from = to;
        }
        entities.flush();
        // what goes, when nothing refers to it any more
        delete(inOrder, edit -> edit.after().isEmpty());
    }

    /** Of one table, kept in the same way, under keys of the same columns. */
    private boolean alike(Edit edit, Edit other) {
        return edit.table().equals(other.table())
                && throughEntity(edit) == throughEntity(other)
                && edit.key().keySet().equals(other.key().keySet());
    }

    private void write(List<Edit> alike) {
        if (!throughEntity(alike.get(0))) {
            alike.forEach(this::write);
            return;
        }
        List<Edit> staying =
                alike.stream().filter(edit -> !edit.after().isEmpty()).toList();
        if (!staying.isEmpty()) {
            entities.put(
                    staying.get(0).table(),
                    staying.stream().map(Edit::key).toList(),
                    staying.stream().map(edit -> edit.after().get(0)).toList());
        }
    }

    private void write(Edit edit) {
        String columns = columns(edit.table());
        if (isOneRow(edit)) {
            List<Object> values = new ArrayList<>(List.of(edit.after().get(0).toString()));
            values.addAll(List.of(said(edit.key())));
            database.update(
                    "update " + edit.table() + " set (" + columns + ") = (select " + columns
                            + " from jsonb_populate_record(null::" + edit.table() + ", ?::jsonb)) where "
                            + matching(edit.key()),
                    values.toArray());
        } else {
            database.update(
                    "insert into " + edit.table() + " (" + columns + ") select " + columns
                            + " from jsonb_populate_recordset(null::" + edit.table() + ", ?::jsonb)",
                    edit.after().toString());
        }
    }

    /** Those that refer to others come first. */
    private void delete(List<Edit> inOrder, Predicate<Edit> which) {
        for (int i = inOrder.size() - 1; i >= 0; i--) {
            Edit edit = inOrder.get(i);
            if (which.test(edit) && throughEntity(edit)) {
                entities.delete(edit.table(), edit.key());
            } else if (which.test(edit)) {
                database.update("delete from " + edit.table() + " where " + matching(edit.key()), said(edit.key()));
            }
        }
    }

    /** Single rows are; many at once, as of a what-if that is taken over, go in one statement for each key. */
    private boolean throughEntity(Edit edit) {
        return edit.before().size() <= 1 && edit.after().size() <= 1 && entities.keep(edit.table());
    }

    /** One row that stays, under whatever refers to it. */
    private static boolean isOneRow(Edit edit) {
        return edit.before().size() == 1 && edit.after().size() == 1;
    }

    private static String matching(Map<String, String> key) {
        return key.entrySet().stream()
                .map(k -> "\"" + k.getKey() + "\"" + (k.getValue() == null ? " is null" : "::text = ?"))
                .collect(Collectors.joining(" and "));
    }

    /** The values of a key that are not empty. */
    private static Object[] said(Map<String, String> key) {
        return key.values().stream().filter(Objects::nonNull).toArray();
    }

    private boolean numbered(String table) {
        return !table.equals("supply_orders") && !table.equals("settings");
    }

    private String columns(String table) {
        return String.join(
                ", ",
                database.queryForList(
                        "select quote_ident(attname) from pg_attribute where attrelid = ?::regclass and attnum > 0"
                                + " and not attisdropped and attidentity = ''",
                        String.class,
                        table));
    }
}
