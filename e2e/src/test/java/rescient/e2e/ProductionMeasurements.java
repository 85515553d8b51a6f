package rescient.e2e;

import com.microsoft.playwright.Page;
import java.io.IOException;
import java.io.UncheckedIOException;
import java.net.http.HttpRequest;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import rescient.dataset.DatasetReader;

/**
 * Prints how fast orders of many parts are reported, and how fast the foreman's list is over many orders:
 * {@code ./rescient measure-production}. Not a test; its name keeps it out of the runs.
 */
class ProductionMeasurements extends DeskTest {
    private static final int PARTS = 200;
    private static final int LOTS = 3;
    private static final int REPORTED = 150;
    private static final int PRODUCTS = 1_000;
    private static final int OPEN = 10_000;
    private static final int TAKES = 5;
    private static final int CENTERS = 20;
    /** Until the compiler is done. */
    private static final int WARM = 100;

    @TempDir
    private Path folder;

    @Override
    @BeforeEach
    void freshCompany() {
        write();
        store.replace(DatasetReader.read(folder), "workshop", true);
        live.knowing(jdbc.queryForObject("select revision from company", Long.class));
    }

    private void table(String name, String header, List<String> rows) {
        List<String> lines = new ArrayList<>(List.of(header));
        lines.addAll(rows);
        try {
            Files.write(folder.resolve(name + ".csv"), lines);
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
    }

    /** A big product of two hundred parts in lots, and a thousand small ones of five parts each. */
    private void write() {
        List<String> items = new ArrayList<>(List.of("BIG,pcs,"));
        List<String> planning = new ArrayList<>(List.of("BIG,W,make"));
        List<String> stock = new ArrayList<>();
        List<String> bill = new ArrayList<>();
        List<String> orders = new ArrayList<>();
        List<String> components = new ArrayList<>();
        List<String> operations = new ArrayList<>();
        for (int part = 1; part <= PARTS; part++) {
            items.add("P" + part + ",pcs,lot");
            planning.add("P" + part + ",W,make");
            bill.add("BIG," + part + ",P" + part + ",1,backflush");
            for (int lot = 1; lot <= LOTS; lot++) {
                stock.add("P" + part + ",W,L" + lot + "," + 1_000);
            }
        }
        for (int order = 1; order <= REPORTED; order++) {
            orders.add("MO-B" + order + ",1,make,released,BIG,W,5,2026-03-20,2026-03-02");
            for (int part = 1; part <= PARTS; part++) {
                components.add("MO-B" + order + ",1,P" + part + ",5,2026-03-02,backflush");
            }
        }
        for (int product = 1; product <= PRODUCTS; product++) {
            items.add("F" + product + ",pcs,");
            planning.add("F" + product + ",W,make");
            operations.add("F" + product + ",10,C" + (product % CENTERS + 1) + ",10,2");
            for (int part = 0; part < TAKES; part++) {
                String code = "Q" + product + "-" + part;
                items.add(code + ",pcs,");
                planning.add(code + ",W,make");
                bill.add("F" + product + "," + (part + 1) + "," + code + ",1,manual");
                stock.add(code + ",W,," + (part == 0 ? 20 : 100));
            }
        }
        for (int order = 1; order <= OPEN; order++) {
            int product = order % PRODUCTS + 1;
            orders.add("MO-F" + order + ",1,make,released,F" + product + ",W,4,2026-03-" + (10 + order % 20)
                    + ",2026-03-02");
            for (int part = 0; part < TAKES; part++) {
                components.add("MO-F" + order + ",1,Q" + product + "-" + part + ",4,2026-03-04,manual");
            }
        }
        List<String> centers = new ArrayList<>();
        for (int center = 1; center <= CENTERS; center++) {
            centers.add("C" + center + ",W,480");
        }
        table("settings", "key,value", List.of("today,2026-03-02", "horizon_days,200"));
        table("units", "code,decimals", List.of("pcs,0"));
        table("sites", "code", List.of("W"));
        table("items", "code,unit,tracking", items);
        table("planning", "item,site,source", planning);
        table("stock", "item,site,lot,quantity", stock);
        table("work_centers", "code,site,minutes_per_day", centers);
        table("operations", "item,step,work_center,setup_minutes,run_minutes_per_unit", operations);
        table("bom_lines", "parent,line,component,quantity,issue", bill);
        table("open_orders", "number,line,kind,stage,item,site,quantity,due_date,start_date", orders);
        table("open_order_components", "number,line,component,quantity,needed_date,issue", components);
    }

    @Test
    void aWorkshop() {
        Page page = signedIn("ida");
        page.locator(".plan-row, [role=status]").first().waitFor();
        page.close();
        Requests requests = new Requests(port, page);
        List<Double> reports = new ArrayList<>();
        for (int order = 1; order <= REPORTED; order++) {
            String body = "{\"lines\":[{\"act\":\"OUTPUT\",\"number\":\"MO-B" + order + "\",\"quantity\":1}]}";
            long begun = System.nanoTime();
            requests.post("/api/stock/postings", "application/json", HttpRequest.BodyPublishers.ofString(body));
            if (order > WARM) {
                reports.add((System.nanoTime() - begun) / 1e6);
            }
            live.knowing(jdbc.queryForObject("select revision from company", Long.class));
        }
        PostingMeasurements.print("production: one piece of 200 parts in lots", reports);
        for (String path : List.of("/api/bench", "/api/bench?state=waits", "/api/bills/buildable?item=F7&site=W")) {
            List<Double> millis = new ArrayList<>();
            double first = requests.get(path);
            for (int i = 0; i < 20; i++) {
                millis.add(requests.get(path));
            }
            System.out.printf(Locale.ROOT, "production: %s first %.0f ms%n", path, first);
            PostingMeasurements.print("production: " + path, millis);
        }
    }
}
