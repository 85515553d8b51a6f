package rescient.dataset;

import java.math.BigDecimal;
import java.math.RoundingMode;
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
import rescient.core.base.DocumentOrder;
import rescient.core.company.Source;
import rescient.core.stock.Books;
import rescient.core.stock.Books.Point;
import rescient.core.stock.Costing;
import rescient.core.stock.CustomerLine;
import rescient.core.stock.Masterdata;
import rescient.core.stock.Movement;
import rescient.core.stock.OrderPart;
import rescient.core.stock.StockItem;
import rescient.core.stock.SupplyLine;

/** The books of a dataset as it stands. */
final class BooksReader {
    private static final int USED_DECIMALS = 12;

    private final ExecutionData data;
    private final Books books;
    /** What came of a line, or went out on it, by its movements: by document kind, number and line. */
    private final Map<String, BigDecimal> moved = new HashMap<>();

    private final Map<String, List<Row>> steps;
    private final Map<String, List<Row>> transit;
    private final Map<String, List<Row>> costs;

    private BooksReader(ExecutionData data) {
        this.data = data;
        this.books = new Books(data);
        this.steps = byLine("order_steps");
        this.transit = byLine("in_transit");
        this.costs = byLine("order_costs");
    }

    private Map<String, List<Row>> byLine(String table) {
        Map<String, List<Row>> rows = new HashMap<>();
        data.of(table)
                .forEach(row -> rows.computeIfAbsent(line(row), key -> new ArrayList<>())
                        .add(row));
        return rows;
    }

    static Books read(ExecutionData data) {
        BooksReader reader = new BooksReader(data);
        reader.stock();
        reader.movements();
        reader.supply("open_orders", "open_order_components");
        reader.supply("closed_orders", "closed_order_components");
        reader.customers("customer_orders");
        reader.customers("closed_customer_orders");
        PostingRows.read(data, reader.books);
        reader.books.begun();
        return reader.books;
    }

    private static BigDecimal or(BigDecimal value, BigDecimal otherwise) {
        return ExecutionData.or(value, otherwise);
    }

    private BigDecimal money(BigDecimal amount) {
        return amount.setScale(data.moneyDecimals(), RoundingMode.HALF_UP);
    }

    private static Movement.Bin bin(Row row) {
        return new Movement.Bin(
                row.text("item"),
                row.text("site"),
                row.text("lot", ""),
                row.text("serial", ""),
                row.flag("quarantined", false));
    }

    // stock and its value

    private void stock() {
        Map<Point, List<Row>> byPoint = new LinkedHashMap<>();
        for (Row row : data.of("stock")) {
            books.begins(bin(row), row.decimal("quantity"), row.date("expiry"), row.date("received"));
            byPoint.computeIfAbsent(new Point(row.text("item"), row.text("site")), p -> new ArrayList<>())
                    .add(row);
        }
        Map<Point, BigDecimal> given = new HashMap<>();
        data.of("stock_values")
                .forEach(row -> given.put(new Point(row.text("item"), row.text("site")), row.decimal("value")));
        Set<Point> layered = new HashSet<>();
        for (Row row : data.of("stock_layers")) {
            Point point = new Point(row.text("item"), row.text("site"));
            layered.add(point);
            books.begins(
                    point,
                    row.text("lot", ""),
                    row.text("serial", ""),
                    new Movement.Layer(
                            row.date("date"),
                            Long.parseLong(row.text("number")),
                            row.decimal("quantity"),
                            money(row.decimal("value"))));
        }
        Set<Point> points = new HashSet<>(byPoint.keySet());
        points.addAll(given.keySet());
        for (Point point : points) {
            value(point, byPoint.getOrDefault(point, List.of()), given.get(point), layered.contains(point));
        }
    }

    private void value(Point point, List<Row> rows, BigDecimal given, boolean layered) {
        StockItem item = data.item(point.item());
        BigDecimal quantity =
                rows.stream().map(row -> row.decimal("quantity")).reduce(BigDecimal.ZERO, BigDecimal::add);
        boolean standard = given == null || item.costing() == Costing.STANDARD;
        BigDecimal value = money(standard ? item.standardCost().multiply(quantity) : given);
        books.begins(point, quantity, value);
        boolean byLayers = item.costing() == Costing.FIFO || item.costing() == Costing.SPECIFIC;
        if (byLayers && !layered) {
            layers(point, rows, quantity, value);
        }
    }

