package rescient.demo;

import static rescient.demo.Catalogue.WORKS;

/**
 * What the workshop makes beside hives and extractors, operation by operation: nucleus boxes, stands, observation hives,
 * wax melters, uncapping tanks and swarm traps, of materials of their own.
 */
final class Workshop {
    /** What customers buy of it. */
    static final String[] SOLD = {
        "NUC-5N", "NUC-5W", "NUC-5B", "STAND-1", "STAND-2", "OBS-HIVE", "MELT-1", "UNCAP-1", "TRAP-1"
    };

    private static final String[] SMALL_PARTS = {
        "SCR-312", "SCR-635", "BOLT-M6", "NUT-M6", "WASH-M6", "RIVET-4", "FELT-5", "GLUE-PU", "CORNER-25", "DOWEL-8"
    };

    private final Tables tables;
    private final CatalogueRows rows;

    Workshop(Tables tables, CatalogueRows rows) {
        this.tables = tables;
        this.rows = rows;
    }

    /** What is used of a material in a week. */
    static int weekly(Tables tables, String item) {
        return tables.rows("planning").stream()
                .filter(row -> row.get("item").equals(item))
                .mapToInt(row -> Integer.parseInt(row.get("reorder_point")) / 4)
                .findFirst()
                .orElseThrow();
    }

    void fill() {
        workCenters();
        materials();
        nucleusBoxes();
        stands();
        observationHive();
        melter();
        uncappingTank();
        swarmTrap();
    }

    private void workCenters() {
        center("SAW", "Saw", 450, "0.95", 34);
        center("JOINERY", "Joinery bench", 900, "0.90", 38);
        center("PAINT", "Paint shop", 120, "0.90", 36);
        center("FRAMES", "Frame line", 450, "1", 31);
        center("WAX", "Wax room", 450, "1", 33);
        center("METAL", "Metal shop", 900, "0.92", 44);
        center("WELD", "Welding", 450, "0.90", 48);
        center("ASSEMBLY", "Assembly", 900, "1", 32);
        center("PACK", "Packing", 450, "1", 28);
    }

    private void center(String code, String name, int minutes, String efficiency, int costPerHour) {
        tables.add(
                "work_centers",
                "code",
                code,
                "name",
                name,
                "site",
                WORKS,
                "minutes_per_day",
                minutes,
                "efficiency",
                efficiency,
                "cost_per_hour",
                costPerHour);
    }

    /** Operations as {@code work center, setup minutes, minutes a piece}, in steps of ten. */
    private void operations(String item, Object... each) {
        for (int i = 0; i < each.length; i += 3) {
            tables.add(
                    "operations",
                    "item",
                    item,
                    "step",
                    (i / 3 + 1) * 10,
                    "work_center",
                    each[i],
                    "queue_minutes",
                    60,
                    "setup_minutes",
                    each[i + 1],
                    "run_minutes_per_unit",
                    each[i + 2],
                    "move_minutes",
                    15);
        }
    }

    /** @param weekly what is used in a week: ordered when less than four weeks of it are left, up to ten weeks */
    private void material(
            String code, String name, String unit, double cost, String supplier, int days, int least, int weekly) {
        rows.item(code, name, "MATERIAL", unit, "stocked", cost, null);
        rows.point(
                code,
                WORKS,
                "supplier",
                supplier,
                "rule",
                "min_max",
                "reorder_point",
                4 * weekly,
                "order_up_to",
                10 * weekly);
        rows.bought(supplier, code, unit, cost, days, "min_quantity", least);
    }

