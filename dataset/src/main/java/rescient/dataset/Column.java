package rescient.dataset;

/**
 * A column of a table.
 *
 * @param key part of the table's key
 * @param required must not be empty; an empty key column that is not required counts as a value of its own
 * @param references the table whose only key column this names, or null
 */
public record Column(String name, ColumnType type, boolean key, boolean required, String references) {
    static Column of(String name, ColumnType type) {
        return new Column(name, type, false, false, null);
    }

    static Column required(String name, ColumnType type) {
        return new Column(name, type, false, true, null);
    }

    static Column key(String name, ColumnType type) {
        return new Column(name, type, true, true, null);
    }

    /** A key column that may be empty. */
    static Column openKey(String name, ColumnType type) {
        return new Column(name, type, true, false, null);
    }

    Column to(String table) {
        return new Column(name, type, key, required, table);
    }
}
