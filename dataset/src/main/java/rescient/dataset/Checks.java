package rescient.dataset;

import java.time.LocalDate;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.HashMap;
import java.util.HashSet;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Set;
import java.util.function.Consumer;
import java.util.function.Supplier;
import java.util.stream.Collectors;
import rescient.core.company.BasicFacts;
import rescient.core.company.Consistency;
import rescient.core.company.ForecastFacts;
import rescient.core.company.ItemFacts;
import rescient.core.company.OrderFacts;
import rescient.core.company.PartnerFacts;
import rescient.core.company.PeriodUnit;
import rescient.core.company.Source;
import rescient.core.company.SupplierTerms;
import rescient.core.company.Units;
import rescient.core.forecast.Buckets;
import rescient.core.forecast.Choice;

/** Where in a dataset its facts are not consistent, beyond types and references: the rules stand in {@link Consistency}. */
final class Checks {
    /** What is looked at, in the order in which its faults are told. */
    private static final List<Consumer<Checks>> PARTS = List.of(
            Checks::settings,
            c -> c.each("calendars", c::calendar),
            c -> c.each("items", row -> c.tell(row, Consistency.ofCode(row.text("code")))),
            c -> Planning.of(c.dataset).forEach(c::planning),
            c -> c.each("bom_lines", c::bomLine),
            Checks::steps,
            c -> c.each("alternative_items", c::alternative),
            c -> c.each("supplier_items", c::supplierItem),
            c -> c.quantities("stock", "item", "quantity"),
            c -> c.quantities("customer_orders", "item", "quantity"),
            c -> c.each("customer_orders", c::customerOrder),
            c -> c.quantities("forecasts", "item", "quantity"),
            c -> c.quantities("history_corrections", "item", "quantity"),
            c -> c.quantities("forecast_adjustments", "item", "amount"),
            c -> c.quantities("forecast_versions", "item", "quantity"),
            c -> c.quantities("forecast_versions", "item", "adjusted"),
            c -> c.each("forecast_choices", c::choice),
            c -> c.once("history_corrections"),
            c -> c.once("forecast_adjustments"),
            c -> c.quantities("shipments", "item", "quantity"),
            Checks::forecasts,
            c -> c.quantities("open_orders", "item", "quantity"),
            c -> c.quantities("open_orders", "item", "ordered"),
            c -> c.quantities("open_orders", "item", "start_quantity"),
            c -> c.quantities("open_order_components", "component", "quantity"),
            c -> c.each("open_orders", c::openOrder),
            Checks::components,
            Checks::parts,
            c -> PostingChecks.look(c.dataset.rows("postings"), c.dataset.rows("posting_steps"), c.faults));

    private final Dataset dataset;
    private static final Codec<BasicFacts.Calendar> CALENDARS = Codec.of(BasicFacts.Calendar.class);
    private static final Codec<ItemFacts.Item> ITEMS = Codec.of(ItemFacts.Item.class);
    private static final Codec<OrderFacts.CustomerOrderPart> KIT_PARTS = Codec.of(OrderFacts.CustomerOrderPart.class);
    private static final Codec<OrderFacts.CustomerOrder> ORDERS = Codec.of(OrderFacts.CustomerOrder.class);
    private static final Codec<PartnerFacts.SupplierItem> TERMS = Codec.of(PartnerFacts.SupplierItem.class);
    private static final Codec<ItemFacts.AlternativeItem> ALTERNATIVES = Codec.of(ItemFacts.AlternativeItem.class);

    private final Units units;
    private final Consistency rules;
    private final Map<String, Row> items;
    /** The base rows of suppliers, by item. */
    private final Map<String, List<Row>> termsOf;

    private final Faults faults;

    private Checks(
            Dataset dataset, Units units, Map<String, Row> items, Map<String, List<Row>> termsOf, Faults faults) {
        this.dataset = dataset;
        this.units = units;
        this.rules = new Consistency(units);
        this.items = items;
        this.termsOf = termsOf;
        this.faults = faults;
    }

    static Faults all(Dataset dataset) {
        String today = dataset.setting("today");
        return all(dataset, today == null || ColumnType.DAY.check(today) != null ? null : LocalDate.parse(today));
    }

