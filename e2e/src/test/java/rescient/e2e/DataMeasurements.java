package rescient.e2e;

import com.microsoft.playwright.Page;
import java.io.StringReader;
import java.net.URLEncoder;
import java.net.http.HttpRequest;
import java.nio.charset.StandardCharsets;
import java.nio.file.Path;
import java.sql.Connection;
import java.util.ArrayList;
import java.util.Collections;
import java.util.Comparator;
import java.util.HashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Random;
import java.util.concurrent.Callable;
import java.util.concurrent.ExecutorService;
import java.util.concurrent.Executors;
import java.util.concurrent.Future;
import java.util.stream.Collectors;
import java.util.stream.IntStream;
import javax.sql.DataSource;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import org.postgresql.PGConnection;
import org.springframework.beans.factory.annotation.Autowired;
import rescient.core.trace.BillTree;
import rescient.dataset.Facts;
import rescient.dataset.Row;

/**
 * Prints how long the company's data take to be looked at, changed and brought in, with a large company:
 * {@code ./rescient measure-data [POINTS]}. Not a test; its name keeps it out of the runs.
 */
class DataMeasurements extends DeskTest {
    private static final int USERS = 10;
    private static final int REQUESTS = 60;
    private static final int RUNS = 10;
    private static final int BILLS = 10_000;
    private static final List<String> KINDS = List.of(
            "anywhere", "by words", "what is bought", "the dearest", "suppliers", "a sheet", "codes while typing");
    private static final int IMPORTED = Integer.getInteger("rescient.imported", 1_000_000);

    @TempDir
    private Path folder;

    @Autowired
    private DataSource database;

    private Requests requests;

    @Override
    @BeforeEach
    void freshCompany() {
        LargeCompany.load(this, folder);
    }

    @Test
    void theDataOfALargeCompany() throws Exception {
        Page page = signedIn("ida");
        page.locator(".plan-row").first().waitFor();
        requests = new Requests(port, page);
        Facts facts = live.current().directory().facts();
        lists(facts);
        bills(facts);
        health();
        replace();
        imported();
    }

    /** Ten at once, each asking for windows of the list with other filters, sorts and words. */
    private void lists(Facts facts) throws Exception {
        List<Row> items = facts.rows("items");
        List<String> asked = new ArrayList<>();
        Random random = new Random(7);
        for (int i = 0; i < USERS * REQUESTS; i++) {
            String code = items.get(random.nextInt(items.size())).text("code");
            asked.add(
                    switch (i % KINDS.size()) {
                        case 0 -> "/api/items?limit=100&offset=" + random.nextInt(items.size());
                        case 1 -> "/api/items?limit=100&words=" + encoded(code.substring(0, 3));
                        case 2 -> "/api/items?limit=100&source=buy&offset=" + random.nextInt(1000);
                        case 3 -> "/api/items?limit=100&sort=cost&desc=true";
                        case 4 -> "/api/data/rows?table=suppliers&limit=100";
                        case 6 ->
                            "/api/data/offered?table=items&words="
                                    + encoded(code.substring(0, Math.min(4, code.length())));
                        default -> "/api/items/sheet?code=" + encoded(code);
                    });
        }
        asked.subList(0, 2 * KINDS.size()).forEach(requests::get);
        ExecutorService users = Executors.newFixedThreadPool(USERS);
        try {
            List<Callable<Double>> all = asked.stream()
                    .<Callable<Double>>map(path -> () -> requests.get(path))
                    .toList();
            print("data: lists and sheets, ten at once, the first minute of a server", together(users, all));
            List<Double> millis = together(users, all);
            print("data: lists and sheets, ten at once", millis);
            for (int kind = 0; kind < KINDS.size(); kind++) {
                int n = kind;
                print(
                        "data:   " + KINDS.get(kind),
                        IntStream.range(0, millis.size())
                                .filter(i -> i % KINDS.size() == n)
                                .mapToObj(millis::get)
                                .toList());
            }
        } finally {
            users.shutdown();
        }
    }

    private static List<Double> together(ExecutorService users, List<Callable<Double>> all) throws Exception {
        List<Double> millis = new ArrayList<>();
        for (Future<Double> one : users.invokeAll(all)) {
            millis.add(one.get());
        }
        return millis;
    }

    private static String encoded(String text) {
        return URLEncoder.encode(text, StandardCharsets.UTF_8);
    }

