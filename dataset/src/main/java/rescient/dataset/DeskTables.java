package rescient.dataset;

import java.util.List;
import java.util.Map;
import java.util.stream.Collectors;

/**
 * What the application keeps beside the company, as tables: no dataset has them, and a change of one of their rows is told,
 * kept and taken back like a change of any fact.
 */
public final class DeskTables {
    private static final ColumnType TEXT = ColumnType.TEXT;

    /** What is kept with the number of an order, whatever its lines are. */
    public static final Table ORDER_HEADS = Table.table(
            "supply_orders",
            Column.key("number", TEXT),
            Column.of("note", TEXT),
            Column.of("created_by", TEXT),
            Column.of("created_at", TEXT));

    /** Planned orders that are kept out of release until a day, by what they serve. */
    public static final Table HOLDS = Table.table(
            "holds",
            Column.key("item", TEXT),
            Column.key("site", TEXT),
            Column.key("need", TEXT),
            Column.key("place", TEXT),
            Column.required("until", ColumnType.DAY),
            Column.of("note", TEXT),
            Column.required("name", TEXT),
            Column.required("made_at", TEXT));

    /** What a supplier is to be asked: another date for an order that lies with him, or that it is not needed; and when he was. */
    public static final Table REQUESTS = Table.table(
            "change_requests",
            Column.key("order_number", TEXT),
            Column.key("line", TEXT),
            Column.required("kind", TEXT),
            Column.of("due_date", ColumnType.DAY),
            Column.required("name", TEXT),
            Column.required("made_at", TEXT),
            Column.of("sent_at", TEXT));

    /** In which sequence orders lie at the work center where they stand. */
    public static final Table BENCH = Table.table(
            "bench_places", Column.key("number", TEXT), Column.key("line", TEXT), Column.required("place", TEXT));

    /** Who approved an order, as whom and what it came to then. */
    public static final Table APPROVALS = Table.table(
            "approvals",
            Column.key("order_number", TEXT),
            Column.key("role", TEXT),
            Column.required("name", TEXT),
            Column.of("value", ColumnType.AMOUNT),
            Column.required("made_at", TEXT));

    /** What a what-if assumes. */
    public static final Table WHAT_IFS =
            Table.table("what_ifs", Column.key("id", TEXT), Column.required("assumptions", TEXT));

    private static final Map<String, Table> BY_NAME =
            List.of(ORDER_HEADS, HOLDS, REQUESTS, BENCH, APPROVALS, WHAT_IFS).stream()
                    .collect(Collectors.toUnmodifiableMap(Table::name, table -> table));

    private DeskTables() {}

    /** The table of this name, or null. */
    public static Table named(String name) {
        return BY_NAME.get(name);
    }

    public static boolean has(Table table) {
        return BY_NAME.get(table.name()) == table;
    }
}
