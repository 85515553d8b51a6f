package rescient.e2e;

import com.microsoft.playwright.Page;
import com.microsoft.playwright.Response;
import java.math.BigDecimal;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Random;
import java.util.concurrent.BlockingQueue;
import java.util.concurrent.TimeUnit;
import java.util.function.UnaryOperator;
import java.util.stream.Collectors;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import org.springframework.beans.factory.annotation.Autowired;
import org.springframework.transaction.support.TransactionTemplate;
import rescient.dataset.Column;
import rescient.dataset.FactChange;
import rescient.dataset.Row;
import rescient.server.platform.Cause;
import rescient.server.platform.Companies;

/**
 * Prints how long it takes from the commit of any one changed row of a large company until the new plan's list is in another
 * browser, and until a second server has told of it: {@code ./rescient measure-changes [POINTS]}. Not a test; its name keeps
 * it out of the runs.
 */
class ChangeMeasurements extends DeskTest {
    private static final int RUNS = 20;
    private static final long PATIENCE_SECONDS = 60;
    private static final String DAY = System.getProperty("rescient.day", "2026-11-23");

    @TempDir
    private Path folder;

    @Autowired
    private Companies companies;

    @Autowired
    private TransactionTemplate transaction;

    private final Random random = new Random(7);

    @Override
    @BeforeEach
    void freshCompany() {
        LargeCompany.load(this, folder);
    }

    private static String more(Row row, String column) {
        return row.decimal(column).add(BigDecimal.ONE).toPlainString();
    }

    private static Map<String, UnaryOperator<Row>> kinds() {
        Map<String, UnaryOperator<Row>> kinds = new LinkedHashMap<>();
        kinds.put("customer_orders", row -> row.with("quantity", more(row, "quantity")));
        kinds.put("stock", row -> row.with("quantity", more(row, "quantity")));
        kinds.put("forecasts", row -> row.with("quantity", more(row, "quantity")));
        kinds.put("planning", row -> row.with("lead_time_days", Integer.toString(row.whole("lead_time_days", 0) + 1)));
        kinds.put("bom_lines", row -> row.with("quantity", more(row, "quantity")));
        kinds.put("supplier_items", row -> row.with("price", row.decimal("price") == null ? "1" : more(row, "price")));
        return kinds;
    }

    @Test
    void fromACommitToTheNewPlanElsewhere() throws Exception {
        Page page = signedIn("ida");
        page.locator(".plan-row").first().waitFor();
        List<Double> all = new ArrayList<>();
        for (Map.Entry<String, UnaryOperator<Row>> kind : kinds().entrySet()) {
            List<Double> millis = new ArrayList<>();
            for (int run = 0; run < RUNS; run++) {
                long[] committed = new long[1];
                Response list = page.waitForResponse(
                        r -> r.url().endsWith("/api/plan/orders")
                                && Long.parseLong(r.headers().getOrDefault("plan-version", "0"))
                                        >= live.current().number(),
                        () -> committed[0] = change(kind.getKey(), kind.getValue()));
                list.finished();
                millis.add((System.nanoTime() - committed[0]) / 1e6);
            }
            Measurements.print("changes: " + kind.getKey() + ", commit to another browser", millis);
            all.addAll(millis);
        }
        print("changes: all kinds, commit to another browser", all);
        System.out.printf(
                Locale.ROOT,
                "changes: heap in use %,d MB of %,d MB%n",
                Runtime.getRuntime().totalMemory() - Runtime.getRuntime().freeMemory() >> 20,
                Runtime.getRuntime().maxMemory() >> 20);
        secondServer();
    }

    private void secondServer() throws Exception {
        List<Double> all = new ArrayList<>();
        try (Servers servers = new Servers(DATABASE)) {
            Servers.Server second = servers.start(DAY, "-Xmx3g");
            second.signIn("ida");
            BlockingQueue<Servers.Told> news = second.news();
            news.poll(PATIENCE_SECONDS, TimeUnit.SECONDS);
            for (Map.Entry<String, UnaryOperator<Row>> kind : kinds().entrySet()) {
                for (int run = 0; run < RUNS; run++) {
                    long committed = change(kind.getKey(), kind.getValue());
                    long revision = jdbc.queryForObject("select revision from company", Long.class);
                    long wanted = live.knowing(revision).number();
                    Servers.Told told = news.poll(PATIENCE_SECONDS, TimeUnit.SECONDS);
                    while (told != null && told.number() < wanted) {
                        told = news.poll(PATIENCE_SECONDS, TimeUnit.SECONDS);
                    }
                    all.add(told == null ? Double.NaN : (told.at() - committed) / 1e6);
                }
            }
        }
        print("changes: all kinds, commit to a second server's news (its heap 3 GB)", all);
    }

    private static void print(String what, List<Double> millis) {
        List<Double> sorted = millis.stream().sorted(Comparator.naturalOrder()).toList();
        System.out.printf(
                Locale.ROOT,
                "%s: median %.1f ms, 99 %% %.1f ms, worst %.1f ms, %d changes%n",
                what,
                sorted.get(sorted.size() / 2),
                sorted.get(sorted.size() * 99 / 100),
                sorted.get(sorted.size() - 1),
                sorted.size());
    }

    /** Changes a row, and returns the moment after the commit. */
    private long change(String table, UnaryOperator<Row> otherwise) {
        List<Row> rows = live.current().directory().facts().rows(table);
        Row before = rows.get(random.nextInt(rows.size()));
        Row after = otherwise.apply(before);
        transaction.executeWithoutResult(status -> {
            companies.lock();
            write(before, after);
            companies.changed(
                    new Cause(Cause.Kind.SETTING, "Ida Holm", "Measured"), List.of(FactChange.of(before, after)));
        });
        return System.nanoTime();
    }

    private void write(Row before, Row after) {
        List<Column> columns = before.table().columns();
        for (Column column : columns) {
            if (!java.util.Objects.equals(before.text(column.name()), after.text(column.name()))) {
                List<Column> keys = columns.stream()
                        .filter(c -> c.key() && before.text(c.name()) != null)
                        .toList();
                List<Object> values = new ArrayList<>(List.of(new BigDecimal(after.text(column.name()))));
                keys.forEach(key -> values.add(before.text(key.name())));
                jdbc.update(
                        "update " + before.table().name() + " set \"" + column.name() + "\" = ? where "
                                + keys.stream()
                                        .map(key -> "\"" + key.name() + "\"::text = ?")
                                        .collect(Collectors.joining(" and ")),
                        values.toArray());
            }
        }
    }
}
