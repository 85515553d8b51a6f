package rescient.dataset;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;

/**
 * A company as it is at one moment: its rows, looked up by key and by what they refer to, and followed from change to
 * change. Immutable; what a change leaves alone is shared.
 */
public final class Facts {
    /** The columns by which rows are looked up when something changes, of the tables that can be large. */
    private static final Map<String, List<String>> LOOKED_UP = Map.of(
            "items", List.of("group"),
            "planning", List.of("item"),
            "bom_lines", List.of("parent"),
            "operations", List.of("item"),
            "supplier_items", List.of("item"),
            "alternative_items", List.of("item"),
            "open_orders", List.of("item"));

    private final Map<String, KeyedRows> tables;
    private volatile Dataset dataset;
    private volatile Units units;

    private Facts(Map<String, KeyedRows> tables, Dataset dataset, Units units) {
        this.tables = tables;
        this.dataset = dataset;
        this.units = units;
    }

    public static Facts of(Dataset dataset) {
        Map<String, KeyedRows> tables = new HashMap<>();
        for (Table table : Table.ALL) {
            tables.put(table.name(), new KeyedRows(table, dataset.rows(table.name())));
        }
        return new Facts(tables, dataset, null);
    }

    /** What becomes of it by some changes, made one after the other. */
    public Facts after(List<FactChange> changes) {
        if (changes.isEmpty()) {
            return this;
        }
        Map<Table, List<FactChange>> byTable = new LinkedHashMap<>();
        changes.forEach(
                c -> byTable.computeIfAbsent(c.table(), t -> new ArrayList<>()).add(c));
        Map<String, KeyedRows> next = new HashMap<>(tables);
        byTable.forEach(
                (table, some) -> next.put(table.name(), tables.get(table.name()).after(some)));
        boolean sameUnits = byTable.keySet().stream().noneMatch(t -> t.name().startsWith("unit"));
        return new Facts(next, null, sameUnits ? units : null);
    }

    /**
     * Makes what rows are looked up by, which takes seconds for a large company; whoever asks before makes it himself. What
     * is there already is not made again.
     */
    public void prepare() {
        tables.forEach((name, rows) -> rows.prepare(LOOKED_UP.getOrDefault(name, List.of())));
    }

    /** The row of a key, by the key's columns in their order, or null; "" where one is empty. */
    public Row row(String table, String... key) {
        List<Row> rows = tables.get(table).of(String.join("\0", key));
        return rows.isEmpty() ? null : rows.get(0);
    }

    /** The rows that have a text in a column, in no order. */
    public List<Row> rows(String table, String column, String value) {
        return tables.get(table).group(column, value);
    }

    /** All rows of a table. */
    public List<Row> rows(String table) {
        return tables.get(table).rows();
    }

    /** What an open order's line still has to issue. */
    public List<Row> components(String number, String line) {
        return tables.get("open_order_components").of(number + '\0' + line);
    }

    /** A setting's value, or null. */
    public String setting(String key) {
        Row row = row("settings", key);
        return row == null ? null : row.text("value");
    }

    public Units units() {
        Units known = units;
        if (known == null) {
            known = new Units(rows("units"), rows("unit_conversions"));
            units = known;
        }
        return known;
    }

    /** All tables. */
    public Dataset dataset() {
        Dataset known = dataset;
        if (known == null) {
            Map<String, List<Row>> rows = new HashMap<>();
            tables.forEach((name, table) -> rows.put(name, table.rows()));
            known = new Dataset(rows);
            dataset = known;
        }
        return known;
    }

    /**
     * What makes another company of this one. What was taken over row by row, the very same rows, is not looked into.
     *
     * @param most with more rows changed than this, empty: it is another company altogether
     */
    public Optional<List<FactChange>> to(Dataset other, int most) {
        List<RowDifference> differences = new ArrayList<>();
        for (Table table : Table.ALL) {
            List<Row> was = rows(table.name());
            List<Row> is = other.rows(table.name());
            if (was != is) {
                differences.add(new RowDifference(table, was, is));
            }
        }
        return differences.stream().mapToInt(RowDifference::rows).sum() > most
                ? Optional.empty()
                : Optional.of(
                        differences.stream().flatMap(d -> d.changes().stream()).toList());
    }
}
