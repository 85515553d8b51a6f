package rescient.dataset;

import de.siegmar.fastcsv.writer.CsvWriter;
import java.io.BufferedOutputStream;
import java.io.IOException;
import java.io.OutputStream;
import java.io.UncheckedIOException;
import java.net.URI;
import java.nio.file.FileSystem;
import java.nio.file.FileSystems;
import java.nio.file.Files;
import java.nio.file.Path;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import org.dhatim.fastexcel.Workbook;
import org.dhatim.fastexcel.Worksheet;

/**
 * Writes a dataset so that reading it again gives the same: as a folder of CSV files with its {@code datapackage.json}, as
 * a zip of one, or as an .xlsx file.
 */
public final class DatasetWriter {
    private static final String PACKAGE = "datapackage.json";

    private DatasetWriter() {}

    /**
     * Writes every table that has rows; what kind of file, the ending of its name says. A folder must be empty or hold a
     * dataset, whose tables are replaced.
     *
     * @throws UncheckedIOException if it cannot be written
     */
    public static void write(Dataset dataset, Path path) {
        List<Table> tables =
                all().stream().filter(t -> !dataset.rows(t.name()).isEmpty()).toList();
        write(dataset, tables, path);
    }

    private static List<Table> all() {
        List<Table> all = new ArrayList<>(Table.ALL);
        all.addAll(RecordTables.ALL);
        return all;
    }

    /** Writes every table with its header alone, to be filled in. */
    public static void writeTemplate(Path path) {
        write(new Dataset(Map.of()), Table.ALL, path);
    }

    private static void write(Dataset dataset, List<Table> tables, Path path) {
        String name = path.getFileName().toString().toLowerCase(Locale.ROOT);
        try {
            if (name.endsWith(".xlsx")) {
                writeWorkbook(dataset, tables, path);
            } else if (name.endsWith(".zip")) {
                Files.deleteIfExists(path);
                URI zip = URI.create("jar:" + path.toUri());
                try (FileSystem inside = FileSystems.newFileSystem(zip, Map.of("create", "true"))) {
                    writeFolder(dataset, tables, inside.getPath("/"));
                }
            } else {
                Files.createDirectories(path);
                writeFolder(dataset, tables, path);
            }
        } catch (IOException e) {
            throw new UncheckedIOException("The dataset cannot be written to " + path + ": " + e.getMessage(), e);
        }
    }

    private static void writeFolder(Dataset dataset, List<Table> tables, Path folder) throws IOException {
        for (Table table : all()) {
            Path file = folder.resolve(table.name() + ".csv");
            if (!tables.contains(table)) {
                Files.deleteIfExists(file);
                continue;
            }
            try (CsvWriter csv = CsvWriter.builder().build(Files.newBufferedWriter(file))) {
                csv.writeRecord(table.columns().stream().map(Column::name).toList());
                for (Row row : dataset.rows(table.name())) {
                    csv.writeRecord(row.values());
                }
            }
        }
        Files.writeString(folder.resolve(PACKAGE), DataPackage.describe(tables));
    }

    private static void writeWorkbook(Dataset dataset, List<Table> tables, Path path) throws IOException {
        try (OutputStream out = new BufferedOutputStream(Files.newOutputStream(path))) {
            Workbook book = new Workbook(out, "Rescient", null);
            for (Table table : tables) {
                Worksheet sheet = book.newWorksheet(table.name());
                for (int c = 0; c < table.columns().size(); c++) {
                    sheet.value(0, c, table.columns().get(c).name());
                    sheet.style(0, c).bold().set();
                }
                sheet.freezePane(0, 1);
                int line = 1;
                for (Row row : dataset.rows(table.name())) {
                    for (int c = 0; c < table.columns().size(); c++) {
                        cell(sheet, line, c, row.at(c), table.columns().get(c).type());
                    }
                    line++;
                }
            }
            book.finish();
        }
    }

    private static void cell(Worksheet sheet, int line, int column, String text, ColumnType type) {
        if (text.isEmpty()) {
            return;
        }
        boolean number = type instanceof ColumnType.Decimal || type instanceof ColumnType.Whole;
        if (type == ColumnType.DAY) {
            sheet.value(line, column, LocalDate.parse(text));
            sheet.style(line, column).format("yyyy-mm-dd").set();
        } else if (type == ColumnType.FLAG) {
            sheet.value(line, column, text.equals("true"));
        } else if (number && survivesBinary(text)) {
            sheet.value(line, column, Double.valueOf(text));
        } else {
            sheet.value(line, column, text);
        }
    }

    /** Sheets hold numbers in binary; what would come back as another text goes as text. */
    private static boolean survivesBinary(String text) {
        return rescient.dataset.Workbook.typed(Double.parseDouble(text))
                .toPlainString()
                .equals(text);
    }
}
