package rescient.dataset.plain;

import java.time.LocalDate;
import java.util.ArrayList;
import java.util.List;
import java.util.Random;

/** A small company in which everything that the rules speak of may occur, from a seed. */
final class RandomCompany {
    private static final int ITEMS = 14;

    private final Random random;
    private final Tables tables = new Tables();
    private final LocalDate today;
    private final List<String> items = new ArrayList<>();
    private final List<String> kinds = new ArrayList<>();
    private final List<String> units = new ArrayList<>();
    private final boolean loops;
    private int documents;

    private RandomCompany(long seed) {
        this.random = new Random(seed);
        this.today = LocalDate.of(2026, 3, 2).plusDays(random.nextInt(7));
        this.loops = chance(8);
        settings();
        calendars();
        items();
        planning();
        routings();
        materials();
        terms();
        stock();
        demands();
        forecasts();
        orders();
    }

    static Tables of(long seed) {
        return new RandomCompany(seed).tables;
    }

    private boolean chance(int oneIn) {
        return random.nextInt(oneIn) == 0;
    }

    private <T> T any(List<T> list) {
        return list.get(random.nextInt(list.size()));
    }

    private String maybe(int oneIn, Object value) {
        return chance(oneIn) ? value.toString() : "";
    }

    private LocalDate day(int from, int to) {
        return today.plusDays(from + random.nextInt(to - from + 1));
    }

    private void settings() {
        tables.add("settings", "key", "today", "value", today);
        tables.add("settings", "key", "horizon_end", "value", today.plusDays(60 + random.nextInt(30)));
        tables.add("settings", "key", "release_ahead_days", "value", random.nextInt(4));
        if (!chance(4)) {
            tables.add("settings", "key", "forecast_set", "value", "Base");
        }
        if (chance(6)) {
            tables.add("settings", "key", "forecast_consumption", "value", "false");
        }
        tables.add("units", "code", "pc", "decimals", 0);
        tables.add("units", "code", "kg", "decimals", 2);
        tables.add("units", "code", "box", "decimals", 0);
        tables.add(
                "unit_conversions",
                "item",
                "",
                "from_unit",
                "box",
                "to_unit",
                "pc",
                "factor",
                any(List.of("12", "2.5", "0.75")));
        tables.add(
                "unit_conversions",
                "item",
                "",
                "from_unit",
                "kg",
                "to_unit",
                "box",
                "factor",
                any(List.of("0.25", "3", "0.333333")));
    }

    private void calendars() {
        tables.add("calendars", "code", "SIX", "sat", "true", "sun", "");
        tables.add("calendars", "code", "FOUR", "mon", "", "wed", "false");
        for (int i = 0; i < 6; i++) {
            LocalDate day = today.plusDays(i * 11 + random.nextInt(11));
            tables.add(
                    "calendar_exceptions", "calendar", any(List.of("SIX", "FOUR")), "date", day, "working", chance(3));
        }
        tables.add("sites", "code", "HALL", "calendar", maybe(2, "SIX"));
        tables.add("sites", "code", "SHOP", "calendar", maybe(2, "FOUR"));
        tables.add("sites", "code", "COAT", "calendar", "");
        tables.add("suppliers", "code", "ANN", "calendar", maybe(2, "FOUR"));
        tables.add("suppliers", "code", "BOB", "calendar", "");
        tables.add(
                "work_centers",
                "code",
                "SAW",
                "site",
                "HALL",
                "minutes_per_day",
                480,
                "efficiency",
                maybe(2, "0.8"),
                "calendar",
                maybe(2, "SIX"));
        tables.add(
                "work_centers",
                "code",
                "GLUE",
                "site",
                "HALL",
                "minutes_per_day",
                400,
                "efficiency",
                "",
                "calendar",
                maybe(2, "FOUR"));
    }

    private void items() {
        tables.add("item_groups", "code", "G", "safety_time_days", maybe(2, 1), "multiple", maybe(3, 5));
        for (int i = 0; i < ITEMS; i++) {
            String code = chance(4) ? Integer.toString(100 - i) : "I" + (char) ('Z' - i);
            String kind = i < 3 && chance(2) ? "kit" : i < ITEMS - 3 && chance(8) ? "phantom" : "stocked";
            String unit = chance(5) ? "kg" : "pc";
            items.add(code);
            kinds.add(kind);
            units.add(unit);
            tables.add("items", "code", code, "unit", unit, "kind", kind, "group", maybe(3, "G"));
        }
    }

    private void planning() {
        for (int i = 0; i < ITEMS; i++) {
            if (!kinds.get(i).equals("stocked") || chance(40)) {
                continue;
            }
            boolean bottom = i >= ITEMS - 4;
            String source = bottom
                    ? any(List.of("buy", "buy", "buy", "buy", "buy", "buy", "none"))
                    : any(List.of("make", "make", "assemble", "buy", "subcontract", "make"));
            row(i, "HALL", source, source.equals("subcontract") ? "COAT" : "");
            if (chance(3)) {
                row(i, "SHOP", chance(3) ? "buy" : "transfer", "HALL");
            }
            if (chance(2)) {
                row(i, "COAT", chance(2) ? "buy" : "transfer", "HALL");
            }
        }
    }