    /** @param today null: nothing says which day it is */
    static Faults all(Dataset dataset, LocalDate today) {
        Units units = Facts.unitsOf(dataset.rows("units"), dataset.rows("unit_conversions"));
        Map<String, Row> items = new HashMap<>();
        dataset.rows("items").forEach(i -> items.put(i.text("code"), i));
        Map<String, List<Row>> termsOf = termsOf(dataset, today);
        return SideBySide.faults(
                SideBySide.CORES,
                PARTS,
                (part, faults) -> part.accept(new Checks(dataset, units, items, termsOf, faults)));
    }

    private static Map<String, List<Row>> termsOf(Dataset dataset, LocalDate today) {
        return dataset.rows("supplier_items").stream()
                .filter(row -> Company.isBase(row, today))
                .collect(Collectors.groupingBy(row -> row.text("item")));
    }

    /** Looks at one planning row, which need not be there. */
    static Faults planning(Facts facts, Row row) {
        Faults faults = new Faults();
        String code = row.text("item");
        List<Row> terms = facts.rows("supplier_items", "item", code).stream()
                .filter(offer -> Company.isBase(offer, facts.today()))
                .toList();
        new Checks(null, facts.units(), Map.of(code, facts.row("items", code)), Map.of(code, terms), faults)
                .planning(Planning.of(facts, row));
        return faults;
    }

    private void each(String table, Consumer<Row> check) {
        dataset.rows(table).forEach(check);
    }

    private void settings() {
        Map<String, ColumnType> types = Map.of(
                "today", ColumnType.DAY,
                "horizon_end", ColumnType.DAY,
                "forecast_consumption", ColumnType.FLAG,
                "release_ahead_days", ColumnType.DAYS,
                "forecast_run", ColumnType.words("daily", "weekly", "monthly"));
        boolean good = true;
        for (Row row : dataset.rows("settings")) {
            ColumnType type = types.get(row.text("key"));
            String value = row.text("value");
            Fault.Finding finding = type == null || value == null ? null : type.check(value);
            if (finding != null) {
                good = false;
                fault(row, "value", value, finding.wrong(), finding.right());
            }
        }
        String today = dataset.setting("today");
        String horizonEnd = dataset.setting("horizon_end");
        if (good && today != null && horizonEnd != null) {
            Consistency.horizon(LocalDate.parse(today), LocalDate.parse(horizonEnd))
                    .ifPresent(flaw -> dataset.rows("settings").stream()
                            .filter(row -> row.text("key").equals("horizon_end"))
                            .forEach(row -> tell(row, List.of(flaw))));
        }
    }

    private void customerOrder(Row row) {
        // its item may be unknown, which is told where references are looked at
        if (row.text("supply") != null && items.get(row.text("item")) != null) {
            tell(row, Consistency.of(ORDERS.read(row), ITEMS.read(items.get(row.text("item")))));
        }
    }

    private void calendar(Row row) {
        tell(row, Consistency.of(CALENDARS.read(row)));
    }

    private void planning(Planning planning) {
        Row item = items.get(planning.item());
        Supplier<List<SupplierTerms>> offered = () -> termsOf.getOrDefault(planning.item(), List.of()).stream()
                .map(row -> RowFacts.terms(row, item.text("unit"), units))
                .toList();
        tell(planning.row(), rules.of(ITEMS.read(item), planning.site(), planning.planned(), offered));
    }

    private void bomLine(Row row) {
        convertible(row, items.get(row.text("component")));
    }

    private void convertible(Row row, Row item) {
        String unit = row.text("unit");
        if (unit != null) {
            rules.convertible(ITEMS.read(item), unit).ifPresent(flaw -> tell(row, List.of(flaw)));
        }
    }

    /** A line of a bill of materials names a step of its parent's routing. */
    private void steps() {
        Set<List<String>> steps = new HashSet<>();
        dataset.rows("operations").forEach(o -> steps.add(List.of(o.text("item"), o.text("step"))));
        for (Row row : dataset.rows("bom_lines")) {
            String step = row.text("step");
            if (step != null && !steps.contains(List.of(row.text("parent"), step))) {
                fault(
                        row,
                        "step",
                        step,
                        "is no operation of " + row.text("parent"),
                        "a step that stands in operations.csv");
            }
        }
    }

