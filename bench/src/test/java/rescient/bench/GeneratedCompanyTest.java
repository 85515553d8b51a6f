package rescient.bench;

import static org.assertj.core.api.Assertions.assertThat;

import java.nio.file.Path;
import java.time.LocalDate;
import java.util.List;
import java.util.Random;
import java.util.TreeMap;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import rescient.core.base.Quantity;
import rescient.core.company.Change;
import rescient.core.company.CustomerOrderLine;
import rescient.core.plan.Plan;
import rescient.core.plan.Planner;
import rescient.core.plan.PointView;
import rescient.core.snapshot.PlanOptions;
import rescient.dataset.Company;
import rescient.dataset.DatasetReader;

class GeneratedCompanyTest {
    private static final CompanySize SMALL = CompanySize.scaled(1500);

    @Test
    void theSameSeedMakesTheSameCompany() {
        GeneratedCompany company = new GeneratedCompany(SMALL, 3);
        GeneratedCompany again = new GeneratedCompany(SMALL, 3);
        assertThat(again.parts).isEqualTo(company.parts);
        assertThat(again.bomLines).isEqualTo(company.bomLines);
        assertThat(again.customerOrders).isEqualTo(company.customerOrders);
        assertThat(again.openOrders).isEqualTo(company.openOrders);
        assertThat(new GeneratedCompany(SMALL, 4).bomLines).isNotEqualTo(company.bomLines);
    }

    @Test
    void itIsAsLargeAsItWasAskedFor() {
        GeneratedCompany company = new GeneratedCompany(SMALL, 3);
        assertThat(company.parts).hasSizeBetween(1400, 1500);
        assertThat(company.bomLines).hasSize(6000);
        assertThat(company.customerOrders.size() + company.forecasts.size()).isEqualTo(7500);
        assertThat(company.openOrders).hasSize(1500);
    }

    @Test
    void manyChangesOneAfterTheOtherEndAtTheFullPlan() {
        GeneratedCompany company = new GeneratedCompany(SMALL, 3);
        Plan plan = new Planner().plan(Snapshots.of(company), PlanOptions.ALL);
        Random random = new Random(1);
        for (int i = 0; i < 60; i++) {
            int at = random.nextInt(company.customerOrders.size());
            CustomerOrderLine line = company.customerOrders.get(at);
            CustomerOrderLine changed = new CustomerOrderLine(
                    line.number(),
                    line.line(),
                    line.item(),
                    line.site(),
                    line.quantity() + Quantity.of(random.nextInt(9)),
                    line.dueDay() + random.nextInt(9),
                    line.priority());
            company.customerOrders.set(at, changed);
            plan = plan.after(List.of(new Change.CustomerOrder(changed)));
        }
        Plan full = new Planner().plan(Snapshots.of(company), PlanOptions.ALL);
        assertThat(plan.plannedOrders()).isEqualTo(full.plannedOrders());
        assertThat(plan.signals()).isEqualTo(full.signals());
        var possible = new TreeMap<String, Object>();
        full.points().forEach(point -> possible.put(point.item() + " " + point.site(), point.demands()));
        for (PointView point : plan.points()) {
            assertThat((Object) point.demands()).isEqualTo(possible.get(point.item() + " " + point.site()));
        }
    }

    @Test
    void theNumberOfThreadsChangesNothing() throws Exception {
        var snapshot = Snapshots.of(new GeneratedCompany(SMALL, 5));
        Plan plan = new Planner().plan(snapshot, PlanOptions.ALL);
        for (int threads : new int[] {1, 5}) {
            var pool = new java.util.concurrent.ForkJoinPool(threads);
            Plan other = pool.submit(() -> new Planner().plan(snapshot, PlanOptions.ALL))
                    .get();
            pool.shutdown();
            assertThat(other.plannedOrders()).isEqualTo(plan.plannedOrders());
            assertThat(other.signals()).isEqualTo(plan.signals());
        }
    }

    @Test
    void asADatasetItIsTheSameCompany(@TempDir Path folder) throws Exception {
        GeneratedCompany company = new GeneratedCompany(SMALL, 3);
        CompanyFolder.write(company, folder);
        LocalDate today = GeneratedCompany.TODAY;
        Plan read = new Planner()
                .plan(
                        Company.snapshot(DatasetReader.read(folder), today, today.plusDays(GeneratedCompany.DAYS)),
                        PlanOptions.ALL);
        Plan plan = new Planner().plan(Snapshots.of(company), PlanOptions.ALL);
        assertThat(read.plannedOrders()).isEqualTo(plan.plannedOrders());
        assertThat(read.signals()).isEqualTo(plan.signals());
    }
}
