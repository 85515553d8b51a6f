package rescient.dataset;

import java.math.BigDecimal;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.HashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.TreeMap;
import java.util.TreeSet;
import rescient.core.base.DocumentOrder;
import rescient.core.base.Ratio;
import rescient.core.company.BasicFacts;
import rescient.core.company.ItemFacts;
import rescient.core.company.Units;
import rescient.core.stock.Costing;
import rescient.core.stock.Masterdata;
import rescient.core.stock.StockItem;
import rescient.core.stock.StockValue;

/** What the rows of a dataset say of items, kits, routings and prices, as postings need it. */
final class ExecutionData implements Masterdata {
    private static final int BACK_DAYS = 30;

    private final Map<String, List<Row>> rows;
    private final LocalDate today;
    private final Units units;
    private final Map<String, StockItem> items = new HashMap<>();
    private final Map<String, List<Row>> bills = new HashMap<>();
    private final Map<String, List<Row>> routings = new HashMap<>();
    private final Map<String, Row> centers = new HashMap<>();
    private final Map<String, List<Row>> offers = new HashMap<>();
    private final Map<String, Row> sites = new HashMap<>();
    private final Map<String, List<Row>> kitParts = new HashMap<>();
    private final Map<String, Row> itemRows = new HashMap<>();
    private final Map<String, Row> groups = new HashMap<>();
    private final Map<String, Row> planning = new HashMap<>();
    private final List<String> steps;

    /** @param steps that postings name besides */
    ExecutionData(Map<String, List<Row>> rows, LocalDate today, List<String> steps) {
        this.rows = rows;
        this.today = today;
        this.units = new Units(
                of("units").stream()
                        .map(row -> new BasicFacts.Unit(row.text("code"), row.text("name"), row.whole("decimals", 0)))
                        .toList(),
                of("unit_conversions").stream()
                        .map(row -> new BasicFacts.UnitConversion(
                                row.text("item"), row.text("from_unit"), row.text("to_unit"), row.decimal("factor")))
                        .toList());
        for (Row row : of("items")) {
            items.put(row.text("code"), item(row));
            itemRows.put(row.text("code"), row);
        }
        of("customer_order_parts")
                .forEach(row -> kitParts.computeIfAbsent(
                                row.text("number") + '\0' + row.text("line"), key -> new ArrayList<>())
                        .add(row));
        of("item_groups").forEach(row -> groups.put(row.text("code"), row));
        of("planning").forEach(row -> planning.put(row.text("item") + '\0' + row.text("site"), row));
        of("bom_lines")
                .forEach(row -> bills.computeIfAbsent(row.text("parent"), p -> new ArrayList<>())
                        .add(row));
        bills.values()
                .forEach(lines -> lines.sort(Comparator.comparing(row -> row.text("line"), DocumentOrder.INSTANCE)));
        of("operations")
                .forEach(row -> routings.computeIfAbsent(row.text("item"), p -> new ArrayList<>())
                        .add(row));
        of("work_centers").forEach(row -> centers.put(row.text("code"), row));
        of("supplier_items")
                .forEach(row -> offers.computeIfAbsent(
                                row.text("supplier") + '\0' + row.text("item"), k -> new ArrayList<>())
                        .add(row));
        of("sites").forEach(row -> sites.put(row.text("code"), row));
        TreeSet<String> all = new TreeSet<>(DocumentOrder.INSTANCE);
        all.addAll(steps);
        for (String table : List.of("operations", "bom_lines", "open_order_components", "order_steps")) {
            of(table).forEach(row -> {
                if (row.text("step") != null) {
                    all.add(row.text("step"));
                }
            });
        }
        this.steps = List.copyOf(all);
    }

    List<Row> of(String table) {
        return rows.getOrDefault(table, List.of());
    }

    private StockItem item(Row row) {
        BigDecimal cost = row.decimal("standard_cost");
        return new StockItem(
                row.text("code"),
                row.text("unit"),
                units.decimals(row.text("unit")),
                "kit".equals(row.text("kind")),
                ItemFacts.Tracking.valueOf(row.text("tracking", "none").toUpperCase(Locale.ROOT)),
                Costing.valueOf(row.text("costing", "average").toUpperCase(Locale.ROOT)),
                cost == null ? BigDecimal.ZERO : cost);
    }

    String setting(String key) {
        return of("settings").stream()
                .filter(row -> row.text("key").equals(key))
                .map(row -> row.text("value"))
                .findFirst()
                .orElse(null);
    }

    /** The place of a step among all steps, from 1 on; null for none. */
    Integer step(String text) {
        return text == null ? null : steps.indexOf(text) + 1;
    }

    /** The step of a place; empty for none. */
    String step(int place) {
        return place < 1 ? "" : steps.get(place - 1);
    }

    Units units() {
        return units;
    }

    Map<String, StockItem> items() {
        return items;
    }

    @Override
    public LocalDate today() {
        return today;
    }

    @Override
    public int backDays() {
        String days = setting("posting_back_days");
        return days == null ? BACK_DAYS : Integer.parseInt(days);
    }

    @Override
    public int moneyDecimals() {
        return StockValue.decimals(setting("currency"));
    }

