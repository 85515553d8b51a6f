package rescient.dataset.sheets;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.HashMap;
import java.util.HashSet;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Set;
import java.util.function.LongConsumer;
import rescient.dataset.Column;
import rescient.dataset.ColumnType;
import rescient.dataset.DatasetReader;
import rescient.dataset.FactChange;
import rescient.dataset.Facts;
import rescient.dataset.Fault;
import rescient.dataset.FaultyDatasetException;
import rescient.dataset.Row;
import rescient.dataset.Table;

/** What the rows of a sheet come to in a company: which are new, which change what, which change nothing, which are faulty. */
public final class Understood {
    /** Faults that are told; all are counted. */
    public static final int MOST_FAULTS = 1_000;
    /** With more changes than this the whole company is looked at, not the neighbours of each row. */
    private static final int MANY = 5_000;

    private static final int TOLD_EVERY = 20_000;
    private static final Set<String> YES = Set.of("true", "yes", "y", "1", "x", "ja", "j", "wahr", "oui", "si");
    private static final Set<String> NO = Set.of("false", "no", "n", "0", "nein", "falsch", "non");

    private final Facts facts;
    private final Sheet sheet;
    private final Mapping mapping;
    private final LongConsumer progress;
    private final List<Came> came = new ArrayList<>();
    private final List<RowFault> faults = new ArrayList<>();
    private final Set<Long> faulty = new HashSet<>();
    /** Codes by name in small letters, of the tables that the columns name; null where two have the name. */
    private final Map<String, Map<String, String>> byName = new HashMap<>();

    private final Map<String, Long> keys = new HashMap<>();
    private int same;

    private Understood(Facts facts, Sheet sheet, Mapping mapping, LongConsumer progress) {
        this.facts = facts;
        this.sheet = sheet;
        this.mapping = mapping;
        this.progress = progress;
    }

    /**
     * What is wrong with a cell.
     *
     * @param row as people count, the header being 1
     * @param column of the table; empty if it is about the row
     * @param value as it stands in the sheet
     */
    public record RowFault(long row, String column, String value, String sentence) {}

    /**
     * A row that is new, or other than it was.
     *
     * @param before null: new
     * @param after knows the row of the sheet
     */
    public record Came(Row before, Row after) {}

    /** @param progress is told now and then how many rows were looked at; may throw to end it */
    public static Understood of(Facts facts, Sheet sheet, Mapping mapping, LongConsumer progress) {
        Understood understood = new Understood(facts, sheet, mapping, progress);
        understood.read();
        understood.consistency();
        return understood;
    }

    /** What is new and what changes, by row. */
    public List<Came> came() {
        return came;
    }

    /** What becomes of the company. */
    public List<FactChange> changes() {
        Map<String, FactChange> changes = new LinkedHashMap<>();
        for (Came one : came) {
            String key = one.after.key();
            FactChange so = changes.get(key);
            List<Row> before = so == null ? facts.together(one.after) : so.before();
            List<Row> after = new ArrayList<>(so == null ? before : so.after());
            after.removeIf(row -> row.ownKey().equals(one.after.ownKey()));
            after.add(one.after);
            changes.put(key, new FactChange(mapping.table(), before, after));
        }
        return List.copyOf(changes.values());
    }

    /** The first faults, by row. */
    public List<RowFault> faults() {
        return faults;
    }

    /** How many rows have a fault. */
    public int faulty() {
        return faulty.size();
    }

    /** How many rows stand in the company as they stand in the sheet. */
    public int same() {
        return same;
    }

    public int added() {
        return (int) came.stream().filter(one -> one.before == null).count();
    }

    public int changed() {
        return came.size() - added();
    }

    private void read() {
        for (int r = 0; r < sheet.rows().size(); r++) {
            if (r % TOLD_EVERY == 0) {
                progress.accept(r);
            }
            long line = (long) r + Sheet.FIRST;
            boolean blank = Arrays.stream(sheet.rows().get(r)).allMatch(String::isBlank);
            if (!blank && !mapping.leftOut().contains(line)) {
                row(r, line);
            }
        }
    }

    private void row(int r, long line) {
        Table table = mapping.table();
        String[] values = new String[table.columns().size()];
        Arrays.fill(values, "");
        Set<String> said = new HashSet<>();
        boolean good = true;
        for (int c = 0; c < values.length; c++) {
            Column column = table.columns().get(c);
            String cell = cell(r, line, column);
            if (cell != null) {
                said.add(column.name());
                String value = value(line, column, cell);
                good &= value != null;
                values[c] = value == null ? "" : value;
            }
        }
        Row key = new Row(table, line, values);
        Row present = good ? facts.present(key) : null;
        Row after = key;
        if (present != null) {
            String[] all = present.values().toArray(String[]::new);
            for (int c = 0; c < all.length; c++) {
                if (said.contains(table.columns().get(c).name())) {
                    all[c] = values[c];
                }
            }
            after = new Row(table, line, all);
        }
        for (Column column : table.columns()) {
            if (good && column.required() && after.text(column.name()) == null) {
                fault(line, column.name(), "", "is missing");
                good = false;
            }
        }
        if (!good || !setting(line, after)) {
            return;
        }
        Long twice = keys.putIfAbsent(after.ownKey(), line);
        if (twice != null) {
            fault(line, "", "", "The same stands in row " + twice);
        } else if (present != null && present.sameAs(after)) {
            same++;
        } else {
            came.add(new Came(present, after));
        }
    }

