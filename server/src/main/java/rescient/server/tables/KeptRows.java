package rescient.server.tables;

import com.fasterxml.jackson.core.JsonProcessingException;
import com.fasterxml.jackson.databind.DeserializationFeature;
import com.fasterxml.jackson.databind.ObjectMapper;
import com.fasterxml.jackson.databind.node.ArrayNode;
import java.util.ArrayList;
import java.util.Collections;
import java.util.Comparator;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.concurrent.ConcurrentHashMap;
import java.util.function.Predicate;
import java.util.stream.Collectors;
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
    /** Of each table, as it is for as long as the server runs. */
    private final Map<String, String> columns = new ConcurrentHashMap<>();

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
        delete(inOrder, edit -> edit.before() > 0 && !edit.after().isEmpty() && !isOneRow(edit));
        alike(inOrder).forEach(this::write);
        entities.flush();
        // what goes, when nothing refers to it any more
        delete(inOrder, edit -> edit.after().isEmpty());
    }

    /** In their order, those together that follow each other and are of one table and kept in the same way. */
    private List<List<Edit>> alike(List<Edit> edits) {
        List<List<Edit>> all = new ArrayList<>();
        Edit last = null;
        for (Edit edit : edits) {
            if (last == null || !edit.table().equals(last.table()) || throughEntity(edit) != throughEntity(last)) {
                all.add(new ArrayList<>());
            }
            all.get(all.size() - 1).add(edit);
            last = edit;
        }
        return all;
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
        List<Edit> gone = new ArrayList<>(inOrder.stream().filter(which).toList());
        Collections.reverse(gone);
        for (List<Edit> some : alike(gone)) {
            Edit first = some.get(0);
            if (throughEntity(first)) {
                entities.delete(first.table(), some.stream().map(Edit::key).toList());
            } else {
                some.forEach(edit -> database.update(
                        "delete from " + edit.table() + " where " + matching(edit.key()), said(edit.key())));
            }
        }
    }

    /** Single rows are; many at once, as of a what-if that is taken over, go in one statement for each key. */
    private boolean throughEntity(Edit edit) {
        return edit.before() <= 1 && edit.after().size() <= 1 && entities.keep(edit.table());
    }

    /** One row that stays, under whatever refers to it. */
    private static boolean isOneRow(Edit edit) {
        return edit.before() == 1 && edit.after().size() == 1;
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
        return columns.computeIfAbsent(
                table,
                name -> String.join(
                        ", ",
                        database.queryForList(
                                "select quote_ident(attname) from pg_attribute where attrelid = ?::regclass and attnum > 0"
                                        + " and not attisdropped and attidentity = ''",
                                String.class,
                                name)));
    }
}
