package rescient.bench;

import java.io.IOException;
import java.math.BigDecimal;
import java.nio.file.Files;
import java.nio.file.Path;
import java.time.LocalDate;
import java.util.Arrays;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Random;
import java.util.function.UnaryOperator;
import rescient.core.plan.Plan;
import rescient.core.plan.Planner;
import rescient.core.snapshot.PlanOptions;
import rescient.dataset.Company;
import rescient.dataset.Dataset;
import rescient.dataset.DatasetReader;
import rescient.dataset.FactChange;
import rescient.dataset.Facts;
import rescient.dataset.PlanChanges;
import rescient.dataset.Row;

/**
 * Measures how long the facts and the plan of a company take to follow one changed row, by kind: {@code AnyChange [POINTS]}.
 * The rows are chosen at random, one change after the other.
 */
public final class AnyChange {
    private static final int CHANGES = 200;
    private static final long SEED = 7;

    private AnyChange() {}

    public static void main(String[] words) throws IOException {
        int points = words.length == 0 ? 100_000 : Integer.parseInt(words[0]);
        Path folder = Files.createTempDirectory("company");
        CompanyFolder.write(points, SEED, folder);
        Dataset dataset = DatasetReader.read(folder);
        LocalDate today = LocalDate.parse(dataset.setting("today"));
        LocalDate end = LocalDate.parse(dataset.setting("horizon_end"));
        Plan plan = new Planner().plan(Company.snapshot(dataset, today, end), PlanOptions.ALL);
        Facts facts = Facts.of(dataset);
        Map<String, UnaryOperator<Row>> kinds = new LinkedHashMap<>();
        kinds.put("customer_orders", row -> row.with("quantity", more(row, "quantity")));
        kinds.put("stock", row -> row.with("quantity", more(row, "quantity")));
        kinds.put("forecasts", row -> row.with("quantity", more(row, "quantity")));
        kinds.put("planning", row -> row.with("lead_time_days", Integer.toString(row.whole("lead_time_days", 0) + 1)));
        kinds.put("bom_lines", row -> row.with("quantity", more(row, "quantity")));
        kinds.put("supplier_items", row -> row.with("price", "1"));
        System.out.println("| one changed row of | median ms | 99 % ms | worst ms | made anew |");
        System.out.println("|---|---|---|---|---|");
        Random random = new Random(SEED);
        for (Map.Entry<String, UnaryOperator<Row>> kind : kinds.entrySet()) {
            List<Row> rows = facts.rows(kind.getKey());
            if (rows.isEmpty()) {
                continue;
            }
            double[] times = new double[CHANGES];
            int anew = 0;
            for (int run = 0; run < CHANGES; run++) {
                Row row = facts.rows(kind.getKey()).get(random.nextInt(rows.size()));
                List<FactChange> changes =
                        List.of(FactChange.of(row, kind.getValue().apply(row)));
                long begun = System.nanoTime();
                Facts next = facts.after(changes);
                var followed = PlanChanges.of(facts, next, changes, (int) today.toEpochDay());
                anew += followed.isEmpty() ? 1 : 0;
                plan = followed.isPresent() ? plan.after(followed.get()) : plan;
                times[run] = (System.nanoTime() - begun) / 1e6;
                facts = next;
            }
            Arrays.sort(times);
            System.out.printf(
                    Locale.ROOT,
                    "| %s | %.1f | %.1f | %.1f | %d |%n",
                    kind.getKey(),
                    times[CHANGES / 2],
                    times[CHANGES * 99 / 100],
                    times[CHANGES - 1],
                    anew);
        }
    }

    private static String more(Row row, String column) {
        return row.decimal(column).add(BigDecimal.ONE).toPlainString();
    }
}
