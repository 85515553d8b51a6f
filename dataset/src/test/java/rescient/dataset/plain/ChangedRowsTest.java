package rescient.dataset.plain;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.IOException;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.Random;
import java.util.stream.Collectors;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import rescient.dataset.Column;
import rescient.dataset.Dataset;
import rescient.dataset.DatasetReader;
import rescient.dataset.DatasetWriter;
import rescient.dataset.FactChange;
import rescient.dataset.Facts;
import rescient.dataset.Fault;
import rescient.dataset.FaultyDatasetException;
import rescient.dataset.Row;
import rescient.dataset.Table;

/** A changed row is right if the whole company with it would be read, and wrong in the same columns if not. */
class ChangedRowsTest {
    private static final int COMPANIES = 12;
    private static final int CHANGES = 40;
    private static final List<String> NONSENSE = List.of("NOBODY", "-3", "0", "0.1234567", "true", "buy", "2026-03-02");

    /** A table that is not there at all is one fault of its own. */
    private static final String MISSING = "whole table";

    @TempDir
    private Path folder;

    @Test
    void whatIsWrongByItselfIsWrongInTheWholeCompany() throws IOException {
        int wrong = 0;
        int right = 0;
        for (int seed = 1; seed <= COMPANIES; seed++) {
            Random random = new Random(seed);
            Path there = folder.resolve("company" + seed);
            RandomCompany.of(seed).write(there);
            Dataset dataset = DatasetReader.read(there);
            Facts facts = Facts.of(dataset);
            for (int n = 0; n < CHANGES; n++) {
                FactChange change = change(dataset, random);
                if (change == null) {
                    continue;
                }
                Path again = folder.resolve(seed + "-" + n);
                DatasetWriter.write(facts.after(List.of(change)).dataset(), again);
                String expected = faults(() -> DatasetReader.read(again));
                String found = faults(() -> DatasetReader.checked(facts, List.of(change)));
                if (expected.contains(MISSING)) {
                    assertThat(found).as(change.toString()).isNotEmpty();
                } else {
                    assertThat(found).as(change.toString()).isEqualTo(expected);
                }
                wrong += expected.isEmpty() ? 0 : 1;
                right += expected.isEmpty() ? 1 : 0;
            }
        }
        assertThat(wrong).isGreaterThan(50);
        assertThat(right).isGreaterThan(50);
    }

    /** Another value in some column that is not the key's: of another row, none, or nonsense. */
    private static FactChange change(Dataset dataset, Random random) {
        Table table = Table.ALL.get(random.nextInt(Table.ALL.size()));
        List<Row> rows = dataset.rows(table.name());
        List<Column> columns =
                table.columns().stream().filter(column -> !column.key()).toList();
        if (rows.isEmpty() || columns.isEmpty() || table.name().equals("open_order_components")) {
            return null;
        }
        Row row = rows.get(random.nextInt(rows.size()));
        String column = columns.get(random.nextInt(columns.size())).name();
        String value = switch (random.nextInt(4)) {
            case 0 -> null;
            case 1 -> NONSENSE.get(random.nextInt(NONSENSE.size()));
            default -> rows.get(random.nextInt(rows.size())).text(column);
        };
        Row other = row.with(column, value);
        return other.values().equals(row.values()) ? null : FactChange.of(row, other);
    }

    private interface Check {
        Object look();
    }

    /** The columns that are wrong, each once. */
    private static String faults(Check check) {
        try {
            check.look();
            return "";
        } catch (FaultyDatasetException e) {
            List<String> columns = new ArrayList<>();
            for (Fault fault : e.faults()) {
                columns.add(fault.column().isEmpty() ? MISSING : fault.file() + " " + fault.column());
            }
            return columns.stream().distinct().sorted().collect(Collectors.joining(", "));
        }
    }
}
