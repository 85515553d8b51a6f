package rescient.demo;

import static rescient.demo.Catalogue.COATER;
import static rescient.demo.Catalogue.DEPOT;
import static rescient.demo.Catalogue.WORKS;

/** What is made, assembled and sold. */
final class Products {
    private static final String[][] FINISHES = {{"N", "natural"}, {"W", "white"}, {"G", "moss green"}};

    private final Tables tables;
    private final CatalogueRows rows;

    Products(Tables tables, CatalogueRows rows) {
        this.tables = tables;
        this.rows = rows;
    }

    void fill() {
        woodwork();
        hives();
        frames();
        extractors();
        merchandise();
        kits();
        depot();
    }

    /** Raw bodies, then each finish. */
    private void woodwork() {
        rows.item("HW-BOX", "Hardware set, box", null, "pcs", "phantom", 2.10, null);
        rows.bom("HW-BOX", "SCR-440", 24, "GRIP-B", 2);
        rows.item("HW-ROOF", "Hardware set, roof", null, "pcs", "phantom", 0.60, null);
        rows.bom("HW-ROOF", "SCR-525", 12, "PLUG-20", 2);
        for (String frames : new String[] {"10", "6"}) {
            String size = frames.equals("10") ? "ten-frame" : "six-frame";
            String board = frames.equals("10") ? "CED-2400" : "CED-1800";
            rows.made("PNL-L" + frames, "Side panel, " + size, "WOOD", 3.40, "lead_time_days", 2);
            rows.bom("PNL-L" + frames, board, frames.equals("10") ? 1 : 1);
            rows.made("PNL-S" + frames, "End panel, " + size, "WOOD", 2.90, "lead_time_days", 2);
            rows.line("PNL-S" + frames, "CED-1800", 1, "scrap", "0.05");
            rows.made("BOX-B" + frames, "Brood box body, " + size, "WOOD", 19.50, "yield", "0.98");
            rows.bom("BOX-B" + frames, "PNL-L" + frames, 2, "PNL-S" + frames, 2, "HW-BOX", 1, "GLUE-D3", "0.06");
            rows.made("BOX-S" + frames, "Super body, " + size, "WOOD", 15.20);
            rows.bom("BOX-S" + frames, "PNL-L" + frames, 2, "PNL-S" + frames, 1, "HW-BOX", 1, "GLUE-D3", "0.05");
            rows.made("FLR-" + frames, "Floor body, " + size, "WOOD", 11.30);
            rows.bom("FLR-" + frames, "PNL-S" + frames, 2, "MESH-3", "0.42", "SCR-440", 8);
            rows.made("ROF-" + frames, "Roof body, " + size, "WOOD", 14.60);
            rows.bom("ROF-" + frames, "PNL-L" + frames, 1, "SHEET-GA", "1.35", "HW-ROOF", 1);
            for (String[] finish : FINISHES) {
                if (frames.equals("6") && finish[0].equals("G")) {
                    continue;
                }
                for (String body : new String[] {"BOX-B", "BOX-S", "FLR-", "ROF-"}) {
                    finished(body + frames, finish, size);
                }
            }
        }
    }

    private void finished(String body, String[] finish, String size) {
        String code = body + finish[0];
        String what = body.startsWith("BOX-B")
                ? "Brood box"
                : body.startsWith("BOX-S") ? "Super" : body.startsWith("FLR") ? "Floor" : "Roof";
        rows.made(code, what + ", " + size + ", " + finish[1], "FINISH", body.startsWith("BOX-B") ? 23.80 : 18.40);
        String coat = finish[0].equals("N") ? "OIL-L" : "PAINT-" + finish[0];
        rows.bom(code, body, 1);
        if (finish[0].equals("W")) {
            // the new white paint covers better from the second of February on
            rows.line(code, coat, "0.25", "valid_to", "2027-02-01");
            rows.line(code, coat, "0.20", "valid_from", "2027-02-02");
        } else {
            rows.bom(code, coat, finish[0].equals("N") ? "0.10" : "0.22");
        }
    }

    private void hives() {
        for (String frames : new String[] {"10", "6"}) {
            for (String[] finish : FINISHES) {
                if (frames.equals("6") && finish[0].equals("G")) {
                    continue;
                }
                String code = "HIVE-" + frames + finish[0];
                String size = frames.equals("10") ? "ten-frame" : "six-frame";
                double price = frames.equals("10") ? 229 : 169;
                rows.item(
                        code, "Meadow hive, " + size + ", " + finish[1], "HIVE", "pcs", "stocked", price * 0.55, price);
                rows.point(code, WORKS, "safety_stock", frames.equals("10") ? 4 : 2);
                int n = Integer.parseInt(frames);
                rows.bom(
                        code,
                        "BOX-B" + frames + finish[0],
                        1,
                        "BOX-S" + frames + finish[0],
                        2,
                        "FLR-" + frames + finish[0],
                        1,
                        "ROF-" + frames + finish[0],
                        1,
                        "FRAME-B",
                        n,
                        "FRAME-S",
                        2 * n,
                        "LABEL-H",
                        1,
                        "CARTON-H",
                        1,
                        "MANUAL-H",
                        1);
                if (frames.equals("6")) {
                    rows.bom(code, "ENTR-R", 1);
                }
            }
        }
    }