    private void bills(Facts facts) {
        Map<String, Integer> used = new HashMap<>();
        facts.rows("bom_lines").forEach(line -> used.merge(line.text("component"), 1, Integer::sum));
        String most =
                Collections.max(used.entrySet(), Map.Entry.comparingByValue()).getKey();
        BillTree tree = new BillTree(facts);
        String deepest = facts.rows("bom_lines").stream()
                .map(line -> line.text("parent"))
                .distinct()
                .filter(parent -> !used.containsKey(parent))
                .limit(3_000)
                .max(Comparator.comparingInt(parent -> tree.below(parent).size()))
                .orElseThrow();
        System.out.println("data: " + most + " stands in " + used.get(most) + " bills; " + deepest + " has "
                + tree.below(deepest).size() + " lines on all levels");
        print("data: the tree of the largest product", repeated("/api/items/one?code=" + encoded(deepest)));
        print("data: where the most used component is used", repeated("/api/bills/where-used?item=" + encoded(most)));
        print(
                "data: where it is used, up to what is sold",
                repeated("/api/bills/where-used?all=true&item=" + encoded(most)));
    }

    private void health() {
        long begun = System.nanoTime();
        requests.get("/api/data/health");
        System.out.printf(Locale.ROOT, "data: health, first time %,.0f ms%n", (System.nanoTime() - begun) / 1e6);
        print("data: health, again", repeated("/api/data/health"));
    }

    private List<Double> repeated(String path) {
        return IntStream.range(0, RUNS).mapToObj(run -> requests.get(path)).toList();
    }

    /** A washer that ten thousand products take is replaced by another one. */
    private void replace() throws Exception {
        Facts facts = live.current().directory().facts();
        List<String> sites = facts.rows("planning").stream()
                .map(row -> row.text("site"))
                .distinct()
                .toList();
        String unit = facts.rows("items").get(0).text("unit");
        StringBuilder planning = new StringBuilder("item,site,source,lead_time_days\n");
        for (String washer : List.of("WASHER-A", "WASHER-B")) {
            sites.forEach(
                    site -> planning.append(washer).append(',').append(site).append(",buy,5\n"));
        }
        StringBuilder lines = new StringBuilder("parent,line,component,quantity\n");
        facts.rows("bom_lines").stream()
                .map(row -> row.text("parent"))
                .distinct()
                .limit(BILLS)
                .forEach(parent -> lines.append(parent).append(",WASHER,WASHER-A,4\n"));
        bring("items", "code,unit\nWASHER-A," + unit + "\nWASHER-B," + unit + "\n");
        bring("planning", planning.toString());
        bring("bom_lines", lines.toString());
        print("data: where a washer is used", repeated("/api/bills/where-used?item=WASHER-A"));
        long begun = System.nanoTime();
        requests.post(
                "/api/decisions",
                "application/json",
                HttpRequest.BodyPublishers.ofString(
                        "{\"kind\":\"REPLACE\",\"component\":\"WASHER-A\",\"by\":\"WASHER-B\"}"));
        double kept = (System.nanoTime() - begun) / 1e6;
        current();
        System.out.printf(
                Locale.ROOT,
                "data: a component replaced in %,d bills: kept in %,.0f ms, planned after %,.0f ms more%n",
                facts(BILLS, "WASHER-B"),
                kept,
                (System.nanoTime() - begun) / 1e6 - kept);
    }

    private int facts(int most, String component) {
        return Math.min(
                most,
                live.current()
                        .directory()
                        .facts()
                        .rows("bom_lines", "component", component)
                        .size());
    }

    /** Brings in a table whose columns have the names of the dataset. */
    private void bring(String table, String csv) throws Exception {
        String[] names = csv.substring(0, csv.indexOf('\n')).split(",");
        String brought = requests.post(
                "/api/imports?name=" + table + ".csv",
                "application/octet-stream",
                HttpRequest.BodyPublishers.ofString(csv));
        String columns = IntStream.range(0, names.length)
                .mapToObj(i -> "\"" + names[i] + "\":" + i)
                .collect(Collectors.joining(","));
        requests.post(
                "/api/imports/" + brought.replaceFirst(".*?\"id\":\"([^\"]+)\".*", "$1"),
                "application/json",
                HttpRequest.BodyPublishers.ofString(
                        "{\"sheets\":[{\"sheet\":0,\"table\":\"" + table + "\",\"columns\":{" + columns
                                + "},\"dates\":\"YEAR_FIRST\",\"decimal\":\".\",\"withoutFaulty\":false}]}"));
        current();
    }

