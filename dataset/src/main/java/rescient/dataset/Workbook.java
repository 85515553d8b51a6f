package rescient.dataset;

import java.io.IOException;
import java.math.BigDecimal;
import java.math.MathContext;
import java.nio.file.Path;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.List;
import java.util.stream.Stream;
import org.dhatim.fastexcel.reader.Cell;
import org.dhatim.fastexcel.reader.CellType;
import org.dhatim.fastexcel.reader.ReadableWorkbook;
import org.dhatim.fastexcel.reader.Row;
import org.dhatim.fastexcel.reader.Sheet;

/** A dataset as sheets of one .xlsx file, named as the tables. */
final class Workbook implements DatasetSource {
    /** Day 0 of the dates in a sheet. */
    private static final LocalDate EPOCH = LocalDate.of(1899, 12, 30);

    private final ReadableWorkbook book;

    Workbook(Path file) throws IOException {
        this.book = new ReadableWorkbook(file.toFile());
    }

    /** Sheets hold numbers in binary and show 15 digits of them: those were typed. */
    static BigDecimal typed(double number) {
        return new BigDecimal(number).round(new MathContext(15)).stripTrailingZeros();
    }

    @Override
    public List<String> strangers() {
        return book.getSheets()
                .map(Sheet::getName)
                .filter(name -> !RecordTables.mayBe(name))
                .map(name -> "sheet " + name)
                .toList();
    }

    @Override
    public TableRows rows(Table table) throws IOException {
        Sheet sheet = book.findSheet(table.name()).orElse(null);
        return sheet == null ? null : new Rows(table, sheet.openStream());
    }

    /** One: the sheets share what is kept of the file. */
    @Override
    public int threads() {
        return 1;
    }

    @Override
    public void close() throws IOException {
        book.close();
    }

    private static final class Rows implements TableRows {
        private final Table table;
        private final Stream<Row> stream;
        private final java.util.Iterator<Row> rows;
        private List<ColumnType> types;

        Rows(Table table, Stream<Row> stream) {
            this.table = table;
            this.stream = stream;
            this.rows = stream.iterator();
        }

        @Override
        public boolean hasNext() {
            return rows.hasNext();
        }

        @Override
        public Raw next() {
            Row row = rows.next();
            int width = types == null ? row.getCellCount() : Math.max(types.size(), row.getCellCount());
            List<String> values = new ArrayList<>(width);
            for (int i = 0; i < width; i++) {
                Cell cell = i < row.getCellCount() ? row.getCell(i) : null;
                values.add(cell == null ? "" : text(cell, types == null || i >= types.size() ? null : types.get(i)));
            }
            // cells that were emptied behind the last value
            while (values.size() > (types == null ? 0 : types.size())
                    && values.get(values.size() - 1).isEmpty()) {
                values.remove(values.size() - 1);
            }
            if (types == null) {
                types = values.stream().map(this::typeOf).toList();
            }
            return new Raw(row.getRowNum(), values.toArray(String[]::new));
        }

        private ColumnType typeOf(String column) {
            int at = table.indexOf(column.strip());
            return at < 0 ? ColumnType.TEXT : table.columns().get(at).type();
        }

        private static String text(Cell cell, ColumnType type) {
            if (cell.getType() == CellType.EMPTY) {
                return "";
            }
            if (cell.getType() == CellType.BOOLEAN) {
                return cell.asBoolean() ? "true" : "false";
            }
            if (cell.getType() == CellType.NUMBER) {
                return number(cell.asNumber(), type);
            }
            String text = cell.getText();
            return type == ColumnType.FLAG ? text.toLowerCase(java.util.Locale.ROOT) : text;
        }

        private static String number(BigDecimal value, ColumnType type) {
            BigDecimal typed = typed(value.doubleValue());
            if (type == ColumnType.DAY && typed.scale() <= 0) {
                return EPOCH.plusDays(typed.longValue()).toString();
            }
            return typed.toPlainString();
        }

        @Override
        public void close() {
            stream.close();
        }
    }
}
