package rescient.dataset;

import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Set;

/** What names a code of a table: whether it was ever used, and what goes with it. */
public final class Uses {
    /** What says something about a code and is nothing without it, as table.column. */
    private static final Map<String, Set<String>> OWN = Map.of(
            "items",
            Set.of(
                    "planning.item",
                    "bom_lines.parent",
                    "operations.item",
                    "supplier_items.item",
                    "unit_conversions.item",
                    "alternative_items.item",
                    "alternative_items.alternative"),
            "suppliers",
            Set.of("supplier_items.supplier"),
            "calendars",
            Set.of("calendar_exceptions.calendar"));

    private Uses() {}

    /**
     * Rows that use a code.
     *
     * @param column in which they name it
     */
    public record Use(Table table, String column, int rows) {}

    /** By whom a code is used; what is its own does not count. */
    public static List<Use> of(Facts facts, Table table, String code) {
        List<Use> uses = new ArrayList<>();
        naming(table, (other, column) -> {
            int rows = facts.rows(other.name(), column, code).size();
            if (rows > 0 && !isOwn(table, other, column)) {
                uses.add(new Use(other, column, rows));
            }
        });
        return uses;
    }

    /** The row of a code goes, and with it what is its own: those that name others first. */
    public static List<FactChange> removal(Facts facts, Table table, String code) {
        List<FactChange> gone = new ArrayList<>();
        naming(table, (other, column) -> {
            if (isOwn(table, other, column)) {
                for (Row row : facts.rows(other.name(), column, code)) {
                    gone.add(FactChange.of(row, null));
                }
            }
        });
        Row row = facts.row(table.name(), code);
        if (row != null) {
            gone.add(FactChange.of(row, null));
        }
        return gone;
    }

    private static boolean isOwn(Table table, Table other, String column) {
        return OWN.getOrDefault(table.name(), Set.of()).contains(other.name() + '.' + column);
    }

    private interface Naming {
        void look(Table table, String column);
    }

    /** Every column of every table in which a code of this one is named. */
    private static void naming(Table table, Naming naming) {
        for (Table other : Table.ALL) {
            for (Column column : other.columns()) {
                if (table.name().equals(column.references())) {
                    naming.look(other, column.name());
                }
            }
        }
    }
}
