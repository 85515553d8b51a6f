package rescient.dataset.sheets;

import de.siegmar.fastcsv.reader.CsvParseException;
import de.siegmar.fastcsv.reader.CsvReader;
import de.siegmar.fastcsv.reader.CsvRecord;
import de.siegmar.fastcsv.reader.FieldMismatchStrategy;
import java.io.IOException;
import java.io.InputStream;
import java.io.StringReader;
import java.io.UncheckedIOException;
import java.math.BigDecimal;
import java.math.MathContext;
import java.nio.ByteBuffer;
import java.nio.charset.CharacterCodingException;
import java.nio.charset.Charset;
import java.nio.charset.StandardCharsets;
import java.nio.file.FileSystem;
import java.nio.file.FileSystems;
import java.nio.file.Files;
import java.nio.file.Path;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.Comparator;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.function.LongConsumer;
import java.util.stream.Stream;
import org.dhatim.fastexcel.reader.Cell;
import org.dhatim.fastexcel.reader.CellType;
import org.dhatim.fastexcel.reader.ExcelReaderException;
import org.dhatim.fastexcel.reader.ReadableWorkbook;
import org.dhatim.fastexcel.reader.ReadingOptions;
import org.dhatim.fastexcel.reader.Row;
import rescient.dataset.Grown;

/**
 * Reads tables from CSV files with any of the usual separators, zips of such files, and .xlsx workbooks; by what they are, not
 * by what they are called.
 */
public final class SheetReader {
    /** Rows of all sheets together. */
    public static final int MOST_ROWS = 2_000_000;

    public static final int MOST_COLUMNS = 500;
    private static final int LONGEST_CELL = 2_000;
    private static final int LOOKED_AT = 4_000;
    private static final int TOLD_EVERY = 50_000;
    /** Day 0 of the dates in a workbook. */
    private static final LocalDate EPOCH = LocalDate.of(1899, 12, 30);

    private static final byte[] ZIP = {'P', 'K', 3, 4};
    /** What other kinds of files begin with. */
    private static final Map<String, byte[]> OTHERS = Map.of(
            "an old .xls file; save it as .xlsx or CSV", new byte[] {(byte) 0xD0, (byte) 0xCF, 0x11, (byte) 0xE0},
            "a PDF; a table has to come as CSV or .xlsx", "%PDF".getBytes(StandardCharsets.US_ASCII),
            "a picture; a table has to come as CSV or .xlsx", new byte[] {(byte) 0x89, 'P', 'N', 'G'});

    private final LongConsumer progress;
    private long read;

    private SheetReader(LongConsumer progress) {
        this.progress = progress;
    }

    /**
     * The tables in a file.
     *
     * @param name as the person knows it
     * @param progress is told now and then how many rows were read; may throw to end it
     * @throws UnreadableSheetException if it is none of these, or too large
     */
    public static List<Sheet> read(Path file, String name, LongConsumer progress) {
        try {
            return new SheetReader(progress).all(file, name);
        } catch (IOException | UncheckedIOException e) {
            throw new UnreadableSheetException(name + " cannot be read: " + e.getMessage(), e);
        }
    }

    /** What was pasted from a spreadsheet or a mail. */
    public static Sheet pasted(String text) {
        return new SheetReader(rows -> {}).csv("pasted", text);
    }

    private List<Sheet> all(Path file, String name) throws IOException {
        byte[] start = new byte[8];
        try (InputStream in = Files.newInputStream(file)) {
            int length = in.readNBytes(start, 0, start.length);
            if (length == 0) {
                throw new UnreadableSheetException(name + " is empty");
            }
        }
        for (Map.Entry<String, byte[]> other : OTHERS.entrySet()) {
            if (begins(start, other.getValue())) {
                throw new UnreadableSheetException(name + " is " + other.getKey());
            }
        }
        if (!begins(start, ZIP)) {
            return List.of(csv(name, text(name, Files.readAllBytes(file))));
        }
        Grown.refuse(file);
        try (FileSystem zip = FileSystems.newFileSystem(file)) {
            if (Files.exists(zip.getPath("/xl/workbook.xml"))) {
                return workbook(file, name);
            }
            return zipped(zip, name);
        }
    }

