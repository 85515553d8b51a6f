package rescient.demo;

import de.siegmar.fastcsv.reader.CsvReader;
import de.siegmar.fastcsv.reader.NamedCsvRecord;
import java.io.IOException;
import java.math.BigDecimal;
import java.nio.file.Files;
import java.nio.file.Path;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.HashMap;
import java.util.HashSet;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.TreeMap;
import java.util.stream.Stream;
import rescient.dataset.PostCommand;

/**
 * The last fortnight on the shop floor and in the stores. The company as it is today is what comes of it: what lay there two
 * weeks ago is worked out from what lies there now, and then all of it is posted by the same code as anybody's postings.
 */
final class Fortnight {
    /** What postings change, read back afterwards. */
    private static final List<String> CHANGED = List.of(
            "open_orders",
            "open_order_components",
            "closed_orders",
            "closed_order_components",
            "customer_orders",
            "closed_customer_orders",
            "stock",
            "movements",
            "stock_values",
            "order_costs",
            "order_steps",
            "in_transit",
            "shipments",
            "usage",
            "receipts");

    /** More than anybody takes in a fortnight: how much it was is seen when it is posted. */
    private static final BigDecimal PLENTY = new BigDecimal(1_000_000);

    private static final Map<String, String> PEOPLE = Map.of(
            "issue", "Rufus Amsel, foreman",
            "output", "Rufus Amsel, foreman");
    private static final String STORES = "Stella Quist, stores";

    private final Tables tables;
    private final LocalDate base;

    Fortnight(Tables tables, LocalDate base) {
        this.tables = tables;
        this.base = base;
    }

    void fill() throws IOException {
        Story story = new Story(base, new TwoWeeksAgo(tables, base).fill());
        List<Map<String, String>> now = List.copyOf(tables.rows("stock"));
        Set<String> tracked = new HashSet<>();
        tables.rows("items").stream()
                .filter(row -> !"none".equals(row.get("tracking")))
                .forEach(row -> tracked.add(row.get("code")));
        // what is kept by lots the story begins with itself
        Map<String, BigDecimal> today = new TreeMap<>();
        List<Map<String, String>> lots = new ArrayList<>();
        for (Map<String, String> row : now) {
            if (tracked.contains(row.get("item")) || "true".equals(row.get("quarantined"))) {
                lots.add(row);
            } else {
                today.merge(
                        row.get("item") + " " + row.get("site"), new BigDecimal(row.get("quantity")), BigDecimal::add);
            }
        }
        List<Map<String, String>> postings = story.postings();
        Map<String, BigDecimal> plenty = new TreeMap<>();
        tables.rows("planning").stream()
                .filter(row -> !tracked.contains(row.get("item")))
                .forEach(row -> plenty.put(row.get("item") + " " + row.get("site"), PLENTY));
        Map<String, BigDecimal> opening = new TreeMap<>(today);
        posted(plenty, lots, postings).get("movements").stream()
                .filter(row -> plenty.containsKey(place(row)) && !"true".equals(row.get("quarantined")))
                .forEach(row ->
                        opening.merge(place(row), new BigDecimal(row.get("quantity")).negate(), BigDecimal::add));
        Map<String, List<Map<String, String>>> after = posted(opening, lots, postings);
        for (String table : CHANGED) {
            tables.clear(table);
            after.get(table).forEach(row -> tables.add(table, row));
        }
        // lines that are done stand with all others, as those of the years before do
        tables.clear("closed_customer_orders");
        after.get("closed_customer_orders").forEach(row -> {
            row.remove("closed_date");
            row.put("state", "done");
            tables.add("customer_orders", row);
        });
        new Papers(tables, base).fill();
    }

    private static String place(Map<String, String> row) {
        return row.get("item") + " " + row.get("site");
    }

    /** The company after the postings, by table, if this lay there before. */
    private Map<String, List<Map<String, String>>> posted(
            Map<String, BigDecimal> opening, List<Map<String, String>> lots, List<Map<String, String>> postings)
            throws IOException {
        tables.clear("stock");
        opening.entrySet().stream()
                .filter(one -> one.getValue().signum() != 0)
                .forEach(one -> tables.add(
                        "stock",
                        "item",
                        one.getKey().split(" ")[0],
                        "site",
                        one.getKey().split(" ")[1],
                        "quantity",
                        one.getValue().stripTrailingZeros().toPlainString()));
        lots.forEach(row -> tables.add("stock", row));
        Path folder = Files.createTempDirectory("fortnight");
        try {
            Path before = folder.resolve("before");
            tables.write(before);
            Tables acts = new Tables();
            postings.forEach(row -> acts.add("postings", row));
            acts.write(folder);
            Path after = folder.resolve("after");
            PostCommand.post(before, folder.resolve("postings.csv"), after, base.toString());
            List<Map<String, String>> refused = read(after, "refused");
            if (!refused.isEmpty()) {
                throw new IllegalStateException("The fortnight cannot be posted: " + refused);
            }
            Map<String, List<Map<String, String>>> read = new HashMap<>();
            for (String table : CHANGED) {
                read.put(table, read(after, table));
            }
            read.get("movements").forEach(Fortnight::signed);
            return read;
        } finally {
            try (Stream<Path> files = Files.walk(folder)) {
                files.sorted(Comparator.reverseOrder())
                        .forEach(file -> file.toFile().delete());
            }
        }
    }

    /** Who did it. */
    private static void signed(Map<String, String> movement) {
        movement.put("person", PEOPLE.getOrDefault(movement.get("kind"), STORES));
    }

    /** The rows of a file, the cells that say something. */
    private static List<Map<String, String>> read(Path folder, String table) throws IOException {
        List<Map<String, String>> rows = new ArrayList<>();
        Path file = folder.resolve(table + ".csv");
        if (!Files.exists(file)) {
            return rows;
        }
        try (CsvReader<NamedCsvRecord> csv = CsvReader.builder().ofNamedCsvRecord(file)) {
            for (NamedCsvRecord record : csv) {
                Map<String, String> row = new LinkedHashMap<>(record.getFieldsAsMap());
                row.values().removeIf(String::isEmpty);
                rows.add(row);
            }
        }
        return rows;
    }
}
