package rescient.server.planning;

import java.math.BigDecimal;
import java.util.Comparator;
import java.util.List;
import java.util.Map;
import java.util.TreeMap;
import java.util.stream.Stream;
import rescient.core.base.DocumentOrder;
import rescient.core.base.Quantity;
import rescient.core.base.Ratio;
import rescient.core.prices.PriceBreaks;
import rescient.dataset.Dataset;
import rescient.dataset.FactChange;
import rescient.dataset.Facts;
import rescient.dataset.Row;
import rescient.dataset.Units;

/** Names, units and prices as of the same moment as the plan beside it. */
public final class Directory {
    private static final Comparator<Row> BY_PREFERENCE = Comparator.comparing(
                    (Row r) -> r.whole("preference", Integer.MAX_VALUE))
            .thenComparing(r -> r.text("alternative"))
            .thenComparing(r -> r.text("parent", ""));

    private final Facts facts;
    private volatile Map<String, Row> items;
    private volatile Map<String, Row> sites;

    Directory(Facts facts) {
        this.facts = facts;
    }

    /** The same company with changed rows. */
    Directory after(List<FactChange> changes) {
        Directory next = new Directory(facts.after(changes));
        next.items = facts.rows("items") == next.facts.rows("items") ? items : null;
        next.sites = facts.rows("sites") == next.facts.rows("sites") ? sites : null;
        return next;
    }

    private static Map<String, Row> byCode(List<Row> rows) {
        Map<String, Row> byCode = new TreeMap<>();
        rows.forEach(r -> byCode.put(r.text("code"), r));
        return byCode;
    }

    private static List<Row> sorted(List<Row> rows, Comparator<Row> order) {
        return rows.size() < 2 ? rows : rows.stream().sorted(order).toList();
    }

    private static Comparator<Row> by(String column) {
        return (a, b) -> DocumentOrder.INSTANCE.compare(a.text(column), b.text(column));
    }

    /** The company as it is. */
    public Facts facts() {
        return facts;
    }

    /** All of its tables. */
    public Dataset dataset() {
        return facts.dataset();
    }

    /** Items by code, in order. */
    public Map<String, Row> items() {
        Map<String, Row> known = items;
        if (known == null) {
            known = byCode(facts.rows("items"));
            items = known;
        }
        return known;
    }

    /** An item, or null. */
    public Row item(String code) {
        return facts.row("items", code);
    }

    /** Sites by code, in order. */
    public Map<String, Row> sites() {
        Map<String, Row> known = sites;
        if (known == null) {
            known = byCode(facts.rows("sites"));
            sites = known;
        }
        return known;
    }

    /** An open order's line, or null. */
    public Row openOrder(String number, String line) {
        return facts.row("open_orders", number, line);
    }

    /** All lines of open orders. */
    Stream<Row> openOrders() {
        return facts.rows("open_orders").stream();
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
        return facts.row("customer_orders", number, line);
    }

    public List<Row> bomLines(String parent) {
        return sorted(facts.rows("bom_lines", "parent", parent), by("line"));
    }

    /** Rows of what can be used in the place of an item, the first choice first. */
    public List<Row> alternatives(String item) {
        return sorted(facts.rows("alternative_items", "item", item), BY_PREFERENCE);
    }

    /** The operations of an item, by step. */
    public List<Row> operations(String item) {
        return sorted(facts.rows("operations", "item", item), by("step"));
    }

    public String workCenterName(String code) {
        return name("work_centers", code);
    }

    public String itemName(String code) {
        return name("items", code);
    }

    public String siteName(String code) {
        return name("sites", code);
    }

    public String supplierName(String code) {
        return name("suppliers", code);
    }

    /** The name of an item's group, or null. */
    public String groupName(String code) {
        return name("item_groups", code);
    }

    public String customerName(String code) {
        return name("customers", code);
    }

    private String name(String table, String code) {
        Row row = code == null ? null : facts.row(table, code);
        return row == null ? code : row.text("name", code);
    }

    public String unit(String item) {
        return item(item).text("unit");
    }

    /** How many decimals an item's quantities have. */
    public int decimals(String item) {
        return facts.units().decimals(unit(item));
    }

    public String planner(String item) {
        return item(item).text("planner");
    }

    /** The codes of all suppliers, in order. */
    public List<String> suppliers() {
        return codes("suppliers");
    }

    /** All planners of items, in order. */
    public List<String> planners() {
        return facts.rows("items").stream()
                .map(row -> row.text("planner"))
                .filter(java.util.Objects::nonNull)
                .distinct()
                .sorted()
                .toList();
    }

    /** The codes of all item groups, in order. */
    public List<String> groups() {
        return codes("item_groups");
    }

    /** The codes of all customers, in order. */
    public List<String> customers() {
        return codes("customers");
    }

    public boolean knowsSupplier(String code) {
        return facts.row("suppliers", code) != null;
    }

    public boolean hasTerms(String supplier, String item) {
        return !prices(supplier, item).isEmpty();
    }

    /** The suppliers whose terms for an item are known, by code. */
    public List<String> suppliersOf(String item) {
        return facts.rows("supplier_items", "item", item).stream()
                .map(row -> row.text("supplier"))
                .distinct()
                .sorted()
                .toList();
    }

    public BigDecimal minimumOrderValue(String supplier) {
        Row row = supplier == null ? null : facts.row("suppliers", supplier);
        return row == null ? null : row.decimal("minimum_order_value");
    }

    public String currency() {
        String currency = facts.setting("currency");
        return currency == null ? "EUR" : currency;
    }

    /** The rows of a supplier's terms for an item. */
    private List<Row> prices(String supplier, String item) {
        return facts.rows("supplier_items", "item", item).stream()
                .filter(row -> row.text("supplier").equals(supplier))
                .toList();
    }

    private List<String> codes(String table) {
        return facts.rows(table).stream().map(row -> row.text("code")).sorted().toList();
    }

    /** The unit an item is bought in from a supplier. */
    public String purchaseUnit(String supplier, String item) {
        return prices(supplier, item).stream()
                .map(r -> r.text("unit", unit(item)))
                .findFirst()
                .orElse(unit(item));
    }

    /** A quantity in the unit an item is bought in from a supplier, in whole steps of it. */
    public BigDecimal inPurchaseUnits(String supplier, String item, BigDecimal quantity) {
        Units units = facts.units();
        String bought = purchaseUnit(supplier, item);
        Ratio factor = units.factor(item, bought, unit(item));
        if (factor == null) {
            return quantity;
        }
        return Quantity.decimal(factor.inverse().up(Quantity.of(quantity), Quantity.step(units.decimals(bought))));
    }

    /** The price of one purchase unit at this quantity of them, or null if none is known. */
    public BigDecimal purchasePrice(String supplier, String item, BigDecimal quantity) {
        return new PriceBreaks(prices(supplier, item).stream()
                        .map(r -> new PriceBreaks.Break(r.decimal("from_quantity"), r.decimal("price")))
                        .toList())
                .at(quantity);
    }

    /** What a quantity of an item costs at standard, or null if no cost is known. */
    public BigDecimal standardValue(String item, BigDecimal quantity) {
        return PriceBreaks.value(quantity, item(item).decimal("standard_cost"));
    }
}
