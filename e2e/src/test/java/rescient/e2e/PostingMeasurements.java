package rescient.e2e;

import com.microsoft.playwright.Page;
import java.net.URLEncoder;
import java.net.http.HttpRequest;
import java.nio.charset.StandardCharsets;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.Collections;
import java.util.Comparator;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Random;
import java.util.concurrent.Callable;
import java.util.concurrent.ExecutorService;
import java.util.concurrent.Executors;
import java.util.concurrent.Future;
import java.util.concurrent.ScheduledExecutorService;
import java.util.concurrent.TimeUnit;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;

/**
 * Prints how fast a large company with a long stock record is posted on, listed and traced:
 * {@code ./rescient measure-postings [POINTS] [MOVEMENTS]}. Not a test; its name keeps it out of the runs.
 */
class PostingMeasurements extends DeskTest {
    private static final int USERS = 10;
    private static final int LINES = 20;
    /** Long enough for the compiler to be done, then so long. */
    private static final int WARM_UP = 60;

    private static final int SECONDS = 60;
    private static final int HOT = 200;
    private static final int REQUESTS = 400;
    private static final int MOVEMENTS = Integer.getInteger("rescient.movements", 1_000_000);
    /** A fifth of the record are lots: one that came in, in ten orders, each put out as a lot that was shipped. */
    private static final int LOTS_PART = 5;

    private static final int PER_LOT = 31;

    @TempDir
    private Path folder;

    private Requests requests;

    @Override
    @BeforeEach
    void freshCompany() {
        LargeCompany.load(this, folder);
        record();
    }

    private void record() {
        long begun = System.nanoTime();
        int traced = MOVEMENTS / LOTS_PART / PER_LOT;
        int plain = MOVEMENTS - traced * PER_LOT;
        jdbc.execute("create table measured_points as select (row_number() over ()) - 1 as n, item, site from (select"
                + " distinct s.item, s.site from stock s join items i on i.code = s.item where coalesce(i.tracking, 'none') ="
                + " 'none') x");
        int points = jdbc.queryForObject("select count(*) from measured_points", Integer.class);
        String day = "date '2026-03-02' - (31 + %s %% 334)";
        jdbc.update("insert into postings (key, date, sentence, person, at) select md5('p' || i)::uuid, "
                + String.format(day, "i") + ", 'Measured', 'Ida Holm', now() from generate_series(0, " + plain / LINES
                + ") i");
        jdbc.update("insert into movements (number, key, date, kind, item, site, quarantined, quantity, value, person,"
                + " entered) select m + 1, md5('p' || (m / 20))::uuid, " + String.format(day, "(m / 20)")
                + ", case when m % 2 = 0 then 'adjustment' else 'count' end, p.item, p.site, false,"
                + " case when m % 2 = 0 then 1 else -1 end, case when m % 2 = 0 then 1 else -1 end, 'Ida Holm', now() from"
                + " generate_series(0, " + (plain - 1) + ") m join measured_points p on p.n = (m / 2) % " + points);
        jdbc.update(
                "insert into postings (key, date, sentence, person, at) select md5('t' || i)::uuid, date '2026-01-05',"
                        + " 'Measured', 'Ida Holm', now() from generate_series(0, " + traced + ") i");
        jdbc.update("insert into movements (number, key, date, kind, item, site, lot, quarantined, quantity, value,"
                + " document, order_number, order_line, person, entered) select " + plain
                + " + m + 1, md5('t' || (m / 31))::uuid, date '2026-01-05', case when m % 31 = 0 then 'receipt' when m % 31 % 3 ="
                + " 1 then 'issue' when m % 31 % 3 = 2 then 'output' else 'shipment' end, p.item, p.site, case when m % 31 % 3 ="
                + " 1 or m % 31 = 0 then 'R' || (m / 31) else 'F' || (m / 31) || '-' || ((m % 31 - 1) / 3) end, false, case when m"
                + " % 31 = 0 then 10 when m % 31 % 3 = 2 then 1 else -1 end, 0, case when m % 31 = 0 then 'buy' when m % 31 % 3 <>"
                + " 0 then 'make' else 'customer_order' end, case when m % 31 = 0 then 'PO-T' || (m / 31) when m % 31 % 3 <> 0"
                + " then 'MO-T' || (m / 31) || '-' || ((m % 31 - 1) / 3) else 'SO-T' || m end, '1', 'Ida Holm', now() from"
                + " generate_series(0, " + (traced * PER_LOT - 1)
                + ") m join measured_points p on p.n = case when m % 31 % 3 ="
                + " 1 or m % 31 = 0 then 0 else 1 end");
        jdbc.execute("analyze movements");
        jdbc.execute("analyze postings");
        System.out.printf(
                Locale.ROOT,
                "%,d movements on %,d stock points written in %.0f s%n",
                jdbc.queryForObject("select count(*) from movements", Integer.class),
                points,
                (System.nanoTime() - begun) / 1e9);
    }