    private void current() {
        live.knowing(jdbc.queryForObject("select revision from company", Long.class));
    }

    /** Stock lots against COPY of the same rows into the same indexed table, and of their changes into that of changes. */
    private void imported() throws Exception {
        Facts facts = live.current().directory().facts();
        List<String> items =
                facts.rows("items").stream().map(row -> row.text("code")).toList();
        String site = facts.rows("planning").get(0).text("site");
        StringBuilder csv = new StringBuilder("item,site,lot,quantity\n");
        StringBuilder copy = new StringBuilder();
        StringBuilder told = new StringBuilder();
        for (int i = 0; i < IMPORTED; i++) {
            String item = items.get(i % items.size());
            csv.append(item).append(',').append(site).append(",IMP-").append(i).append(",5\n");
            copy.append(item)
                    .append('\t')
                    .append(site)
                    .append("\tRAW-")
                    .append(i)
                    .append("\t5\n");
            told.append("1000000\t")
                    .append(i)
                    .append("\tstock\t")
                    .append(item)
                    .append('\t')
                    .append(item)
                    .append(" RAW\t[]\t[{\"item\":\"")
                    .append(item)
                    .append("\",\"site\":\"")
                    .append(site)
                    .append("\",\"lot\":\"RAW-")
                    .append(i)
                    .append("\",\"quantity\":\"5\"}]\n");
        }
        long begun = System.nanoTime();
        try (Connection connection = database.getConnection()) {
            connection.setAutoCommit(false);
            var manager = connection.unwrap(PGConnection.class).getCopyAPI();
            manager.copyIn("copy stock (item, site, lot, quantity) from stdin", new StringReader(copy.toString()));
            manager.copyIn(
                    "copy fact_changes (revision, place, table_name, item, key, before, after) from stdin",
                    new StringReader(told.toString()));
            connection.commit();
        }
        double raw = (System.nanoTime() - begun) / 1e6;
        jdbc.update("delete from stock where lot like 'RAW-%'");
        jdbc.update("delete from fact_changes where revision = 1000000");
        jdbc.execute("vacuum analyze stock");
        begun = System.nanoTime();
        String brought = requests.post(
                "/api/imports?name=stock.csv",
                "application/octet-stream",
                HttpRequest.BodyPublishers.ofString(csv.toString()));
        double read = (System.nanoTime() - begun) / 1e6;
        String id = brought.replaceFirst(".*?\"id\":\"([^\"]+)\".*", "$1");
        String wish =
                "{\"sheets\":[{\"sheet\":0,\"table\":\"stock\",\"columns\":{\"item\":0,\"site\":1,\"lot\":2,\"quantity\":3},"
                        + "\"dates\":\"YEAR_FIRST\",\"decimal\":\".\",\"withoutFaulty\":false}]}";
        begun = System.nanoTime();
        requests.post("/api/imports/" + id + "/preview", "application/json", HttpRequest.BodyPublishers.ofString(wish));
        double looked = (System.nanoTime() - begun) / 1e6;
        begun = System.nanoTime();
        requests.post("/api/imports/" + id, "application/json", HttpRequest.BodyPublishers.ofString(wish));
        double taken = (System.nanoTime() - begun) / 1e6;
        current();
        System.out.printf(
                Locale.ROOT,
                "data: %,d rows brought in: read %,.0f ms, looked at %,.0f ms, taken in %,.0f ms, planned after %,.0f ms"
                        + " more; COPY of the same %,.0f ms: %.2f times%n",
                IMPORTED,
                read,
                looked,
                taken,
                (System.nanoTime() - begun) / 1e6 - taken,
                raw,
                taken / raw);
    }

    private static void print(String what, List<Double> millis) {
        List<Double> sorted = millis.stream().sorted().toList();
        System.out.printf(
                Locale.ROOT,
                "%s: median %,.0f ms, 95 %% %,.0f ms, worst %,.0f ms of %d%n",
                what,
                sorted.get(sorted.size() / 2),
                sorted.get((int) Math.ceil(sorted.size() * 0.95) - 1),
                sorted.get(sorted.size() - 1),
                sorted.size());
    }
}
