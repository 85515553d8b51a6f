package rescient.dataset.plain;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;

/** The rows of a dataset as texts, by table and column. */
final class Tables {
    /** A row; what is not set is empty. */
    record Row(Map<String, String> cells) {
        String text(String column) {
            return cells.getOrDefault(column, "");
        }

        boolean has(String column) {
            return !text(column).isEmpty();
        }

        Fraction number(String column) {
            return has(column) ? Fraction.of(text(column)) : null;
        }

        Fraction number(String column, Fraction otherwise) {
            return has(column) ? Fraction.of(text(column)) : otherwise;
        }

        int whole(String column, int otherwise) {
            return has(column) ? Integer.parseInt(text(column)) : otherwise;
        }

        int day(String column, int otherwise) {
            return has(column) ? Math.toIntExact(LocalDate.parse(text(column)).toEpochDay()) : otherwise;
        }
    }

    private final Map<String, List<Row>> tables = new LinkedHashMap<>();

    /** Adds a row, written as the columns by name and their values in turn. */
    void add(String table, Object... cells) {
        Map<String, String> row = new LinkedHashMap<>();
        for (int i = 0; i < cells.length; i += 2) {
            row.put((String) cells[i], cells[i + 1] == null ? "" : cells[i + 1].toString());
        }
        tables.computeIfAbsent(table, t -> new ArrayList<>()).add(new Row(row));
    }

    /** Those that are planned with: of customer orders what is open. */
    List<Row> rows(String table) {
        return tables.getOrDefault(table, List.of()).stream()
                .filter(r ->
                        !table.equals("customer_orders") || List.of("", "open").contains(r.text("state")))
                .toList();
    }

    /** Every row of every table. */
    void forEach(java.util.function.BiConsumer<String, Row> each) {
        tables.forEach((table, rows) -> rows.forEach(row -> each.accept(table, row)));
    }

    String setting(String key, String otherwise) {
        return rows("settings").stream()
                .filter(r -> r.text("key").equals(key))
                .map(r -> r.text("value"))
                .findFirst()
                .orElse(otherwise);
    }

    /** Writes them as CSV files. */
    void write(Path folder) throws IOException {
        Files.createDirectories(folder);
        for (Map.Entry<String, List<Row>> table : tables.entrySet()) {
            List<String> columns = table.getValue().stream()
                    .flatMap(r -> r.cells().keySet().stream())
                    .distinct()
                    .toList();
            List<String> lines = new ArrayList<>(List.of(String.join(",", columns)));
            for (Row row : table.getValue()) {
                lines.add(String.join(",", columns.stream().map(row::text).toList()));
            }
            Files.write(folder.resolve(table.getKey() + ".csv"), lines);
        }
    }

    /** The tables of a folder of plain CSV files, without quotes. */
    static Tables read(Path folder) throws IOException {
        Tables tables = new Tables();
        try (var files = Files.list(folder)) {
            for (Path file :
                    files.filter(f -> f.toString().endsWith(".csv")).sorted().toList()) {
                String name = file.getFileName().toString().replace(".csv", "");
                List<String> lines = Files.readAllLines(file);
                String[] columns = lines.get(0).split(",", -1);
                for (String line : lines.subList(1, lines.size())) {
                    String[] cells = line.split(",", -1);
                    tables.add(
                            name,
                            Arrays.stream(columns)
                                    .flatMap(c -> java.util.stream.Stream.of(
                                            c, cells[Arrays.asList(columns).indexOf(c)]))
                                    .toArray());
                }
            }
        }
        return tables;
    }
}
