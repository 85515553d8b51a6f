package rescient.dataset;

import java.util.Arrays;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.stream.Collectors;

/** A table of the dataset: the one definition from which reading, checking, loading, writing and documentation follow. */
public final class Table {
    /** The tables, each after those it refers to. */
    public static final List<Table> ALL = CompanyTables.all();

    private static final Map<String, Table> BY_NAME =
            ALL.stream().collect(Collectors.toUnmodifiableMap(Table::name, t -> t));

    private final String name;
    private final List<Column> columns;
    private final Map<String, Integer> places = new HashMap<>();
    private final String[] names;

    private Table(String name, List<Column> columns) {
        this.name = name;
        this.columns = List.copyOf(columns);
        this.names = columns.stream().map(Column::name).toArray(String[]::new);
        for (Column column : columns) {
            places.put(column.name(), places.size());
        }
    }

    /** The table of this name, or null. */
    public static Table named(String name) {
        return BY_NAME.get(name);
    }

    /** The name of its file without the ending. */
    public String name() {
        return name;
    }

    /** What its rows are, in one line. */
    public String meaning() {
        return Meanings.of(this);
    }

    /** What a column of it means, in one line. */
    public String meaning(Column column) {
        return Meanings.of(this, column);
    }

    /** Its columns, in the order in which they are written. */
    public List<Column> columns() {
        return columns;
    }

    /** The place of a column, or -1. */
    public int indexOf(String column) {
        // asked by the million, mostly with the very text that names the column
        for (int i = 0; i < names.length; i++) {
            if (names[i] == column) {
                return i;
            }
        }
        return places.getOrDefault(column, -1);
    }

    @Override
    public String toString() {
        return name;
    }

    /** A table of its own, which is none of a dataset's. */
    static Table table(String name, Column... columns) {
        return table(name, Arrays.asList(columns));
    }

    static Table table(String name, List<Column> columns) {
        return new Table(name, columns);
    }
}
