package rescient.dataset.sheets;

import java.util.Comparator;
import java.util.HashSet;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Set;
import rescient.dataset.Column;
import rescient.dataset.Facts;
import rescient.dataset.RecordTables;
import rescient.dataset.Table;

/** Which column of a table stands in which column of a sheet: by its name, by what people call it, or by what stands there. */
public final class ColumnMatch {
    private static final int LOOKED_AT = 300;
    /** So many of a hundred values have to be known codes. */
    private static final int MOST_KNOWN = 80;

    /** What people call columns of the dataset, by its names. */
    private static final Map<String, List<String>> CALLED = Map.ofEntries(
            Map.entry(
                    "code",
                    List.of(
                            "no",
                            "number",
                            "id",
                            "key",
                            "part",
                            "part_no",
                            "part_number",
                            "article",
                            "item",
                            "item_no",
                            "item_code",
                            "sku",
                            "material",
                            "product")),
            Map.entry(
                    "name",
                    List.of("description", "text", "title", "designation", "item_name", "product_name", "company")),
            Map.entry(
                    "item",
                    List.of(
                            "part",
                            "part_no",
                            "part_number",
                            "article",
                            "article_no",
                            "item_no",
                            "item_code",
                            "sku",
                            "material",
                            "product",
                            "code")),
            Map.entry("parent", List.of("assembly", "parent_item", "product", "item", "bom", "father")),
            Map.entry("component", List.of("child", "part", "part_no", "material", "component_item", "item")),
            Map.entry(
                    "quantity",
                    List.of(
                            "qty",
                            "amount",
                            "pieces",
                            "pcs",
                            "quantity_per",
                            "qty_per",
                            "required",
                            "on_hand",
                            "stock",
                            "open",
                            "open_qty",
                            "open_quantity")),
            Map.entry("unit", List.of("uom", "unit_of_measure", "um", "me")),
            Map.entry("site", List.of("location", "warehouse", "plant", "store", "depot")),
            Map.entry(
                    "due_date",
                    List.of("due", "date", "delivery_date", "required_date", "wanted", "need_date", "delivery")),
            Map.entry("from_date", List.of("date", "period", "month", "week", "start")),
            Map.entry("price", List.of("unit_price", "list_price", "sales_price", "cost")),
            Map.entry("standard_cost", List.of("cost", "std_cost", "unit_cost")),
            Map.entry("lead_time_days", List.of("lead_time", "leadtime", "lt", "lead_days", "delivery_time")),
            Map.entry("safety_stock", List.of("safety", "buffer", "min_stock", "minimum_stock")),
            Map.entry("reorder_point", List.of("reorder_level", "rop", "order_point")),
            Map.entry("order_up_to", List.of("max_stock", "maximum_stock", "target_stock")),
            Map.entry(
                    "min_quantity",
                    List.of("moq", "min_order", "minimum_order", "min_qty", "minimum", "min_order_qty")),
            Map.entry("multiple", List.of("lot_multiple", "rounding", "pack_size", "order_multiple")),
            Map.entry("supplier", List.of("vendor", "vendor_no", "supplier_no", "supplier_code", "creditor")),
            Map.entry("customer", List.of("client", "customer_no", "customer_code", "debtor")),
            Map.entry("number", List.of("order", "order_no", "order_number", "document", "no")),
            Map.entry("line", List.of("pos", "position", "line_no", "item_no", "row")),
            Map.entry("from_quantity", List.of("from_qty", "from", "break", "qty_from", "price_break")),
            Map.entry("lot", List.of("batch", "lot_no", "batch_no", "lot_number")),
            Map.entry("serial", List.of("serial_no", "serial_number")),
            Map.entry("expiry", List.of("expires", "expiry_date", "best_before", "use_by")),
            Map.entry("group", List.of("item_group", "category", "product_group", "family", "class")),
            Map.entry("calendar", List.of("work_calendar")),
            Map.entry("email", List.of("mail", "e_mail")));

    private ColumnMatch() {}

    /** The table whose columns a sheet has most of; of one that is named as the sheet, that one. Null if none fits. */
    public static Table table(Sheet sheet, Facts facts) {
        String name = plain(sheet.name().replaceFirst("\\.\\w+$", ""));
        if (Table.named(name) != null) {
            return Table.named(name);
        }
        if (RecordTables.named(name) != null) {
            return null; // nobody brings in what happened
        }
        if (PeriodColumns.of(sheet, Habits.of(sheet)).isThere()) {
            return Table.named("forecasts");
        }
        return Table.ALL.stream()
                .filter(table -> score(table, sheet, facts) > 0)
                .max(Comparator.comparingInt((Table table) -> score(table, sheet, facts))
                        .thenComparing(table -> -table.columns().size()))
                .orElse(null);
    }

    /**
     * How well a sheet fits: what is named as in the dataset counts most, and every column that is not understood counts
     * against it. Nothing fits a table if a column that it needs is not there.
     */
    private static int score(Table table, Sheet sheet, Facts facts) {
        Map<String, Integer> columns = of(table, sheet, facts);
        boolean complete = table.columns().stream()
                .filter(Column::required)
                .allMatch(column -> columns.containsKey(column.name()));
        if (!complete) {
            return 0;
        }
        int named = (int) columns.entrySet().stream()
                .filter(found -> plain(sheet.header().get(found.getValue())).equals(found.getKey()))
                .count();
        return 2 * columns.size() + named - 2 * (sheet.header().size() - columns.size());
    }

    /** The place in the sheet of each column of the table that is found there. */
    public static Map<String, Integer> of(Table table, Sheet sheet, Facts facts) {
        Map<String, Integer> places = new LinkedHashMap<>();
        Set<Integer> taken = new HashSet<>();
        List<String> header = sheet.header().stream().map(ColumnMatch::plain).toList();
        for (Column column : table.columns()) {
            take(places, taken, column, header.indexOf(column.name()));
        }
        for (Column column : table.columns()) {
            for (String called : CALLED.getOrDefault(column.name(), List.of())) {
                take(places, taken, column, header.indexOf(called));
            }
        }
        for (Column column : table.columns()) {
            if (column.references() != null && !places.containsKey(column.name())) {
                take(places, taken, column, byContent(column, sheet, facts, taken));
            }
        }
        return places;
    }

    private static void take(Map<String, Integer> places, Set<Integer> taken, Column column, int place) {
        if (place >= 0 && !places.containsKey(column.name()) && taken.add(place)) {
            places.put(column.name(), place);
        }
    }

    /** The first column in which nearly all values are codes of the table that is named. */
    private static int byContent(Column column, Sheet sheet, Facts facts, Set<Integer> taken) {
        for (int place = 0; place < sheet.header().size(); place++) {
            if (taken.contains(place)) {
                continue;
            }
            int values = 0;
            int known = 0;
            for (int r = 0; r < Math.min(LOOKED_AT, sheet.rows().size()); r++) {
                String cell = sheet.cell(r, place);
                if (!cell.isEmpty()) {
                    values++;
                    known += facts.row(column.references(), cell) == null ? 0 : 1;
                }
            }
            if (known > 0 && known * 100 >= values * MOST_KNOWN) {
                return place;
            }
        }
        return -1;
    }

    /** A name in small letters, with one underscore between words. */
    static String plain(String name) {
        return name.strip()
                .toLowerCase(Locale.ROOT)
                .replaceAll("[^\\p{L}\\p{N}]+", "_")
                .replaceAll("^_+|_+$", "");
    }
}
