package rescient.demo;

import java.math.BigDecimal;
import java.math.RoundingMode;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;

/** What lay there by lots, and was open, two weeks ago. Days are working days before the base day. */
final class TwoWeeksAgo {
    private static final String WORKS = Catalogue.WORKS;
    private static final String DEPOT = Catalogue.DEPOT;
    private static final String COATER = Catalogue.COATER;
    /** The oldest of the shipments that are posted, in working days back. */
    private static final int FORTNIGHT = 9;

    private final Tables tables;
    private final LocalDate base;

    TwoWeeksAgo(Tables tables, LocalDate base) {
        this.tables = tables;
        this.base = base;
    }

    private LocalDate day(int back) {
        return DoneOrder.workdays(base, -back);
    }

    /** @return what was shipped since, and is still to ship then */
    List<Map<String, String>> fill() {
        lots();
        purchase("PO-1990", "BROOKMILL", "BRG-6202", 40, "pcs", "4.10", 30);
        purchase("PO-1991", "ASHBEK", "SHEET-GA", 60, "kg", "1.85", 20);
        purchase("PO-1992", "FENWICKE", "SCR-525", 5000, "box", "34.00", 13);
        purchase("PO-1993", "MELLORA", "WAX-BLK", 50, "kg", "12.50", 21);
        purchase("PO-1994", "MELLORA", "WAX-BLK", 25, "kg", "12.50", 13);
        made("MO-290", "make", "CARR-62", 14, 12);
        made("MO-291", "make", "SHF-410", 8, 10);
        made("MO-292", "make", "GBX-410", 3, 8);
        made("MO-293", "make", "EXTR-4", 4, 5);
        made("MO-294", "make", "FOUND-B", 60, 7);
        made("MO-295", "make", "NUC-5N", 10, 6);
        made("AO-105", "assemble", "HIVE-10N", 8, 10);
        halfMade("MO-316", 10);
        halfMade("MO-302", 20);
        transfer("TO-54", "FRAME-S", WORKS, DEPOT, 100, 5);
        transfer("TO-55", "DRM-380", WORKS, COATER, 12, 8);
        transfer("TO-58", "SMOKER-S", WORKS, DEPOT, 6, -1);
        coated();
        customer("SO-596", "C118", "FOUND-B", 40, 4);
        customer("SO-597", "C103", "FOUND-B", 20, 2);
        customer("SO-598", "C112", "KIT-HARVEST", 1, 2);
        return reopenShipped();
    }

    /** What is kept by lots and serial numbers, as it lay there two weeks ago. */
    private void lots() {
        List<Map<String, String>> stock = new ArrayList<>(tables.rows("stock"));
        stock.removeIf(row ->
                List.of("BRG-6202", "CARR-62", "SHF-410", "GBX-410", "EXTR-4").contains(row.get("item")));
        tables.clear("stock");
        stock.forEach(row -> tables.add("stock", row));
        lot("SHF-410", "SH-2640", 12);
        for (int piece = 11; piece <= 16; piece++) {
            serial("GBX-410", "GB-2640-00" + piece);
        }
        for (int piece = 75; piece <= 79; piece++) {
            serial("EXTR-4", "X4-2641-00" + piece);
        }
        // not on the shelf today, but at the coater's
        tables.add("stock", "item", "DRM-380", "site", COATER, "quantity", 8);
    }

    private void lot(String item, String lot, int quantity) {
        tables.add("stock", "item", item, "site", WORKS, "lot", lot, "quantity", quantity, "received", day(40));
    }

    private void serial(String item, String serial) {
        tables.add("stock", "item", item, "site", WORKS, "serial", serial, "quantity", 1, "received", day(30));
    }

    private Map<String, String> order(
            String number, String kind, String item, String site, Object quantity, LocalDate due) {
        Map<String, String> row = new LinkedHashMap<>();
        row.put("number", number);
        row.put("line", "1");
        row.put("kind", kind);
        row.put("stage", "released");
        row.put("item", item);
        row.put("site", site);
        row.put("quantity", quantity.toString());
        row.put("ordered", quantity.toString());
        row.put("due_date", due.toString());
        return row;
    }

    private void purchase(
            String number, String supplier, String item, int quantity, String unit, String price, int sent) {
        Map<String, String> row = order(number, "buy", item, WORKS, quantity, day(sent - 12));
        row.put("supplier", supplier);
        row.put("unit", unit);
        row.put("price", price);
        row.put("state", "confirmed");
        row.put("sent_date", day(sent).toString());
        row.put("confirmed_date", row.get("due_date"));
        row.put("first_confirmed_date", row.get("due_date"));
        tables.add("open_orders", row);
    }

    private void made(String number, String kind, String item, int quantity, int due) {
        Map<String, String> row = order(number, kind, item, WORKS, quantity, day(due));
        row.put("start_date", day(due + 2).toString());
        tables.add("open_orders", row);
        components(number, item, quantity, day(due + 2));
    }

