package rescient.dataset.sheets;

import java.util.List;

/**
 * A table of cells as it came: a sheet, a file or what was pasted.
 *
 * @param header the names over the columns
 * @param rows below it, as wide as the header; the first one is row 2
 */
public record Sheet(String name, List<String> header, List<String[]> rows) {
    /** The row of the first that comes after the header, as people count. */
    public static final int FIRST = 2;

    /** The cell of a row and column, without spaces around it. */
    public String cell(int row, int column) {
        return rows.get(row)[column].strip();
    }
}
