package rescient.server.stock;

import java.math.BigDecimal;
import java.time.Instant;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.HashMap;
import java.util.HashSet;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.NavigableMap;
import java.util.Set;
import java.util.TreeMap;
import java.util.function.BiConsumer;
import org.springframework.stereotype.Component;
import rescient.core.company.ItemFacts;
import rescient.core.company.MakingFacts;
import rescient.core.costing.OrderStatement;
import rescient.core.stock.StepReports;
import rescient.core.stock.StockValue;
import rescient.dataset.Row;
import rescient.server.planning.Directory;
import rescient.server.planning.PlanVersion;
import rescient.server.planning.Words;
import rescient.server.platform.Nullable;
import rescient.server.platform.ToldChanges;

/** What orders that make something cost, against what they were expected to when they were given out. */
@Component
class OrderCosts {
    /** So many orders are read together. */
    private static final int AT_ONCE = 1_000;

    private static final List<String> KINDS = List.of("make", "assemble", "subcontract");

    private final KeptMovements kept;
    private final ToldChanges told;

    OrderCosts(KeptMovements kept, ToldChanges told) {
        this.kept = kept;
        this.told = told;
    }

    /**
     * A component, an operation, or a service.
     *
     * @param kind material, work or outside
     * @param itemName of the component, or of the work center
     * @param unit of the quantities; of work minutes, and the price is of an hour
     */
    record CostLine(
            String kind,
            String name,
            @Nullable String itemName,
            @Nullable String center,
            String unit,
            BigDecimal expectedQuantity,
            BigDecimal actualQuantity,
            BigDecimal price,
            BigDecimal expected,
            BigDecimal actual,
            BigDecimal quantityVariance,
            BigDecimal priceVariance) {}

    /**
     * The statement of a line.
     *
     * @param reported good pieces, and {@code scrapped}, that it is about
     * @param putOut what they came in at
     * @param inProcess what lies in the order still
     * @param variance what was left over at its end
     */
    record CostStatement(
            String line,
            String item,
            BigDecimal reported,
            BigDecimal scrapped,
            String unit,
            List<CostLine> lines,
            BigDecimal expected,
            BigDecimal actual,
            BigDecimal putOut,
            BigDecimal inProcess,
            BigDecimal variance) {}

    /** Of all lines of an order on which something was posted. */
    List<CostStatement> of(PlanVersion version, String number) {
        List<CostStatement> statements = new ArrayList<>();
        each(version, List.of(number), (order, statement) -> statements.add(statement));
        return statements;
    }

    /** Tells the statements of all lines of orders on which something was posted, with the order's number. */
    void each(PlanVersion version, List<String> numbers, BiConsumer<String, CostStatement> told) {
        for (int from = 0; from < numbers.size(); from += AT_ONCE) {
            some(version.directory(), numbers.subList(from, Math.min(numbers.size(), from + AT_ONCE)), told);
        }
    }

    private void some(Directory directory, List<String> numbers, BiConsumer<String, CostStatement> told) {
        List<Row> lines = new ArrayList<>(kept.ofOrders("open_orders", numbers));
        lines.addAll(kept.ofOrders("closed_orders", numbers));
        Rows parts = new Rows(kept.ofOrders("open_order_components", numbers));
        parts.add(kept.ofOrders("closed_order_components", numbers));
        Rows steps = new Rows(kept.ofOrders("order_steps", numbers));
        Rows costs = new Rows(kept.ofOrders("order_costs", numbers));
        Rows movements = new Rows(kept.movementsOn(numbers));
        Map<String, Instant> released = kept.released(numbers);
        List<Row> made =
                lines.stream().filter(line -> KINDS.contains(line.text("kind"))).toList();
        List<ToldChanges.Told> since = since(released, made, parts, movements);
        for (Row line : made) {
            Directory then =
                    then(directory, released.get(line.text("number")), since, line, parts.of(line), movements.of(line));
            CostStatement statement = statement(
                    directory, then, line, parts.of(line), steps.of(line), costs.of(line), movements.of(line));
            if (statement != null) {
                told.accept(line.text("number"), statement);
            }
        }
    }

    /** Rows by the line of an order that they belong to. */
    private static final class Rows {
        private record Line(String number, String line) {}

        private final Map<Line, List<Row>> byLine = new HashMap<>();

        Rows(List<Row> rows) {
            add(rows);
        }

        void add(List<Row> rows) {
            rows.forEach(row ->
                    byLine.computeIfAbsent(line(row), l -> new ArrayList<>()).add(row));
        }

        List<Row> of(Row line) {
            return byLine.getOrDefault(line(line), List.of());
        }