    private static boolean begins(byte[] start, byte[] with) {
        return Arrays.equals(Arrays.copyOf(start, with.length), with);
    }

    private List<Sheet> zipped(FileSystem zip, String name) throws IOException {
        List<Path> files;
        try (Stream<Path> all = Files.walk(zip.getPath("/"))) {
            files = all.filter(path -> path.toString().toLowerCase(Locale.ROOT).endsWith(".csv"))
                    .sorted(Comparator.comparing(Path::toString))
                    .toList();
        }
        if (files.isEmpty()) {
            throw new UnreadableSheetException(name + " holds no CSV file");
        }
        List<Sheet> sheets = new ArrayList<>();
        for (Path path : files) {
            String inside = path.getFileName().toString();
            sheets.add(csv(inside, text(inside, Files.readAllBytes(path))));
        }
        return sheets;
    }

    /** In UTF-8 or UTF-16 by its mark, else in UTF-8, else in the one byte characters that spreadsheets of old write. */
    private static String text(String name, byte[] bytes) {
        Charset marked = bytes.length >= 2 && bytes[0] == (byte) 0xFF && bytes[1] == (byte) 0xFE
                ? StandardCharsets.UTF_16LE
                : bytes.length >= 2 && bytes[0] == (byte) 0xFE && bytes[1] == (byte) 0xFF
                        ? StandardCharsets.UTF_16BE
                        : null;
        String text;
        if (marked != null) {
            text = new String(bytes, marked);
        } else {
            try {
                text = StandardCharsets.UTF_8
                        .newDecoder()
                        .decode(ByteBuffer.wrap(bytes))
                        .toString();
            } catch (CharacterCodingException e) {
                text = new String(bytes, Charset.forName("windows-1252"));
            }
        }
        if (text.indexOf('\0') >= 0) {
            throw new UnreadableSheetException(name + " is no table: it holds what is no text");
        }
        return text.startsWith("\uFEFF") ? text.substring(1) : text;
    }

