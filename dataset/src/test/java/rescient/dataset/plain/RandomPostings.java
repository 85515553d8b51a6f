package rescient.dataset.plain;

import java.time.LocalDate;
import java.util.ArrayList;
import java.util.List;
import java.util.Random;

/** A small company with orders of all kinds, and what people post there, right and wrong. */
final class RandomPostings {
    static final LocalDate TODAY = LocalDate.of(2026, 3, 20);
    private static final String[] ITEMS = {"A", "B", "G", "L", "N", "P", "Q", "R"};

    final Tables tables = new Tables();
    private final Random random;
    private final boolean dates;
    private final String[] costing;
    private int made;

    /**
     * @param dates rows say when a lot expires
     * @param costing ways to value stock of which each item has one
     */
    RandomPostings(long seed, boolean dates, String... costing) {
        random = new Random(seed);
        this.dates = dates;
        this.costing = costing;
        company();
    }

    private boolean chance(double part) {
        return random.nextDouble() < part;
    }

    @SafeVarargs
    private <T> T one(T... of) {
        return of[random.nextInt(of.length)];
    }

    private int upTo(int most) {
        return 1 + random.nextInt(most);
    }

    private String cents(int most) {
        return new java.math.BigDecimal(upTo(most * 100)).movePointLeft(2).toString();
    }

    private String day(int back) {
        return TODAY.minusDays(random.nextInt(back + 1)).toString();
    }

    private void company() {
        tables.add("settings", "key", "today", "value", TODAY);
        tables.add("settings", "key", "currency", "value", one("EUR", "EUR", "JPY"));
        tables.add("units", "code", "pc", "decimals", 0);
        tables.add("units", "code", "kg", "decimals", 3);
        tables.add("units", "code", "g", "decimals", 0);
        tables.add("units", "code", "box", "decimals", 0);
        tables.add("unit_conversions", "item", "", "from_unit", "g", "to_unit", "kg", "factor", "0.001");
        tables.add("unit_conversions", "item", "A", "from_unit", "box", "to_unit", "pc", "factor", 12);
        tables.add("unit_conversions", "item", "", "from_unit", "box", "to_unit", "pc", "factor", 7);
        for (String site : List.of("W", "D", "C")) {
            tables.add("sites", "code", site);
        }
        tables.add("suppliers", "code", "S");
        for (String item : ITEMS) {
            String tracking =
                    item.equals("L") || item.equals("Q") ? "lot" : item.equals("N") || item.equals("R") ? "serial" : "";
            tables.add(
                    "items",
                    "code",
                    item,
                    "unit",
                    item.equals("G") ? "kg" : "pc",
                    "kind",
                    "",
                    "tracking",
                    tracking,
                    "costing",
                    one(costing),
                    "standard_cost",
                    chance(0.8) ? cents(9) : "",
                    "issue",
                    one("", "manual", "backflush", "backflush"));
            if (chance(0.7)) {
                tables.add(
                        "supplier_items",
                        "supplier",
                        "S",
                        "item",
                        item,
                        "from_quantity",
                        0,
                        "unit",
                        item.equals("A") && chance(0.5) ? "box" : "",
                        "price",
                        chance(0.8) ? cents(8) : "",
                        "over_receipt_percent",
                        one("", "10", "25"));
            }
        }
        tables.add("items", "code", "K", "unit", "pc", "kind", "kit");
        tables.add("items", "code", "KK", "unit", "pc", "kind", "kit");
        bom("K", 10, "A", upTo(3), "");
        bom("K", 20, "G", upTo(400), "g");
        if (chance(0.6)) {
            bom("K", 30, "L", upTo(2), "");
        }
        bom("KK", 10, "K", upTo(2), "");
        bom("KK", 20, "B", "0.3", "");
        tables.add(
                "work_centers",
                "code",
                "M",
                "site",
                "W",
                "minutes_per_day",
                480,
                "efficiency",
                one("", "0.8", "1.2"),
                "cost_per_hour",
                one("", "60", "47"));
        tables.add(
                "work_centers",
                "code",
                "O",
                "site",
                "W",
                "minutes_per_day",
                480,
                "efficiency",
                "",
                "cost_per_hour",
                "33");
        for (String item : List.of("P", "R")) {
            int steps = random.nextInt(4);
            for (int i = 1; i <= steps; i++) {
                operation(item, i * 10, "");
            }
            if (steps > 0 && chance(0.3)) {
                operation(item, 10, "W");
            }
        }
        stock();
        orders();
    }