    /** One layer for each row, the oldest first; the value is spread by quantity and the last takes the rest. */
    private void layers(Point point, List<Row> rows, BigDecimal quantity, BigDecimal value) {
        List<Row> sorted = new ArrayList<>(rows);
        sorted.removeIf(row -> row.decimal("quantity").signum() == 0);
        sorted.sort(Comparator.comparing(
                        (Row row) -> row.date("received"), Comparator.nullsFirst(Comparator.naturalOrder()))
                .thenComparing(row -> row.text("lot", ""), DocumentOrder.INSTANCE)
                .thenComparing(row -> row.text("serial", ""), DocumentOrder.INSTANCE));
        BigDecimal left = value;
        for (int i = 0; i < sorted.size(); i++) {
            Row row = sorted.get(i);
            BigDecimal part = i == sorted.size() - 1
                    ? left
                    : value.multiply(row.decimal("quantity"))
                            .divide(quantity, data.moneyDecimals(), RoundingMode.HALF_UP);
            left = left.subtract(part);
            books.begins(
                    point,
                    row.text("lot", ""),
                    row.text("serial", ""),
                    new Movement.Layer(row.date("received"), (long) i - sorted.size(), row.decimal("quantity"), part));
        }
    }

    private void movements() {
        for (Row row : data.of("movements")) {
            String kind = row.text("document");
            Movement.Document document =
                    kind == null ? null : new Movement.Document(kind, row.text("number"), row.text("line"));
            Movement movement = new Movement(
                    Long.parseLong(row.text("movement")),
                    row.text("key"),
                    row.date("date"),
                    Movement.Kind.valueOf(row.text("kind").toUpperCase(Locale.ROOT)),
                    bin(row),
                    row.decimal("quantity"),
                    money(row.decimal("value")),
                    document,
                    row.text("reverses") == null ? null : Long.valueOf(row.text("reverses")),
                    row.text("reason"),
                    List.of());
            books.begins(movement);
            boolean comes = movement.kind() == Movement.Kind.RECEIPT
                    || movement.kind() == Movement.Kind.OUTPUT
                    || movement.kind() == Movement.Kind.TRANSFER_IN;
            if (document != null && comes) {
                moved.merge(key(kind, row), movement.quantity(), BigDecimal::add);
            }
        }
        for (Row row : data.of("shipments")) {
            moved.merge(key("customer_order", row), row.decimal("quantity"), BigDecimal::add);
        }
    }

    private static String key(String kind, Row row) {
        return kind + '\0' + row.text("number") + '\0' + row.text("line", "");
    }

    // orders

    private static String line(Row row) {
        return row.text("number") + '\0' + row.text("line");
    }

    private void supply(String orders, String components) {
        Map<String, List<Row>> parts = byLine(components);
        for (Row row : data.of(orders)) {
            SupplyLine line = supply(row);
            List<Row> mine = parts.getOrDefault(line(row), List.of());
            for (Row part : mine) {
                line.begins(part(row, line, part));
            }
            steps(row, line);
            underway(row, line, mine);
            costs(row, line);
            if (row.table().indexOf("closed_date") >= 0) {
                boolean byHand = line.order().kind() == Source.MAKE
                        || line.order().kind() == Source.ASSEMBLE
                        || line.open().signum() > 0;
                Books.ended(line, row.date("closed_date") == null ? data.today() : row.date("closed_date"), byHand);
            }
        }
    }

    private SupplyLine supply(Row row) {
        String item = row.text("item");
        BigDecimal open = row.decimal("quantity");
        BigDecimal ordered = or(row.decimal("ordered"), open);
        BigDecimal started = row.decimal("start_quantity") != null
                ? row.decimal("start_quantity")
                : ordered.divide(
                        data.yield(item, row.text("site")), data.item(item).decimals(), RoundingMode.UP);
        SupplyLine line = books.begins(
                new SupplyLine.Order(
                        row.text("number"),
                        row.text("line"),
                        Source.valueOf(row.text("kind").toUpperCase(Locale.ROOT)),
                        "released".equals(row.text("stage")),
                        item,
                        row.text("site"),
                        row.text("from_site"),
                        row.text("supplier"),
                        row.text("unit"),
                        row.decimal("price"),
                        ordered,
                        started,
                        row.text("for_order"),
                        row.text("for_line")),
                open,
                or(row.decimal("scrapped"), BigDecimal.ZERO));
        line.beganWith(moved.getOrDefault(key(row.text("kind"), row), BigDecimal.ZERO));
        return line;
    }

    private OrderPart part(Row order, SupplyLine line, Row row) {
        String component = row.text("component");
        Row bill = data.lines(order.text("item")).stream()
                .filter(one -> one.text("component").equals(component))
                .findFirst()
                .orElse(null);
        BigDecimal quantity = row.decimal("quantity");
        BigDecimal issued = row.decimal("issued") != null
                ? row.decimal("issued")
                : or(row.decimal("planned"), quantity).subtract(quantity).max(BigDecimal.ZERO);
        BigDecimal planned = or(row.decimal("planned"), quantity.add(issued));
        String per = row.text("per", bill == null ? null : bill.text("per"));
        String step = row.text("step", bill == null ? null : bill.text("step"));
        String issue = row.text("issue", bill == null ? null : bill.text("issue"));
        if (issue == null) {
            issue = data.itemRow(component).text("issue", "manual");
        }
        boolean transfer = line.order().kind() == Source.TRANSFER;
        BigDecimal used = transfer ? issued : used(line, row, planned, issued);
        BigDecimal value = row.decimal("value");
        if (value == null) {
            value = data.item(component).standardCost().multiply(issued.subtract(used));
        }
        return new OrderPart(
                component,
                data.step(step),
                "order".equals(per),
                "backflush".equals(issue),
                planned,
                issued,
                used,
                money(transfer ? BigDecimal.ZERO : value));
    }