    private void frames() {
        rows.made("FR-TOP", "Top bar", "FRAME", 0.42, "rule", "period", "period_count", 1, "period_unit", "week");
        rows.line("FR-TOP", "LIME-22", "0.50", "scrap", "0.03");
        rows.made("FR-SIDE", "Side bar", "FRAME", 0.26, "rule", "period", "period_count", 1, "period_unit", "week");
        rows.line("FR-SIDE", "LIME-10", "0.28", "scrap", "0.03");
        rows.made("FR-BOT", "Bottom bar", "FRAME", 0.24, "rule", "period", "period_count", 1, "period_unit", "week");
        rows.line("FR-BOT", "LIME-10", "0.46", "scrap", "0.03");
        for (String[] kind :
                new String[][] {{"FRAME-B", "Brood frame, wired", "1.95"}, {"FRAME-S", "Super frame, wired", "1.80"}}) {
            rows.item(kind[0], kind[1], "FRAME", "pcs", "stocked", 1.05, Double.valueOf(kind[2]));
            rows.point(kind[0], WORKS, "rule", "fixed_quantity", "fixed_quantity", 500, "safety_stock", 200);
            rows.bom(kind[0], "FR-TOP", 1, "FR-SIDE", 2, "FR-BOT", 1, "WIRE-05", "0.004", "NAIL-20", 8, "EYELET-3", 8);
        }
        rows.item("FOUND-B", "Wax foundation, brood, ten sheets", "FRAME", "pcs", "stocked", 9.20, 16.50);
        rows.point("FOUND-B", WORKS, "yield", "0.97", "multiple", 10, "lead_time_days", 3);
        rows.line("FOUND-B", "WAX-BLK", "0.700", "scrap", "0.02");
        rows.item("FOUND-S", "Wax foundation, super, ten sheets", "FRAME", "pcs", "stocked", 6.90, 12.90);
        rows.point("FOUND-S", WORKS, "yield", "0.97", "multiple", 10, "lead_time_days", 3);
        rows.line("FOUND-S", "WAX-BLK", "0.480", "scrap", "0.02");
    }

    private void extractors() {
        rows.made("GEAR-60", "Gear, 60 teeth", "METAL", 6.10);
        rows.bom("GEAR-60", "GEARBLK-60", 1);
        rows.made("GEAR-30", "Gear, 30 teeth", "METAL", 4.20);
        rows.bom("GEAR-30", "GEARBLK-30", 1);
        rows.made("CARR-62", "Bearing carrier", "METAL", 12.40, "lead_time_days", 2);
        rows.bom("CARR-62", "BRG-6202", 2, "SEAL-15", 2);
        rows.made("SHF-410", "Shaft unit", "METAL", 24.80, "lead_time_days", 3);
        rows.bom("SHF-410", "CARR-62", 1, "ROD-12", "0.34");
        rows.made("GBX-410", "Extractor gearbox", "METAL", 61.00, "lead_time_days", 4, "max_quantity", 40);
        rows.bom("GBX-410", "HOUS-410", 1, "SHF-410", 2, "GEAR-60", 1, "GEAR-30", 1);
        for (String[] drum : new String[][] {{"380", "3.90", "four-frame"}, {"520", "6.40", "nine-frame"}}) {
            rows.made("DRM-" + drum[0], "Drum, " + drum[2] + ", welded", "METAL", 38.00);
            tables.add(
                    "planning",
                    "item",
                    "DRM-" + drum[0],
                    "site",
                    COATER,
                    "source",
                    "transfer",
                    "from_site",
                    WORKS,
                    "lead_time_days",
                    1);
            rows.bom("DRM-" + drum[0], "SHEET-08", drum[1], "WELD-1", "0.080");
            rows.item("DRM-" + drum[0] + "P", "Drum, " + drum[2] + ", coated", "METAL", "pcs", "stocked", 52.00, null);
            rows.point(
                    "DRM-" + drum[0] + "P",
                    WORKS,
                    "source",
                    "subcontract",
                    "from_site",
                    COATER,
                    "supplier",
                    "SILVERLEAF",
                    "lead_time_days",
                    7);
            rows.bom("DRM-" + drum[0] + "P", "DRM-" + drum[0], 1);
            rows.made("BSK-" + drum[0], "Basket, " + drum[2], "METAL", 27.50);
            rows.bom("BSK-" + drum[0], "ROD-12", drum[0].equals("380") ? "4.20" : "7.80", "WELD-1", "0.120");
        }
        rows.made("LEGS-3", "Leg set", "METAL", 13.20);
        rows.bom("LEGS-3", "ROD-12", "2.10", "SCR-525", 6);
        rows.item("EXTR-4", "Honey extractor, four-frame", "EXTRACT", "pcs", "stocked", 214.00, 449.00);
        rows.point("EXTR-4", WORKS, "safety_stock", 2);
        rows.bom(
                "EXTR-4",
                "DRM-380P",
                1,
                "GBX-410",
                1,
                "BSK-380",
                1,
                "LEGS-3",
                1,
                "HANDLE-C",
                1,
                "TAP-40",
                1,
                "CARTON-E",
                1);
        rows.item("EXTR-9M", "Honey extractor, nine-frame, motor", "EXTRACT", "pcs", "stocked", 398.00, 849.00);
        rows.point("EXTR-9M", WORKS, "rule", "per_order");
        rows.bom(
                "EXTR-9M",
                "DRM-520P",
                1,
                "GBX-410",
                1,
                "BSK-520",
                1,
                "LEGS-3",
                1,
                "MOTOR-180",
                1,
                "CTRL-24",
                1,
                "TAP-40",
                1,
                "CARTON-E",
                1);
    }

