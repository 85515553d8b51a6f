package rescient.dataset;

import java.util.ArrayList;
import java.util.Collections;
import java.util.HashSet;
import java.util.IdentityHashMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.function.Predicate;

/** What makes some rows of a table of others; the very same rows are not looked into. */
public final class RowDifference {
    private final Table table;
    private final List<Row> was;
    private final List<Row> is;
    /** Rows of one side alone. */
    private final List<Row> gone;

    private final List<Row> come;

    /** What makes another company of one. */
    public static List<FactChange> between(Facts facts, Dataset other) {
        return Table.ALL.stream()
                .flatMap(table ->
                        new RowDifference(table, facts.rows(table.name()), other.rows(table.name())).changes().stream())
                .toList();
    }

    private RowDifference(Table table, List<Row> was, List<Row> is) {
        this.table = table;
        this.was = was;
        this.is = is;
        int from = 0;
        int most = Math.min(was.size(), is.size());
        while (from < most && was.get(from) == is.get(from)) {
            from++;
        }
        int end = 0;
        while (end < most - from && was.get(was.size() - 1 - end) == is.get(is.size() - 1 - end)) {
            end++;
        }
        List<Row> before = was.subList(from, was.size() - end);
        List<Row> after = is.subList(from, is.size() - end);
        gone = without(before, after);
        come = without(after, before);
    }

    private static List<Row> without(List<Row> rows, List<Row> others) {
        Set<Row> there = Collections.newSetFromMap(new IdentityHashMap<>());
        there.addAll(others);
        return rows.stream().filter(row -> !there.contains(row)).toList();
    }

    private List<FactChange> changes() {
        Map<String, List<Row>> old = byKey(gone, key -> true);
        Map<String, List<Row>> now = byKey(come, key -> true);
        if (KeyedRows.together(table)) {
            // also with those among them that stay
            Set<String> touched = new HashSet<>(old.keySet());
            touched.addAll(now.keySet());
            old = byKey(was, touched::contains);
            now = byKey(is, touched::contains);
        }
        List<FactChange> changes = new ArrayList<>();
        for (Map.Entry<String, List<Row>> one : old.entrySet()) {
            List<Row> instead = now.getOrDefault(one.getKey(), List.of());
            if (!values(one.getValue()).equals(values(instead))) {
                changes.add(new FactChange(table, one.getValue(), instead));
            }
        }
        for (Map.Entry<String, List<Row>> one : now.entrySet()) {
            if (!old.containsKey(one.getKey())) {
                changes.add(new FactChange(table, List.of(), one.getValue()));
            }
        }
        return changes;
    }

    private static Map<String, List<Row>> byKey(List<Row> rows, Predicate<String> which) {
        Map<String, List<Row>> byKey = new LinkedHashMap<>();
        for (Row row : rows) {
            String key = KeyedRows.key(row);
            if (which.test(key)) {
                byKey.computeIfAbsent(key, k -> new ArrayList<>()).add(row);
            }
        }
        return byKey;
    }

    private static List<List<String>> values(List<Row> rows) {
        return rows.stream().map(Row::values).toList();
    }
}