    private void bom(String parent, int line, String part, Object quantity, String unit) {
        tables.add(
                "bom_lines",
                "parent",
                parent,
                "line",
                line,
                "component",
                part,
                "quantity",
                quantity,
                "unit",
                unit,
                "scrap",
                chance(0.3) ? "0.1" : "",
                "valid_from",
                chance(0.2) ? day(20) : "");
    }

    private void operation(String item, int step, String site) {
        tables.add(
                "operations",
                "item",
                item,
                "step",
                step,
                "site",
                site,
                "work_center",
                one("M", "O"),
                "setup_minutes",
                one("", "20", "7"),
                "run_minutes_per_unit",
                one("", "4", "0.7"));
    }

    private void stock() {
        for (String item : ITEMS) {
            for (String site : List.of("W", "D", "C")) {
                if (!chance(site.equals("W") ? 0.9 : 0.4)) {
                    continue;
                }
                boolean lots = item.equals("L") || item.equals("Q");
                boolean serials = item.equals("N") || item.equals("R");
                int rows = lots ? upTo(3) : serials ? upTo(4) : 1;
                for (int i = 0; i < rows; i++) {
                    String serial = serials ? site + one("", "0") + (i + 1) : "";
                    String lot = lots ? one("L", "") + (i + 1) : "";
                    if (lots
                            && i > 0
                            && tables.rows("stock").stream()
                                    .anyMatch(r -> r.text("item").equals(item)
                                            && r.text("site").equals(site)
                                            && r.text("lot").equals(lot))) {
                        continue;
                    }
                    String expiry =
                            lots && lot.endsWith("2") ? "2026-03-10" : lots && lot.endsWith("3") ? "2026-05-01" : "";
                    String received = chance(0.6) ? day(60) : "";
                    row(
                            item,
                            site,
                            lot,
                            serial,
                            serials ? 1 : upTo(30),
                            expiry,
                            chance(serials ? 0.2 : 0.05),
                            received);
                    if (!serials && chance(0.2)) {
                        row(item, site, lot, serial, upTo(5), expiry, true, received);
                    }
                }
                if (chance(0.3)) {
                    tables.add("stock_values", "item", item, "site", site, "quantity", "", "value", upTo(200));
                }
            }
        }
    }

    private void row(
            String item,
            String site,
            String lot,
            String serial,
            int much,
            String expiry,
            boolean aside,
            String received) {
        String key = item + site + lot + serial + aside;
        if (tables.rows("stock").stream()
                .anyMatch(r -> key.equals(r.text("item")
                        + r.text("site")
                        + r.text("lot")
                        + r.text("serial")
                        + r.text("quarantined").equals("true")))) {
            return;
        }
        tables.add(
                "stock",
                "item",
                item,
                "site",
                site,
                "lot",
                lot,
                "serial",
                serial,
                "quantity",
                item.equals("G") && chance(0.5) ? much + ".25" : much,
                "expiry",
                expiry,
                "quarantined",
                aside,
                "received",
                received);
    }