    private void goods(
            String code,
            String name,
            String group,
            String supplier,
            double cost,
            double price,
            int days,
            Object... rule) {
        rows.item(code, name, group, "pcs", "stocked", cost, price);
        Object[] planning = new Object[2 + rule.length];
        planning[0] = "supplier";
        planning[1] = supplier;
        System.arraycopy(rule, 0, planning, 2, rule.length);
        rows.point(code, WORKS, planning);
        rows.bought(supplier, code, "pcs", cost, days, "min_quantity", 10);
    }

    private void merchandise() {
        Object[] monthly = {"rule", "period", "period_count", 1, "period_unit", "month"};
        for (String size : new String[] {"S", "M", "L"}) {
            goods("SUIT-" + size, "Beekeeper suit, " + size, "GOODS", "TARN", 31.00, 79.00, 45, monthly);
            goods("GLOVE-" + size, "Gloves, goatskin, " + size, "GOODS", "TARN", 6.80, 18.50, 45, monthly);
        }
        goods("SMOKER-S", "Smoker, small", "GOODS", "EMBERLY", 11.90, 29.00, 10, "safety_stock", 10);
        goods("SMOKER-L", "Smoker, large", "GOODS", "EMBERLY", 14.60, 36.00, 10, "safety_stock", 10);
        goods(
                "TOOL-J",
                "Hive tool, J type",
                "GOODS",
                "EMBERLY",
                3.30,
                11.00,
                10,
                "rule",
                "min_max",
                "reorder_point",
                25,
                "order_up_to",
                120);
        goods(
                "QEX-10",
                "Queen excluder, ten-frame",
                "GOODS",
                "EMBERLY",
                5.10,
                14.50,
                12,
                "rule",
                "fixed_quantity",
                "fixed_quantity",
                60,
                "reorder_point",
                20);
        goods("BRUSH-H", "Bee brush", "GOODS", "WIDDOW", 2.40, 7.50, 5);
        goods("SIEVE-2", "Honey sieve, double", "GOODS", "EMBERLY", 8.70, 24.00, 10);
        goods("PAIL-15", "Honey pail 15 l", "GOODS", "EMBERLY", 4.90, 13.00, 10, "multiple", 20);
        goods("SYRUP-5", "Feed syrup, 5 kg", "FEED", "SWEETMOSS", 5.60, 12.50, 5, "safety_stock", 20);
        goods("FONDANT-2", "Fondant, 2.5 kg", "FEED", "SWEETMOSS", 4.10, 9.50, 5, "safety_stock", 20);
    }

    private void kits() {
        rows.item("KIT-BEGIN", "Beginner's set", null, "pcs", "kit", 0, 349.00);
        rows.bom(
                "KIT-BEGIN",
                "HIVE-10N",
                1,
                "FOUND-B",
                1,
                "FOUND-S",
                2,
                "SUIT-M",
                1,
                "GLOVE-M",
                1,
                "SMOKER-S",
                1,
                "TOOL-J",
                1);
        rows.item("KIT-HARVEST", "Harvest set", null, "pcs", "kit", 0, 559.00);
        rows.bom("KIT-HARVEST", "EXTR-4", 1, "SIEVE-2", 1, "PAIL-15", 2, "BRUSH-H", 1);
    }

    /** What customers in the south are served with, filled from the works. */
    private void depot() {
        for (String code : new String[] {
            "HIVE-10N", "HIVE-10W", "FRAME-B", "FRAME-S", "FOUND-B", "SMOKER-S", "SUIT-M", "SYRUP-5", "FONDANT-2"
        }) {
            boolean many = code.startsWith("FRAME");
            rows.point(
                    code,
                    DEPOT,
                    "source",
                    "transfer",
                    "supplier",
                    "",
                    "from_site",
                    WORKS,
                    "lead_time_days",
                    2,
                    "multiple",
                    many ? 50 : 1,
                    "safety_stock",
                    many ? 100 : 4,
                    "safety_time_days",
                    1);
        }
    }
}
