package rescient.demo;

import static rescient.demo.Catalogue.WORKS;

/** What is bought to make things of. */
final class Materials {
    private final Tables tables;
    private final CatalogueRows rows;

    Materials(Tables tables, CatalogueRows rows) {
        this.tables = tables;
        this.rows = rows;
    }

    void fill() {
        rows.item("CED-2400", "Cedar board 2400 × 145", "MATERIAL", "pcs", "stocked", 7.85, null);
        rows.point("CED-2400", WORKS, "supplier", "HOLLIN", "safety_stock", 96);
        rows.bought("HOLLIN", "CED-2400", "bundle", 376.80, 12, "min_quantity", 1);
        tables.add("unit_conversions", "item", "CED-2400", "from_unit", "bundle", "to_unit", "pcs", "factor", 48);
        rows.item("CED-1800", "Cedar board 1800 × 145", "MATERIAL", "pcs", "stocked", 5.90, null);
        rows.point("CED-1800", WORKS, "supplier", "HOLLIN", "rule", "min_max", "reorder_point", 60, "order_up_to", 240);
        rows.bought("HOLLIN", "CED-1800", "bundle", 283.20, 12);
        tables.add("unit_conversions", "item", "CED-1800", "from_unit", "bundle", "to_unit", "pcs", "factor", 48);
        screw("SCR-440", "Screw 4 × 40, zinc", 21.50);
        screw("SCR-525", "Screw 5 × 25, stainless", 34.00);
        screw("NAIL-20", "Nail 20 mm, coppered", 9.80);
        screw("EYELET-3", "Eyelet 3 mm, brass", 12.40);
        material("PAINT-W", "Hive paint, white", "l", 8.60, "GREYLING", 6, "min_quantity", 25, "multiple", 5);
        material("PAINT-G", "Hive paint, moss green", "l", 9.10, "GREYLING", 6, "min_quantity", 25, "multiple", 5);
        material(
                "OIL-L",
                "Linseed oil",
                "l",
                6.20,
                "GREYLING",
                6,
                "rule",
                "fixed_quantity",
                "fixed_quantity",
                60,
                "reorder_point",
                30);
        material("GLUE-D3", "Wood glue D3", "kg", 4.40, "FENWICKE", 5, "min_quantity", 10);
        material("WIRE-05", "Frame wire 0.5 mm", "kg", 11.30, "FENWICKE", 7, "min_quantity", 6, "multiple", 6);
        material("MESH-3", "Floor mesh 3 mm", "m", 5.75, "ASHBEK", 9, "multiple", 25);
        material("SHEET-08", "Stainless sheet 0.8 mm", "kg", 3.95, "ASHBEK", 15, "min_quantity", 200, "multiple", 50);
        material("SHEET-GA", "Galvanised sheet 0.5 mm", "kg", 1.85, "ASHBEK", 10, "min_quantity", 150, "multiple", 50);
        material("ROD-12", "Steel rod 12 mm", "m", 3.30, "ASHBEK", 10, "multiple", 6);
        material("WELD-1", "Welding wire 1 mm", "kg", 9.90, "ASHBEK", 10, "min_quantity", 5);
        material("LIME-22", "Lime strip 22 × 22", "m", 0.95, "HOLLIN", 12, "multiple", 50);
        material("LIME-10", "Lime strip 10 × 25", "m", 0.72, "HOLLIN", 12, "multiple", 50);
        rows.item("WAX-BLK", "Beeswax block", "MATERIAL", "kg", "stocked", 12.50, null);
        rows.point("WAX-BLK", WORKS, "supplier", "MELLORA", "safety_stock", 20);
        rows.bought("MELLORA", "WAX-BLK", "kg", 12.50, 9, "min_quantity", 50, "multiple", 25);
        rows.item("BRG-6202", "Bearing 6202, sealed", "MATERIAL", "pcs", "stocked", 4.10, null);
        rows.point("BRG-6202", WORKS, "rule", "lot_for_lot");
        rows.bought("BROOKMILL", "BRG-6202", "pcs", 4.10, 15, "min_quantity", 50, "multiple", 10, "preference", 1);
        rows.bought("WIDDOW", "BRG-6202", "pcs", 6.35, 4, "min_quantity", 20, "preference", 2);
        rows.bought("TANDEM", "BRG-6202", "pcs", 4.85, 9, "min_quantity", 40, "preference", 3);
        // some are left over from a marine order; they fit the same seat
        rows.item("BRG-6202-SS", "Bearing 6202, stainless", "MATERIAL", "pcs", "stocked", 7.90, null);
        rows.point("BRG-6202-SS", WORKS);
        rows.bought("WIDDOW", "BRG-6202-SS", "pcs", 7.90, 6, "min_quantity", 10);
        tables.add(
                "alternative_items",
                "item",
                "BRG-6202",
                "alternative",
                "BRG-6202-SS",
                "parent",
                "CARR-62",
                "factor",
                1);
        material("SEAL-15", "Shaft seal 15 mm", "pcs", 0.85, "BROOKMILL", 10, "min_quantity", 100);
        material("HOUS-410", "Gearbox housing, cast", "pcs", 14.80, "ROOKHOPE", 20, "min_quantity", 20);
        material("GEARBLK-60", "Gear blank 60 mm", "pcs", 3.60, "ROOKHOPE", 14, "min_quantity", 50);
        material("GEARBLK-30", "Gear blank 30 mm", "pcs", 2.20, "ROOKHOPE", 14, "min_quantity", 50);
        material("MOTOR-180", "Motor 180 W, 24 V", "pcs", 68.00, "TANDEM", 20, "min_quantity", 5);
        material("CTRL-24", "Speed control 24 V", "pcs", 31.00, "TANDEM", 20, "min_quantity", 5);
        material("HANDLE-C", "Crank handle", "pcs", 2.90, "ROOKHOPE", 12, "min_quantity", 25);
        material("TAP-40", "Honey tap 40 mm", "pcs", 6.40, "EMBERLY", 10, "min_quantity", 20);
        material("GRIP-B", "Box grip, steel", "pcs", 0.62, "FENWICKE", 6, "min_quantity", 200, "multiple", 50);
        material(
                "LABEL-H",
                "Hive label",
                "pcs",
                0.09,
                "PARCELOW",
                5,
                "rule",
                "fixed_quantity",
                "fixed_quantity",
                500,
                "reorder_point",
                150);
        // far too low for fifteen working days of lead time
        material(
                "PLUG-20",
                "Ventilation plug 20 mm",
                "pcs",
                0.18,
                "EMBERLY",
                15,
                "rule",
                "min_max",
                "reorder_point",
                5,
                "order_up_to",
                150);
        // nobody has said yet where it comes from
        rows.item("ENTR-R", "Entrance reducer, beech", "MATERIAL", "pcs", "stocked", 1.40, null);
        rows.point("ENTR-R", WORKS, "lead_time_days", 8);
        pack("CARTON-H", "Carton, hive", 2.30);
        pack("CARTON-E", "Carton, extractor", 4.80);
        pack("CARTON-F", "Carton, fifty frames", 1.15);
        pack("MANUAL-H", "Assembly sheet", 0.12);
    }

