package rescient.demo;

import de.siegmar.fastcsv.writer.CsvWriter;
import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;
import java.util.Set;

/** Rows of a dataset being written, table by table; each row as {@code column, value, column, value …}. */
final class Tables {
    private final Map<String, List<Map<String, String>>> rows = new LinkedHashMap<>();

    void add(String table, Object... columnsAndValues) {
        Map<String, String> row = new LinkedHashMap<>();
        for (int i = 0; i < columnsAndValues.length; i += 2) {
            Object value = columnsAndValues[i + 1];
            row.put((String) columnsAndValues[i], value == null ? "" : value.toString());
        }
        rows.computeIfAbsent(table, t -> new ArrayList<>()).add(row);
    }

    void add(String table, Map<String, String> row) {
        rows.computeIfAbsent(table, t -> new ArrayList<>()).add(row);
    }

    void clear(String table) {
        rows.remove(table);
    }

    List<Map<String, String>> rows(String table) {
        return rows.getOrDefault(table, List.of());
    }

    void write(Path folder) throws IOException {
        Files.createDirectories(folder);
        for (var table : rows.entrySet()) {
            Set<String> columns = new LinkedHashSet<>();
            table.getValue().forEach(row -> columns.addAll(row.keySet()));
            try (CsvWriter csv = CsvWriter.builder().build(folder.resolve(table.getKey() + ".csv"))) {
                csv.writeRecord(columns);
                for (Map<String, String> row : table.getValue()) {
                    csv.writeRecord(
                            columns.stream().map(c -> row.getOrDefault(c, "")).toList());
                }
            }
        }
    }
}