    /** Whether a row is no setting, or one that a company keeps: the day is the present one, and no forecast set is made up. */
    private boolean setting(long line, Row row) {
        if (!row.table().name().equals("settings")) {
            return true;
        }
        String key = row.text("key");
        String value = row.text("value");
        if (key.equals("today") || key.equals("horizon_end")) {
            fault(line, "key", key, "is not kept: the company lives on the present day, and plans so many days ahead");
            return false;
        }
        if (key.equals("forecast_set")
                && value != null
                && facts.rows("forecasts", "set", value).isEmpty()) {
            fault(line, "value", value, "is no forecast set");
            return false;
        }
        return true;
    }

    /** What stands in a column of the table; null if nothing says anything about it. */
    private String cell(int r, long line, Column column) {
        Map<String, String> corrected = mapping.corrections().get(line);
        if (corrected != null && corrected.containsKey(column.name())) {
            return corrected.get(column.name()).strip();
        }
        Integer place = mapping.columns().get(column.name());
        if (place != null && place >= 0 && place < sheet.header().size()) {
            return sheet.cell(r, place);
        }
        String fixed = mapping.fixed().get(column.name());
        return fixed == null || fixed.isBlank() ? null : fixed.strip();
    }

    /** A cell as the dataset writes it; null if it cannot be. */
    private String value(long line, Column column, String cell) {
        if (cell.isEmpty()) {
            return "";
        }
        if (cell.startsWith("=")) {
            fault(line, column.name(), cell, "is a formula; bring in its value");
            return null;
        }
        String text = written(column, cell);
        Fault.Finding wrong = column.type().check(text);
        if (wrong != null) {
            fault(line, column.name(), cell, wrong.wrong() + "; right would be: " + wrong.right());
            return null;
        }
        if (column.references() != null && facts.row(column.references(), text) == null) {
            String code = named(column.references(), text);
            if (code == null) {
                fault(
                        line,
                        column.name(),
                        cell,
                        "is not known among the " + column.references().replace('_', ' '));
            }
            return code;
        }
        return text;
    }

    private String written(Column column, String cell) {
        ColumnType type = column.type();
        if (type == ColumnType.DAY) {
            var day = mapping.habits().day(cell);
            return day == null ? cell : day.toString();
        }
        if (type instanceof ColumnType.Decimal || type instanceof ColumnType.Whole) {
            String number = mapping.habits().number(cell);
            return number == null ? cell : number;
        }
        if (type instanceof ColumnType.Flag) {
            String said = cell.toLowerCase(Locale.ROOT);
            return YES.contains(said) ? "true" : NO.contains(said) ? "false" : cell;
        }
        return type instanceof ColumnType.Words ? ColumnMatch.plain(cell) : cell;
    }

    /** The code of what has a name, if one alone has it. */
    private String named(String table, String name) {
        if (Table.named(table).indexOf("name") < 0) {
            return null;
        }
        return byName.computeIfAbsent(table, t -> {
                    Map<String, String> codes = new HashMap<>();
                    Set<String> twice = new HashSet<>();
                    for (Row row : facts.rows(t)) {
                        String called = row.text("name", "").strip().toLowerCase(Locale.ROOT);
                        if (!called.isEmpty() && codes.put(called, row.text("code")) != null) {
                            twice.add(called);
                        }
                    }
                    codes.keySet().removeAll(twice);
                    return codes;
                })
                .get(name.toLowerCase(Locale.ROOT));
    }

    /** The rules of the company, asked only when every value is of its kind; rows that break one may be left out. */
    private void consistency() {
        boolean go = faulty.isEmpty() || mapping.withoutFaulty();
        while (go && !came.isEmpty()) {
            List<Fault> wrong = wrong(changes());
            if (wrong.isEmpty()) {
                return;
            }
            Set<Long> rows = new HashSet<>();
            for (Fault fault : wrong) {
                boolean mine = fault.row() >= Sheet.FIRST
                        && fault.file().startsWith(mapping.table().name() + ".")
                        && keys.containsValue(fault.row());
                if (mine) {
                    rows.add(fault.row());
                }
                fault(
                        mine ? fault.row() : 0,
                        fault.column(),
                        fault.value(),
                        (mine ? "" : fault.file() + ": ") + fault.wrong() + "; right would be: " + fault.right());
            }
            go = mapping.withoutFaulty() && !rows.isEmpty();
            if (go) {
                came.removeIf(one -> rows.contains(one.after.line()));
            }
        }
    }

    private List<Fault> wrong(List<FactChange> changes) {
        try {
            if (changes.size() > MANY) {
                DatasetReader.checked(facts.after(changes).dataset());
            } else {
                DatasetReader.checked(facts, changes);
            }
            return List.of();
        } catch (FaultyDatasetException e) {
            return e.faults();
        }
    }

    private void fault(long row, String column, String value, String sentence) {
        faulty.add(row);
        if (faults.size() < MOST_FAULTS) {
            faults.add(new RowFault(row, column, value, sentence));
        }
    }
}