    private void orders() {
        for (int i = 0; i < 4; i++) {
            String item = one("A", "B", "G", "L", "N");
            boolean box = List.of("A", "B").contains(item) && chance(0.4);
            order(
                    10 + i,
                    "buy",
                    item,
                    "W",
                    "",
                    item.equals("N") ? upTo(4) : upTo(20),
                    box ? "box" : item.equals("G") ? one("", "g") : "",
                    chance(0.7) ? cents(20) : "");
        }
        for (int i = 0; i < 4; i++) {
            String item = one("P", "P", "Q", "R");
            int ordered = upTo(12);
            order(20 + i, one("make", "make", "assemble"), item, "W", "", ordered, "", "");
            parts(20 + i, item, ordered);
        }
        for (int i = 0; i < 2; i++) {
            int ordered = upTo(12);
            String item = one("P", "Q");
            order(30 + i, "subcontract", item, "W", "C", ordered, "", chance(0.8) ? cents(5) : "");
            parts(30 + i, item, ordered);
        }
        for (int i = 0; i < 3; i++) {
            String item = one("A", "B", "G", "L", "N");
            int ordered = item.equals("N") ? upTo(3) : upTo(15);
            order(40 + i, "transfer", item, "D", "W", ordered, "", "");
            part(40 + i, item, ordered, "", "");
        }
        for (int i = 1; i <= 6; i++) {
            String item = one("A", "B", "G", "L", "N", "P", "Q", "K", "K", "KK");
            tables.add(
                    "customer_orders",
                    "number",
                    "C" + i,
                    "line",
                    1,
                    "customer",
                    "X",
                    "item",
                    item,
                    "site",
                    "W",
                    "quantity",
                    upTo(6),
                    "due_date",
                    "2026-03-25");
        }
        if (chance(0.7)) {
            int ordered = upTo(6);
            tables.add(
                    "customer_orders",
                    "number",
                    "C9",
                    "line",
                    1,
                    "customer",
                    "X",
                    "item",
                    "P",
                    "site",
                    "W",
                    "quantity",
                    ordered,
                    "due_date",
                    "2026-03-25");
            tables.add(
                    "open_orders",
                    "number",
                    50,
                    "line",
                    1,
                    "kind",
                    "assemble",
                    "stage",
                    "released",
                    "item",
                    "P",
                    "site",
                    "W",
                    "quantity",
                    ordered,
                    "due_date",
                    "2026-03-25",
                    "for_order",
                    "C9",
                    "for_line",
                    1);
            parts(50, "P", ordered);
        }
        tables.add("customers", "code", "X");
        halfDone();
        if (chance(0.4)) {
            tables.add(
                    "customer_orders",
                    "number",
                    "C2",
                    "line",
                    2,
                    "customer",
                    "X",
                    "item",
                    "A",
                    "site",
                    "W",
                    "quantity",
                    3,
                    "due_date",
                    "2026-03-25");
            tables.add(
                    "open_orders",
                    "number",
                    10,
                    "line",
                    2,
                    "kind",
                    "buy",
                    "stage",
                    "released",
                    "item",
                    "B",
                    "site",
                    "W",
                    "supplier",
                    "S",
                    "quantity",
                    6,
                    "due_date",
                    "2026-03-25");
        }
    }

    /** Of these something came before: four of ten made, twelve of twenty bought, six of ten on their way. */
    private void halfDone() {
        tables.add(
                "open_orders",
                "number",
                60,
                "line",
                1,
                "kind",
                "make",
                "stage",
                "released",
                "item",
                "P",
                "site",
                "W",
                "quantity",
                6,
                "ordered",
                10,
                "due_date",
                "2026-03-25");
        int parts = upTo(30);
        tables.add(
                "open_order_components",
                "number",
                60,
                "line",
                1,
                "component",
                "A",
                "quantity",
                8,
                "issued",
                12,
                "used",
                8,
                "value",
                parts,
                "needed_date",
                "2026-03-20",
                "issue",
                one("manual", "backflush"));
        tables.add(
                "open_order_components",
                "number",
                60,
                "line",
                1,
                "component",
                "B",
                "quantity",
                6,
                "issued",
                4,
                "used",
                4,
                "value",
                0,
                "needed_date",
                "2026-03-20",
                "issue",
                one("manual", "backflush"));
        tables.add("order_costs", "number", 60, "line", 1, "material", 40 + parts, "work", 7, "put_out", 47);
        tables.add(
                "open_orders",
                "number",
                14,
                "line",
                1,
                "kind",
                "buy",
                "stage",
                "released",
                "item",
                "A",
                "site",
                "W",
                "supplier",
                "S",
                "quantity",
                8,
                "ordered",
                20,
                "due_date",
                "2026-03-25",
                "price",
                cents(9));
        tables.add(
                "open_orders",
                "number",
                44,
                "line",
                1,
                "kind",
                "transfer",
                "stage",
                "released",
                "item",
                "B",
                "site",
                "D",
                "from_site",
                "W",
                "quantity",
                10,
                "due_date",
                "2026-03-25");
        tables.add(
                "open_order_components",
                "number",
                44,
                "line",
                1,
                "component",
                "B",
                "quantity",
                4,
                "issued",
                6,
                "needed_date",
                "2026-03-20");
        if (chance(0.5)) {
            tables.add("in_transit", "number", 44, "line", 1, "quantity", 6, "value", upTo(30));
        }
    }

