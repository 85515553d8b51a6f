package rescient.server.masterdata;

import com.github.benmanes.caffeine.cache.Cache;
import com.github.benmanes.caffeine.cache.Caffeine;
import jakarta.validation.constraints.Size;
import java.math.BigDecimal;
import java.time.Instant;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.concurrent.ConcurrentHashMap;
import java.util.stream.IntStream;
import org.springframework.beans.factory.annotation.Value;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.bind.annotation.RestController;
import rescient.core.base.DocumentOrder;
import rescient.dataset.Column;
import rescient.dataset.ColumnType;
import rescient.dataset.FactChange;
import rescient.dataset.Facts;
import rescient.dataset.Row;
import rescient.dataset.Table;
import rescient.server.planning.Directory;
import rescient.server.planning.LivePlan;
import rescient.server.planning.OnceForPlan;
import rescient.server.planning.PlanVersion;
import rescient.server.planning.Words;
import rescient.server.platform.JobProblem;
import rescient.server.platform.Nullable;
import rescient.server.platform.Sought;
import rescient.server.platform.ToldChanges;

/** The tables of the company's data. */
@RestController
@RequestMapping("/api/data")
class DataController {
    /** Lists that are kept of a plan: whoever scrolls asks for the same again. */
    private static final int LISTS = 30;

    private static final int OFFERED = 30;

    private final OnceForPlan<Cache<Asked, List<Row>>> found = new OnceForPlan<>();
    /** What can be chosen from each table: asked for with every letter, so as plain texts. */
    private final OnceForPlan<Map<String, OfferedCodes>> codes = new OnceForPlan<>();

    private static final int HISTORY = 200;

    private final LivePlan live;
    private final ToldChanges told;
    private final int most;

    DataController(LivePlan live, ToldChanges told, @Value("${rescient.list-most:1000}") int most) {
        this.live = live;
        this.told = told;
        this.most = most;
    }

    /**
     * What a column holds.
     *
     * @param holds text, words, flag, date, whole or number
     * @param words of which one stands there
     * @param references the table whose codes stand there
     */
    record ColumnView(
            String name,
            String holds,
            boolean key,
            boolean required,
            @Nullable String references,
            @Nullable List<String> words,
            @Nullable BigDecimal least,
            @Nullable BigDecimal most,
            String meaning) {}

    record TableView(String name, String meaning, List<ColumnView> columns) {}

    /** A list of rows, whatever the window on it. */
    private record Asked(String table, String words, String column, List<String> value, String sort, boolean desc) {}

    /**
     * Rows of a table.
     *
     * @param names of the codes that the rows name, by table and code
     * @param place of the row that was asked for, from 0 on; null: it is none of those that fit
     */
    record RowsView(
            List<Map<String, String>> rows,
            int total,
            Map<String, Map<String, String>> names,
            @Nullable Integer place) {}

    record FieldChange(
            String column,
            @Nullable String before,
            @Nullable String after) {}

    /**
     * What became of a row.
     *
     * @param kind of the cause: decision, taken_back, what_if, import, release …
     * @param what added, gone or changed
     */
    record ChangeView(
            Instant at,
            @Nullable String name,
            String kind,
            String sentence,
            String table,
            String row,
            String what,
            List<FieldChange> fields) {}

    /** What every table holds. */
    @GetMapping("/tables")
    List<TableView> tables() {
        return Table.ALL.stream().map(DataController::view).toList();
    }

    private static TableView view(Table table) {
        return new TableView(
                table.name(),
                table.meaning(),
                table.columns().stream().map(column -> view(table, column)).toList());
    }

    private static ColumnView view(Table table, Column column) {
        ColumnType type = column.type();
        String holds;
        List<String> words = null;
        BigDecimal least = null;
        BigDecimal most = null;
        if (type instanceof ColumnType.Words some) {
            holds = "words";
            words = some.allowed();
        } else if (type instanceof ColumnType.Flag) {
            holds = "flag";
        } else if (type instanceof ColumnType.Day) {
            holds = "date";
        } else if (type instanceof ColumnType.Whole whole) {
            holds = "whole";
            least = BigDecimal.valueOf(whole.least());
            most = BigDecimal.valueOf(whole.most());
        } else if (type instanceof ColumnType.Decimal decimal) {
            holds = "number";
            least = decimal.least();
            most = decimal.most();
        } else {
            holds = "text";
        }
        return new ColumnView(
                column.name(),
                holds,
                column.key(),
                column.required(),
                column.references(),
                words,
                least,
                most,
                table.meaning(column));
    }

