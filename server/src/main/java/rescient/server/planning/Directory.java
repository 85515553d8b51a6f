package rescient.server.planning;

import java.math.BigDecimal;
import java.math.RoundingMode;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.TreeMap;
import java.util.stream.Stream;
import rescient.core.base.Quantity;
import rescient.core.base.Ratio;
import rescient.core.company.Change;
import rescient.dataset.Dataset;
import rescient.dataset.Row;
import rescient.dataset.Units;

/** Names, units and prices as of the same moment as the plan beside it. */
public final class Directory {
    private static final int CENTS = 2;

    private final Dataset dataset;
    private final OpenOrders openOrders;
    private final Map<String, Row> items;
    private final Map<String, Row> sites;
    private final Map<String, Row> suppliers;
    private final Map<String, Row> customers;
    private final Map<String, Row> groups;
    private final Map<String, Row> customerOrders;
    private final Map<String, List<Row>> prices;
    private final Map<String, List<Row>> bomLines;
    private final Map<String, List<Row>> alternatives;
    private final Map<String, List<Row>> operations;
    private final Map<String, Row> workCenters;

    Directory(Dataset dataset) {
        this.dataset = dataset;
        items = index(new TreeMap<>(), dataset, "items");
        sites = index(new TreeMap<>(), dataset, "sites");
        suppliers = index(new HashMap<>(), dataset, "suppliers");
        customers = index(new HashMap<>(), dataset, "customers");
        groups = index(new HashMap<>(), dataset, "item_groups");
        workCenters = index(new HashMap<>(), dataset, "work_centers");
        customerOrders = new HashMap<>();
        prices = new HashMap<>();
        bomLines = new HashMap<>();
        alternatives = new HashMap<>();
        operations = new HashMap<>();
        openOrders = new OpenOrders(dataset);
        dataset.rows("customer_orders").forEach(r -> customerOrders.put(key(r.text("number"), r.text("line")), r));
        dataset.rows("supplier_items")
                .forEach(r -> prices.computeIfAbsent(key(r.text("supplier"), r.text("item")), k -> new ArrayList<>())
                        .add(r));
        dataset.rows("bom_lines")
                .forEach(r -> bomLines.computeIfAbsent(r.text("parent"), p -> new ArrayList<>())
                        .add(r));
        dataset.rows("alternative_items")
                .forEach(r -> alternatives
                        .computeIfAbsent(r.text("item"), i -> new ArrayList<>())
                        .add(r));
        Comparator<Row> byPreference = Comparator.comparing((Row r) -> r.whole("preference", Integer.MAX_VALUE))
                .thenComparing(r -> r.text("alternative"))
                .thenComparing(r -> r.text("parent", ""));
        alternatives.values().forEach(others -> others.sort(byPreference));
        Comparator<Row> byLine =
                (a, b) -> rescient.core.base.DocumentOrder.INSTANCE.compare(a.text("line"), b.text("line"));
        bomLines.values().forEach(lines -> lines.sort(byLine));
        dataset.rows("operations")
                .forEach(r -> operations
                        .computeIfAbsent(r.text("item"), i -> new ArrayList<>())
                        .add(r));
        Comparator<Row> byStep =
                (a, b) -> rescient.core.base.DocumentOrder.INSTANCE.compare(a.text("step"), b.text("step"));
        operations.values().forEach(steps -> steps.sort(byStep));
    }

    /**
     * The same with what changes say of open orders, all else shared; whoever changes anything but that and planning rows
     * has the company read again.
     */
    Directory after(List<Change> changes) {
        return new Directory(this, openOrders.after(changes));
    }

    /** The same with another planning row of a stock point. */
    Directory planned(Row planning) {
        return new Directory(this, openOrders.in(dataset.with(planning)));
    }

    private Directory(Directory before, OpenOrders openOrders) {
        this.openOrders = openOrders;
        dataset = openOrders.read();
        items = before.items;
        sites = before.sites;
        suppliers = before.suppliers;
        customers = before.customers;
        groups = before.groups;
        customerOrders = before.customerOrders;
        prices = before.prices;
        bomLines = before.bomLines;
        alternatives = before.alternatives;
        operations = before.operations;
        workCenters = before.workCenters;
    }

    private static Map<String, Row> index(Map<String, Row> into, Dataset dataset, String table) {
        dataset.rows(table).forEach(r -> into.put(r.text("code"), r));
        return into;
    }

    private static String key(String a, String b) {
        return a + '\0' + b;
    }

    /** The company as it is. */
    public Dataset dataset() {
        return openOrders.dataset();
    }

    /** The company's tables but those of open orders, which may be older here. */
    public Dataset data() {
        return dataset;
    }

    /** Items by code. */
    public Map<String, Row> items() {
        return items;
    }

    /** Sites by code. */
    public Map<String, Row> sites() {
        return sites;
    }

    /** An open order's line, or null. */
    public Row openOrder(String number, String line) {
        return openOrders.line(number, line);
    }

    /** All lines of open orders. */
    Stream<Row> openOrders() {
        return openOrders.lines();
    }

