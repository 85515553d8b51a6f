package rescient.dataset.plain;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Random;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.CleanupMode;
import org.junit.jupiter.api.io.TempDir;
import rescient.dataset.CostCommand;
import rescient.dataset.FaultyDatasetException;

/** Random companies cost what the rules say, read one sentence after the other. */
class PlainCostTest {
    private static final int COMPANIES = Integer.getInteger("rescient.companies", 60);
    private static final long FIRST = Long.getLong("rescient.company", 1);

    @TempDir(cleanup = CleanupMode.ON_SUCCESS)
    Path folder;

    @Test
    void randomCompaniesCostWhatTheRulesSay() throws IOException {
        int costed = 0;
        for (long seed = FIRST; seed < FIRST + COMPANIES; seed++) {
            Tables tables = withMoney(RandomCompany.of(seed), new Random(seed));
            Path dataset = folder.resolve("d" + seed);
            Path out = folder.resolve("o" + seed);
            tables.write(dataset);
            try {
                CostCommand.cost(dataset, out, null);
            } catch (FaultyDatasetException e) {
                assertThat(e.getMessage()).contains("max_quantity");
                continue;
            }
            List<String> lines = Files.readAllLines(out.resolve("cost.csv"));
            assertThat(lines.subList(1, lines.size())).as("company " + seed).isEqualTo(new PlainCost(tables).rows());
            costed++;
        }
        assertThat(costed).isGreaterThan(COMPANIES / 2);
    }

    /** A company whose items, work centers and suppliers have a price, most of them. */
    private static Tables withMoney(Tables company, Random random) {
        Map<String, List<String>> columns = Map.of(
                "items", List.of("standard_cost", "cost_batch"),
                "work_centers", List.of("cost_per_hour"),
                "supplier_items", List.of("price"));
        Tables tables = new Tables();
        company.forEach((table, row) -> {
            List<Object> cells = new ArrayList<>();
            row.cells().forEach((column, value) -> cells.addAll(List.of(column, value)));
            for (String column : columns.getOrDefault(table, List.of())) {
                boolean given =
                        random.nextInt(column.equals("cost_batch") ? 5 : 1 + 3) > 0 ^ column.equals("cost_batch");
                cells.addAll(List.of(column, given ? 1 + random.nextInt(900) / 4.0 : ""));
            }
            tables.add(table, cells.toArray());
        });
        return tables;
    }
}