    /**
     * Rows of a table, in windows.
     *
     * @param words all occur in the values of a row, or in the names of what it names
     * @param column with {@code value}: only rows that have one of these there
     * @param place of which row the place in the list is told, by its code
     */
    @GetMapping("/rows")
    RowsView rows(
            @RequestParam @Size(max = 60) String table,
            @RequestParam(required = false) @Size(max = 300) String words,
            @RequestParam(required = false) @Size(max = 60) String column,
            @RequestParam(required = false) @Size(max = 300) List<@Size(max = 300) String> value,
            @RequestParam(required = false) @Size(max = 60) String sort,
            @RequestParam(defaultValue = "false") boolean desc,
            @RequestParam(required = false) @Size(max = 300) String place,
            @RequestParam(defaultValue = "0") int offset,
            @RequestParam(defaultValue = "1000") int limit) {
        Table of = table(table);
        PlanVersion version = live.current();
        Directory directory = version.directory();
        Asked asked = new Asked(of.name(), words, column, value, sort, desc);
        List<Row> fitting = fitting(version, asked);
        int from = Math.min(fitting.size(), Math.max(0, offset));
        List<Row> window = fitting.subList(from, Math.min(fitting.size(), from + Math.min(most, Math.max(0, limit))));
        Map<String, Map<String, String>> names = new LinkedHashMap<>();
        window.forEach(row -> names(directory, row, names));
        return new RowsView(
                window.stream().map(Row::cells).toList(),
                fitting.size(),
                names,
                place == null || of.indexOf("code") < 0 ? null : place(fitting, place));
    }

    /** @param name null if it has none */
    record OfferedView(String code, @Nullable String name) {}

    /** The first that can be chosen from a table with codes, by code: what is retired cannot. */
    @GetMapping("/offered")
    List<OfferedView> offered(
            @RequestParam @Size(max = 60) String table, @RequestParam(required = false) @Size(max = 300) String words) {
        Table of = table(table);
        if (of.indexOf("code") < 0) {
            throw JobProblem.notFound("Nothing of " + table + " has a code");
        }
        PlanVersion version = live.current();
        return codes.of(version.plan(), ConcurrentHashMap::new)
                .computeIfAbsent(table, t -> offered(version, of))
                .found(words, OFFERED);
    }

    /** All that can be chosen, by code. */
    private OfferedCodes offered(PlanVersion version, Table of) {
        boolean named = of.indexOf("name") >= 0;
        boolean retirable = of.indexOf("retired") >= 0;
        return new OfferedCodes(fitting(version, new Asked(of.name(), null, null, null, null, false)).stream()
                .filter(row -> !retirable || !row.flag("retired", false))
                .map(row -> new OfferedView(row.text("code"), named ? row.text("name") : null))
                .toList());
    }

    private List<Row> fitting(PlanVersion version, Asked asked) {
        return found.of(
                        version.plan(),
                        () -> Caffeine.newBuilder().maximumSize(LISTS).build())
                .get(asked, a -> fitting(version.directory(), a));
    }

    /** The rows that fit, in order. */
    private static List<Row> fitting(Directory directory, Asked asked) {
        Table of = table(asked.table);
        Facts facts = directory.facts();
        Sought sought = new Sought(asked.words);
        List<Row> all = asked.column == null
                ? facts.rows(of.name())
                : (asked.value == null ? List.of("") : asked.value)
                        .stream()
                                .distinct()
                                .flatMap(v -> facts
                                        .rows(
                                                of.name(),
                                                column(of, asked.column).name(),
                                                v)
                                        .stream())
                                .toList();
        Texts texts = new Texts(directory);
        List<Row> fitting = new ArrayList<>();
        for (Row row : all) {
            if (sought.nothing() || sought.each(word -> texts.holds(row, word))) {
                fitting.add(row);
            }
        }
        fitting.sort(order(of, asked.sort == null ? null : column(of, asked.sort), asked.desc));
        return fitting;
    }

    private static Integer place(List<Row> rows, String code) {
        return IntStream.range(0, rows.size())
                .filter(i -> code.equals(rows.get(i).text("code")))
                .boxed()
                .findFirst()
                .orElse(null);
    }

