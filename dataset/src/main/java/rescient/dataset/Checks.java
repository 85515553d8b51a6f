package rescient.dataset;

import java.math.BigDecimal;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.HashMap;
import java.util.HashSet;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.function.Consumer;
import java.util.stream.Collectors;
import rescient.core.base.PlanningException;
import rescient.core.base.Quantity;
import rescient.core.company.ForecastBucket;
import rescient.core.company.PlanningData;
import rescient.core.company.SupplierTerms;
import rescient.core.snapshot.OrderSizes;

/** The faults that the planning rules name, beyond types and references. A loop is not one: it is a signal. */
final class Checks {
    /** What is looked at, in the order in which its faults are told. */
    private static final List<Consumer<Checks>> PARTS = List.of(
            Checks::settings,
            Checks::calendars,
            c -> Planning.of(c.dataset).forEach(c::planning),
            c -> c.each("bom_lines", c::bomLine),
            Checks::steps,
            c -> c.each("alternative_items", c::alternative),
            c -> c.each("supplier_items", c::supplierItem),
            c -> c.quantities("stock", "item", "quantity"),
            c -> c.quantities("customer_orders", "item", "quantity"),
            c -> c.quantities("forecasts", "item", "quantity"),
            c -> c.quantities("shipments", "item", "quantity"),
            Checks::forecasts,
            c -> c.quantities("open_orders", "item", "quantity"),
            c -> c.quantities("open_orders", "item", "ordered"),
            c -> c.quantities("open_orders", "item", "start_quantity"),
            c -> c.quantities("open_order_components", "component", "quantity"),
            c -> c.each("open_orders", c::openOrder),
            Checks::components);

    private final Dataset dataset;
    private final Units units;
    private final Map<String, Row> items;
    /** The base rows of suppliers, by item. */
    private final Map<String, List<Row>> termsOf;

    private final Faults faults;

    private Checks(
            Dataset dataset, Units units, Map<String, Row> items, Map<String, List<Row>> termsOf, Faults faults) {
        this.dataset = dataset;
        this.units = units;
        this.items = items;
        this.termsOf = termsOf;
        this.faults = faults;
    }

    static Faults all(Dataset dataset) {
        Units units = new Units(dataset);
        Map<String, Row> items = new HashMap<>();
        dataset.rows("items").forEach(i -> items.put(i.text("code"), i));
        Map<String, List<Row>> termsOf = termsOf(dataset);
        return SideBySide.faults(
                SideBySide.CORES,
                PARTS,
                (part, faults) -> part.accept(new Checks(dataset, units, items, termsOf, faults)));
    }

    private static Map<String, List<Row>> termsOf(Dataset dataset) {
        return dataset.rows("supplier_items").stream()
                .filter(Company::isBase)
                .collect(Collectors.groupingBy(row -> row.text("item")));
    }

