package rescient.dataset;

import java.io.Closeable;
import java.io.IOException;
import java.util.Iterator;

/** The rows of one table as they come, the header first. Values are never null. */
interface TableRows extends Iterator<TableRows.Raw>, Closeable {
    /** @param line where it stands, the header being 1 */
    record Raw(long line, String[] values) {
        boolean blank() {
            for (String value : values) {
                if (!value.isEmpty()) {
                    return false;
                }
            }
            return true;
        }
    }

    @Override
    void close() throws IOException;
}
