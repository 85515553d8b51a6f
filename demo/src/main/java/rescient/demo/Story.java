package rescient.demo;

import java.time.LocalDate;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;

/**
 * What happened in the last fortnight: bearings that came became carriers, shafts, gearboxes and honey extractors, and two of
 * these went to customers, one of them in a kit; wax was tested and one lot of it set aside; drums went to the coater, and
 * some are back; goods went to the depot, not all of them arrived; orders were made, assembled and finished, some half; and
 * a hive came back. Days are working days before the base day.
 */
final class Story {
    private static final String WORKS = Catalogue.WORKS;

    private final LocalDate base;
    private final List<Map<String, String>> shipped;
    private final List<Map<String, String>> postings = new ArrayList<>();
    private int key;

    /** @param shipped to customers since */
    Story(LocalDate base, List<Map<String, String>> shipped) {
        this.base = base;
        this.shipped = shipped;
    }

    private LocalDate day(int back) {
        return DoneOrder.workdays(base, -back);
    }

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
        shipped.forEach(this::shipped);
        bearings();
        wax();
        workshop();
        moved();
        customers();
        List<Map<String, String>> inTurn = new ArrayList<>(postings);
        inTurn.sort(Comparator.comparing(row -> row.get("date")));
        return inTurn;
    }

    private void shipped(Map<String, String> shipment) {
        LocalDate on = LocalDate.parse(shipment.get("date"));
        String serial = on.isBefore(day(5)) ? "X4-2641-0075" : "X4-2647-0001";
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
                shipment.get("item").equals("EXTR-4") ? serial : "");
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
}
