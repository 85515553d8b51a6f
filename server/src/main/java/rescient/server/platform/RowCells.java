package rescient.server.platform;

import java.math.BigDecimal;
import java.sql.ResultSet;
import java.sql.SQLException;
import java.util.HashMap;
import java.util.Map;

/** A row of the database as the texts of a dataset's row: decimals without zeros at their end, no where nothing is said. */
public final class RowCells {
    private RowCells() {}

    /** By the labels of its columns; what is null, or false, is not there. */
    public static Map<String, String> of(ResultSet row) throws SQLException {
        Map<String, String> cells = new HashMap<>();
        for (int c = 1; c <= row.getMetaData().getColumnCount(); c++) {
            Object value = row.getObject(c);
            if (value != null && !Boolean.FALSE.equals(value)) {
                cells.put(
                        row.getMetaData().getColumnLabel(c),
                        value instanceof BigDecimal number
                                ? number.stripTrailingZeros().toPlainString()
                                : value.toString());
            }
        }
        return cells;
    }
}