    /** Supplier, sending site or subcontractor of an open order's line, by name; or null. */
    public String partnerOf(String number, String line) {
        Row row = openOrder(number, line);
        return row == null
                ? null
                : "buy".equals(row.text("kind")) ? supplierName(row.text("supplier")) : siteName(row.text("from_site"));
    }

    /** A customer order's line, or null. */
    public Row customerOrder(String number, String line) {
        return customerOrders.get(key(number, line));
    }

    public List<Row> bomLines(String parent) {
        return bomLines.getOrDefault(parent, List.of());
    }

    /** Rows of what can be used in the place of an item, the first choice first. */
    public List<Row> alternatives(String item) {
        return alternatives.getOrDefault(item, List.of());
    }

    /** The operations of an item, by step. */
    public List<Row> operations(String item) {
        return operations.getOrDefault(item, List.of());
    }

    public String workCenterName(String code) {
        return name(workCenters, code);
    }

    public String itemName(String code) {
        return name(items, code);
    }

    public String siteName(String code) {
        return name(sites, code);
    }

    public String supplierName(String code) {
        return name(suppliers, code);
    }

    /** The name of an item's group, or null. */
    public String groupName(String code) {
        return name(groups, code);
    }

    public String customerName(String code) {
        return name(customers, code);
    }

    private static String name(Map<String, Row> rows, String code) {
        Row row = code == null ? null : rows.get(code);
        return row == null ? code : row.text("name", code);
    }

    public String unit(String item) {
        return items.get(item).text("unit");
    }

    /** How many decimals an item's quantities have. */
    public int decimals(String item) {
        String unit = unit(item);
        return dataset.rows("units").stream()
                .filter(r -> unit.equals(r.text("code")))
                .findFirst()
                .map(r -> r.whole("decimals", 0))
                .orElse(0);
    }

    public String planner(String item) {
        return items.get(item).text("planner");
    }

    /** The codes of all suppliers, in order. */
    public List<String> suppliers() {
        return suppliers.keySet().stream().sorted().toList();
    }

    /** All planners of items, in order. */
    public List<String> planners() {
        return items.values().stream()
                .map(row -> row.text("planner"))
                .filter(java.util.Objects::nonNull)
                .distinct()
                .sorted()
                .toList();
    }

    /** The codes of all item groups, in order. */
    public List<String> groups() {
        return groups.keySet().stream().sorted().toList();
    }

    /** The codes of all customers, in order. */
    public List<String> customers() {
        return customers.keySet().stream().sorted().toList();
    }

    public boolean knowsSupplier(String code) {
        return suppliers.containsKey(code);
    }

    public boolean hasTerms(String supplier, String item) {
        return prices.containsKey(key(supplier, item));
    }

    /** The suppliers whose terms for an item are known, by code. */
    public List<String> suppliersOf(String item) {
        return prices.keySet().stream()
                .filter(k -> k.endsWith('\0' + item))
                .map(k -> k.substring(0, k.indexOf('\0')))
                .sorted()
                .toList();
    }

    public BigDecimal minimumOrderValue(String supplier) {
        Row row = suppliers.get(supplier);
        return row == null ? null : row.decimal("minimum_order_value");
    }

    public String currency() {
        String currency = dataset.setting("currency");
        return currency == null ? "EUR" : currency;
    }

    /** The unit an item is bought in from a supplier. */
    public String purchaseUnit(String supplier, String item) {
        return prices.getOrDefault(key(supplier, item), List.of()).stream()
                .map(r -> r.text("unit", unit(item)))
                .findFirst()
                .orElse(unit(item));
    }

    /** A quantity in the unit an item is bought in from a supplier, in whole steps of it. */
    public BigDecimal inPurchaseUnits(String supplier, String item, BigDecimal quantity) {
        Units units = new Units(dataset);
        String bought = purchaseUnit(supplier, item);
        Ratio factor = units.factor(item, bought, unit(item));
        if (factor == null) {
            return quantity;
        }
        return Quantity.decimal(factor.inverse().up(Quantity.of(quantity), Quantity.step(units.decimals(bought))));
    }

    /** The price of one purchase unit at this quantity of them, or null if none is known. */
    public BigDecimal purchasePrice(String supplier, String item, BigDecimal quantity) {
        return prices.getOrDefault(key(supplier, item), List.of()).stream()
                .filter(r -> r.decimal("price") != null)
                .filter(r -> r.decimal("from_quantity").compareTo(quantity) <= 0)
                .max(Comparator.comparing(r -> r.decimal("from_quantity")))
                .map(r -> r.decimal("price"))
                .orElse(null);
    }

    /** What a quantity of an item costs at standard, or null if no cost is known. */
    public BigDecimal standardValue(String item, BigDecimal quantity) {
        BigDecimal cost = items.get(item).decimal("standard_cost");
        return cost == null ? null : cost.multiply(quantity).setScale(CENTS, RoundingMode.HALF_UP);
    }

    /** Quantity × price, to the cent. */
    public static BigDecimal value(BigDecimal quantity, BigDecimal price) {
        return price == null ? null : quantity.multiply(price).setScale(CENTS, RoundingMode.HALF_UP);
    }
}
