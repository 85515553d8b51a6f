package rescient.core.health;

import java.math.BigDecimal;
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
import rescient.core.company.Fact;
import rescient.core.company.ItemKind;
import rescient.core.company.SupplierTerms;
import rescient.core.plan.Plan;
import rescient.core.plan.PointView;

/** What is doubtful in items, prices, customer orders and forecasts. */
final class ItemChecks {
    private final CompanyFacts company;
    private final Plan plan;
    private final Consumer<Finding> found;

    ItemChecks(CompanyFacts company, Plan plan, Consumer<Finding> found) {
        this.company = company;
        this.plan = plan;
        this.found = found;
    }

    void look() {
        costs();
        names();
        customerOrders();
        forecasts();
    }

    /** What is kept in stock has a cost; it is valued by it. */
    private void costs() {
        company.all(Fact.Item.class)
                .filter(item -> item.is() == ItemKind.STOCKED)
                .filter(item ->
                        item.standardCost() == null || item.standardCost().signum() == 0)
                .forEach(item ->
                        tell(Finding.Kind.COST_MISSING, "items", List.of(item.code()), item.code(), "standard_cost"));
    }

    /** The price of the supplier that a stock point is bought from. */
    void price(PointView point) {
        if (point.supplier() == null) {
            return;
        }
        company.where(Fact.SupplierItem.class, "item", point.item()).stream()
                .filter(terms -> terms.supplier().equals(point.supplier()))
                .filter(terms -> SupplierTerms.areBase(terms.fromQuantity()))
                .filter(terms -> terms.price() == null || terms.price().signum() == 0)
                .forEach(terms -> found.accept(new Finding(
                        Finding.Kind.PRICE_MISSING,
                        "supplier_items",
                        List.of(terms.supplier(), terms.item(), "0"),
                        terms.item(),
                        point.site(),
                        "price",
                        terms.price(),
                        null,
                        List.of(),
                        BigDecimal.ZERO)));
    }

    /** Two items of one name are mixed up. */
    private void names() {
        Map<String, List<String>> byName = new TreeMap<>();
        company.all(Fact.Item.class)
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
        company.all(Fact.CustomerOrder.class)
                .filter(line -> line.quantity().signum() > 0)
                .sorted(Comparator.comparing(Fact.CustomerOrder::number).thenComparing(Fact.CustomerOrder::line))
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
        return company.one(Fact.Item.class, item).map(Fact.Item::price).orElse(null);
    }

    private void order(Finding.Kind kind, Fact.CustomerOrder line, String column) {
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
        company.all(Fact.Forecast.class)
                .filter(bucket -> bucket.set().equals(set) && bucket.quantity().signum() > 0)
                .forEach(bucket -> forecast.add(bucket.item() + '\0' + bucket.site()));
        company.all(Fact.Shipment.class).forEach(shipment -> forecast.remove(shipment.item() + '\0' + shipment.site()));
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
