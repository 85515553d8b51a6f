package rescient.dataset;

import java.io.IOException;
import java.io.UncheckedIOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;

/** Writes {@code docs/dataset.md} from the table definitions. */
public final class DatasetGuide {
    private DatasetGuide() {}

    /** Writes the guide to the file named. */
    public static void main(String[] words) {
        try {
            Files.writeString(Path.of(words[0]), text());
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
    }

    static String text() {
        StringBuilder text = new StringBuilder("""
                # The dataset

                *Made from the table definitions in `dataset` by `./rescient guide`; do not edit.*

                A dataset is a folder of CSV files (RFC 4180, UTF-8), a `.zip` of one, or an `.xlsx` file with a sheet for
                each table. Columns are found by their names, in any order; dates are ISO 8601, decimals have a point,
                booleans are `true` or `false`, an empty value is not set. A table that is missing is empty; only
                `units`, `sites`, `items` and `planning` are needed to plan. `datapackage.json` describes the same in the
                open Data Package standard. `./rescient template FOLDER` writes every table with its header, to be filled
                in.

                Everything is checked before anything is accepted, and all faults are reported together, each with file,
                row, column, value, what is wrong and what would be right.

                **Bold** columns are the key of the table; `*` must not be empty.

                """);
        List<Table> all = new ArrayList<>(Table.ALL);
        all.addAll(RecordTables.ALL);
        for (Table table : all) {
            text.append("## ").append(table.name()).append("\n\n");
            text.append(Meanings.of(table)).append(".\n\n");
            text.append("| column | holds | meaning |\n|---|---|---|\n");
            for (Column column : table.columns()) {
                String name = column.key() ? "**" + column.name() + "**" : column.name();
                text.append("| ")
                        .append(name)
                        .append(column.required() ? " *" : "")
                        .append(" | ")
                        .append(holds(column))
                        .append(" | ")
                        .append(Meanings.of(table, column))
                        .append(" |\n");
            }
            text.append('\n');
        }
        text.append("""
                # The plan

                `./rescient plan DATASET --out FOLDER` writes the plan as CSV files too.

                """);
        PlanFiles.COLUMNS.forEach((file, columns) -> text.append("- `")
                .append(file)
                .append(".csv`: ")
                .append(String.join(", ", columns))
                .append('\n'));
        return text.toString();
    }

    private static String holds(Column column) {
        return column.references() != null
                ? "a code of `" + column.references() + "`"
                : column.type().words();
    }
}