        private static Line line(Row row) {
            return new Line(row.text("number"), row.text("line"));
        }
    }

    private static Set<String> items(Row line, List<Row> parts, List<Row> movements) {
        Set<String> items = new HashSet<>();
        items.add(line.text("item"));
        parts.forEach(part -> items.add(part.text("component")));
        movements.forEach(movement -> items.add(movement.text("item")));
        return items;
    }

    /** What became otherwise since the first of them was given out. */
    private List<ToldChanges.Told> since(Map<String, Instant> released, List<Row> lines, Rows parts, Rows movements) {
        Set<String> items = new HashSet<>();
        lines.forEach(line -> items.addAll(items(line, parts.of(line), movements.of(line))));
        return released.values().stream()
                .min(Comparator.naturalOrder())
                .map(first -> told.ofCosts(first, items))
                .orElse(List.of());
    }

    /**
     * The company with the standard costs, the routing and the rates of when the order was given out.
     *
     * @param released null: nobody knows, and those of today count
     */
    private static Directory then(
            Directory now,
            @Nullable Instant released,
            List<ToldChanges.Told> since,
            Row line,
            List<Row> parts,
            List<Row> movements) {
        if (released == null || since.isEmpty()) {
            return now;
        }
        Set<String> items = items(line, parts, movements);
        return now.before(since.stream()
                .filter(told -> told.at().isAfter(released))
                .map(ToldChanges.Told::change)
                .filter(change -> switch (change.table().name()) {
                    case "items" -> items.contains(change.any().text("code"));
                    case "operations" -> line.text("item").equals(change.any().text("item"));
                    default -> true;
                })
                .toList());
    }

    @Nullable
    private static CostStatement statement(
            Directory directory,
            Directory then,
            Row line,
            List<Row> parts,
            List<Row> steps,
            List<Row> costs,
            List<Row> movements) {
        if (movements.isEmpty() && costs.isEmpty()) {
            return null;
        }
        String item = line.text("item");
        boolean outside = line.text("kind").equals("subcontract");
        BigDecimal good = sum(movements, outside ? "receipt" : "output", null, "quantity");
        BigDecimal scrapped = line.decimal("scrapped") == null ? BigDecimal.ZERO : line.decimal("scrapped");
        BigDecimal ordered =
                line.decimal("ordered") == null ? line.decimal("quantity").add(good) : line.decimal("ordered");
        BigDecimal started = line.decimal("start_quantity") == null ? ordered : line.decimal("start_quantity");
        Row cost = costs.isEmpty() ? null : costs.get(0);
        int decimals = StockValue.decimals(directory.facts().setting("currency"));
        OrderStatement statement = OrderStatement.of(
                started.max(BigDecimal.valueOf(1, 6)),
                good.add(scrapped),
                components(directory, then, parts, movements),
                outside ? List.of() : operations(then, item, line.text("site"), steps),
                outside ? service(directory, line, good, money(cost, "outside")) : null,
                decimals);
        BigDecimal all = money(cost, "material").add(money(cost, "work")).add(money(cost, "outside"));
        return new CostStatement(
                line.text("line"),
                item,
                StockDesk.plain(good),
                StockDesk.plain(scrapped),
                directory.unit(item),
                statement.lines().stream()
                        .map(one -> line(directory, then, line, one))
                        .toList(),
                statement.expected(),
                statement.actual(),
                money(cost, "put_out"),
                all.subtract(money(cost, "put_out")).subtract(money(cost, "variance")),
                money(cost, "variance"));
    }

    private static BigDecimal money(@Nullable Row row, String column) {
        return row == null || row.decimal(column) == null ? BigDecimal.ZERO : row.decimal(column);
    }

    private static BigDecimal sum(List<Row> movements, String kind, @Nullable String item, String column) {
        return movements.stream()
                .filter(row -> row.text("kind").equals(kind) && (item == null || item.equals(row.text("item"))))
                .map(row -> row.decimal(column))
                .reduce(BigDecimal.ZERO, BigDecimal::add);
    }

