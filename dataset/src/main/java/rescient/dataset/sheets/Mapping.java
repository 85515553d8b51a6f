package rescient.dataset.sheets;

import java.util.Map;
import java.util.Set;
import rescient.dataset.Table;

/**
 * What a sheet is understood as.
 *
 * @param columns the place in the sheet of each column of the table
 * @param fixed what stands in columns of the table that the sheet does not have, in every row
 * @param corrections what stands in a cell instead, by row and column of the table
 * @param leftOut rows that are not brought in
 * @param withoutFaulty rows with faults are left out too
 */
public record Mapping(
        Table table,
        Map<String, Integer> columns,
        Map<String, String> fixed,
        Habits habits,
        Map<Long, Map<String, String>> corrections,
        Set<Long> leftOut,
        boolean withoutFaulty) {
    /** The same with other rows left out, as people count them. */
    public Mapping without(Set<Long> rows) {
        return new Mapping(table, columns, fixed, habits, corrections, rows, withoutFaulty);
    }
}
