package rescient.demo;

import java.time.LocalDate;
import java.util.List;
import java.util.Map;
import java.util.Random;

/** Customer orders and open orders of what the workshop makes. */
final class WorkshopTrade {
    private static final int ORDERS = 46;
    private static final int CUSTOMERS = 40;

    private final Tables tables;
    private final LocalDate base;
    private final Random random;

    WorkshopTrade(Tables tables, LocalDate base, long seed) {
        this.tables = tables;
        this.base = base;
        this.random = new Random(seed);
    }

    void fill() {
        customerOrders();
        purchases();
        production();
    }

    private void customerOrders() {
        for (int order = 0; order < ORDERS; order++) {
            LocalDate due = Trade.workday(base.plusDays(5 + random.nextInt(160)));
            if (due.isAfter(LocalDate.of(2026, 12, 22)) && due.isBefore(LocalDate.of(2027, 1, 6))) {
                due = LocalDate.of(2027, 1, 7);
            }
            int first = random.nextInt(Workshop.SOLD.length);
            int lines = 1 + random.nextInt(3);
            String customer = null;
            for (int line = 1; line <= lines; line++) {
                String drawn = String.format("C%03d", 101 + random.nextInt(CUSTOMERS));
                customer = customer == null ? drawn : customer;
                Object[] columns = new Agreed(630 + order, due, base)
                        .columns(
                                "number",
                                "SO-" + (630 + order),
                                "line",
                                line,
                                "customer",
                                customer,
                                "item",
                                Workshop.SOLD[(first + line) % Workshop.SOLD.length],
                                "site",
                                Catalogue.WORKS,
                                "quantity",
                                2 + random.nextInt(12),
                                "due_date",
                                due,
                                "priority",
                                "");
                tables.add("customer_orders", columns);
            }
        }
    }

    private void order(
            String number,
            String kind,
            String stage,
            String item,
            String supplier,
            int quantity,
            LocalDate due,
            LocalDate start) {
        Trade.openOrder(tables, number, kind, stage, item, Catalogue.WORKS, "", supplier, quantity, due, start);
    }

    /** One for most of the workshop's materials. */
    private void purchases() {
        int number = 2000;
        for (Map<String, String> offer : List.copyOf(tables.rows("supplier_items"))) {
            if (offer.get("item")
                    .matches("PINE-145|PLY-9|ACRYL-4|GLASS-3|HINGE-40|LATCH-S|FOOT-R|SCR-312|SCR-635"
                            + "|BOLT-M6|NUT-M6|WASH-M6|RIVET-4|CORNER-25|DOWEL-8|FELT-5|GLUE-PU|VARN-C|PAINT-B|TUBE-25"
                            + "|SHEET-10|TAP-20|CARTON-N|LABEL-N")) {
                int quantity = 4 * Workshop.weekly(tables, offer.get("item"));
                LocalDate due = Trade.workday(base.plusDays(2 + random.nextInt(14)));
                order(
                        "PO-" + number++,
                        "buy",
                        "released",
                        offer.get("item"),
                        offer.get("supplier"),
                        quantity,
                        due,
                        null);
            }
        }
    }

    private void production() {
        String[] parts = {
            "NUC-SIDE",
            "NUC-END",
            "NUC-FLR",
            "NUC-LID",
            "NUC-BODY",
            "STD-LEG",
            "STD-RAIL",
            "OBS-FRM",
            "OBS-DOOR",
            "MELT-BOX",
            "TANK-B",
            "TANK-GRID"
        };
        int number = 301;
        for (String part : parts) {
            LocalDate due = Trade.workday(base.plusDays(4 + random.nextInt(12)));
            boolean firmed = number % 3 == 0;
            LocalDate start = Trade.workday(firmed ? base.plusDays(1) : base.minusDays(3));
            order("MO-" + number, "make", firmed ? "firmed" : "released", part, "", 12, due, start);
            if (firmed) {
                components("MO-" + number, part, 12, start);
            }
            number++;
        }
        for (int i = 0; i < 4; i++) {
            String good = Workshop.SOLD[i];
            order(
                    "MO-" + number,
                    "make",
                    "released",
                    good,
                    "",
                    6,
                    Trade.workday(base.plusDays(3 + i)),
                    Trade.workday(base.minusDays(3)));
            number++;
        }
    }

    private void components(String number, String item, int quantity, LocalDate needed) {
        for (Map<String, String> line : tables.rows("bom_lines")) {
            boolean whole = line.get("quantity").matches("\\d+");
            if (line.get("parent").equals(item) && whole) {
                Trade.openOrderComponent(
                        tables,
                        number,
                        line.get("component"),
                        quantity * Integer.parseInt(line.get("quantity")),
                        needed);
            }
        }
    }
}