    /** What is open of it today is what is left of more. */
    private void halfMade(String number, int ordered) {
        Map<String, String> row = tables.rows("open_orders").stream()
                .filter(one -> one.get("number").equals(number))
                .findFirst()
                .orElseThrow();
        row.put("quantity", Integer.toString(ordered));
        row.put("ordered", Integer.toString(ordered));
        components(number, row.get("item"), ordered, day(3));
    }

    private void transfer(String number, String item, String from, String to, int quantity, int due) {
        Map<String, String> row = order(number, "transfer", item, to, quantity, day(due));
        row.put("from_site", from);
        tables.add("open_orders", row);
        component(number, item, Integer.toString(quantity), day(due + 2));
    }

    /** Eight drums are still to come back of twelve. */
    private void coated() {
        Map<String, String> row = tables.rows("open_orders").stream()
                .filter(one -> one.get("number").equals("SC-21"))
                .findFirst()
                .orElseThrow();
        row.put("quantity", "12");
        row.put("ordered", "12");
        row.put("price", "13.20");
        row.put("purchase_state", "confirmed");
        row.put("sent_date", day(10).toString());
        component("SC-21", "DRM-380", "12", day(5));
    }

    private void component(String number, String item, String quantity, LocalDate needed) {
        tables.add(
                "open_order_components",
                "number",
                number,
                "line",
                1,
                "component",
                item,
                "quantity",
                quantity,
                "needed_date",
                needed);
    }

    /** By the bill of materials; what is passed through as its parts. */
    private void components(String number, String item, int quantity, LocalDate needed) {
        Map<String, BigDecimal> parts = new LinkedHashMap<>();
        parts(item, BigDecimal.valueOf(quantity), parts);
        parts.forEach((part, wanted) ->
                component(number, part, wanted.stripTrailingZeros().toPlainString(), needed));
    }

    private void parts(String item, BigDecimal quantity, Map<String, BigDecimal> parts) {
        for (Map<String, String> line : tables.rows("bom_lines")) {
            if (!line.get("parent").equals(item) || !valid(line)) {
                continue;
            }
            String scrap = line.getOrDefault("scrap", "");
            BigDecimal wanted = new BigDecimal(line.get("quantity"))
                    .multiply(quantity)
                    .multiply(BigDecimal.ONE.add(scrap.isEmpty() ? BigDecimal.ZERO : new BigDecimal(scrap)));
            String part = line.get("component");
            Map<String, String> of = item(part);
            if (of.get("kind").equals("phantom")) {
                parts(part, wanted, parts);
            } else {
                parts.merge(part, wanted.setScale(decimals(of.get("unit")), RoundingMode.CEILING), BigDecimal::add);
            }
        }
    }

    private boolean valid(Map<String, String> line) {
        String from = line.getOrDefault("valid_from", "");
        String to = line.getOrDefault("valid_to", "");
        return (from.isEmpty() || !LocalDate.parse(from).isAfter(base))
                && (to.isEmpty() || !LocalDate.parse(to).isBefore(base));
    }

    private Map<String, String> item(String code) {
        return tables.rows("items").stream()
                .filter(row -> row.get("code").equals(code))
                .findFirst()
                .orElseThrow();
    }

    private int decimals(String unit) {
        return tables.rows("units").stream()
                .filter(row -> row.get("code").equals(unit))
                .mapToInt(row -> Integer.parseInt(row.get("decimals")))
                .findFirst()
                .orElseThrow();
    }

    private void customer(String number, String customer, String item, int quantity, int due) {
        tables.add(
                "customer_orders",
                "number",
                number,
                "line",
                1,
                "customer",
                customer,
                "item",
                item,
                "site",
                WORKS,
                "quantity",
                quantity,
                "due_date",
                day(due),
                "entered",
                day(due + 12),
                "wanted_date",
                day(due),
                "promised_date",
                day(due),
                "ordered",
                quantity);
    }

    /** What was shipped in the fortnight was open before. */
    private List<Map<String, String>> reopenShipped() {
        List<Map<String, String>> earlier = new ArrayList<>();
        List<Map<String, String>> since = new ArrayList<>();
        for (Map<String, String> shipment : tables.rows("shipments")) {
            LocalDate on = LocalDate.parse(shipment.get("date"));
            if (on.isBefore(day(FORTNIGHT)) || !on.isBefore(base)) {
                earlier.add(shipment);
                continue;
            }
            Map<String, String> line = tables.rows("customer_orders").stream()
                    .filter(row -> row.get("number").equals(shipment.get("number")))
                    .findFirst()
                    .orElseThrow();
            line.put("quantity", shipment.get("quantity"));
            line.put("state", "");
            since.add(shipment);
        }
        tables.clear("shipments");
        earlier.forEach(row -> tables.add("shipments", row));
        return since;
    }
}
