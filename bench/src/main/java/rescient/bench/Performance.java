package rescient.bench;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.Locale;
import java.util.Random;
import java.util.stream.Stream;
import rescient.core.base.Quantity;
import rescient.core.company.Change;
import rescient.core.company.CustomerOrderLine;
import rescient.core.plan.Plan;
import rescient.core.plan.Planner;
import rescient.core.snapshot.PlanOptions;
import rescient.core.snapshot.Snapshot;

/**
 * Measures the calculation and prints a table: {@code Performance [POINTS …]}. Each size is planned several times after
 * warming up; the floor is sorting every demand and supply of the finished plan by stock point and day, as one
 * {@code long[]} on one core, in the same process.
 */
public final class Performance {
    private static final int WARM_UPS = 4;
    private static final int RUNS = 7;
    private static final int CHANGES = 1000;
    private static final long SEED = 7;

    private Performance() {}

    public static void main(String[] words) throws IOException {
        int[] sizes = words.length == 0
                ? new int[] {10_000, 100_000}
                : Stream.of(words).mapToInt(Integer::parseInt).toArray();
        System.out.println("| stock points | elements | snapshot ms | plan ms | floor ms | floor of shuffled ms"
                + " | plan / floor | plan / shuffled | after, median ms | after, 99 % ms | heap MB |");
        System.out.println("|---|---|---|---|---|---|---|---|---|---|---|");
        List<double[]> growth = new ArrayList<>();
        for (int points : sizes) {
            growth.add(measure(points));
        }
        for (int i = 1; i < growth.size(); i++) {
            double exponent = Math.log(growth.get(i)[1] / growth.get(i - 1)[1])
                    / Math.log(growth.get(i)[0] / growth.get(i - 1)[0]);
            System.out.printf(
                    Locale.ROOT,
                    "%nFrom %.0f to %.0f stock points the time grows with the power %.2f of the size.%n",
                    growth.get(i - 1)[0],
                    growth.get(i)[0],
                    exponent);
        }
        System.out.printf(
                Locale.ROOT,
                "%n%s, %d cores, %s, Java %s, heap limit %d MB, %s%n",
                LocalDate.now(),
                Runtime.getRuntime().availableProcessors(),
                processor(),
                System.getProperty("java.version"),
                Runtime.getRuntime().maxMemory() >> 20,
                System.getProperty("os.name"));
    }

    private static double[] measure(int points) {
        GeneratedCompany company = new GeneratedCompany(CompanySize.scaled(points), SEED);
        long begun = System.nanoTime();
        Snapshot snapshot = Snapshots.of(company);
        double read = millis(begun);
        CustomerOrderLine[] lines = company.customerOrders.toArray(CustomerOrderLine[]::new);
        company = null;
        double[] plans = new double[RUNS];
        double[] floors = new double[RUNS];
        double[] shuffled = new double[RUNS];
        int elements = 0;
        Plan plan = null;
        for (int run = -WARM_UPS; run < RUNS; run++) {
            plan = null;
            System.gc();
            begun = System.nanoTime();
            plan = new Planner().plan(snapshot, PlanOptions.ALL);
            double took = millis(begun);
            begun = System.nanoTime();
            long[] keys = plan.pointsAndDays();
            Arrays.sort(keys);
            double floor = millis(begun);
            elements = keys.length;
            shuffle(keys);
            begun = System.nanoTime();
            Arrays.sort(keys);
            double floorOfShuffled = millis(begun);
            if (run >= 0) {
                plans[run] = took;
                floors[run] = floor;
                shuffled[run] = floorOfShuffled;
            }
        }
        System.gc();
        long heap = (Runtime.getRuntime().totalMemory() - Runtime.getRuntime().freeMemory()) >> 20;
        double[] after = after(plan, lines);
        System.out.printf(
                Locale.ROOT,
                "| %,d | %,d | %.0f | %.0f | %.0f | %.0f | %.1f | %.1f | %.1f | %.1f | %d |%n",
                snapshot.stockPoints(),
                elements,
                read,
                median(plans),
                median(floors),
                median(shuffled),
                median(plans) / median(floors),
                median(plans) / median(shuffled),
                after[after.length / 2],
                after[after.length * 99 / 100],
                heap);
        return new double[] {snapshot.stockPoints(), median(plans)};
    }

    /** Milliseconds of a thousand changes of one customer order line each, sorted; a warm-up before. */
    private static double[] after(Plan start, CustomerOrderLine[] lines) {
        Plan plan = start;
        Random random = new Random(SEED);
        double[] times = new double[CHANGES];
        for (int i = -CHANGES; i < CHANGES; i++) {
            int at = random.nextInt(lines.length);
            CustomerOrderLine line = lines[at];
            lines[at] = new CustomerOrderLine(
                    line.number(),
                    line.line(),
                    line.item(),
                    line.site(),
                    line.quantity() + Quantity.of(random.nextInt(10)),
                    line.dueDay() + random.nextInt(5),
                    line.priority());
            long begun = System.nanoTime();
            plan = plan.after(List.of(new Change.CustomerOrder(lines[at])));
            if (i >= 0) {
                times[i] = millis(begun);
            }
        }
        Arrays.sort(times);
        return times;
    }

    private static void shuffle(long[] keys) {
        Random random = new Random(SEED);
        for (int i = keys.length - 1; i > 0; i--) {
            int j = random.nextInt(i + 1);
            long other = keys[i];
            keys[i] = keys[j];
            keys[j] = other;
        }
    }

    private static double median(double[] times) {
        double[] sorted = times.clone();
        Arrays.sort(sorted);
        return sorted[sorted.length / 2];
    }

    private static double millis(long begun) {
        return (System.nanoTime() - begun) / 1e6;
    }

    private static String processor() throws IOException {
        Path info = Path.of("/proc/cpuinfo");
        if (!Files.exists(info)) {
            return System.getProperty("os.arch");
        }
        try (Stream<String> lines = Files.lines(info)) {
            return lines.filter(line -> line.startsWith("model name"))
                    .findFirst()
                    .map(line -> line.substring(line.indexOf(':') + 1).strip())
                    .orElse(System.getProperty("os.arch"));
        }
    }
}