    @Override
    public StockItem item(String code) {
        return items.get(code);
    }

    @Override
    public boolean isSite(String code) {
        return sites.containsKey(code);
    }

    @Override
    public Ratio factor(String item, String from, String to) {
        return units.factor(item, from, to);
    }

    /** The lines of a bill that are valid on a day, both ends included. */
    List<Row> lines(String parent, LocalDate day) {
        return bills.getOrDefault(parent, List.of()).stream()
                .filter(row -> row.date("valid_from") == null
                        || !row.date("valid_from").isAfter(day))
                .filter(row ->
                        row.date("valid_to") == null || !row.date("valid_to").isBefore(day))
                .toList();
    }

    /** All lines of a bill. */
    List<Row> lines(String parent) {
        return bills.getOrDefault(parent, List.of());
    }

    /** The quantity of a line in the component's unit, without scrap. */
    Ratio quantity(Row line) {
        String component = line.text("component");
        String unit = items.get(component).unit();
        Ratio quantity = Ratio.of(line.decimal("quantity"));
        String said = line.text("unit");
        Ratio factor = said == null ? Ratio.ONE : units.factor(component, said, unit);
        return factor == null ? quantity : quantity.times(factor);
    }

    @Override
    public List<KitPart> kit(String item, LocalDate day) {
        return lines(item, day).stream()
                .map(line -> {
                    BigDecimal scrap = line.decimal("scrap");
                    Ratio more = Ratio.of(BigDecimal.ONE.add(scrap == null ? BigDecimal.ZERO : scrap));
                    return new KitPart(
                            line.text("component"), quantity(line).times(more), "order".equals(line.text("per")));
                })
                .toList();
    }

    @Override
    public List<KitPart> kit(String number, String line) {
        return kitParts.getOrDefault(number + '\0' + line, List.of()).stream()
                .map(row -> new KitPart(row.text("component"), Ratio.of(row.decimal("quantity")), false))
                .toList();
    }

    /** A site's own row takes the place of the general one of the same step. */
    List<Row> routing(String item, String site) {
        Map<String, Row> byStep = new TreeMap<>(DocumentOrder.INSTANCE);
        for (Row row : routings.getOrDefault(item, List.of())) {
            boolean own = site.equals(row.text("site"));
            if (own || (row.text("site") == null && !byStep.containsKey(row.text("step")))) {
                byStep.put(row.text("step"), row);
            }
        }
        return List.copyOf(byStep.values());
    }

    Row center(Row operation) {
        return centers.get(operation.text("work_center"));
    }

    static BigDecimal or(BigDecimal value, BigDecimal otherwise) {
        return value == null ? otherwise : value;
    }

    @Override
    public List<Operation> operations(String item, String site) {
        return routing(item, site).stream()
                .map(row -> {
                    Row center = center(row);
                    return new Operation(
                            step(row.text("step")),
                            center == null ? BigDecimal.ZERO : or(center.decimal("cost_per_hour"), BigDecimal.ZERO),
                            center == null ? BigDecimal.ONE : or(center.decimal("efficiency"), BigDecimal.ONE),
                            or(row.decimal("setup_minutes"), BigDecimal.ZERO),
                            or(row.decimal("run_minutes_per_unit"), BigDecimal.ZERO));
                })
                .toList();
    }

    /** The base row of a supplier's offer that is valid today; null: there is none. */
    Row offer(String supplier, String item) {
        return supplier == null
                ? null
                : offers.getOrDefault(supplier + '\0' + item, List.of()).stream()
                        .filter(row -> row.decimal("from_quantity").signum() == 0)
                        .filter(row -> row.date("valid_from") == null
                                || !row.date("valid_from").isAfter(today))
                        .filter(row -> row.date("valid_to") == null
                                || !row.date("valid_to").isBefore(today))
                        .max(Comparator.comparing(
                                row -> row.date("valid_from"), Comparator.nullsFirst(Comparator.naturalOrder())))
                        .orElse(null);
    }

    @Override
    public Price price(String supplier, String item) {
        Row offer = offer(supplier, item);
        return offer == null || offer.decimal("price") == null
                ? null
                : new Price(offer.decimal("price"), offer.text("unit"));
    }

    @Override
    public BigDecimal overReceipt(String supplier, String item) {
        Row offer = offer(supplier, item);
        return offer == null ? BigDecimal.ZERO : or(offer.decimal("over_receipt_percent"), BigDecimal.ZERO);
    }

    /** The yield of a stock point; 1 if nobody said. */
    BigDecimal yield(String item, String site) {
        Row row = planning.get(item + '\0' + site);
        String said = row == null ? null : planned(row, "yield");
        return said == null ? BigDecimal.ONE : new BigDecimal(said);
    }

    /** A column of a planning row, or of the item's group. */
    String planned(Row row, String column) {
        String own = row.text(column);
        String group = itemRows.get(row.text("item")).text("group");
        return own != null || group == null || !groups.containsKey(group)
                ? own
                : groups.get(group).text(column);
    }

    /** The row of an item. */
    Row itemRow(String item) {
        return itemRows.get(item);
    }
}
