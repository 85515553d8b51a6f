package rescient.core.health;

import java.math.BigDecimal;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.HashSet;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Set;
import java.util.TreeMap;
import java.util.function.Consumer;
import rescient.core.base.DocumentOrder;
import rescient.core.company.CompanyFacts;
import rescient.core.company.ForecastFacts;
import rescient.core.company.ItemFacts;
import rescient.core.company.ItemKind;
import rescient.core.company.OrderFacts;
import rescient.core.company.PartnerFacts;
import rescient.core.company.Source;
import rescient.core.company.StockFacts;
import rescient.core.company.SupplierTerms;
import rescient.core.plan.Plan;
import rescient.core.plan.PointView;

/** What is doubtful in items, prices, customer orders and forecasts. */
final class ItemChecks {
    private final CompanyFacts company;
    private final Plan plan;
    private final Consumer<Finding> found;
    private final LocalDate today;

    ItemChecks(CompanyFacts company, Plan plan, Consumer<Finding> found) {
        this.company = company;
        this.plan = plan;
        this.found = found;
        this.today = LocalDate.ofEpochDay(plan.snapshot().today());
    }

    void look() {
        costs();
        names();
        customerOrders();
        forecasts();
    }

    /** What is kept in stock has a cost; it is valued by it. */
    private void costs() {
        company.all(ItemFacts.Item.class)
                .filter(item -> item.is() == ItemKind.STOCKED)
                .filter(item ->
                        item.standardCost() == null || item.standardCost().signum() == 0)
                .forEach(item ->
                        tell(Finding.Kind.COST_MISSING, "items", List.of(item.code()), item.code(), "standard_cost"));
    }

    /** What the suppliers that a stock point can be bought from ask for it today. */
    void price(PointView point) {
        List<PartnerFacts.SupplierItem> base =
                company.where(PartnerFacts.SupplierItem.class, "item", point.item()).stream()
                        .filter(terms -> SupplierTerms.areBase(terms.fromQuantity()))
                        .filter(terms ->
                                point.supplier() == null || terms.supplier().equals(point.supplier()))
                        .toList();
        List<PartnerFacts.SupplierItem> present = PartnerFacts.SupplierItem.on(today, base);
        if (point.supplier() != null) {
            present.stream()
                    .filter(terms -> terms.price() == null || terms.price().signum() == 0)
                    .forEach(terms -> tell(Finding.Kind.PRICE_MISSING, point, terms, "price"));
        }
        if (present.isEmpty() && point.source() == Source.BUY) {
            base.stream()
                    .filter(terms -> terms.validTo() != null && terms.validTo().isBefore(today))
                    .max(Comparator.comparing(PartnerFacts.SupplierItem::validTo))
                    .ifPresent(terms -> tell(Finding.Kind.PRICE_EXPIRED, point, terms, "valid_to"));
        }
    }

    private void tell(Finding.Kind kind, PointView point, PartnerFacts.SupplierItem terms, String column) {
        String from = terms.validFrom() == null ? "" : terms.validFrom().toString();
        found.accept(new Finding(
                kind,
                "supplier_items",
                List.of(terms.supplier(), terms.item(), "0", from),
                terms.item(),
                point.site(),
                column,
                kind == Finding.Kind.PRICE_MISSING ? terms.price() : null,
                null,
                kind == Finding.Kind.PRICE_MISSING
                        ? List.of()
                        : List.of(terms.validTo().toString()),
                BigDecimal.ZERO));
    }

    /** Two items of one name are mixed up. */
    private void names() {
        Map<String, List<String>> byName = new TreeMap<>();
        company.all(ItemFacts.Item.class)
                .filter(item -> item.name() != null)
                .forEach(item -> byName.computeIfAbsent(plain(item.name()), n -> new ArrayList<>())
                        .add(item.code()));
        byName.values().stream().filter(codes -> codes.size() > 1).forEach(codes -> {
            codes.sort(DocumentOrder::byCodePoint);
            found.accept(new Finding(
                    Finding.Kind.SAME_NAME,
                    "items",
                    List.of(codes.get(0)),
                    codes.get(0),
                    null,
                    "name",
                    null,
                    null,
                    codes,
                    BigDecimal.ZERO));
        });
    }

    private static String plain(String name) {
        return name.strip().replaceAll("\\s+", " ").toLowerCase(Locale.ROOT);
    }

    /** What was wanted before today, and what is sold without a price. */
    private void customerOrders() {
        company.all(OrderFacts.CustomerOrder.class)
                .filter(OrderFacts.CustomerOrder::counts)
                .filter(line -> line.quantity().signum() > 0)
                .sorted(Comparator.comparing(OrderFacts.CustomerOrder::number)
                        .thenComparing(OrderFacts.CustomerOrder::line))
                .forEach(line -> {
                    if (line.dueDate().toEpochDay() < plan.snapshot().today()) {
                        order(Finding.Kind.CUSTOMER_ORDER_PAST, line, "due_date");
                    }
                    if (line.price() == null && sold(line.item()) == null) {
                        order(Finding.Kind.SALES_PRICE_MISSING, line, "price");
                    }
                });
    }

    private BigDecimal sold(String item) {
        return company.one(ItemFacts.Item.class, item)
                .map(ItemFacts.Item::price)
                .orElse(null);
    }

    private void order(Finding.Kind kind, OrderFacts.CustomerOrder line, String column) {
        BigDecimal price = line.price() == null ? sold(line.item()) : line.price();
        found.accept(new Finding(
                kind,
                "customer_orders",
                List.of(line.number(), line.line()),
                line.item(),
                line.site(),
                column,
                null,
                null,
                List.of(),
                price == null ? BigDecimal.ZERO : price.multiply(line.quantity())));
    }

    /** Of the set that is planned with. */
    private void forecasts() {
        String set = company.setting("forecast_set");
        if (set == null) {
            return;
        }
        Set<String> forecast = new HashSet<>();
        company.all(ForecastFacts.Forecast.class)
                .filter(bucket -> bucket.set().equals(set) && bucket.quantity().signum() > 0)
                .forEach(bucket -> forecast.add(bucket.item() + '\0' + bucket.site()));
        company.all(StockFacts.Shipment.class)
                .forEach(shipment -> forecast.remove(shipment.item() + '\0' + shipment.site()));
        forecast.stream().sorted().forEach(point -> {
            String[] name = point.split("\0");
            found.accept(new Finding(
                    Finding.Kind.FORECAST_WITHOUT_HISTORY,
                    "forecasts",
                    List.of(set, name[0], name[1]),
                    name[0],
                    name[1],
                    null,
                    null,
                    null,
                    List.of(),
                    BigDecimal.ZERO));
        });
    }

    private void tell(Finding.Kind kind, String table, List<String> key, String item, String column) {
        found.accept(new Finding(kind, table, key, item, null, column, null, null, List.of(), BigDecimal.ZERO));
    }
}
