package rescient.demo;

import java.math.BigDecimal;
import java.math.RoundingMode;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;

/**
 * What happened in the last fortnight: bearings that came became carriers, shafts, gearboxes and honey extractors, and two of
 * these went to customers, one of them in a kit; wax was tested and one lot of it set aside; drums went to the coater, and
 * some are back; goods went to the depot, not all of them arrived; orders were made, assembled and finished, some half;
 * a lid came back; invoices came, not all of them as agreed. Days are working days before the base day.
 */
final class Story {
    private static final String WORKS = Catalogue.WORKS;
    private static final String DEPOT = Catalogue.DEPOT;
    private static final String COATER = Catalogue.COATER;
    /** The oldest of the shipments that are posted, in working days back. */
    private static final int FORTNIGHT = 9;

    private final Tables tables;
    private final LocalDate base;
    private final List<Map<String, String>> postings = new ArrayList<>();
    private int key;

    Story(Tables tables, LocalDate base) {
        this.tables = tables;
        this.base = base;
    }

    private LocalDate day(int back) {
        return DoneOrder.workdays(base, -back);
    }

    // what was open two weeks ago

    void begin() {
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
        reopenShipped();
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
    private void reopenShipped() {
        List<Map<String, String>> earlier = new ArrayList<>();
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
            boolean serial = shipment.get("item").equals("EXTR-4");
            act(
                    on,
                    "ship",
                    "number",
                    shipment.get("number"),
                    "line",
                    1,
                    "quantity",
                    shipment.get("quantity"),
                    "serial",
                    serial ? on.isBefore(day(5)) ? "X4-2641-0075" : "X4-2647-0001" : "");
        }
        tables.clear("shipments");
        earlier.forEach(row -> tables.add("shipments", row));
    }

    // what was done

    private void act(LocalDate on, String action, Object... columns) {
        key++;
        more(on, action, columns);
    }

    /** A further row of the same posting. */
    private void more(LocalDate on, String action, Object... columns) {
        Map<String, String> row = new LinkedHashMap<>();
        row.put("key", String.format("f-%03d", key));
        row.put("date", on.toString());
        row.put("action", action);
        for (int i = 0; i < columns.length; i += 2) {
            row.put((String) columns[i], columns[i + 1].toString());
        }
        postings.add(row);
    }

    private void act(int back, String action, String number, Object... columns) {
        Object[] all = new Object[columns.length + 4];
        all[0] = "number";
        all[1] = number;
        all[2] = "line";
        all[3] = 1;
        System.arraycopy(columns, 0, all, 4, columns.length);
        act(day(back), action, all);
    }

    /** All that happened, the earliest first. */
    List<Map<String, String>> postings() {
        bearings();
        wax();
        workshop();
        moved();
        customers();
        List<Map<String, String>> inTurn = new ArrayList<>(postings);
        inTurn.sort(java.util.Comparator.comparing(row -> row.get("date")));
        return inTurn;
    }

    /** From a lot of bearings to two honey extractors at customers'. */
    private void bearings() {
        act(14, "receive", "PO-1990", "lot", "BK-7702", "quantity", 30);
        act(13, "issue", "MO-290", "item", "BRG-6202", "lot", "BK-7702", "quantity", 28);
        act(13, "issue", "MO-290", "item", "SEAL-15", "quantity", 28);
        act(12, "output", "MO-290", "lot", "CA-2645", "quantity", 14);
        act(12, "finish", "MO-290");
        act(11, "issue", "MO-291");
        act(10, "output", "MO-291", "lot", "SH-2646", "quantity", 8);
        act(10, "finish", "MO-291");
        act(9, "issue", "MO-292", "item", "SHF-410", "lot", "SH-2646", "quantity", 6);
        for (String part : List.of("HOUS-410", "GEAR-60", "GEAR-30")) {
            act(9, "issue", "MO-292", "item", part);
        }
        for (int piece = 1; piece <= 3; piece++) {
            act(8, "output", "MO-292", "serial", "GB-2646-000" + piece, "quantity", 1);
        }
        act(8, "finish", "MO-292");
        for (String gearbox : List.of("GB-2646-0001", "GB-2646-0002", "GB-2646-0003", "GB-2640-0016")) {
            act(6, "issue", "MO-293", "item", "GBX-410", "serial", gearbox, "quantity", 1);
        }
        for (String part : List.of("DRM-380P", "BSK-380", "LEGS-3", "HANDLE-C", "TAP-40", "CARTON-E")) {
            act(6, "issue", "MO-293", "item", part);
        }
        for (int piece = 1; piece <= 4; piece++) {
            act(5, "output", "MO-293", "serial", "X4-2647-000" + piece, "quantity", 1);
        }
        act(5, "finish", "MO-293");
        act(4, "receive", "PO-1990", "lot", "BK-7731", "quantity", 10);
    }

    private void wax() {
        act(10, "receive", "PO-1993", "lot", "MW-118", "quantity", 50);
        act(8, "issue", "MO-294");
        act(7, "output", "MO-294", "quantity", 60);
        act(7, "finish", "MO-294");
        // what was left was weighed, and is gone
        act(day(5), "count", "item", "WAX-BLK", "site", WORKS, "lot", "MW-118", "quantity", 0, "reason", "melted down");
        act(3, "receive", "PO-1994", "lot", "MW-121", "quantity", 25, "quarantined", true, "reason", "to be tested");
        act(4, "ship", "SO-596", "quantity", 40);
        act(2, "ship", "SO-597", "quantity", 20);
    }