    private void row(int i, String site, String source, String from) {
        String rule = any(
                List.of("lot_for_lot", "", "per_order", "per_order", "period", "fixed_quantity", "min_max", "min_max"));
        int point = random.nextInt(30);
        boolean sized = chance(2);
        int multiple = sized ? 1 + random.nextInt(6) : 0;
        int least = sized && chance(2) ? random.nextInt(12) : 0;
        int most = sized && chance(3)
                ? (least / Math.max(1, multiple) + 2) * Math.max(5, multiple) + random.nextInt(20)
                : 0;
        tables.add(
                "planning",
                "item",
                items.get(i),
                "site",
                site,
                "source",
                source,
                "from_site",
                source.equals("transfer") || source.equals("subcontract") ? from : "",
                "supplier",
                source.equals("buy")
                        ? maybe(3, any(List.of("ANN", "BOB")))
                        : source.equals("subcontract") ? maybe(2, "BOB") : "",
                "rule",
                rule,
                "safety_stock",
                maybe(3, random.nextInt(15)),
                "reorder_point",
                rule.equals("min_max") || rule.equals("fixed_quantity") ? maybe(1, point) : "",
                "order_up_to",
                rule.equals("min_max") ? point + random.nextInt(40) : "",
                "fixed_quantity",
                rule.equals("fixed_quantity") ? 3 + random.nextInt(20) : "",
                "period_count",
                rule.equals("period") ? 1 + random.nextInt(2) : "",
                "period_unit",
                rule.equals("period") ? any(List.of("day", "week", "month")) : "",
                "min_quantity",
                least == 0 ? "" : least,
                "max_quantity",
                most == 0 ? "" : most,
                "multiple",
                multiple == 0 ? "" : multiple,
                "yield",
                maybe(4, any(List.of("0.9", "0.85", "0.5"))),
                "lead_time_days",
                maybe(1, random.nextInt(9)),
                "lead_time_per_unit_days",
                maybe(6, "0.05"),
                "safety_time_days",
                maybe(4, random.nextInt(3)),
                "frozen_days",
                maybe(6, random.nextInt(8)),
                "demand_fence_days",
                maybe(4, random.nextInt(14)),
                "consume_back_days",
                maybe(2, random.nextInt(20)),
                "consume_forward_days",
                maybe(2, random.nextInt(20)),
                "reschedule_tolerance_days",
                maybe(4, random.nextInt(4)),
                "pull_in_days",
                maybe(4, random.nextInt(15)));
    }

    private void materials() {
        for (int i = 0; i < ITEMS - 2; i++) {
            int lines = kinds.get(i).equals("stocked") ? random.nextInt(4) : 1 + random.nextInt(3);
            for (int l = 1; l <= lines; l++) {
                int below = i + 1 + random.nextInt(ITEMS - i - 1);
                if (loops && chance(6) && i > 3) {
                    below = 3 + random.nextInt(i - 2);
                }
                if (kinds.get(below).equals("kit") && below <= i) {
                    continue;
                }
                boolean boxed = chance(6);
                tables.add(
                        "bom_lines",
                        "parent",
                        items.get(i),
                        "line",
                        l * 10,
                        "component",
                        items.get(below),
                        "quantity",
                        any(List.of("1", "1", "2", "3", "0.02", "0.333333", "1.5", "0.7")),
                        "unit",
                        boxed ? "box" : "",
                        "per",
                        maybe(8, "order"),
                        "scrap",
                        maybe(4, any(List.of("0.05", "0.123456"))),
                        "valid_from",
                        maybe(8, day(-5, 30)),
                        "valid_to",
                        maybe(8, day(20, 60)),
                        "step",
                        maybe(2, firstStep(items.get(i))));
            }
        }
    }

    private String firstStep(String item) {
        return tables.rows("operations").stream()
                .filter(r -> r.text("item").equals(item))
                .map(r -> r.text("step"))
                .reduce("", (a, b) -> b);
    }

    private void terms() {
        for (int i = 2; i < ITEMS; i++) {
            for (String supplier : List.of("ANN", "BOB")) {
                if (chance(2)) {
                    terms(supplier, items.get(i), "", maybe(6, day(-5, 5)));
                    if (chance(3)) {
                        terms(supplier, items.get(i), day(-4, 4), maybe(3, day(5, 9)));
                    }
                }
            }
        }
    }

    private void terms(String supplier, String item, Object from, Object to) {
        boolean boxed = chance(3);
        int least = random.nextInt(4);
        tables.add(
                "supplier_items",
                "supplier",
                supplier,
                "item",
                item,
                "from_quantity",
                0,
                "valid_from",
                from,
                "valid_to",
                to,
                "unit",
                boxed ? "box" : "",
                "lead_time_days",
                maybe(1, random.nextInt(12)),
                "min_quantity",
                maybe(2, least),
                "multiple",
                maybe(3, 1 + random.nextInt(3)),
                "max_quantity",
                "",
                "preference",
                maybe(2, 1 + random.nextInt(3)));
    }