    private void materials() {
        material("PINE-145", "Pine board 145 mm", "m", 1.90, "HOLLIN", 8, 40, 93);
        material("PLY-9", "Plywood 9 mm, 600 wide", "m", 9.30, "HOLLIN", 8, 10, 21);
        material("ACRYL-4", "Acrylic pane 4 mm", "pcs", 9.60, "PARCELOW", 7, 10, 6);
        material("GLASS-3", "Glass pane 3 mm", "pcs", 7.30, "PARCELOW", 9, 10, 5);
        material("HINGE-40", "Hinge 40 mm, brass", "pcs", 0.74, "FENWICKE", 5, 100, 68);
        material("LATCH-S", "Latch, spring", "pcs", 0.88, "FENWICKE", 5, 100, 40);
        material("FOOT-R", "Foot, rubber", "pcs", 0.35, "EMBERLY", 6, 100, 71);
        material("SCR-312", "Screw 3 × 12, brass", "pcs", 0.02, "FENWICKE", 4, 1000, 950);
        material("SCR-635", "Screw 6 × 35, zinc", "pcs", 0.03, "FENWICKE", 4, 1000, 560);
        material("BOLT-M6", "Bolt M6 × 30", "pcs", 0.06, "FENWICKE", 4, 500, 840);
        material("NUT-M6", "Nut M6, locking", "pcs", 0.03, "FENWICKE", 4, 500, 1150);
        material("WASH-M6", "Washer M6", "pcs", 0.01, "FENWICKE", 4, 1000, 1500);
        material("RIVET-4", "Rivet 4 mm, blind", "pcs", 0.04, "FENWICKE", 4, 1000, 1900);
        material("CORNER-25", "Corner plate 25 mm", "pcs", 0.21, "FENWICKE", 5, 200, 1560);
        material("DOWEL-8", "Dowel 8 mm, beech", "pcs", 0.05, "HOLLIN", 6, 500, 1250);
        material("FELT-5", "Felt strip 5 mm", "m", 0.60, "WIDDOW", 5, 50, 108);
        material("GLUE-PU", "Glue, waterproof", "kg", 7.90, "FENWICKE", 5, 10, 4);
        material("VARN-C", "Varnish, clear", "l", 7.70, "GREYLING", 6, 20, 7);
        material("PAINT-B", "Hive paint, heather blue", "l", 9.40, "GREYLING", 6, 20, 1);
        material("TUBE-25", "Steel tube 25 mm", "m", 2.60, "ASHBEK", 10, 60, 35);
        material("SHEET-10", "Stainless sheet 1.0 mm", "kg", 4.10, "ASHBEK", 12, 100, 17);
        material("TAP-20", "Honey tap 20 mm", "pcs", 4.20, "EMBERLY", 10, 20, 3);
        material("CARTON-N", "Carton, small goods", "pcs", 0.95, "PARCELOW", 5, 100, 50);
        material("LABEL-N", "Label, small goods", "pcs", 0.06, "PARCELOW", 5, 500, 100);
        material("SHEET-A5", "Leaflet", "pcs", 0.08, "PARCELOW", 5, 500, 50);
    }

    /** A few of so many small parts, always the same ones for one item. */
    private void smallParts(String item, int first, int kinds, int each) {
        for (int i = 0; i < kinds; i++) {
            String part = SMALL_PARTS[(first + i) % SMALL_PARTS.length];
            Object quantity = part.equals("GLUE-PU") ? "0.03" : part.equals("FELT-5") ? "0.80" : each + 2 * i;
            rows.bom(item, part, quantity);
        }
    }

    private void packed(String item) {
        rows.bom(item, "CARTON-N", 1, "LABEL-N", 2, "SHEET-A5", 1);
    }

    private void part(String code, String name, double cost, Object... planning) {
        Object[] weekly = {"rule", "period", "period_count", 1, "period_unit", "week"};
        rows.made(code, name, "WOOD", cost, planning.length == 0 ? weekly : planning);
    }

    private void good(String code, String name, double price, Object... planning) {
        rows.item(code, name, "WOOD", "pcs", "stocked", price * 0.5, price);
        rows.point(code, WORKS, planning);
    }

