package rescient.dataset;

import java.math.BigDecimal;
import java.time.LocalDate;
import java.util.Arrays;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.function.UnaryOperator;

/** A row of a table; the values were checked against their columns before. */
public final class Row {
    private final Table table;
    private final long line;
    private final Cells cells;

    /** @param values by column of the table; empty where not set */
    public Row(Table table, long line, String[] values) {
        this(table, line, column -> values[column]);
    }

    Row(Table table, long line, Cells cells) {
        this.table = table;
        this.line = line;
        this.cells = cells;
    }

    /**
     * A row that came from no file.
     *
     * @param values by name of the column; what is missing or null is empty
     */
    public static Row of(Table table, Map<String, String> values) {
        String[] all = new String[table.columns().size()];
        Arrays.fill(all, "");
        values.forEach((column, value) -> all[table.indexOf(column)] = value == null ? "" : value);
        return new Row(table, 0, all);
    }

    /** The same row with another value; null empties the column. */
    public Row with(String column, String value) {
        String[] others = texts();
        others[table.indexOf(column)] = value == null ? "" : value;
        return new Row(table, line, others);
    }

    /** The table it belongs to. */
    public Table table() {
        return table;
    }

    /** The line of the file it came from. */
    public long line() {
        return line;
    }

    /** The text, or null if the column is empty. */
    public String text(String column) {
        String value = cells.at(table.indexOf(column));
        return value.isEmpty() ? null : value;
    }

    String at(int column) {
        return cells.at(column);
    }

    /** The text, or the default if the column is empty. */
    public String text(String column, String otherwise) {
        String value = text(column);
        return value == null ? otherwise : value;
    }

    public BigDecimal decimal(String column) {
        String value = text(column);
        return value == null ? null : new BigDecimal(value);
    }

    /** The quantity in millionths, or the default if the column is empty. */
    long quantity(String column, long otherwise) {
        int at = table.indexOf(column);
        return cells.isEmpty(at) ? otherwise : cells.quantity(at);
    }

    public int whole(String column, int otherwise) {
        String value = text(column);
        return value == null ? otherwise : Integer.parseInt(value);
    }

    public LocalDate date(String column) {
        String value = text(column);
        return value == null ? null : LocalDate.parse(value);
    }

    /** The epoch day, or the default if the column is empty. */
    public int day(String column, int otherwise) {
        int at = table.indexOf(column);
        return cells.isEmpty(at) ? otherwise : cells.day(at);
    }

    public boolean flag(String column, boolean otherwise) {
        String value = text(column);
        return value == null ? otherwise : value.equals("true");
    }

    /** The same row with every date moved; of the settings, those that are dates. */
    Row moved(UnaryOperator<LocalDate> move) {
        String[] moved = texts();
        for (int c = 0; c < moved.length; c++) {
            boolean date = table.columns().get(c).type() == ColumnType.DAY
                    || (table.name().equals("settings") && c == 1 && ColumnType.DAY.check(moved[c]) == null);
            if (date && !moved[c].isEmpty()) {
                moved[c] = move.apply(LocalDate.parse(moved[c])).toString();
            }
        }
        return new Row(table, line, moved);
    }

    /** Whether two rows of a table tell the same; 0.5 and 0.500000 do. */
    public boolean sameAs(Row other) {
        for (int c = 0; c < table.columns().size(); c++) {
            String mine = at(c);
            String theirs = other.at(c);
            boolean number = table.columns().get(c).type() instanceof ColumnType.Decimal;
            if (!mine.equals(theirs)
                    && !(number
                            && !mine.isEmpty()
                            && !theirs.isEmpty()
                            && new BigDecimal(mine).compareTo(new BigDecimal(theirs)) == 0)) {
                return false;
            }
        }
        return true;
    }

    /** What tells it from the other rows of its table: the values of its key. */
    public String key() {
        return KeyedRows.key(this);
    }

    /** The same of rows that are changed together: what tells one of them from the others. */
    public String ownKey() {
        return KeyedRows.own(this);
    }

    /** What is set, by column; numbers without zeros at their end. */
    public Map<String, String> cells() {
        Map<String, String> cells = new LinkedHashMap<>();
        for (Column column : table.columns()) {
            String value = text(column.name());
            if (value != null) {
                cells.put(
                        column.name(), column.type() instanceof ColumnType.Decimal ? Texts.withoutZeros(value) : value);
            }
        }
        return cells;
    }

    /** The texts by column of the table, empty where not set. */
    public List<String> values() {
        return List.of(texts());
    }

    private String[] texts() {
        String[] texts = new String[table.columns().size()];
        for (int c = 0; c < texts.length; c++) {
            texts[c] = cells.at(c);
        }
        return texts;
    }

    @Override
    public String toString() {
        return table + " " + values();
    }
}