    private void material(
            String code, String name, String unit, double cost, String supplier, int days, Object... rule) {
        rows.item(code, name, "MATERIAL", unit, "stocked", cost, null);
        Object[] planning = new Object[2 + rule.length];
        planning[0] = "supplier";
        planning[1] = supplier;
        System.arraycopy(rule, 0, planning, 2, rule.length);
        rows.point(code, WORKS, planning);
        rows.bought(supplier, code, unit, cost, days);
    }

    private void screw(String code, String name, double boxPrice) {
        rows.item(code, name, "MATERIAL", "pcs", "stocked", boxPrice / 1000, null);
        rows.point(code, WORKS, "supplier", "FENWICKE", "rule", "min_max", "reorder_point", 1000, "order_up_to", 6000);
        rows.bought("FENWICKE", code, "box", boxPrice, 4, "min_quantity", 1);
        tables.add("unit_conversions", "item", code, "from_unit", "box", "to_unit", "pcs", "factor", 1000);
    }

    private void pack(String code, String name, double cost) {
        rows.item(code, name, "PACK", "pcs", "stocked", cost, null);
        rows.point(code, WORKS, "supplier", "PARCELOW");
        rows.bought("PARCELOW", code, "pcs", cost, 6, "min_quantity", 100, "multiple", 50);
    }
}