    private void supplierItem(Row row) {
        tell(row, rules.of(TERMS.read(row), ITEMS.read(items.get(row.text("item")))));
    }

    private void openOrder(Row row) {
        Consistency.openOrder(Source.valueOf(row.text("kind").toUpperCase(Locale.ROOT)), row.text("from_site"))
                .ifPresent(flaw -> tell(row, List.of(flaw)));
    }

    private void forecasts() {
        Map<List<String>, List<Row>> bySeries = new LinkedHashMap<>();
        for (Row row : dataset.rows("forecasts")) {
            bySeries.computeIfAbsent(
                            List.of(row.text("set"), row.text("item"), row.text("site")), k -> new ArrayList<>())
                    .add(row);
        }
        for (List<Row> series : bySeries.values()) {
            series.sort(Comparator.comparing(r -> r.date("from_date")));
            for (int i = 1; i < series.size(); i++) {
                Row row = series.get(i);
                Consistency.apart(RowFacts.span(series.get(i - 1)), RowFacts.span(row))
                        .ifPresent(flaw -> tell(row, List.of(flaw)));
            }
        }
    }

    /** What is said of a bucket is said once, on whichever of its days. */
    private void once(String table) {
        Map<List<String>, Row> known = new HashMap<>();
        for (Row row : dataset.rows(table)) {
            Buckets buckets = new Buckets(PeriodUnit.valueOf(row.text("bucket").toUpperCase(Locale.ROOT)));
            LocalDate start = buckets.start(row.date("from_date"));
            Row before = known.putIfAbsent(
                    List.of(row.text("item"), row.text("site"), row.text("bucket"), start.toString()), row);
            if (before != null) {
                fault(
                        row,
                        "from_date",
                        row.text("from_date"),
                        "is a day of the same " + row.text("bucket") + " as " + before.text("from_date"),
                        "one row for each " + row.text("bucket"));
            }
        }
    }

    private void choice(Row row) {
        tell(row, Choice.flaws(Codec.of(ForecastFacts.ForecastChoice.class).read(row)));
    }

    private void alternative(Row row) {
        tell(
                row,
                Consistency.of(
                        ALTERNATIVES.read(row),
                        ITEMS.read(items.get(row.text("item"))),
                        ITEMS.read(items.get(row.text("alternative")))));
    }

    private void components() {
        Set<List<String>> orders = new HashSet<>();
        dataset.rows("open_orders").forEach(o -> orders.add(List.of(o.text("number"), o.text("line"))));
        for (Row row : dataset.rows("open_order_components")) {
            if (!orders.contains(List.of(row.text("number"), row.text("line")))) {
                fault(
                        row,
                        "number",
                        row.text("number"),
                        "has no line " + row.text("line") + " in open_orders.csv",
                        "the number and line of an open order");
            }
        }
    }

    private void parts() {
        Map<List<String>, String> kits = new HashMap<>();
        if (dataset.rows("customer_order_parts").isEmpty()) {
            return;
        }
        dataset.rows("customer_orders")
                .forEach(o -> kits.put(List.of(o.text("number"), o.text("line")), o.text("item")));
        for (Row row : dataset.rows("customer_order_parts")) {
            String item = kits.get(List.of(row.text("number"), row.text("line")));
            if (item == null) {
                fault(
                        row,
                        "number",
                        row.text("number"),
                        "has no line " + row.text("line") + " in customer_orders.csv",
                        "the number and line of a customer order");
            } else if (items.get(item) != null) {
                tell(row, Consistency.of(KIT_PARTS.read(row), ITEMS.read(items.get(item))));
            }
        }
    }

    private void quantities(String table, String itemColumn, String column) {
        for (Row row : dataset.rows(table)) {
            String value = row.text(column);
            if (value != null) {
                String unit = items.get(row.text(itemColumn)).text("unit");
                rules.decimals(column, value, Texts.decimals(value), unit).ifPresent(flaw -> tell(row, List.of(flaw)));
            }
        }
    }

    private void tell(Row row, List<Consistency.Flaw> flaws) {
        flaws.forEach(flaw -> fault(row, flaw.column(), flaw.value(), flaw.wrong(), flaw.right()));
    }

    private void fault(Row row, String column, String value, String wrong, String right) {
        faults.add(row.table(), row.line(), column, value, wrong, right);
    }
}
