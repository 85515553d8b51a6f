package rescient.server.planning;

import java.lang.ref.SoftReference;
import java.math.BigDecimal;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Map;
import java.util.TreeMap;
import java.util.function.Function;
import java.util.stream.IntStream;
import rescient.core.base.DocumentOrder;
import rescient.core.base.Quantity;
import rescient.core.base.Ratio;
import rescient.core.company.BasicFacts;
import rescient.core.company.Earmark;
import rescient.core.company.Fact;
import rescient.core.company.ItemFacts;
import rescient.core.company.MakingFacts;
import rescient.core.company.OrderFacts;
import rescient.core.company.PartnerFacts;
import rescient.core.company.Source;
import rescient.core.company.Units;
import rescient.core.order.AlternativeChoice;
import rescient.core.prices.PriceBreaks;
import rescient.core.trace.BillTree;
import rescient.dataset.Dataset;
import rescient.dataset.FactChange;
import rescient.dataset.Facts;
import rescient.dataset.Row;

/** Names, units and prices as of the same moment as the plan beside it. */
public final class Directory {
    private final Facts facts;
    private volatile Map<String, ItemFacts.Item> items;
    private volatile Map<String, BasicFacts.Site> sites;
    private volatile SoftReference<After> last = new SoftReference<>(null);

    Directory(Facts facts) {
        this.facts = facts;
    }

    /** What became of it by some rows last: who follows the same change later has the same company. */
    private record After(List<FactChange> rows, Directory directory) {
        boolean cameOf(List<FactChange> others) {
            return rows.size() == others.size()
                    && IntStream.range(0, rows.size()).allMatch(i -> rows.get(i) == others.get(i));
        }
    }

    /** The same company with changed rows. */
    Directory after(List<FactChange> changes) {
        After known = last.get();
        if (known != null && known.cameOf(changes)) {
            return known.directory;
        }
        Directory next = made(changes);
        last = new SoftReference<>(new After(changes, next));
        return next;
    }

    private Directory made(List<FactChange> changes) {
        Directory next = new Directory(facts.after(changes));
        next.items = facts.rows("items") == next.facts.rows("items") ? items : null;
        next.sites = facts.rows("sites") == next.facts.rows("sites") ? sites : null;
        return next;
    }

    /**
     * The same company as it was before some changes.
     *
     * @param since what became otherwise since then, in order
     */
    public Directory before(List<FactChange> since) {
        if (since.isEmpty()) {
            return this;
        }
        List<FactChange> back = new ArrayList<>();
        since.forEach(change -> back.add(0, change.reversed()));
        return made(back);
    }

