package rescient.dataset;

import java.time.LocalDate;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Objects;

/** Rows by table; a table that is missing is empty. */
public final class Dataset {
    private final Map<String, List<Row>> rows;

    public Dataset(Map<String, List<Row>> rows) {
        this.rows = Map.copyOf(rows);
    }

    public List<Row> rows(String table) {
        if (!RecordTables.mayBe(table)) {
            throw new IllegalArgumentException("There is no table " + table);
        }
        return rows.getOrDefault(table, List.of());
    }

    /** The same with other rows of one table. */
    public Dataset with(String table, List<Row> others) {
        Map<String, List<Row>> changed = new HashMap<>(rows);
        changed.put(table, List.copyOf(others));
        return new Dataset(changed);
    }

    /** The same with a row in the place of the one that has its key, if there is one. */
    public Dataset with(Row row) {
        Table table = row.table();
        List<String> key =
                table.columns().stream().filter(Column::key).map(Column::name).toList();
        List<Row> others = new ArrayList<>(rows(table.name()));
        others.removeIf(other -> key.stream().allMatch(c -> Objects.equals(other.text(c), row.text(c))));
        others.add(row);
        return with(table.name(), others);
    }

    /** A setting's value, or null. */
    public String setting(String key) {
        return rows("settings").stream()
                .filter(r -> key.equals(r.text("key")))
                .findFirst()
                .map(r -> r.text("value"))
                .orElse(null);
    }

    /** The same story told on another day; see {@link AnotherDay}. */
    public Dataset toldOn(LocalDate day) {
        AnotherDay present = new AnotherDay(LocalDate.parse(setting("today")), day);
        Map<String, List<Row>> moved = new HashMap<>();
        rows.forEach((table, list) ->
                moved.put(table, list.stream().flatMap(present::told).toList()));
        return new Dataset(moved);
    }
}