    private void order(
            int number, String kind, String item, String site, String from, int ordered, String unit, String price) {
        int start = ordered;
        if (List.of("make", "assemble").contains(kind) && chance(0.3)) {
            start = ordered + upTo(3);
        }
        tables.add(
                "open_orders",
                "number",
                number,
                "line",
                1,
                "kind",
                kind,
                "stage",
                chance(0.93) ? "released" : "firmed",
                "item",
                item,
                "site",
                site,
                "from_site",
                from,
                "supplier",
                List.of("buy", "subcontract").contains(kind) ? "S" : "",
                "quantity",
                ordered,
                "due_date",
                "2026-03-25",
                "unit",
                unit,
                "price",
                price,
                "start_quantity",
                start == ordered ? "" : start);
    }

    private void parts(int number, String item, int ordered) {
        List<String> used = new ArrayList<>();
        int parts = upTo(4);
        for (int i = 0; i < parts; i++) {
            String part = one("A", "B", "G", "L", "N");
            if (used.contains(part)) {
                continue;
            }
            used.add(part);
            boolean perOrder = chance(0.2);
            int much = part.equals("N")
                    ? Math.min(ordered, 4)
                    : perOrder ? upTo(5) : ordered * upTo(3) + random.nextInt(3);
            boolean steps = !tables.rows("operations").stream()
                    .filter(o -> o.text("item").equals(item))
                    .toList()
                    .isEmpty();
            part(number, part, much, perOrder ? "order" : "", number < 30 && steps && chance(0.4) ? "10" : "");
        }
    }

    private void part(int number, String part, int much, String per, String step) {
        tables.add(
                "open_order_components",
                "number",
                number,
                "line",
                1,
                "component",
                part,
                "quantity",
                much,
                "needed_date",
                "2026-03-20",
                "per",
                per,
                "issue",
                per.isEmpty() && step.isEmpty() ? "" : one("", "manual", "backflush"),
                "step",
                step);
    }

    /** How many postings were made up. */
    int made() {
        return made;
    }

    /** What somebody may post next; {@code keys} were posted before. */
    List<Tables.Row> posting(List<String> keys) {
        made++;
        String key = "k" + made;
        List<Tables.Row> rows = new ArrayList<>();
        String date = chance(0.75)
                ? TODAY.toString()
                : chance(0.95) ? day(12) : TODAY.minusDays(40).toString();
        if (!keys.isEmpty() && chance(0.15)) {
            rows.add(row(
                    "key", key, "date", date, "action", "reverse", "reverses", keys.get(random.nextInt(keys.size()))));
            return rows;
        }
        String action = one(
                "receive",
                "receive",
                "return_to_supplier",
                "issue",
                "issue",
                "output",
                "output",
                "output",
                "finish",
                "ship_transfer",
                "receive_transfer",
                "ship",
                "ship",
                "return_from_customer",
                "adjust",
                "count",
                "quarantine",
                "free");
        int count = chance(0.75) ? 1 : upTo(3);
        for (int i = 0; i < count; i++) {
            rows.addAll(act(key, date, action));
        }
        return rows;
    }

    private static Tables.Row row(Object... cells) {
        Tables one = new Tables();
        one.add("row", cells);
        return one.rows("row").get(0);
    }

