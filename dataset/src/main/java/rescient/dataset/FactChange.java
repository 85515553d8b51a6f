package rescient.dataset;

import java.util.List;
import rescient.core.company.Fact;
import rescient.core.company.FactEdit;

/**
 * What becomes of the rows of one table that share a key: one row added, replaced or taken away; of what an open order still
 * has to issue, all rows of its line together.
 *
 * @param before none if they are new
 * @param after none if they are taken away
 */
public record FactChange(Table table, List<Row> before, List<Row> after) {
    /** The rows of which a line are one change. */
    private static final String TOGETHER = "open_order_components";

    public FactChange {
        before = List.copyOf(before);
        after = List.copyOf(after);
        if (before.isEmpty() && after.isEmpty()) {
            throw new IllegalArgumentException("Nothing becomes of nothing in " + table);
        }
    }

    /** Whether it is about one key, as every change has to be. */
    public boolean ofOneKey() {
        return table.name().equals(TOGETHER) || (before.size() <= 1 && after.size() <= 1);
    }

    /** Those of them that are of the company, and not of what the application keeps beside it. */
    public static List<FactChange> ofCompany(List<FactChange> changes) {
        return changes.stream()
                .filter(change -> !DeskTables.has(change.table()))
                .toList();
    }

    /** A row in the place of another; either may be null. */
    public static FactChange of(Row before, Row after) {
        return new FactChange(
                (before == null ? after : before).table(),
                before == null ? List.of() : List.of(before),
                after == null ? List.of() : List.of(after));
    }

    /** What becomes of the rows of some facts. */
    public static List<FactChange> of(List<FactEdit<?>> edits) {
        return edits.stream().<FactChange>map(FactChange::of).toList();
    }

    /** What becomes of the row of a fact. */
    @SuppressWarnings("unchecked") // the class of a fact is its kind
    public static <F extends Fact> FactChange of(FactEdit<F> edit) {
        F any = edit.before() == null ? edit.after() : edit.before();
        Codec<F> codec = Codec.of((Class<F>) any.getClass());
        return of(
                edit.before() == null ? null : codec.write(edit.before()),
                edit.after() == null ? null : codec.write(edit.after()));
    }

    /** Whether another makes the same texts of the same. */
    public boolean saysLike(FactChange other) {
        return table == other.table
                && texts(before).equals(texts(other.before))
                && texts(after).equals(texts(other.after));
    }

    private static List<List<String>> texts(List<Row> rows) {
        return rows.stream().map(Row::values).toList();
    }

    /** What takes it back. */
    public FactChange reversed() {
        return new FactChange(table, after, before);
    }

    public String key() {
        return KeyedRows.key((before.isEmpty() ? after : before).get(0));
    }

    /** The row that is there afterwards, or null. */
    Row row() {
        return after.isEmpty() ? null : after.get(0);
    }

    /** A row of either side: they have the same key. */
    public Row any() {
        return (after.isEmpty() ? before : after).get(0);
    }
}
