package rescient.bench;

import java.util.List;
import java.util.concurrent.TimeUnit;
import org.openjdk.jmh.annotations.Benchmark;
import org.openjdk.jmh.annotations.BenchmarkMode;
import org.openjdk.jmh.annotations.Fork;
import org.openjdk.jmh.annotations.Measurement;
import org.openjdk.jmh.annotations.Mode;
import org.openjdk.jmh.annotations.OutputTimeUnit;
import org.openjdk.jmh.annotations.Param;
import org.openjdk.jmh.annotations.Scope;
import org.openjdk.jmh.annotations.Setup;
import org.openjdk.jmh.annotations.State;
import org.openjdk.jmh.annotations.Warmup;
import rescient.core.base.Quantity;
import rescient.core.company.Change;
import rescient.core.company.CustomerOrderLine;
import rescient.core.plan.Plan;
import rescient.core.plan.Planner;
import rescient.core.snapshot.PlanOptions;
import rescient.core.snapshot.Snapshot;

/** The steps of the calculation under JMH. */
@State(Scope.Benchmark)
@BenchmarkMode(Mode.AverageTime)
@OutputTimeUnit(TimeUnit.MILLISECONDS)
@Warmup(iterations = 3)
@Measurement(iterations = 5)
@Fork(
        value = 1,
        jvmArgsAppend = {"-Xmx4g", "-XX:+UseParallelGC"})
public class PlanBenchmark {
    @Param({"1000", "10000"})
    int points;

    private GeneratedCompany company;
    private Snapshot snapshot;
    private Plan plan;
    private int next;

    @Setup
    public void company() {
        company = new GeneratedCompany(CompanySize.scaled(points), 7);
        snapshot = Snapshots.of(company);
        plan = new Planner().plan(snapshot, PlanOptions.ALL);
    }

    @Benchmark
    public Snapshot snapshot() {
        return Snapshots.of(company);
    }

    @Benchmark
    public Plan plan() {
        return new Planner().plan(snapshot, PlanOptions.ALL);
    }

    @Benchmark
    public Plan afterOneOrderLine() {
        CustomerOrderLine line = company.customerOrders.get(next++ % company.customerOrders.size());
        return plan.after(List.of(new Change.CustomerOrder(new CustomerOrderLine(
                line.number(),
                line.line(),
                line.item(),
                line.site(),
                line.quantity() + Quantity.ONE,
                line.dueDay() + 1,
                line.priority()))));
    }
}
