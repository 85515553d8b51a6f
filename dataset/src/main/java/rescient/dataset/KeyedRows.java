package rescient.dataset;

import java.util.ArrayList;
import java.util.Collections;
import java.util.HashMap;
import java.util.IdentityHashMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.concurrent.ConcurrentHashMap;
import java.util.stream.Stream;

/**
 * The rows of one table, as they were read, and what has been told of some of them since. Whoever asks for a row or tells of
 * one does not go through all of them; indexes are made when they are first asked for, and kept as long as the rows are.
 */
final class KeyedRows {
    /** With more told than this, and than this part of the rows, they are put together anew. */
    private static final int MOST_TOLD = 500;

    private static final int PART_TOLD = 20;

    private static final String COMPONENTS = "open_order_components";

    private final Table table;
    private final Read read;
    /** By key, in the order in which they were told; none: taken away. */
    private final Map<String, List<Row>> since;

    private final Map<String, Map<String, List<Row>>> groupsSince = new ConcurrentHashMap<>();
    private volatile List<Row> present;

    /** Rows as they were read, with what is looked up in them. */
    private static final class Read {
        final List<Row> rows;
        private volatile Map<String, List<Row>> byKey;
        private final Map<String, Map<String, List<Row>>> groups = new ConcurrentHashMap<>();

        Read(List<Row> rows) {
            this.rows = rows;
        }

        List<Row> of(String key) {
            if (byKey == null) {
                synchronized (this) {
                    if (byKey == null) {
                        Map<String, List<Row>> index = new HashMap<>(rows.size() * 2);
                        rows.forEach(row -> index.merge(KeyedRows.key(row), List.of(row), KeyedRows::joined));
                        byKey = index;
                    }
                }
            }
            return byKey.getOrDefault(key, List.of());
        }

        List<Row> group(String column, String value) {
            return groups.computeIfAbsent(column, c -> grouped(rows.stream(), c))
                    .getOrDefault(value, List.of());
        }
    }

    KeyedRows(Table table, List<Row> rows) {
        this(table, new Read(rows), Map.of());
    }

    private KeyedRows(Table table, Read read, Map<String, List<Row>> since) {
        this.table = table;
        this.read = read;
        this.since = since;
    }

    private static List<Row> joined(List<Row> some, List<Row> others) {
        List<Row> all = new ArrayList<>(some);
        all.addAll(others);
        return all;
    }

    private static Map<String, List<Row>> grouped(Stream<Row> rows, String column) {
        Map<String, List<Row>> groups = new HashMap<>();
        rows.forEach(row -> groups.computeIfAbsent(row.text(column, ""), v -> new ArrayList<>())
                .add(row));
        return groups;
    }

    /** Whether several rows of a table may be changed together. */
    static boolean together(Table table) {
        return table.name().equals(COMPONENTS);
    }

    /** What rows have in common that are changed together. */
    static String key(Row row) {
        return together(row.table()) ? row.text("number") + '\0' + row.text("line") : own(row);
    }

    /** What tells a row from all others, of those too that are changed together. */
    static String own(Row row) {
        StringBuilder key = new StringBuilder();
        List<Column> columns = row.table().columns();
        for (int c = 0; c < columns.size(); c++) {
            if (columns.get(c).key()) {
                key.append(key.isEmpty() ? "" : "\0").append(plain(columns.get(c), row.at(c)));
            }
        }
        return key.toString();
    }

    /** 0 and 0.000000 are the same key, and so are nothing and no. */
    private static String plain(Column column, String value) {
        if (column.type() == ColumnType.FLAG && value.equals("false")) {
            return "";
        }
        return column.type() == ColumnType.AMOUNT && value.indexOf('.') >= 0
                ? new java.math.BigDecimal(value).stripTrailingZeros().toPlainString()
                : value;
    }

    KeyedRows after(List<FactChange> changes) {
        Map<String, List<Row>> told = new LinkedHashMap<>(since);
        for (FactChange change : changes) {
            told.remove(change.key());
            told.put(change.key(), change.after());
        }
        KeyedRows next = new KeyedRows(table, read, told);
        return told.size() > Math.max(MOST_TOLD, read.rows.size() / PART_TOLD)
                ? new KeyedRows(table, next.rows())
                : next;
    }

    /** Makes what is looked up in the rows, by key and by these columns, before somebody waits for it. */
    void prepare(List<String> columns) {
        read.of("");
        columns.forEach(column -> read.group(column, ""));
    }

    /** The rows of a key, none if there are none. */
    List<Row> of(String key) {
        List<Row> told = since.get(key);
        return told == null ? read.of(key) : told;
    }

    /** The rows with a text in a column, in no order; "" for those that are empty there. */
    List<Row> group(String column, String value) {
        List<Row> before = read.group(column, value);
        if (since.isEmpty()) {
            return before;
        }
        List<Row> told = groupsSince
                .computeIfAbsent(column, c -> grouped(since.values().stream().flatMap(List::stream), c))
                .getOrDefault(value, List.of());
        if (told.isEmpty() && before.stream().noneMatch(row -> since.containsKey(key(row)))) {
            return before;
        }
        List<Row> all = new ArrayList<>();
        before.stream().filter(row -> !since.containsKey(key(row))).forEach(all::add);
        all.addAll(told);
        return all;
    }

    /** All rows. */
    List<Row> rows() {
        if (since.isEmpty()) {
            return read.rows;
        }
        List<Row> known = present;
        if (known == null) {
            Set<Row> gone = Collections.newSetFromMap(new IdentityHashMap<>());
            since.keySet().forEach(key -> gone.addAll(read.of(key)));
            List<Row> all = new ArrayList<>(read.rows.size() + since.size());
            // what stays stays in its place
            for (Row row : read.rows) {
                if (!gone.contains(row)) {
                    all.add(row);
                }
            }
            since.values().forEach(all::addAll);
            known = Collections.unmodifiableList(all);
            present = known;
        }
        return known;
    }
}
