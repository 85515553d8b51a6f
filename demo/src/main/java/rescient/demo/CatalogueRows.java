package rescient.demo;

import java.util.HashMap;
import java.util.Locale;
import java.util.Map;

/** Writes rows of items, bills of materials, stock points and prices. */
final class CatalogueRows {
    /** Small things that nobody fetches for an order: they are taken with what is reported. */
    private static final String WITH_EACH_REPORT = "SCR-.*|NAIL-.*|EYELET-.*|BOLT-.*|NUT-M.*|WASH-.*|RIVET-.*|LABEL-.*";

    /** How lots and serial numbers are made up. */
    private static final Map<String, String> PATTERNS = Map.of(
            "CARR-62",
            "CA-{yy}{ww}",
            "SHF-410",
            "SH-{yy}{ww}",
            "GBX-410",
            "GB-{yy}{ww}-{####}",
            "EXTR-4",
            "X4-{yy}{ww}-{####}",
            "EXTR-9M",
            "X9-{yy}{ww}-{####}");

    private final Tables tables;
    private final Map<String, Integer> lines = new HashMap<>();

    CatalogueRows(Tables tables) {
        this.tables = tables;
    }

    void item(String code, String name, String group, String unit, String kind, double cost, Double price) {
        tables.add(
                "items",
                "code",
                code,
                "name",
                name,
                "group",
                group,
                "unit",
                unit,
                "kind",
                kind,
                "tracking",
                tracking(code, group),
                "issue",
                code.matches(WITH_EACH_REPORT) ? "backflush" : "",
                "lot_pattern",
                PATTERNS.getOrDefault(code, ""),
                "standard_cost",
                money(cost),
                "price",
                price == null ? "" : money(price),
                "planner",
                group == null || group.matches("METAL|EXTRACT|GOODS|FEED") ? "Tom Ferris" : "Ida Holm");
    }

    private static String tracking(String code, String group) {
        if (code.startsWith("EXTR-") || code.equals("GBX-410")) {
            return "serial";
        }
        return "FEED".equals(group) || code.matches("WAX-.*|BRG-6202|CARR-62|SHF-410") ? "lot" : "none";
    }

    static String money(double value) {
        return String.format(Locale.ROOT, "%.2f", value);
    }

    void point(String item, String site, Object... columns) {
        Object[] row = new Object[4 + columns.length];
        row[0] = "item";
        row[1] = item;
        row[2] = "site";
        row[3] = site;
        System.arraycopy(columns, 0, row, 4, columns.length);
        tables.add("planning", row);
    }

    void bom(String parent, Object... componentsAndQuantities) {
        for (int i = 0; i < componentsAndQuantities.length; i += 2) {
            line(parent, componentsAndQuantities[i], componentsAndQuantities[i + 1], "scrap", "");
        }
    }

    void line(String parent, Object component, Object quantity, Object... more) {
        int line = lines.merge(parent, 10, Integer::sum);
        Object[] row = new Object[8 + more.length];
        row[0] = "parent";
        row[1] = parent;
        row[2] = "line";
        row[3] = line;
        row[4] = "component";
        row[5] = component;
        row[6] = "quantity";
        row[7] = quantity;
        System.arraycopy(more, 0, row, 8, more.length);
        tables.add("bom_lines", row);
    }

    void bought(String supplier, String item, String unit, double price, int days, Object... more) {
        Object[] row = new Object[12 + more.length];
        Object[] first = {
            "supplier",
            supplier,
            "item",
            item,
            "from_quantity",
            0,
            "unit",
            unit,
            "price",
            money(price),
            "lead_time_days",
            days
        };
        System.arraycopy(first, 0, row, 0, 12);
        System.arraycopy(more, 0, row, 12, more.length);
        tables.add("supplier_items", row);
    }

    void made(String code, String name, String group, double cost, Object... planning) {
        item(code, name, group, "pcs", "stocked", cost, null);
        point(code, Catalogue.WORKS, planning);
    }
}