    @Test
    void aLongRecord() throws Exception {
        Page page = signedIn("ida");
        page.locator(".plan-row").first().waitFor();
        requests = new Requests(port, page);
        List<Map<String, Object>> points =
                jdbc.queryForList("select item, site from measured_points order by n limit 5000");
        lists(points);
        traces();
        page.navigate("about:blank");
        postings("", points);
        page.navigate("http://127.0.0.1:" + port + "/plan");
        page.locator(".plan-row").first().waitFor();
        postings(", beside the open list of a planner", points);
        for (String path : List.of(
                "/api/stock/worth?by=group",
                "/api/stock/worth?by=group&day=2025-12-01",
                "/api/stock/variances?from=2025-12-01&to=2026-03-01",
                "/api/stock/expiring",
                "/api/stock/out",
                "/api/bench",
                "/api/suppliers")) {
            List<Double> millis = new ArrayList<>();
            for (int i = 0; i < 5; i++) {
                millis.add(requests.get(path));
            }
            System.out.printf(
                    Locale.ROOT,
                    "postings: %s: first %.0f ms, then median %.1f ms%n",
                    path,
                    millis.get(0),
                    millis.subList(1, 5).stream().sorted().toList().get(2));
        }
    }

    private static String encoded(Object text) {
        return URLEncoder.encode(String.valueOf(text), StandardCharsets.UTF_8);
    }

    private void lists(List<Map<String, Object>> points) throws Exception {
        Random random = new Random(7);
        List<String> lists = new ArrayList<>();
        List<String> ledgers = new ArrayList<>();
        for (int i = 0; i < REQUESTS; i++) {
            Map<String, Object> point = points.get(random.nextInt(points.size()));
            String item = String.valueOf(point.get("item"));
            lists.add(
                    switch (i % 4) {
                        case 0 -> "/api/stock?limit=100&offset=" + random.nextInt(10_000);
                        case 1 -> "/api/stock?limit=100&words=" + encoded(item.substring(0, 3));
                        case 2 -> "/api/stock?limit=100&only=short";
                        default -> "/api/stock?limit=100&sort=value&desc=true";
                    });
            ledgers.add(
                    "/api/stock/ledger?item=" + encoded(item) + "&site=" + encoded(point.get("site")) + "&limit=100");
        }
        lists.subList(0, 8).forEach(requests::get);
        ExecutorService users = Executors.newFixedThreadPool(USERS);
        try {
            print("postings: what lies where, ten at once", together(users, lists));
            print("postings: movements of a stock point, ten at once", together(users, ledgers));
        } finally {
            users.shutdown();
        }
    }

    private List<Double> together(ExecutorService users, List<String> paths) throws Exception {
        List<Callable<Double>> all = paths.stream()
                .<Callable<Double>>map(path -> () -> requests.get(path))
                .toList();
        List<Double> millis = new ArrayList<>();
        for (Future<Double> one : users.invokeAll(all)) {
            millis.add(one.get());
        }
        return millis;
    }

    private void traces() {
        int traced = MOVEMENTS / LOTS_PART / PER_LOT;
        String item = encoded(jdbc.queryForObject("select item from measured_points where n = 0", String.class));
        String made = encoded(jdbc.queryForObject("select item from measured_points where n = 1", String.class));
        Random random = new Random(7);
        List<Double> millis = new ArrayList<>();
        for (int i = 0; i < 50; i++) {
            int lot = random.nextInt(traced);
            millis.add(requests.get("/api/stock/lot?item=" + item + "&lot=R" + lot));
            millis.add(requests.get("/api/stock/lot?item=" + made + "&lot=F" + lot + "-3"));
        }
        print("postings: a lot with its trace both ways", millis);
    }