    private void routings() {
        for (int i = 0; i < 8; i++) {
            for (int step = 10; chance(3) && step < 40; step += 10) {
                for (String site : chance(4) ? List.of("", "HALL") : List.of("")) {
                    tables.add(
                            "operations",
                            "item",
                            items.get(i),
                            "step",
                            step,
                            "site",
                            site,
                            "work_center",
                            any(List.of("SAW", "GLUE")),
                            "queue_minutes",
                            maybe(4, 60),
                            "setup_minutes",
                            maybe(2, any(List.of("30", "480", "240"))),
                            "run_minutes_per_unit",
                            maybe(2, any(List.of("10", "0.5", "33"))),
                            "move_minutes",
                            "");
                }
            }
        }
    }

    private void stock() {
        for (int i = 0; i < ITEMS; i++) {
            if (kinds.get(i).equals("kit")) {
                continue;
            }
            for (int lot = 0; chance(2) && lot < 4; lot++) {
                tables.add(
                        "stock",
                        "item",
                        items.get(i),
                        "site",
                        any(List.of("HALL", "HALL", "SHOP", "COAT")),
                        "lot",
                        lot == 0 ? "" : "L" + lot,
                        "serial",
                        "",
                        "quantity",
                        random.nextInt(40),
                        "expiry",
                        lot == 0 ? "" : day(-3, 60),
                        "quarantined",
                        maybe(9, "true"));
            }
        }
    }

    private void demands() {
        for (int n = 0; n < 16; n++) {
            int i = random.nextInt(8);
            tables.add(
                    "customer_orders",
                    "number",
                    chance(3) ? "K" + documents++ : Integer.toString(documents++),
                    "line",
                    1 + random.nextInt(2),
                    "item",
                    items.get(i),
                    "site",
                    any(List.of("HALL", "HALL", "SHOP")),
                    "quantity",
                    random.nextInt(25),
                    "due_date",
                    day(-6, 100),
                    "priority",
                    maybe(4, random.nextInt(9)),
                    "state",
                    maybe(5, any(List.of("quote", "open", "open", "open", "done", "cancelled"))));
        }
    }

    private void forecasts() {
        for (int i = 0; i < 8; i++) {
            if (!chance(3) || kinds.get(i).equals("phantom")) {
                continue;
            }
            LocalDate from = day(-20, 5);
            String bucket = any(List.of("week", "month", "day"));
            for (int b = 0; b < 5; b++) {
                tables.add(
                        "forecasts",
                        "set",
                        "Base",
                        "item",
                        items.get(i),
                        "site",
                        "HALL",
                        "from_date",
                        from,
                        "bucket",
                        bucket,
                        "quantity",
                        random.nextInt(30));
                from = bucket.equals("month")
                        ? from.plusMonths(1).plusDays(3)
                        : from.plusDays(bucket.equals("week") ? 7 : 2);
            }
            tables.add(
                    "shipments",
                    "item",
                    items.get(i),
                    "site",
                    "HALL",
                    "date",
                    day(-9, 0),
                    "number",
                    "S" + documents++,
                    "line",
                    maybe(3, 1 + random.nextInt(3)),
                    "quantity",
                    1 + random.nextInt(12));
        }
    }

    private void orders() {
        for (int n = 0; n < 12; n++) {
            int i = random.nextInt(ITEMS - 1);
            if (!kinds.get(i).equals("stocked")) {
                continue;
            }
            String kind = any(List.of("buy", "buy", "make", "assemble", "subcontract", "transfer"));
            String number = chance(2) ? "P" + documents++ : Integer.toString(documents++);
            LocalDate due = day(-4, 70);
            boolean elsewhere = kind.equals("subcontract") || kind.equals("transfer");
            tables.add(
                    "open_orders",
                    "number",
                    number,
                    "line",
                    1,
                    "kind",
                    kind,
                    "stage",
                    any(List.of("firmed", "released")),
                    "item",
                    items.get(i),
                    "site",
                    kind.equals("transfer") ? "SHOP" : "HALL",
                    "from_site",
                    kind.equals("transfer") ? "HALL" : elsewhere ? "COAT" : "",
                    "supplier",
                    kind.equals("buy") ? any(List.of("ANN", "BOB", "")) : "",
                    "quantity",
                    random.nextInt(30),
                    "due_date",
                    due,
                    "start_date",
                    chance(3) ? "" : due.minusDays(random.nextInt(15)),
                    "locked",
                    maybe(5, "true"));
            if (kind.equals("transfer")) {
                component(number, i, due);
            } else if (!kind.equals("buy")) {
                int component = i + 1 + random.nextInt(ITEMS - i - 1);
                component(number, component, due);
            }
        }
    }

    private void component(String number, int i, LocalDate due) {
        if (chance(2)) {
            tables.add(
                    "open_order_components",
                    "number",
                    number,
                    "line",
                    1,
                    "component",
                    items.get(i),
                    "quantity",
                    random.nextInt(20),
                    "needed_date",
                    due.minusDays(random.nextInt(12)));
        }
    }
}