    private Sheet csv(String name, String text) {
        List<String[]> rows = new ArrayList<>();
        try (CsvReader<CsvRecord> reader = CsvReader.builder()
                .fieldSeparator(separator(text))
                .extraFieldStrategy(FieldMismatchStrategy.IGNORE)
                .missingFieldStrategy(FieldMismatchStrategy.IGNORE)
                .ofCsvRecord(new StringReader(text))) {
            for (CsvRecord record : reader) {
                String[] cells = new String[record.getFieldCount()];
                for (int i = 0; i < cells.length; i++) {
                    cells[i] = record.getField(i);
                }
                add(name, rows, cells);
            }
        } catch (CsvParseException e) {
            throw new UnreadableSheetException(
                    name + " is no CSV: a quotation mark is not closed, or a cell is too long", e);
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
        return sheet(name, rows);
    }

    /** The one of the usual separators that stands in the first lines most often, outside quotation marks. */
    private static char separator(String text) {
        int[] counts = new int[128];
        boolean quoted = false;
        for (int i = 0; i < Math.min(text.length(), LOOKED_AT); i++) {
            char c = text.charAt(i);
            quoted ^= c == '"';
            if (!quoted && c < counts.length) {
                counts[c]++;
            }
        }
        char best = ',';
        for (char c : new char[] {'\t', ';', ',', '|'}) {
            // a tab or a semicolon is seldom part of a text
            int weight = c == ',' ? 1 : 2;
            if (counts[c] * weight > counts[best] * (best == ',' ? 1 : 2)) {
                best = c;
            }
        }
        return best;
    }

    private void add(String name, List<String[]> rows, String[] cells) {
        if (cells.length > MOST_COLUMNS) {
            throw new UnreadableSheetException(
                    name + " has more than " + MOST_COLUMNS + " columns, which no table here has");
        }
        for (String cell : cells) {
            if (cell.length() > LONGEST_CELL) {
                throw new UnreadableSheetException(
                        name + " has a cell of more than " + LONGEST_CELL + " characters, in row " + (rows.size() + 1));
            }
        }
        if (++read > MOST_ROWS) {
            throw new UnreadableSheetException(name + " has more than " + MOST_ROWS + " rows; bring it in in parts");
        }
        if (read % TOLD_EVERY == 0) {
            progress.accept(read);
        }
        rows.add(cells);
    }

    private static Sheet sheet(String name, List<String[]> rows) {
        int first = 0;
        while (first < rows.size() && Arrays.stream(rows.get(first)).allMatch(String::isBlank)) {
            first++;
        }
        if (first == rows.size()) {
            throw new UnreadableSheetException(name + " has no rows");
        }
        String[] header = rows.get(first);
        int width = header.length;
        while (width > 0 && header[width - 1].isBlank()) {
            width--;
        }
        List<String[]> below = new ArrayList<>(rows.size());
        for (String[] row : rows.subList(first + 1, rows.size())) {
            String[] cells = Arrays.copyOf(row, width);
            for (int i = 0; i < width; i++) {
                cells[i] = cells[i] == null ? "" : cells[i];
            }
            below.add(cells);
        }
        // what is blank at the end was never a row
        while (!below.isEmpty() && Arrays.stream(below.get(below.size() - 1)).allMatch(String::isBlank)) {
            below.remove(below.size() - 1);
        }
        return new Sheet(
                name,
                Arrays.stream(Arrays.copyOf(header, width)).map(String::strip).toList(),
                below);
    }

    private List<Sheet> workbook(Path file, String name) throws IOException {
        List<Sheet> sheets = new ArrayList<>();
        try (ReadableWorkbook book = new ReadableWorkbook(file.toFile(), new ReadingOptions(true, false))) {
            for (org.dhatim.fastexcel.reader.Sheet sheet : book.getSheets().toList()) {
                List<String[]> rows = new ArrayList<>();
                try (Stream<Row> stream = sheet.openStream()) {
                    stream.forEach(row -> {
                        if (row.getCellCount() > MOST_COLUMNS) {
                            throw new UnreadableSheetException(
                                    name + " has more than " + MOST_COLUMNS + " columns, which no table here has");
                        }
                        add(name, rows, row.stream().map(SheetReader::text).toArray(String[]::new));
                    });
                }
                if (rows.stream().anyMatch(cells -> !Arrays.stream(cells).allMatch(String::isBlank))) {
                    sheets.add(sheet(sheet.getName(), rows));
                }
            }
        } catch (ExcelReaderException e) {
            throw new UnreadableSheetException(name + " is no workbook that can be read", e);
        }
        if (sheets.isEmpty()) {
            throw new UnreadableSheetException(name + " has no rows");
        }
        return sheets;
    }

    /** A formula stays one, so that it is told and not taken for a value. */
    private static String text(Cell cell) {
        if (cell == null || cell.getType() == CellType.EMPTY) {
            return "";
        }
        if (cell.getType() == CellType.FORMULA
                || cell.getFormula() != null && !cell.getFormula().isEmpty()) {
            return "=" + cell.getFormula();
        }
        if (cell.getType() == CellType.BOOLEAN) {
            return cell.asBoolean() ? "true" : "false";
        }
        if (cell.getType() == CellType.NUMBER) {
            BigDecimal typed = new BigDecimal(cell.asNumber().doubleValue())
                    .round(new MathContext(15))
                    .stripTrailingZeros();
            boolean date =
                    typed.scale() <= 0 && cell.getDataFormatString() != null && isDate(cell.getDataFormatString());
            return date ? EPOCH.plusDays(typed.longValue()).toString() : typed.toPlainString();
        }
        return cell.getText();
    }

    private static boolean isDate(String format) {
        String plain = format.toLowerCase(Locale.ROOT).replaceAll("\"[^\"]*\"|\\[[^\\]]*\\]", "");
        return plain.contains("d") && plain.contains("m") || plain.contains("yy") && plain.contains("m");
    }
}