    /** Each of ten posts twenty lines once a second, on the same two hundred stock points. */
    private void postings(String beside, List<Map<String, Object>> points) throws Exception {
        List<Double> millis = Collections.synchronizedList(new ArrayList<>());
        List<String> failed = Collections.synchronizedList(new ArrayList<>());
        int before = jdbc.queryForObject("select count(*) from movements", Integer.class);
        ScheduledExecutorService users = Executors.newScheduledThreadPool(USERS);
        for (int user = 0; user < USERS; user++) {
            Random random = new Random(user);
            users.scheduleAtFixedRate(
                    () -> {
                        String body = body(points, random);
                        long begun = System.nanoTime();
                        try {
                            requests.post(
                                    "/api/stock/postings",
                                    "application/json",
                                    HttpRequest.BodyPublishers.ofString(body));
                            millis.add((System.nanoTime() - begun) / 1e6);
                        } catch (RuntimeException e) {
                            failed.add(e.getMessage());
                        }
                    },
                    user * 100L,
                    1000,
                    TimeUnit.MILLISECONDS);
        }
        TimeUnit.SECONDS.sleep(WARM_UP);
        int warm = millis.size();
        behind();
        users.shutdown();
        users.awaitTermination(1, TimeUnit.MINUTES);
        print("postings: twenty lines, ten a second" + beside, millis.subList(warm, millis.size()));
        int after = jdbc.queryForObject("select count(*) from movements", Integer.class);
        System.out.printf(
                Locale.ROOT,
                "postings: %d posted, %d refused%s, %d movements more (%d expected)%n",
                millis.size(),
                failed.size(),
                failed.isEmpty() ? "" : ", as " + failed.get(0),
                after - before,
                millis.size() * LINES);
    }

    /** How long it takes until the plan knows what is posted. */
    private void behind() throws InterruptedException {
        List<Double> behind = new ArrayList<>();
        long end = System.nanoTime() + TimeUnit.SECONDS.toNanos(SECONDS);
        long last = live.current().revision();
        int plans = 0;
        while (System.nanoTime() < end) {
            long revision = jdbc.queryForObject("select revision from company", Long.class);
            long begun = System.nanoTime();
            while (live.current().revision() < revision) {
                TimeUnit.MILLISECONDS.sleep(5);
            }
            behind.add((System.nanoTime() - begun) / 1e6);
            plans += live.current().revision() > last ? 1 : 0;
            last = live.current().revision();
            TimeUnit.MILLISECONDS.sleep(100);
        }
        print("postings: until the plan knows one", behind);
        System.out.printf(
                Locale.ROOT,
                "postings: %d plans, the last took %d ms%n",
                plans,
                live.current().tookMillis());
    }

    private static String body(List<Map<String, Object>> points, Random random) {
        StringBuilder lines = new StringBuilder();
        for (int i = 0; i < LINES; i++) {
            Map<String, Object> point = points.get(random.nextInt(HOT));
            lines.append(i == 0 ? "" : ",")
                    .append("{\"act\":\"ADJUST\",\"item\":\"")
                    .append(point.get("item"))
                    .append("\",\"site\":\"")
                    .append(point.get("site"))
                    .append("\",\"quantity\":1}");
        }
        return "{\"reason\":\"measured\",\"lines\":[" + lines + "]}";
    }

    static void print(String what, List<Double> millis) {
        List<Double> sorted = millis.stream().sorted(Comparator.naturalOrder()).toList();
        System.out.printf(
                Locale.ROOT,
                "%s: median %.1f ms, 95 %% %.1f ms, 99 %% %.1f ms, worst %.1f ms, %d%n",
                what,
                sorted.get(sorted.size() / 2),
                sorted.get(sorted.size() * 95 / 100),
                sorted.get(sorted.size() * 99 / 100),
                sorted.get(sorted.size() - 1),
                sorted.size());
    }
}