    /** What was put out before takes what was planned for it, as far as it was issued. */
    private static BigDecimal used(SupplyLine line, Row row, BigDecimal planned, BigDecimal issued) {
        if (row.decimal("used") != null) {
            return row.decimal("used");
        }
        BigDecimal units = line.received().add(line.scrapped());
        return line.order().started().signum() == 0
                ? BigDecimal.ZERO
                : planned.multiply(units)
                        .divide(line.order().started(), USED_DECIMALS, RoundingMode.HALF_UP)
                        .min(issued);
    }

    private void steps(Row order, SupplyLine line) {
        boolean made = line.order().kind() == Source.MAKE || line.order().kind() == Source.ASSEMBLE;
        List<Row> given = steps.getOrDefault(line(order), List.of());
        for (Row row : given) {
            Integer step = data.step(row.text("step"));
            line.begins(
                    step == null ? 0 : step,
                    or(row.decimal("reported"), BigDecimal.ZERO),
                    or(row.decimal("scrapped"), BigDecimal.ZERO),
                    or(row.decimal("booked"), BigDecimal.ZERO),
                    row.decimal("minutes"));
        }
        BigDecimal units = line.received().add(line.scrapped());
        // what is bought or moved passes no steps
        boolean worked = made || line.order().kind() == Source.SUBCONTRACT;
        if (!given.isEmpty() || units.signum() == 0 || !worked) {
            return;
        }
        List<Masterdata.Operation> operations =
                made ? data.operations(line.order().item(), line.order().site()) : List.of();
        for (Masterdata.Operation operation : operations) {
            line.begins(operation.step(), BigDecimal.ZERO, BigDecimal.ZERO, units, null);
        }
        int last =
                operations.isEmpty() ? 0 : operations.get(operations.size() - 1).step();
        line.begins(last, line.received(), line.scrapped(), operations.isEmpty() ? BigDecimal.ZERO : units, null);
    }

    private void underway(Row order, SupplyLine line, List<Row> parts) {
        if (line.order().kind() != Source.TRANSFER) {
            return;
        }
        String item = line.order().item();
        List<Row> given = transit.getOrDefault(line(order), List.of());
        for (Row row : given) {
            Movement.Lot lot = new Movement.Lot(item, row.text("lot", ""), row.text("serial", ""));
            books.begins(line, lot, row.decimal("quantity"), money(row.decimal("value")), row.date("expiry"));
        }
        BigDecimal toShip = parts.stream().map(row -> row.decimal("quantity")).reduce(BigDecimal.ZERO, BigDecimal::add);
        BigDecimal sent = line.open().subtract(toShip);
        if (given.isEmpty() && sent.signum() > 0 && order.table().indexOf("closed_date") < 0) {
            books.begins(
                    line,
                    new Movement.Lot(item, "", ""),
                    sent,
                    money(data.item(item).standardCost().multiply(sent)),
                    null);
        }
    }

    private void costs(Row order, SupplyLine line) {
        List<Row> rows = costs.getOrDefault(line(order), List.of());
        if (!rows.isEmpty()) {
            Row given = rows.get(0);
            for (SupplyLine.Cost cost : SupplyLine.Cost.values()) {
                line.begins(cost, money(or(given.decimal(cost.name().toLowerCase(Locale.ROOT)), BigDecimal.ZERO)));
            }
        } else if (line.order().kind() == Source.TRANSFER) {
            line.begins(
                    SupplyLine.Cost.MATERIAL,
                    line.underway().values().stream()
                            .map(SupplyLine.Underway::value)
                            .reduce(BigDecimal.ZERO, BigDecimal::add));
        } else {
            line.begins(
                    SupplyLine.Cost.MATERIAL,
                    line.parts().stream().map(OrderPart::value).reduce(BigDecimal.ZERO, BigDecimal::add));
        }
    }

    private void customers(String table) {
        for (Row row : data.of(table)) {
            BigDecimal open = row.decimal("quantity");
            String state = row.text("state", "open");
            CustomerLine line = books.begins(
                    row.text("number"),
                    row.text("line"),
                    row.text("item"),
                    row.text("site"),
                    !state.equals("quote") && !state.equals("cancelled"),
                    open,
                    or(row.decimal("ordered"), open)
                            .subtract(open)
                            .max(moved.getOrDefault(key("customer_order", row), BigDecimal.ZERO)));
            if (row.table().indexOf("closed_date") >= 0) {
                LocalDate day = row.date("closed_date");
                Books.ended(line, day == null ? data.today() : day);
            }
        }
    }
}
