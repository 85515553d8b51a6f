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
import java.util.concurrent.Callable;
import java.util.concurrent.ExecutionException;
import java.util.concurrent.ExecutorService;
import java.util.concurrent.Executors;
import java.util.concurrent.Future;
import rescient.core.base.Quantity;
import rescient.core.plan.Plan;
import rescient.core.plan.Planner;
import rescient.core.promise.Free;
import rescient.core.promise.Promising;
import rescient.core.promise.Request;
import rescient.core.snapshot.PlanOptions;
import rescient.dataset.Company;
import rescient.dataset.Dataset;
import rescient.dataset.DatasetReader;
import rescient.dataset.Row;

/**
 * Measures how long the promise of one line takes, with what is available and free: {@code PromiseTimes [POINTS | DATASET]}.
 * What is asked for is what some customer ordered, on a random day of the next two months; first one after the other, then
 * by ten desks at once, who never pause, and by ten who each ask once in three seconds, as somebody who types does.
 */
public final class PromiseTimes {
    private static final int REQUESTS = 200;
    private static final int DESKS = 10;
    private static final int DAYS = 60;
    private static final int PAUSE_MILLIS = 3000;
    private static final long SEED = 7;

    private final Plan plan;
    private final List<Row> orders;
    private final int today;

    private PromiseTimes(Plan plan, List<Row> orders, int today) {
        this.plan = plan;
        this.orders = orders;
        this.today = today;
    }

    public static void main(String[] words) throws IOException, InterruptedException, ExecutionException {
        String what = words.length == 0 ? "100000" : words[0];
        Path folder = Path.of(what);
        if (what.matches("\\d+")) {
            folder = Files.createTempDirectory("company");
            CompanyFolder.write(Integer.parseInt(what), SEED, folder);
        }
        Dataset dataset = DatasetReader.read(folder);
        String said = dataset.setting("today");
        LocalDate today = said == null ? LocalDate.parse(words[1]) : LocalDate.parse(said);
        String end = dataset.setting("horizon_end");
        Plan plan = new Planner()
                .plan(
                        Company.snapshot(dataset, today, end == null ? today.plusDays(270) : LocalDate.parse(end)),
                        PlanOptions.ALL);
        PromiseTimes times = new PromiseTimes(plan, dataset.rows("customer_orders"), (int) today.toEpochDay());
        System.out.println("| promises | median ms | 95 % ms | 99 % ms | worst ms |");
        System.out.println("|---|---|---|---|---|");
        times.asked(new Random(SEED - 1), REQUESTS / 2, 0);
        print("one after the other", times.asked(new Random(SEED), REQUESTS, 0));
        print("ten desks that never pause", times.together(0));
        print("ten desks, each once in three seconds", times.together(PAUSE_MILLIS));
    }

    private double[] together(int pauseMillis) throws InterruptedException, ExecutionException {
        ExecutorService desks = Executors.newFixedThreadPool(DESKS);
        try {
            List<Callable<double[]>> all = new ArrayList<>();
            for (int desk = 0; desk < DESKS; desk++) {
                Random random = new Random(SEED + desk);
                all.add(() -> asked(random, REQUESTS / DESKS, pauseMillis));
            }
            List<Double> together = new ArrayList<>();
            for (Future<double[]> one : desks.invokeAll(all)) {
                Arrays.stream(one.get()).forEach(together::add);
            }
            return together.stream().mapToDouble(t -> t).toArray();
        } finally {
            desks.shutdown();
        }
    }

    private double[] asked(Random random, int requests, int pauseMillis) throws InterruptedException {
        double[] times = new double[requests];
        for (int i = 0; i < requests; i++) {
            Row row = orders.get(random.nextInt(orders.size()));
            Request request = new Request(
                    row.text("item"),
                    row.text("site"),
                    Math.max(Quantity.ONE, Quantity.of(row.decimal("quantity"))),
                    today + random.nextInt(DAYS),
                    5);
            Thread.sleep(pauseMillis == 0 ? 0 : random.nextInt(2 * pauseMillis));
            long begun = System.nanoTime();
            Promising.of(plan).promise(request, Promising.UNWATCHED);
            Free.on(plan, request.item(), request.site(), request.wantedDay());
            times[i] = (System.nanoTime() - begun) / 1e6;
        }
        return times;
    }

    private static void print(String name, double[] times) {
        Arrays.sort(times);
        System.out.printf(
                Locale.ROOT,
                "| %s | %.1f | %.1f | %.1f | %.1f |%n",
                name,
                times[times.length / 2],
                times[times.length * 95 / 100],
                times[times.length * 99 / 100],
                times[times.length - 1]);
    }
}
