package rescient.dataset;

import de.siegmar.fastcsv.reader.CsvParseException;
import java.io.UncheckedIOException;
import java.nio.charset.CharacterCodingException;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;

/** Reads the rows of one table and checks each value by itself, and that no key stands there twice. */
final class TableReader {
    private static final char BYTE_ORDER_MARK = '\uFEFF';

    /** The character of number 0, which no text has and no database keeps. */
    private static final char NOTHING = '\0';

    private static final Fault.Finding NO_TEXT =
            new Fault.Finding("has a character of number 0 (NUL), which is no text", "text without it");

    private final Table table;
    private final Faults faults;
    private final Runnable eachRow;
    private final List<Row> rows = new ArrayList<>();
    private final RowKeys keys;
    private final SharedTexts texts = new SharedTexts();

    /** @param eachRow is run after each row */
    TableReader(Table table, Faults faults, Runnable eachRow) {
        this.table = table;
        this.faults = faults;
        this.eachRow = eachRow;
        this.keys = new RowKeys(table, rows);
    }

    /** The rows that could be read. */
    List<Row> read(TableRows source) {
        int[] places = null;
        try {
            while (source.hasNext()) {
                TableRows.Raw raw = source.next();
                if (places == null) {
                    places = header(raw.values());
                    if (places == null) {
                        return rows;
                    }
                } else {
                    readRow(raw, places);
                    eachRow.run();
                }
            }
        } catch (CsvParseException e) {
            faults.add(
                    table,
                    0,
                    "",
                    "",
                    "is not CSV by RFC 4180: " + e.getMessage(),
                    "quotes around text that has commas");
        } catch (UncheckedIOException e) {
            if (!(e.getCause() instanceof CharacterCodingException)) {
                throw e;
            }
            faults.add(table, 0, "", "", "is not UTF-8", "a file saved as UTF-8");
        }
        return rows;
    }

    /** The place in the table of each column of the file, or null if a column is unknown or a needed one missing. */
    private int[] header(String[] names) {
        int[] places = new int[names.length];
        boolean good = true;
        int nameless = 0;
        for (int i = 0; i < places.length; i++) {
            String name = names[i].strip();
            if (i == 0 && !name.isEmpty() && name.charAt(0) == BYTE_ORDER_MARK) {
                name = name.substring(1);
            }
            places[i] = table.indexOf(name);
            if (places[i] < 0 && name.isEmpty()) {
                nameless++;
                good = false;
            } else if (places[i] < 0) {
                good = false;
                faults.add(
                        table,
                        1,
                        name,
                        name,
                        "is not a column of this table",
                        "one of "
                                + String.join(
                                        ", ",
                                        table.columns().stream()
                                                .map(Column::name)
                                                .toList()));
            }
        }
        if (nameless > 0) {
            faults.add(
                    table,
                    1,
                    "",
                    "",
                    "has " + nameless + (nameless == 1 ? " column" : " columns") + " without a name, up to column "
                            + names.length,
                    "a name above each column, side by side");
        }
        for (int c = 0; c < table.columns().size(); c++) {
            Column column = table.columns().get(c);
            int place = c;
            if (column.required() && Arrays.stream(places).noneMatch(p -> p == place)) {
                good = false;
                faults.add(table, 1, column.name(), "", "is missing", "a column of this name");
            }
        }
        return good ? places : null;
    }

    private void readRow(TableRows.Raw raw, int[] places) {
        long line = raw.line();
        if (raw.blank()) {
            return;
        }
        if (raw.values().length != places.length) {
            faults.add(
                    table,
                    line,
                    "",
                    "",
                    "has " + raw.values().length + " values",
                    places.length + " values, as the header");
            return;
        }
        String[] values = new String[table.columns().size()];
        Arrays.fill(values, "");
        for (int i = 0; i < places.length; i++) {
            values[places[i]] = texts.of(raw.values()[i]);
        }
        for (int c = 0; c < values.length; c++) {
            Column column = table.columns().get(c);
            if (values[c].isEmpty()) {
                if (column.required()) {
                    faults.add(table, line, column.name(), "", "is empty", "a value");
                }
            } else {
                Fault.Finding finding =
                        values[c].indexOf(NOTHING) < 0 ? column.type().check(values[c]) : NO_TEXT;
                if (finding != null) {
                    faults.add(
                            table,
                            line,
                            column.name(),
                            values[c].replace(NOTHING, '\uFFFD'),
                            finding.wrong(),
                            finding.right());
                }
            }
        }
        Row row = new Row(table, line, values);
        rows.add(row);
        if (!keys.isNew(rows.size() - 1)) {
            faults.add(table, line, "", "", "stands there twice: " + keys.say(row), "one row for each key");
        }
    }
}