    private List<Tables.Row> act(String key, String date, String action) {
        List<Object> cells = new ArrayList<>(List.of("key", key, "date", date, "action", action));
        String item;
        switch (action) {
            case "receive" -> item = document(cells, chance(0.3) ? 30 + random.nextInt(2) : 10 + random.nextInt(5));
            case "return_to_supplier" -> item = document(cells, 10 + random.nextInt(4));
            case "issue", "output" ->
                item = document(
                        cells, chance(0.15) ? 60 : chance(0.85) ? 20 + random.nextInt(4) : 30 + random.nextInt(2));
            case "finish" -> item = document(cells, one(10, 11, 20, 21, 22, 30, 40, 41, 44, 50, 60));
            case "ship_transfer", "receive_transfer" ->
                item = document(cells, chance(0.2) ? 44 : 40 + random.nextInt(3));
            case "ship", "return_from_customer" -> {
                String number = chance(0.2) ? "C9" : "C" + upTo(6);
                cells.addAll(List.of("number", number, "line", chance(0.5) ? "1" : ""));
                item = tables.rows("customer_orders").stream()
                        .filter(r -> r.text("number").equals(number))
                        .map(r -> r.text("item"))
                        .findFirst()
                        .orElse("A");
                if (item.startsWith("K") && action.startsWith("return")) {
                    item = one("A", "G", "L");
                    cells.addAll(List.of("item", item));
                }
            }
            default -> {
                item = one(ITEMS);
                cells.addAll(List.of("item", item, "site", one("W", "W", "W", "D", "C")));
            }
        }
        if (action.equals("finish")) {
            return List.of(row(cells.toArray()));
        }
        if (action.equals("issue") && chance(0.6)) {
            item = one("A", "B", "G", "L", "N");
            cells.addAll(List.of("item", item));
        } else if (action.equals("issue")) {
            return List.of(row(cells.toArray()));
        }
        boolean ofDocument = !List.of("issue", "adjust", "count", "quarantine", "free", "return_from_customer")
                .contains(action);
        if (ofDocument && chance(0.1)) {
            cells.addAll(List.of("site", one("W", "D")));
        }
        if (ofDocument && !action.equals("ship") && chance(0.1)) {
            cells.addAll(List.of("item", chance(0.8) ? item : "A"));
        }
        boolean serial = item.equals("N") || item.equals("R");
        boolean lot = item.equals("L") || item.equals("Q");
        boolean proposes =
                List.of("issue", "ship", "ship_transfer", "receive_transfer").contains(action);
        boolean kit = item.startsWith("K");
        if ((lot || serial) && (!proposes || chance(0.5)) && chance(0.97)) {
            cells.addAll(
                    lot
                            ? List.of("lot", one("L1", "L2", "L3", "1", "2", "3", "X"))
                            : List.of("serial", one("W1", "W01", "W2", "W02", "W3", "D1", "S1", "S2", "C1")));
        }
        if (!serial && chance(0.75)
                || serial && chance(0.5)
                || action.equals("adjust")
                || action.equals("count")
                || action.startsWith("return")) {
            int much = serial ? chance(0.95) ? 1 : 2 : kit ? upTo(3) : upTo(chance(0.8) ? 8 : 30);
            boolean minus =
                    (action.equals("issue") && chance(0.25) && !kit) || (action.equals("adjust") && chance(0.5));
            String text = (minus ? "-" : "") + much + (item.equals("G") && chance(0.4) ? ".125" : "");
            cells.addAll(List.of("quantity", chance(0.02) ? "0" : chance(0.01) ? "1.5" : text));
            if (item.equals("G") && !text.contains(".") && chance(0.2)) {
                cells.addAll(List.of("unit", "g"));
            }
            if (List.of("A", "B").contains(item) && chance(0.07) && !action.equals("output")) {
                cells.addAll(List.of("unit", one("box", "kg", "pc")));
            }
        }
        if (action.equals("output")) {
            if (chance(0.25)) {
                cells.addAll(List.of("scrapped", upTo(2)));
            }
            if (chance(0.25)) {
                cells.addAll(List.of("minutes", one("0", "12", "30")));
            }
            if (chance(0.35)) {
                cells.addAll(List.of("step", one("10", "20", "30")));
            }
        }
        if (action.equals("receive_transfer") && chance(0.2)) {
            cells.addAll(List.of("scrapped", 1));
        }
        if (List.of("receive", "adjust").contains(action) && chance(0.3)) {
            cells.addAll(List.of("price", cents(12)));
        }
        if (List.of("receive", "output", "adjust", "count").contains(action) && lot && dates && chance(0.3)) {
            cells.addAll(List.of("expiry", one("2026-06-01", "2026-05-01", "2026-03-10")));
        }
        if (List.of("receive", "adjust", "count", "return_from_customer").contains(action) && chance(0.15)) {
            cells.addAll(List.of("quarantined", "true"));
        }
        List<Tables.Row> rows = new ArrayList<>(List.of(row(cells.toArray())));
        if (action.equals("ship") && kit && chance(0.3)) {
            List<Object> part = new ArrayList<>(cells.subList(0, 10));
            part.addAll(List.of("item", "L", "lot", one("L1", "1", "L3"), "quantity", 1));
            rows.add(chance(0.5) ? 0 : 1, row(part.toArray()));
        }
        return rows;
    }

    private String document(List<Object> cells, int number) {
        cells.addAll(List.of("number", chance(0.98) ? "" + number : "99", "line", chance(0.5) ? "1" : ""));
        return tables.rows("open_orders").stream()
                .filter(r -> r.text("number").equals("" + number))
                .map(r -> r.text("item"))
                .findFirst()
                .orElse("A");
    }
}