    /** The same company on another day. */
    Directory on(LocalDate day) {
        Directory next = new Directory(facts.on(day));
        next.items = items;
        next.sites = sites;
        return next;
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
    public Map<String, ItemFacts.Item> items() {
        Map<String, ItemFacts.Item> known = items;
        if (known == null) {
            known = byCode(ItemFacts.Item.class, ItemFacts.Item::code);
            items = known;
        }
        return known;
    }

    /** An item, or null; of what is bought for one line alone, the item that it is. */
    public ItemFacts.Item item(String code) {
        return facts.one(ItemFacts.Item.class, Earmark.item(code)).orElse(null);
    }

    /** Sites by code, in order. */
    public Map<String, BasicFacts.Site> sites() {
        Map<String, BasicFacts.Site> known = sites;
        if (known == null) {
            known = byCode(BasicFacts.Site.class, BasicFacts.Site::code);
            sites = known;
        }
        return known;
    }

    private <F extends Fact> Map<String, F> byCode(Class<F> kind, Function<F, String> code) {
        Map<String, F> byCode = new TreeMap<>();
        facts.all(kind).forEach(fact -> byCode.put(code.apply(fact), fact));
        return byCode;
    }

    /** An open order's line, or null. */
    public OrderFacts.OpenOrder openOrder(String number, String line) {
        return facts.one(OrderFacts.OpenOrder.class, number, line).orElse(null);
    }

    /** Supplier, sending site or subcontractor of an open order's line, by name; or null. */
    public String partnerOf(String number, String line) {
        OrderFacts.OpenOrder order = openOrder(number, line);
        return order == null
                ? null
                : order.kind() == Source.BUY ? supplierName(order.supplier()) : siteName(order.fromSite());
    }

    /** A customer order's line, or null. */
    public OrderFacts.CustomerOrder customerOrder(String number, String line) {
        return facts.one(OrderFacts.CustomerOrder.class, number, line).orElse(null);
    }

    /** The name of the customer who asks for a line of a customer order; null if nobody in particular does. */
    public String customerOf(String number, String line) {
        OrderFacts.CustomerOrder order = customerOrder(number, line);
        return order == null ? null : customerName(order.customer());
    }

    /** The bills of materials. */
    public BillTree bills() {
        return new BillTree(facts);
    }

    /** What can be used in the place of an item. */
    public AlternativeChoice alternatives(String item) {
        return new AlternativeChoice(facts.where(ItemFacts.AlternativeItem.class, "item", item).stream()
                .filter(row -> !isRetired("items", row.alternative()))
                .toList());
    }

    /** The operations of an item, by step. */
    public List<MakingFacts.Operation> operations(String item) {
        return facts.where(MakingFacts.Operation.class, "item", item).stream()
                .sorted(Comparator.comparing(MakingFacts.Operation::step, DocumentOrder.INSTANCE))
                .toList();
    }

    /** The operations that an item passes at a site, by step: the site's own in the place of what holds everywhere. */
    public List<MakingFacts.Operation> operations(String item, String site) {
        Map<String, MakingFacts.Operation> routing = new TreeMap<>(DocumentOrder.INSTANCE);
        operations(item).stream()
                .filter(one -> one.site() == null || one.site().equals(site))
                .sorted(Comparator.comparing(one -> one.site() != null))
                .forEach(one -> routing.put(one.step(), one));
        return List.copyOf(routing.values());
    }

    public String workCenterName(String code) {
        return name("work_centers", code);
    }

    public String itemName(String code) {
        return name("items", code == null ? null : Earmark.item(code));
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

    // asked for each of many orders, so without making all of the item of its row

    public String unit(String item) {
        return ofItem(item, "unit");
    }

    /** Whether an item is kept by lots or serial numbers: none, lot or serial. */
    public String tracking(String item) {
        String tracking = ofItem(item, "tracking");
        return tracking == null ? "none" : tracking;
    }

    /** Whether its lots or serial numbers are made up by a pattern. */
    public boolean numbered(String item) {
        return !tracking(item).equals("none") && ofItem(item, "lot_pattern") != null;
    }

    /** Where an item lies at a site; empty: nobody said. */
    public String zone(String item, String site) {
        Row planning = facts.row("planning", Earmark.item(item), site);
        return planning == null ? "" : planning.text("zone", "");
    }

    /** The group of an item, or null. */
    public String group(String item) {
        return ofItem(item, "group");
    }

    public String planner(String item) {
        return ofItem(item, "planner");
    }

    private String ofItem(String item, String column) {
        return facts.row("items", Earmark.item(item)).text(column);
    }

    /** How many decimals an item's quantities have. */
    public int decimals(String item) {
        return facts.units().decimals(unit(item));
    }

    /** The codes of all suppliers, in order. */
    public List<String> suppliers() {
        return codes(PartnerFacts.Supplier.class);
    }

    /** All planners of items, in order. */
    public List<String> planners() {
        return facts.texts(ItemFacts.Item.class, "planner").distinct().sorted().toList();
    }

    /** The codes of all item groups, in order. */
    public List<String> groups() {
        return codes(ItemFacts.ItemGroup.class);
    }

    /** The codes of all customers, in order. */
    public List<String> customers() {
        return codes(PartnerFacts.Customer.class);
    }

    public boolean knowsSupplier(String code) {
        return facts.one(PartnerFacts.Supplier.class, code).isPresent();
    }

    public boolean hasTerms(String supplier, String item) {
        return !prices(supplier, item).isEmpty();
    }

    /** Whether what stands under a code is offered no more. */
    public boolean isRetired(String table, String code) {
        Row row = facts.row(table, code);
        return row != null && row.table().indexOf("retired") >= 0 && row.flag("retired", false);
    }

    /** The suppliers who offer an item today, by code. */
    public List<String> suppliersOf(String item) {
        return facts.offers(Earmark.item(item)).stream()
                .map(PartnerFacts.SupplierItem::supplier)
                .filter(supplier -> !isRetired("suppliers", supplier))
                .distinct()
                .sorted()
                .toList();
    }

    public BigDecimal minimumOrderValue(String supplier) {
        return supplier == null
                ? null
                : facts.one(PartnerFacts.Supplier.class, supplier)
                        .map(PartnerFacts.Supplier::minimumOrderValue)
                        .orElse(null);
    }

    public String currency() {
        String currency = facts.setting("currency");
        return currency == null ? "EUR" : currency;
    }

    /** A supplier's terms for an item, as they are today. */
    private List<PartnerFacts.SupplierItem> prices(String supplier, String item) {
        return facts.offers(Earmark.item(item)).stream()
                .filter(terms -> terms.supplier().equals(supplier))
                .toList();
    }

    private List<String> codes(Class<? extends Fact> kind) {
        return facts.texts(kind, "code").sorted().toList();
    }

    /** The unit an item is bought in from a supplier. */
    public String purchaseUnit(String supplier, String item) {
        return prices(supplier, item).stream()
                .findFirst()
                .map(PartnerFacts.SupplierItem::unit)
                .orElse(unit(item));
    }

    /** A quantity in the unit an item is bought in from a supplier, in whole steps of it. */
    public BigDecimal inPurchaseUnits(String supplier, String item, BigDecimal quantity) {
        return inUnit(item, quantity, purchaseUnit(supplier, item));
    }

    /** A quantity of an item in another unit, in whole steps of it; as it is if nothing says how many they are. */
    public BigDecimal inUnit(String item, BigDecimal quantity, String bought) {
        Units units = facts.units();
        Ratio factor = units.factor(Earmark.item(item), bought, unit(item));
        if (factor == null) {
            return quantity;
        }
        return Quantity.decimal(factor.inverse().up(Quantity.of(quantity), Quantity.step(units.decimals(bought))));
    }

    /** The price of one purchase unit at this quantity of them, or null if none is known. */
    public BigDecimal purchasePrice(String supplier, String item, BigDecimal quantity) {
        return priceBreaks(supplier, item).at(quantity);
    }

    /** What one purchase unit costs from which quantity on. */
    public PriceBreaks priceBreaks(String supplier, String item) {
        return new PriceBreaks(prices(supplier, item).stream()
                .map(terms -> new PriceBreaks.Break(terms.fromQuantity(), terms.price()))
                .toList());
    }

    /** A supplier's terms for any quantity of an item; null: he does not offer it. */
    public PartnerFacts.SupplierItem baseTerms(String supplier, String item) {
        return prices(supplier, item).stream()
                .filter(terms ->
                        terms.fromQuantity() == null || terms.fromQuantity().signum() == 0)
                .findFirst()
                .orElse(null);
    }

    /** What a quantity of an item costs at standard, or null if no cost is known. */
    public BigDecimal standardValue(String item, BigDecimal quantity) {
        return PriceBreaks.value(quantity, item(item).standardCost());
    }
}
