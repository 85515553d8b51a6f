package rescient.dataset;

import de.siegmar.fastcsv.reader.CsvReader;
import de.siegmar.fastcsv.reader.CsvRecord;
import de.siegmar.fastcsv.reader.FieldMismatchStrategy;
import java.io.IOException;
import java.io.Reader;
import java.util.Iterator;

/** The rows of a CSV file. */
final class CsvRows implements TableRows {
    private final CsvReader<CsvRecord> reader;
    private final Iterator<CsvRecord> records;

    CsvRows(Reader csv) {
        this.reader = CsvReader.builder()
                .extraFieldStrategy(FieldMismatchStrategy.IGNORE)
                .missingFieldStrategy(FieldMismatchStrategy.IGNORE)
                .ofCsvRecord(csv);
        this.records = reader.iterator();
    }

    @Override
    public boolean hasNext() {
        return records.hasNext();
    }

    @Override
    public Raw next() {
        CsvRecord row = records.next();
        String[] values = new String[row.getFieldCount()];
        for (int i = 0; i < values.length; i++) {
            values[i] = row.getField(i);
        }
        return new Raw(row.getStartingLineNumber(), values);
    }

    @Override
    public void close() throws IOException {
        reader.close();
    }
}