    private void nucleusBoxes() {
        part("NUC-SIDE", "Side, nucleus box", 3.10);
        rows.bom("NUC-SIDE", "PINE-145", "0.50");
        smallParts("NUC-SIDE", 8, 3, 2);
        operations("NUC-SIDE", "SAW", 20, "1.5", "JOINERY", 10, "2");
        part("NUC-END", "End, nucleus box", 2.30);
        rows.bom("NUC-END", "PINE-145", "0.25");
        smallParts("NUC-END", 8, 3, 2);
        operations("NUC-END", "SAW", 20, "1.2", "JOINERY", 10, "2");
        part("NUC-FLR", "Floor, nucleus box", 3.80);
        rows.bom("NUC-FLR", "PLY-9", "0.20", "PINE-145", "0.20");
        smallParts("NUC-FLR", 6, 4, 4);
        operations("NUC-FLR", "SAW", 20, "1", "JOINERY", 10, "3");
        part("NUC-LID", "Lid, nucleus box", 4.20);
        rows.bom("NUC-LID", "PLY-9", "0.25", "PINE-145", "0.25");
        smallParts("NUC-LID", 5, 5, 4);
        operations("NUC-LID", "SAW", 20, "1", "JOINERY", 10, "3");
        part("NUC-BODY", "Body, nucleus box", 15.80, "yield", "0.99");
        rows.bom("NUC-BODY", "NUC-SIDE", 2, "NUC-END", 2, "NUC-FLR", 1, "HINGE-40", 2, "LATCH-S", 1);
        smallParts("NUC-BODY", 0, 9, 4);
        operations("NUC-BODY", "JOINERY", 20, "12");
        String[][] finishes = {{"N", "natural", "VARN-C"}, {"W", "varnished twice", "VARN-C"}, {"B", "blue", "PAINT-B"}
        };
        for (String[] finish : finishes) {
            String code = "NUC-5" + finish[0];
            good(
                    code,
                    "Nucleus box, five-frame, " + finish[1],
                    64,
                    "safety_stock",
                    5,
                    "rule",
                    "period",
                    "period_count",
                    1,
                    "period_unit",
                    "week");
            rows.line(code, "NUC-BODY", 1, "step", 10);
            rows.line(code, "NUC-LID", 1, "step", 20);
            rows.line(code, finish[2], finish[0].equals("W") ? "0.30" : "0.15", "step", 10);
            smallParts(code, 0, 7, 2);
            packed(code);
            // the paint shop cannot do all of March
            operations(code, "PAINT", 30, finish[0].equals("N") ? 6 : 11, "ASSEMBLY", 10, 5, "PACK", 0, 3);
        }
    }

    private void stands() {
        part("STD-LEG", "Leg, hive stand", 4.40);
        rows.bom("STD-LEG", "TUBE-25", "0.60", "FOOT-R", 1);
        smallParts("STD-LEG", 2, 4, 2);
        operations("STD-LEG", "METAL", 15, "2", "WELD", 10, "3");
        part("STD-RAIL", "Rail, hive stand", 5.10);
        rows.bom("STD-RAIL", "PINE-145", 1, "VARN-C", "0.05");
        smallParts("STD-RAIL", 1, 5, 4);
        operations("STD-RAIL", "SAW", 15, "2", "PAINT", 10, "1.5");
        for (int hives = 1; hives <= 2; hives++) {
            String code = "STAND-" + hives;
            good(
                    code,
                    hives == 1 ? "Hive stand" : "Hive stand, double",
                    hives == 1 ? 42 : 68,
                    "safety_stock",
                    4,
                    "rule",
                    "period",
                    "period_count",
                    2,
                    "period_unit",
                    "week");
            rows.bom(code, "STD-LEG", 2 + 2 * hives, "STD-RAIL", 1 + hives, "CORNER-25", 4 * hives);
            smallParts(code, 0, 8, 4);
            packed(code);
            operations(code, "ASSEMBLY", 15, 6 + 3 * hives, "PACK", 0, 4);
        }
    }