    /** Looks at one planning row, which need not be there. */
    static Faults planning(Facts facts, Row row) {
        Faults faults = new Faults();
        String code = row.text("item");
        List<Row> terms = facts.rows("supplier_items", "item", code).stream()
                .filter(Company::isBase)
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
                "release_ahead_days", ColumnType.DAYS);
        boolean good = true;
        for (Row row : dataset.rows("settings")) {
            ColumnType type = types.get(row.text("key"));
            String value = row.text("value");
            Fault.Finding finding = type == null || value == null ? null : type.check(value);
            if (finding != null) {
                good = false;
                fault("settings", row, "value", value, finding.wrong(), finding.right());
            }
        }
        String today = dataset.setting("today");
        String horizonEnd = dataset.setting("horizon_end");
        if (good && today != null && horizonEnd != null && horizonEnd.compareTo(today) < 0) {
            for (Row row : dataset.rows("settings")) {
                if (row.text("key").equals("horizon_end")) {
                    fault("settings", row, "value", horizonEnd, "lies before today", "a day from " + today + " on");
                }
            }
        }
    }

    private void calendars() {
        for (Row row : dataset.rows("calendars")) {
            boolean any = false;
            for (int d = 0; d < 7; d++) {
                any |= Company.works(row, d);
            }
            if (!any) {
                fault("calendars", row, "code", row.text("code"), "has no working day", "at least one weekday true");
            }
        }
    }

    private void planning(Planning planning) {
        Row row = planning.row();
        Row item = items.get(planning.item());
        String kind = item.text("kind", "stocked");
        if (!kind.equals("stocked")) {
            fault(
                    "planning",
                    row,
                    "item",
                    planning.item(),
                    "is a " + kind + ", which is never planned itself",
                    "no row");
            return;
        }
        String source = planning.text("source");
        if (source == null) {
            fault("planning", row, "source", "", "is missing here and in the item's group", "how it is replenished");
            return;
        }
        if ((source.equals("transfer") || source.equals("subcontract")) && planning.text("from_site") == null) {
            String whose = source.equals("transfer") ? "the sending site" : "the subcontractor's premises";
            fault("planning", row, "from_site", "", "is missing for a " + source, whose);
        }
        switch (planning.text("rule") == null ? "lot_for_lot" : planning.text("rule")) {
            case "fixed_quantity" -> needed(planning, "fixed_quantity");
            case "min_max" -> needed(planning, "order_up_to");
            case "period" -> {
                needed(planning, "period_count");
                needed(planning, "period_unit");
            }
            default -> {}
        }
        notOver(planning, "reorder_point", "order_up_to");
        int before = faults.count();
        for (String column : List.of(
                "safety_stock",
                "reorder_point",
                "order_up_to",
                "fixed_quantity",
                "min_quantity",
                "max_quantity",
                "multiple")) {
            decimals("planning", row, column, planning.text(column), item.text("unit"));
        }
        if (faults.count() == before) {
            sizes(planning, item.text("unit"));
        }
    }

    /** The smallest order must not be over the largest, as both count in the end: after the supplier's terms. */
    private void sizes(Planning planning, String unit) {
        try {
            PlanningData data = RowFacts.planning(planning);
            List<SupplierTerms> offered = termsOf.getOrDefault(planning.item(), List.of()).stream()
                    .map(row -> RowFacts.terms(row, unit, units))
                    .toList();
            SupplierTerms terms = SupplierTerms.chosen(data, offered);
            OrderSizes sizes = OrderSizes.of(data, terms, Quantity.step(units.decimals(unit)));
            sizes.conflicts().forEach(conflict -> conflict(planning.row(), sizes, terms, conflict));
        } catch (PlanningException e) {
            // a size is wrong in itself; that is told where it stands
        }
    }

    private void conflict(Row row, OrderSizes sizes, SupplierTerms terms, OrderSizes.Conflict conflict) {
        boolean minimum = conflict == OrderSizes.Conflict.MINIMUM;
        long size = minimum ? sizes.minQuantity() : sizes.multiple();
        boolean rounded = minimum && size <= sizes.maxQuantity();
        fault(
                "planning",
                row,
                minimum ? "min_quantity" : "multiple",
                Quantity.text(size),
                "is over the max_quantity of " + Quantity.text(sizes.maxQuantity())
                        + (rounded ? ", both in whole steps of " + Quantity.text(sizes.multiple()) : "")
                        + (terms == null ? "" : ", by the terms of " + terms.supplier()),
                "at most that");
    }

    private void needed(Planning planning, String column) {
        if (planning.text(column) == null) {
            fault(
                    "planning",
                    planning.row(),
                    column,
                    "",
                    "is missing for the rule " + planning.text("rule"),
                    "a value here or in the item's group");
        }
    }

    private void notOver(Planning planning, String lower, String upper) {
        BigDecimal low = planning.decimal(lower);
        BigDecimal high = planning.decimal(upper);
        if (low != null && high != null && low.compareTo(high) > 0) {
            fault(
                    "planning",
                    planning.row(),
                    lower,
                    low.toPlainString(),
                    "is over the " + upper + " of " + high.toPlainString(),
                    "at most that");
        }
    }

    private void bomLine(Row row) {
        String component = row.text("component");
        String own = items.get(component).text("unit");
        String unit = row.text("unit", own);
        if (units.factor(component, unit, own) == null) {
            fault(
                    "bom_lines",
                    row,
                    "unit",
                    unit,
                    "cannot be converted to " + own,
                    "a unit with a row in unit_conversions.csv");
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
                        "bom_lines",
                        row,
                        "step",
                        step,
                        "is no operation of " + row.text("parent"),
                        "a step that stands in operations.csv");
            }
        }
    }

    private void supplierItem(Row row) {
        String own = items.get(row.text("item")).text("unit");
        String unit = row.text("unit", own);
        if (units.factor(row.text("item"), unit, own) == null) {
            fault(
                    "supplier_items",
                    row,
                    "unit",
                    unit,
                    "cannot be converted to " + own,
                    "a unit with a row in unit_conversions.csv");
        }
        for (String column : List.of("from_quantity", "min_quantity", "multiple", "max_quantity")) {
            decimals("supplier_items", row, column, row.text(column), unit);
        }
        BigDecimal most = row.decimal("max_quantity");
        for (String column : List.of("min_quantity", "multiple")) {
            BigDecimal value = row.decimal(column);
            if (value != null && most != null && value.compareTo(most) > 0) {
                fault("supplier_items", row, column, value.toPlainString(), "is over the max_quantity", "at most that");
            }
        }
    }

    private void openOrder(Row row) {
        String kind = row.text("kind");
        if ((kind.equals("transfer") || kind.equals("subcontract")) && row.text("from_site") == null) {
            fault("open_orders", row, "from_site", "", "is missing for a " + kind, "the site it comes from");
        }
    }

    /** Buckets of one set and stock point must not overlap. */
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
                ForecastBucket before = RowFacts.bucket(series.get(i - 1));
                if (row.day("from_date", 0) <= before.lastDay()) {
                    fault(
                            "forecasts",
                            row,
                            "from_date",
                            row.text("from_date"),
                            "lies in the bucket from " + LocalDate.ofEpochDay(before.fromDay()),
                            "a day after " + LocalDate.ofEpochDay(before.lastDay()));
                }
            }
        }
    }

    private void alternative(Row row) {
        for (String column : List.of("item", "alternative")) {
            String kind = items.get(row.text(column)).text("kind", "stocked");
            if (!kind.equals("stocked")) {
                fault(
                        "alternative_items",
                        row,
                        column,
                        row.text(column),
                        "is a " + kind + ", which is never issued itself",
                        "an item that is stocked");
            }
        }
        if (row.text("item").equals(row.text("alternative"))) {
            fault(
                    "alternative_items",
                    row,
                    "alternative",
                    row.text("alternative"),
                    "is the item itself",
                    "another item");
        }
    }

    private void components() {
        Set<List<String>> orders = new HashSet<>();
        dataset.rows("open_orders").forEach(o -> orders.add(List.of(o.text("number"), o.text("line"))));
        for (Row row : dataset.rows("open_order_components")) {
            if (!orders.contains(List.of(row.text("number"), row.text("line")))) {
                fault(
                        "open_order_components",
                        row,
                        "number",
                        row.text("number"),
                        "has no line " + row.text("line") + " in open_orders.csv",
                        "the number and line of an open order");
            }
        }
    }

    private void quantities(String table, String itemColumn, String column) {
        for (Row row : dataset.rows(table)) {
            decimals(
                    table,
                    row,
                    column,
                    row.text(column),
                    items.get(row.text(itemColumn)).text("unit"));
        }
    }

    private void decimals(String table, Row row, String column, String value, String unit) {
        int allowed = units.decimals(unit);
        if (value != null && Texts.decimals(value) > allowed) {
            fault(
                    table,
                    row,
                    column,
                    value,
                    "has more decimals than the unit " + unit,
                    "at most " + allowed + (allowed == 1 ? " decimal" : " decimals"));
        }
    }

    private void fault(String table, Row row, String column, String value, String wrong, String right) {
        faults.add(Table.named(table), row.line(), column, value == null ? "" : value, wrong, right);
    }
}
