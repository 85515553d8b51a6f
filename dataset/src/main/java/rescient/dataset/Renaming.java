package rescient.dataset;

import java.util.ArrayList;
import java.util.HashSet;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;

/**
 * A code becomes another, in its own row and in every row that names it. It is a change of its own kind: whoever keeps the
 * rows needs to know no more than the two codes.
 */
public record Renaming(Table table, String from, String to) {
    /** The tables whose rows are known by a code that others name. */
    public static boolean renames(Table table) {
        return table.columns().get(0).name().equals("code");
    }

    /** All rows that become otherwise, each in place of what it was. */
    public List<FactChange> changes(Facts facts) {
        Map<Row, Row> others = new LinkedHashMap<>();
        Row own = facts.row(table.name(), from);
        if (own != null) {
            others.put(own, own.with("code", to));
        }
        for (Table other : Table.ALL) {
            for (Column column : other.columns()) {
                if (table.name().equals(column.references())) {
                    for (Row row : facts.rows(other.name(), column.name(), from)) {
                        // a row may name it twice
                        others.put(row, others.getOrDefault(row, row).with(column.name(), to));
                    }
                }
            }
        }
        List<FactChange> changes = new ArrayList<>();
        Set<String> lines = new HashSet<>();
        others.forEach((before, after) -> {
            if (KeyedRows.together(before.table())) {
                if (lines.add(KeyedRows.key(before))) {
                    List<Row> all = facts.components(before.text("number"), before.text("line"));
                    changes.add(new FactChange(
                            before.table(),
                            all,
                            all.stream()
                                    .map(row -> others.getOrDefault(row, row))
                                    .toList()));
                }
            } else if (KeyedRows.key(before).equals(KeyedRows.key(after))) {
                changes.add(FactChange.of(before, after));
            } else {
                changes.add(FactChange.of(before, null));
                changes.add(FactChange.of(null, after));
            }
        });
        return changes;
    }

    /** The renaming that changes are all of, if they are one. */
    public static Optional<Renaming> of(List<FactChange> changes) {
        for (Table table : Table.ALL) {
            if (!renames(table)) {
                continue;
            }
            List<FactChange> own =
                    changes.stream().filter(change -> change.table() == table).toList();
            if (own.size() == 2) {
                FactChange first = own.get(0).after().isEmpty() ? own.get(0) : own.get(1);
                FactChange second = first == own.get(0) ? own.get(1) : own.get(0);
                if (first.after().isEmpty() && second.before().isEmpty()) {
                    Row gone = first.before().get(0);
                    Row come = second.after().get(0);
                    if (gone.with("code", come.text("code")).sameAs(come)) {
                        return Optional.of(new Renaming(table, gone.text("code"), come.text("code")));
                    }
                }
            }
        }
        return Optional.empty();
    }
}
