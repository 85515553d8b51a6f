package rescient.dataset.plain;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.time.LocalDate;
import java.util.List;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import rescient.core.plan.Plan;
import rescient.core.plan.Planner;
import rescient.core.snapshot.PlanOptions;
import rescient.core.trace.Scope;
import rescient.dataset.Company;
import rescient.dataset.Dataset;
import rescient.dataset.DatasetReader;
import rescient.dataset.FaultyDatasetException;
import rescient.dataset.PlanFiles;

/** Random companies are planned by the calculation as by the rules read one sentence after the other. */
class PlainPlanTest {
    private static final int COMPANIES = Integer.getInteger("rescient.companies", 60);
    private static final long FIRST = Long.getLong("rescient.company", 1);

    @TempDir
    Path folder;

    @Test
    void randomCompaniesArePlannedByTheRules() throws IOException {
        int planned = 0;
        for (long seed = FIRST; seed < FIRST + COMPANIES; seed++) {
            Tables tables = RandomCompany.of(seed);
            Path dataset = folder.resolve("d" + seed);
            tables.write(dataset);
            if (refused(dataset)) {
                continue;
            }
            same(dataset, tables, "company " + seed);
            planned++;
        }
        // some have a minimum over a maximum, which is a fault; most are planned
        assertThat(planned).isGreaterThan(COMPANIES / 2);
    }

    private static boolean refused(Path dataset) {
        try {
            DatasetReader.read(dataset);
            return false;
        } catch (FaultyDatasetException e) {
            assertThat(e.getMessage()).contains("max_quantity");
            return true;
        }
    }

    private void same(Path dataset, Tables tables, String name) throws IOException {
        Path out = folder.resolve("out");
        Dataset read = DatasetReader.read(dataset);
        Plan plan = new Planner()
                .plan(
                        Company.snapshot(
                                read,
                                LocalDate.parse(read.setting("today")),
                                LocalDate.parse(read.setting("horizon_end"))),
                        PlanOptions.ALL);
        PlanFiles.write(plan, Scope.all(plan), out);
        PlainPlan plain = new PlainPlan(tables);
        assertThat(rows(out, "planned_orders")).as(name).isEqualTo(plain.plannedOrders());
        assertThat(rows(out, "pegs")).as(name).isEqualTo(plain.pegs());
        assertThat(rows(out, "demands")).as(name).isEqualTo(plain.demands());
        assertThat(rows(out, "signals")).as(name).isEqualTo(plain.signals());
        assertThat(rows(out, "balances").stream()
                        .filter(row -> !row.matches("[^,]*,[^,]*,[^,]*,0,0,0,0,.*"))
                        .toList())
                .as(name)
                .isEqualTo(plain.balances());
    }

    private static List<String> rows(Path out, String file) throws IOException {
        return Files.readAllLines(out.resolve(file + ".csv")).stream()
                .skip(1)
                .sorted()
                .toList();
    }
}