    private static Table table(String name) {
        Table table = Table.named(name);
        if (table == null) {
            throw JobProblem.notFound("There is no table " + name);
        }
        return table;
    }

    private static Column column(Table table, String name) {
        int at = table.indexOf(name);
        if (at < 0) {
            throw JobProblem.notFound(table.name() + " has no column " + name);
        }
        return table.columns().get(at);
    }

    /** What is looked through: the values of a row, and the names of the codes among them, each asked for once. */
    private record Texts(Directory directory, Map<String, Map<String, String>> names) {
        Texts(Directory directory) {
            this(directory, new HashMap<>());
        }

        boolean holds(Row row, String word) {
            List<Column> columns = row.table().columns();
            for (int i = 0; i < columns.size(); i++) {
                String text = row.text(columns.get(i).name());
                if (text != null
                        && (Sought.occurs(word, text) || named(columns.get(i).references(), text, word))) {
                    return true;
                }
            }
            return false;
        }

        private boolean named(String table, String code, String word) {
            return table != null
                    && Sought.occurs(
                            word,
                            names.computeIfAbsent(table, t -> new HashMap<>())
                                    .computeIfAbsent(code, c -> Objects.toString(name(directory, table, c), "")));
        }
    }

    private static String name(Directory directory, String table, String code) {
        Row named = directory.facts().row(table, code);
        return named == null || named.table().indexOf("name") < 0 ? null : named.text("name");
    }

    private static void names(Directory directory, Row row, Map<String, Map<String, String>> into) {
        for (Column column : row.table().columns()) {
            String code = row.text(column.name());
            if (column.references() != null && code != null) {
                String name = name(directory, column.references(), code);
                if (name != null) {
                    into.computeIfAbsent(column.references(), t -> new LinkedHashMap<>())
                            .put(code, name);
                }
            }
        }
    }

    private static Comparator<Row> order(Table table, Column sort, boolean desc) {
        Comparator<Row> byKey = table.columns().stream()
                .filter(Column::key)
                .map(DataController::by)
                .reduce(Comparator::thenComparing)
                .orElseThrow();
        if (sort == null) {
            return desc ? byKey.reversed() : byKey;
        }
        return (desc ? by(sort).reversed() : by(sort)).thenComparing(byKey);
    }

    private static Comparator<Row> by(Column column) {
        return column.type() instanceof ColumnType.Decimal || column.type() instanceof ColumnType.Whole
                ? Comparator.comparing(
                        row -> row.decimal(column.name()), Comparator.nullsFirst(Comparator.naturalOrder()))
                : Comparator.comparing(row -> row.text(column.name(), ""), DocumentOrder.INSTANCE);
    }

    /**
     * What became of an item, or of a row of a table: when, by whom, and how it was before.
     *
     * @param row the values of the row's key, one after the other
     */
    @GetMapping("/history")
    List<ChangeView> history(
            @RequestParam(required = false) @Size(max = 300) String item,
            @RequestParam(required = false) @Size(max = 60) String table,
            @RequestParam(required = false) @Size(max = 300) String row) {
        List<ToldChanges.Told> all = item != null
                ? told.ofItem(item, HISTORY)
                : told.ofRow(table(table == null ? "" : table), row == null ? "" : row, HISTORY);
        return all.stream().map(DataController::view).toList();
    }

    private static ChangeView view(ToldChanges.Told told) {
        FactChange change = told.change();
        boolean added = change.before().isEmpty();
        boolean gone = change.after().isEmpty();
        return new ChangeView(
                told.at(),
                told.cause().name(),
                Words.word(told.cause().kind()),
                told.cause().sentence(),
                change.table().name(),
                ToldChanges.key(change.any()),
                added ? "added" : gone ? "gone" : "changed",
                fields(change));
    }

    private static List<FieldChange> fields(FactChange change) {
        Row before = change.before().isEmpty() ? null : change.before().get(0);
        Row after = change.after().isEmpty() ? null : change.after().get(0);
        List<FieldChange> fields = new ArrayList<>();
        for (Column column : change.table().columns()) {
            String was = before == null ? null : before.text(column.name());
            String is = after == null ? null : after.text(column.name());
            boolean same = before != null
                    && after != null
                    && before.with(column.name(), is).sameAs(before);
            if (!same && (was != null || is != null) && (before == null || after == null || !column.key())) {
                fields.add(new FieldChange(column.name(), was, is));
            }
        }
        return fields;
    }
}