    private void workshop() {
        act(8, "issue", "MO-295");
        act(7, "output", "MO-295", "step", 10, "quantity", 10, "minutes", 105);
        act(
                6,
                "output",
                "MO-295",
                "step",
                20,
                "quantity",
                9,
                "scrapped",
                1,
                "minutes",
                70,
                "reason",
                "split at the joint");
        act(6, "output", "MO-295", "step", 30, "quantity", 9);
        act(6, "finish", "MO-295");
        act(11, "issue", "AO-105");
        act(10, "output", "AO-105", "quantity", 8);
        act(10, "finish", "AO-105");
        act(3, "issue", "MO-316");
        act(2, "output", "MO-316", "quantity", 4);
        act(3, "issue", "MO-302");
        act(1, "output", "MO-302", "quantity", 8);
        act(8, "receive", "PO-1992", "quantity", 5, "unit", "box");
        act(6, "receive", "PO-1991", "quantity", 60, "unit", "kg");
        act(5, "return_to_supplier", "PO-1991", "quantity", 4, "unit", "kg", "reason", "scratched");
        act(day(3), "adjust", "item", "MESH-3", "site", WORKS, "quantity", -2, "reason", "torn");
        act(day(4), "adjust", "item", "SCR-525", "site", WORKS, "quantity", -16, "reason", "counted");
    }

    /** To the coater and to the depot. */
    private void moved() {
        act(9, "ship_transfer", "TO-55", "quantity", 12);
        act(8, "receive_transfer", "TO-55");
        act(7, "receive", "SC-21", "quantity", 4);
        act(7, "ship_transfer", "TO-54", "quantity", 100);
        act(5, "receive_transfer", "TO-54", "quantity", 98, "scrapped", 2, "reason", "crushed on the way");
        act(1, "ship_transfer", "TO-58", "quantity", 6);
    }

    private void customers() {
        act(2, "ship", "SO-598", "quantity", 1);
        more(day(2), "ship", "number", "SO-598", "line", 1, "item", "EXTR-4", "serial", "X4-2647-0002", "quantity", 1);
        act(1, "return_from_customer", "SO-237", "quantity", 1, "quarantined", true, "reason", "roof split");
    }

    // what is written of it

    void papers() {
        lot("BRG-6202", "BK-7702", "24-0931", "certificate 0931", "");
        lot("BRG-6202", "BK-7731", "25-0104", "certificate 0104", "");
        lot("WAX-BLK", "MW-118", "118", "analysis 118", "");
        lot("WAX-BLK", "MW-121", "121", "analysis 121", "Mellora was told");
        test("BRG-6202", "BK-7702", "radial play", "12", "µm", "5", "20", 14);
        test("BRG-6202", "BK-7731", "radial play", "14", "µm", "5", "20", 4);
        test("WAX-BLK", "MW-118", "water", "0.7", "%", "", "1", 10);
        test("WAX-BLK", "MW-121", "water", "1.6", "%", "", "1", 3);
        invoice("BROOKMILL", "BM-1187", 13, 30, "approved");
        charged("BROOKMILL", "BM-1187", "PO-1990", "30", "pcs", "4.10");
        invoice("MELLORA", "26-3180", 9, 60, "approved");
        charged("MELLORA", "26-3180", "PO-1993", "50", "kg", "12.50");
        // dearer than agreed, and more than came
        invoice("ASHBEK", "A-50771", 5, 60, "awaiting_approval");
        charged("ASHBEK", "A-50771", "PO-1991", "60", "kg", "1.95");
        invoice("MELLORA", "26-3207", 2, 60, "awaiting_approval");
        charged("MELLORA", "26-3207", "PO-1994", "30", "kg", "12.50");
    }

    private void lot(String item, String lot, String theirs, String document, String note) {
        tables.add("lots", "item", item, "lot", lot, "supplier_lot", theirs, "document", document, "note", note);
    }

    private void test(
            String item, String lot, String name, String value, String unit, String lower, String upper, int back) {
        tables.add(
                "lot_tests",
                "item",
                item,
                "lot",
                lot,
                "name",
                name,
                "value",
                value,
                "unit",
                unit,
                "lower",
                lower,
                "upper",
                upper,
                "date",
                day(back));
    }

    private void invoice(String supplier, String number, int back, int days, String state) {
        tables.add(
                "invoices",
                "supplier",
                supplier,
                "number",
                number,
                "date",
                day(back),
                "due",
                day(back).plusDays(days),
                "state",
                state,
                "entered_by",
                "Bram Tolk, buyer");
    }

    private void charged(String supplier, String number, String order, String quantity, String unit, String price) {
        tables.add(
                "invoice_lines",
                "supplier",
                supplier,
                "number",
                number,
                "line",
                1,
                "order_number",
                order,
                "order_line",
                1,
                "quantity",
                quantity,
                "unit",
                unit,
                "price",
                price);
    }
}