    /** Those of the order in its order, then what else went into it. */
    private static List<OrderStatement.Component> components(
            Directory directory, Directory then, List<Row> parts, List<Row> movements) {
        Map<String, BigDecimal> planned = new LinkedHashMap<>();
        Map<String, Boolean> perOrder = new LinkedHashMap<>();
        for (Row part : parts) {
            BigDecimal all = part.decimal("planned") == null
                    ? part.decimal("quantity")
                            .add(part.decimal("issued") == null ? BigDecimal.ZERO : part.decimal("issued"))
                    : part.decimal("planned");
            planned.merge(part.text("component"), all, BigDecimal::add);
            perOrder.put(part.text("component"), "order".equals(part.text("per")));
        }
        movements.stream()
                .filter(row -> row.text("kind").equals("issue"))
                .forEach(row -> planned.putIfAbsent(row.text("item"), BigDecimal.ZERO));
        return planned.entrySet().stream()
                .map(one -> new OrderStatement.Component(
                        one.getKey(),
                        one.getValue(),
                        perOrder.getOrDefault(one.getKey(), false),
                        cost(directory, then, one.getKey()),
                        sum(movements, "issue", one.getKey(), "quantity").negate(),
                        sum(movements, "issue", one.getKey(), "value").negate()))
                .toList();
    }

    /** Of what came to be since, as it is now. */
    @Nullable
    private static BigDecimal cost(Directory directory, Directory then, String item) {
        ItemFacts.Item of = then.item(item);
        return (of == null ? directory.item(item) : of).standardCost();
    }

    private static List<OrderStatement.Operation> operations(
            Directory directory, String item, String site, List<Row> steps) {
        List<OrderStatement.Operation> operations = new ArrayList<>();
        NavigableMap<Integer, Reported> reports = reports(steps);
        for (MakingFacts.Operation one : directory.operations(item, site)) {
            MakingFacts.WorkCenter center = directory
                    .facts()
                    .one(MakingFacts.WorkCenter.class, one.workCenter())
                    .orElse(null);
            Row at = steps.stream()
                    .filter(row -> row.text("step").equals(one.step()))
                    .findFirst()
                    .orElse(null);
            operations.add(new OrderStatement.Operation(
                    one.step(),
                    zero(one.setupMinutes()),
                    zero(one.runMinutesPerUnit()),
                    center == null || center.efficiency() == null ? BigDecimal.ONE : center.efficiency(),
                    center == null ? BigDecimal.ZERO : zero(center.costPerHour()),
                    StepReports.passed(reports, Integer.parseInt(one.step())),
                    at == null ? BigDecimal.ZERO : zero(at.decimal("booked")),
                    at == null ? null : at.decimal("minutes")));
        }
        return operations;
    }

    /** The work center of a step of what an order makes. */
    @Nullable
    private static String center(Directory directory, Row order, String step) {
        return directory.operations(order.text("item"), order.text("site")).stream()
                .filter(one -> one.step().equals(step))
                .findFirst()
                .map(MakingFacts.Operation::workCenter)
                .orElse(null);
    }

    private static BigDecimal zero(@Nullable BigDecimal number) {
        return number == null ? BigDecimal.ZERO : number;
    }

    /** What a row of steps says. */
    private record Reported(BigDecimal reported, BigDecimal scrapped) implements StepReports.AtStep {}

    private static NavigableMap<Integer, Reported> reports(List<Row> steps) {
        NavigableMap<Integer, Reported> reports = new TreeMap<>();
        for (Row row : steps) {
            if (row.text("step") != null) {
                reports.put(
                        Integer.valueOf(row.text("step")),
                        new Reported(zero(row.decimal("reported")), zero(row.decimal("scrapped"))));
            }
        }
        return reports;
    }

    private static OrderStatement.Service service(Directory directory, Row line, BigDecimal good, BigDecimal actual) {
        BigDecimal price = rescient.server.planning.OrderValue.of(directory, line.with("kind", "buy"))
                .price();
        return new OrderStatement.Service(price == null ? BigDecimal.ZERO : price, good, actual);
    }

    private static CostLine line(Directory directory, Directory then, Row order, OrderStatement.Line one) {
        boolean material = one.kind() == OrderStatement.Kind.MATERIAL;
        String center = one.kind() == OrderStatement.Kind.WORK ? center(then, order, one.name()) : null;
        return new CostLine(
                Words.word(one.kind()),
                one.name(),
                material ? directory.itemName(one.name()) : center == null ? null : directory.workCenterName(center),
                center,
                material
                        ? directory.unit(one.name())
                        : one.kind() == OrderStatement.Kind.WORK ? "min" : directory.unit(order.text("item")),
                StockDesk.plain(one.expectedQuantity().setScale(2, java.math.RoundingMode.HALF_UP)),
                StockDesk.plain(one.actualQuantity().setScale(2, java.math.RoundingMode.HALF_UP)),
                StockDesk.plain(one.price().setScale(4, java.math.RoundingMode.HALF_UP)),
                one.expected(),
                one.actual(),
                one.quantityVariance(),
                one.priceVariance());
    }
}
