package rescient.demo;

import java.io.IOException;
import java.nio.file.Path;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Random;
import java.util.Set;
import java.util.TreeMap;
import java.util.stream.Collectors;
import rescient.core.base.Quantity;
import rescient.core.plan.Plan;
import rescient.core.plan.PlannedOrder;
import rescient.core.plan.Planner;
import rescient.core.snapshot.PlanOptions;
import rescient.dataset.Company;
import rescient.dataset.DatasetReader;

/**
 * What lies on the shelves. The company is planned again and again, and whatever should have started before today is put
 * on the shelf instead, so that a normal week remains; a few stock points are left short on purpose.
 */
final class OpeningStock {
    private static final int ROUNDS = 14;
    /** Pieces of what the workshop makes that lie ready. */
    private static final long MADE_AHEAD = 24;
    /** The newest lot of syrup, which lasts so many days more. */
    private static final String FRESH = "S-2611";

    private static final int FRESH_DAYS = 160;
    /** Left as they are, whatever they are short of. */
    private static final List<String> SHORT =
            List.of("BRG-6202", "CARR-62", "SHF-410", "GBX-410", "LEGS-3", "ROF-10W", "PAINT-G", "SMOKER-L");

    private final Tables tables;
    private final LocalDate base;
    private final LocalDate horizonEnd;
    private final Path folder;
    private final Random random;
    private final Map<String, Long> stock = new TreeMap<>();
    /** Rows that lie there already. */
    private final List<Map<String, String>> others = new ArrayList<>();
    /** What the workshop makes and takes. */
    private final Set<String> workshop = new HashSet<>();

    OpeningStock(Tables tables, LocalDate base, LocalDate horizonEnd, Path folder, long seed) {
        this.tables = tables;
        this.base = base;
        this.horizonEnd = horizonEnd;
        this.folder = folder;
        this.random = new Random(seed);
    }

    void fill() throws IOException {
        Set<String> expected = tables.rows("open_orders").stream()
                .map(row -> row.get("item") + " " + row.get("site"))
                .collect(Collectors.toSet());
        for (Map<String, String> row : tables.rows("planning")) {
            String point = row.get("item") + " " + row.get("site");
            String safety = row.getOrDefault("safety_stock", "");
            if (!safety.isEmpty() && !SHORT.contains(row.get("item")) && !expected.contains(point)) {
                stock.put(point, Long.parseLong(safety) * 3 / 2);
            }
        }
        Map.of(
                        "EXTR-4",
                        6L,
                        "GBX-410",
                        5L,
                        "SHF-410",
                        14L,
                        "CARR-62",
                        6L,
                        "BRG-6202",
                        12L,
                        "BRG-6202-SS",
                        40L,
                        "SIEVE-2",
                        64L)
                .forEach((item, pieces) -> stock.put(item + " " + Catalogue.WORKS, pieces));
        rounds();
    }

    /** The same for what has been added since, leaving what lies there. */
    void fillMore() throws IOException {
        others.addAll(tables.rows("stock"));
        stock.clear();
        tables.rows("operations").forEach(row -> workshop.add(row.get("item")));
        tables.rows("bom_lines").stream()
                .filter(row -> workshop.contains(row.get("parent")))
                .forEach(row -> workshop.add(row.get("component")));
        for (Map<String, String> row : tables.rows("planning")) {
            if (workshop.contains(row.get("item"))) {
                String reorder = row.getOrDefault("reorder_point", "");
                long material =
                        row.getOrDefault("supplier", "").isEmpty() || reorder.isEmpty() ? 0 : Long.parseLong(reorder);
                stock.put(row.get("item") + " " + row.get("site"), material > 0 ? material * 3 / 4 : MADE_AHEAD);
            }
        }
        rounds();
    }

    private void rounds() throws IOException {
        for (int round = 0; round < ROUNDS; round++) {
            write();
            tables.write(folder);
            Plan plan =
                    new Planner().plan(Company.snapshot(DatasetReader.read(folder), base, horizonEnd), PlanOptions.ALL);
            for (PlannedOrder order : plan.plannedOrders()) {
                String point = order.item() + " " + order.site();
                boolean leave = SHORT.contains(order.item()) || (!others.isEmpty() && !workshop.contains(order.item()));
                if (order.startDay() < base.toEpochDay() && !leave) {
                    long pieces = order.quantity() / Quantity.ONE + 1 + random.nextInt(4);
                    stock.merge(point, pieces, Long::sum);
                }
            }
        }
    }

    private void write() {
        tables.clear("stock");
        others.forEach(row -> tables.add("stock", row));
        stock.forEach((key, pieces) -> {
            String[] point = key.split(" ");
            boolean lots = point[0].startsWith("WAX") || point[0].startsWith("FONDANT");
            if (!point[0].equals("SYRUP-5") || !point[1].equals(Catalogue.WORKS)) {
                tables.add(
                        "stock",
                        "item",
                        point[0],
                        "site",
                        point[1],
                        "lot",
                        point[0].equals("SYRUP-5") ? "S-2609" : lots ? "L-2610" : "",
                        "quantity",
                        pieces,
                        "expiry",
                        point[0].startsWith("FONDANT")
                                ? base.plusDays(240)
                                : point[0].equals("SYRUP-5") ? base.plusDays(FRESH_DAYS) : "");
            }
        });
        if (others.isEmpty()) {
            onPurpose();
        }
    }

    private void onPurpose() {
        // more syrup than anybody will buy before it expires
        tables.add(
                "stock",
                "item",
                "SYRUP-5",
                "site",
                Catalogue.WORKS,
                "lot",
                "S-2605",
                "quantity",
                70,
                "expiry",
                base.plusDays(18));
        tables.add(
                "stock",
                "item",
                "SYRUP-5",
                "site",
                Catalogue.WORKS,
                "lot",
                FRESH,
                "quantity",
                90,
                "expiry",
                base.plusDays(FRESH_DAYS));
        tables.add(
                "stock",
                "item",
                "CED-1800",
                "site",
                Catalogue.WORKS,
                "lot",
                "WET",
                "quantity",
                40,
                "quarantined",
                true);
    }
}
