package rescient.dataset;

import java.io.Closeable;
import java.io.IOException;
import java.io.InputStreamReader;
import java.io.Reader;
import java.nio.charset.StandardCharsets;
import java.nio.file.FileSystem;
import java.nio.file.FileSystems;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.List;
import java.util.Locale;
import java.util.stream.Stream;

/** Where a dataset comes from: a folder of CSV files, a zip of one, or a workbook with a sheet for each table. */
interface DatasetSource extends Closeable {
    /** Names of what is there and is no table, as the person knows them. */
    List<String> strangers() throws IOException;

    /** The rows of a table, or null if it is not there. */
    TableRows rows(Table table) throws IOException;

    /** How many tables may be read at once. */
    int threads();

    /** Opens a dataset by what it is. */
    static DatasetSource open(Path path) throws IOException {
        if (Files.isDirectory(path)) {
            return new Folder(path, null);
        }
        if (!Files.exists(path)) {
            throw new IOException("there is no such folder or file");
        }
        String name = path.getFileName().toString().toLowerCase(Locale.ROOT);
        if (name.endsWith(".xlsx") || name.endsWith(".zip")) {
            Grown.refuse(path);
        }
        if (name.endsWith(".xlsx")) {
            return new Workbook(path);
        }
        if (name.endsWith(".zip")) {
            FileSystem zip = FileSystems.newFileSystem(path);
            return new Folder(insideOf(zip), zip);
        }
        throw new IOException("it is neither a folder nor a .zip or .xlsx file");
    }

    /** The top of a zip, or the one folder that it holds. */
    private static Path insideOf(FileSystem zip) throws IOException {
        Path top = zip.getPath("/");
        try (Stream<Path> entries = Files.list(top)) {
            List<Path> all = entries.toList();
            return all.size() == 1 && Files.isDirectory(all.get(0)) ? all.get(0) : top;
        }
    }

    /** CSV files side by side. */
    record Folder(Path folder, Closeable behind) implements DatasetSource {
        private static final String ENDING = ".csv";

        @Override
        public List<String> strangers() throws IOException {
            try (Stream<Path> files = Files.list(folder)) {
                return files.map(f -> f.getFileName().toString())
                        .filter(f -> f.endsWith(ENDING))
                        .filter(f -> !RecordTables.mayBe(f.substring(0, f.length() - ENDING.length())))
                        .sorted()
                        .toList();
            }
        }

        @Override
        public TableRows rows(Table table) throws IOException {
            Path file = folder.resolve(table.name() + ENDING);
            if (!Files.exists(file)) {
                return null;
            }
            // a decoder of its own refuses what is not UTF-8
            Reader csv = new InputStreamReader(Files.newInputStream(file), StandardCharsets.UTF_8.newDecoder());
            return new CsvRows(csv);
        }

        @Override
        public int threads() {
            return SideBySide.CORES;
        }

        @Override
        public void close() throws IOException {
            if (behind != null) {
                behind.close();
            }
        }
    }
}