    private void observationHive() {
        part("OBS-FRM", "Frame, observation hive", 21.00);
        rows.bom("OBS-FRM", "PINE-145", 3, "PLY-9", "0.50", "DOWEL-8", 8);
        smallParts("OBS-FRM", 0, 7, 4);
        operations("OBS-FRM", "SAW", 30, 12, "JOINERY", 20, 25);
        part("OBS-DOOR", "Glazed door, observation hive", 26.00);
        rows.bom("OBS-DOOR", "GLASS-3", 1, "PINE-145", 1, "HINGE-40", 3, "LATCH-S", 2);
        smallParts("OBS-DOOR", 4, 7, 2);
        operations("OBS-DOOR", "JOINERY", 20, 18);
        good("OBS-HIVE", "Observation hive", 310, "rule", "per_order");
        rows.line("OBS-HIVE", "OBS-FRM", 1, "step", 20);
        rows.line("OBS-HIVE", "OBS-DOOR", 2, "step", 20);
        rows.line("OBS-HIVE", "VARN-C", "0.60", "step", 10);
        smallParts("OBS-HIVE", 0, 10, 4);
        packed("OBS-HIVE");
        operations("OBS-HIVE", "PAINT", 30, 30, "ASSEMBLY", 20, 45, "PACK", 0, 10);
    }

    private void melter() {
        part("MELT-BOX", "Box, wax melter", 24.00);
        rows.bom("MELT-BOX", "PLY-9", 1, "PINE-145", 1);
        smallParts("MELT-BOX", 3, 9, 4);
        operations("MELT-BOX", "SAW", 30, 8, "JOINERY", 20, 15);
        part("MELT-PAN", "Pan, wax melter", 15.00);
        rows.bom("MELT-PAN", "SHEET-10", "2.40");
        smallParts("MELT-PAN", 2, 5, 6);
        operations("MELT-PAN", "METAL", 20, 6, "WELD", 15, 8);
        good("MELT-1", "Solar wax melter", 139, "rule", "fixed_quantity", "fixed_quantity", 10, "reorder_point", 6);
        rows.bom("MELT-1", "MELT-BOX", 1, "MELT-PAN", 1, "ACRYL-4", 1, "HINGE-40", 2, "LATCH-S", 2, "FOOT-R", 4);
        smallParts("MELT-1", 0, 9, 4);
        packed("MELT-1");
        operations("MELT-1", "ASSEMBLY", 20, 22, "PACK", 0, 6);
    }

    private void uncappingTank() {
        part("TANK-B", "Tank, uncapping", 38.00);
        rows.bom("TANK-B", "SHEET-10", "5.20", "TUBE-25", "1.20");
        smallParts("TANK-B", 2, 5, 8);
        operations("TANK-B", "METAL", 30, 14, "WELD", 20, 18);
        part("TANK-GRID", "Grid, uncapping tank", 12.00);
        rows.bom("TANK-GRID", "TUBE-25", "2.10", "SHEET-10", "0.30");
        smallParts("TANK-GRID", 4, 4, 6);
        operations("TANK-GRID", "METAL", 15, 6, "WELD", 10, 9);
        good("UNCAP-1", "Uncapping tank", 219, "rule", "min_max", "reorder_point", 4, "order_up_to", 14);
        rows.bom("UNCAP-1", "TANK-B", 1, "TANK-GRID", 1, "TAP-20", 1, "FOOT-R", 4, "ACRYL-4", 1);
        smallParts("UNCAP-1", 0, 9, 4);
        packed("UNCAP-1");
        operations("UNCAP-1", "ASSEMBLY", 15, 16, "PACK", 0, 6);
    }

    private void swarmTrap() {
        good("TRAP-1", "Swarm trap", 38, "rule", "period", "period_count", 2, "period_unit", "week");
        rows.bom("TRAP-1", "PLY-9", "0.80", "PINE-145", 1, "VARN-C", "0.10");
        smallParts("TRAP-1", 0, 10, 4);
        packed("TRAP-1");
        operations("TRAP-1", "SAW", 20, 4, "JOINERY", 15, 9, "PAINT", 15, 4, "PACK", 0, 3);
    }
}
