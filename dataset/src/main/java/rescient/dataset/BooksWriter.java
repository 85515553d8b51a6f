package rescient.dataset;

import de.siegmar.fastcsv.writer.CsvWriter;
import java.io.IOException;
import java.io.UncheckedIOException;
import java.math.BigDecimal;
import java.math.RoundingMode;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import rescient.core.base.DocumentOrder;
import rescient.core.company.Source;
import rescient.core.stock.Books;
import rescient.core.stock.CustomerLine;
import rescient.core.stock.Movement;
import rescient.core.stock.OrderPart;
import rescient.core.stock.Poster;
import rescient.core.stock.Refused;
import rescient.core.stock.SupplyLine;

/** Writes a dataset as postings leave it: every table that there was, with what became of it. */
final class BooksWriter {
    private static final Comparator<Map<String, String>> BY_DOCUMENT = Comparator.comparing(
                    (Map<String, String> row) -> row.get("number"), DocumentOrder.INSTANCE)
            .thenComparing(row -> row.get("line"), DocumentOrder.INSTANCE)
            .thenComparing(row -> row.getOrDefault("component", ""));
    private static final Comparator<Map<String, String>> BY_PLACE = Comparator.comparing(
                    (Map<String, String> row) -> row.get("item"))
            .thenComparing(row -> row.get("site"))
            .thenComparing(row -> row.getOrDefault("lot", ""), DocumentOrder.INSTANCE)
            .thenComparing(row -> row.getOrDefault("serial", ""), DocumentOrder.INSTANCE);

    private final ExecutionData data;
    private final Books books;
    private final Map<String, Row> orders;

    BooksWriter(ExecutionData data, Books books) {
        this.data = data;
        this.books = books;
        this.orders = byLine("open_orders", "closed_orders");
    }

    /** The documents as they are, by table; each with what is known of it as text. */
    Map<String, List<Map<String, String>>> documents() {
        Map<String, List<Map<String, String>>> out = new LinkedHashMap<>();
        supply(out);
        customers(out);
        return out;
    }

    /** @param carriedOut what was posted, where the dataset tells of its postings */
    void write(Path folder, List<Refused> refused, List<Poster.CarriedOut> carriedOut) {
        Map<String, List<Map<String, String>>> out = documents();
        if (books.keepsSteps()) {
            out.putAll(PostingRows.write(data, carriedOut));
        }
        out.put("stock", stock());
        out.put("stock_values", values());
        out.put("stock_layers", layers());
        out.put("movements", movements());
        HistoryRows history = new HistoryRows(data, books, orders, byLine("customer_orders", "closed_customer_orders"));
        out.put("shipments", history.rows("shipments", Books.Past.Table.SHIPMENTS));
        out.put("usage", history.rows("usage", Books.Past.Table.USAGE));
        out.put("receipts", history.rows("receipts", Books.Past.Table.RECEIPTS));
        try {
            Files.createDirectories(folder);
            for (Map.Entry<String, List<Map<String, String>>> table : out.entrySet()) {
                Table of = ExecutionTables.all().get(table.getKey());
                write(
                        folder,
                        table.getKey(),
                        of.columns().stream().map(Column::name).toList(),
                        table.getValue());
            }
            for (Table table : ExecutionTables.all().values()) {
                if (!out.containsKey(table.name()) && !data.of(table.name()).isEmpty()) {
                    write(
                            folder,
                            table.name(),
                            table.columns().stream().map(Column::name).toList(),
                            data.of(table.name()).stream().map(Row::cells).toList());
                }
            }
            write(
                    folder,
                    "refused",
                    List.of("key", "item", "site", "lot", "serial", "code", "wanted", "there"),
                    refused.stream().map(BooksWriter::refused).toList());
        } catch (IOException e) {
            throw new UncheckedIOException("The dataset cannot be written to " + folder + ": " + e.getMessage(), e);
        }
    }

    private static void write(Path folder, String name, List<String> columns, List<Map<String, String>> rows)
            throws IOException {
        try (CsvWriter csv = CsvWriter.builder().build(folder.resolve(name + ".csv"))) {
            csv.writeRecord(columns);
            for (Map<String, String> row : rows) {
                csv.writeRecord(columns.stream()
                        .map(column -> row.getOrDefault(column, ""))
                        .toList());
            }
        }
    }

    static String said(BigDecimal number) {
        return number == null
                ? ""
                : number.signum() == 0 ? "0" : number.stripTrailingZeros().toPlainString();
    }

    static String said(Object value) {
        return value == null ? "" : value.toString();
    }

    private String money(BigDecimal amount) {
        return amount.setScale(data.moneyDecimals(), RoundingMode.HALF_UP).toPlainString();
    }

    private static Map<String, String> refused(Refused one) {
        Map<String, String> row = new HashMap<>();
        row.put("key", one.key());
        row.put("item", said(one.item()));
        row.put("site", said(one.site()));
        row.put("lot", said(one.lot()));
        row.put("serial", said(one.serial()));
        row.put("code", one.code().code());
        row.put("wanted", said(one.wanted()));
        row.put("there", said(one.there()));
        return row;
    }

    // orders

    static String key(String number, String line) {
        return number + '\0' + line;
    }

    private Map<String, Row> byLine(String... tables) {
        Map<String, Row> rows = new HashMap<>();
        for (String table : tables) {
            data.of(table).forEach(row -> rows.put(key(row.text("number"), row.text("line")), row));
        }
        return rows;
    }

    private void supply(Map<String, List<Map<String, String>>> out) {
        Map<String, List<Row>> parts = new HashMap<>();
        for (String table : List.of("open_order_components", "closed_order_components")) {
            data.of(table)
                    .forEach(row -> parts.computeIfAbsent(
                                    key(row.text("number"), row.text("line")), k -> new ArrayList<>())
                            .add(row));
        }
        List<String> tables = List.of(
                "open_orders",
                "open_order_components",
                "closed_orders",
                "closed_order_components",
                "order_costs",
                "order_steps",
                "in_transit");
        tables.forEach(table -> out.put(table, new ArrayList<>()));
        for (SupplyLine line : books.supplyLines()) {
            boolean open = line.ended() == null;
            String key = key(line.order().number(), line.order().line());
            Map<String, String> order = order(orders.get(key), line);
            out.get(open ? "open_orders" : "closed_orders").add(order);
            for (OrderPart part : line.parts()) {
                // what was issued beside the plan and came back again was never there
                boolean there = parts.getOrDefault(key, List.of()).stream()
                        .anyMatch(row -> row.text("component").equals(part.component()));
                if (!there && part.issued().signum() == 0) {
                    continue;
                }
                Map<String, String> row = part(parts.getOrDefault(key, List.of()), line, part, order);
                if (!open) {
                    row.put("closed_date", line.ended().toString());
                }
                out.get(open ? "open_order_components" : "closed_order_components")
                        .add(row);
            }
            costs(out.get("order_costs"), line);
            steps(out.get("order_steps"), line);
            underway(out.get("in_transit"), line);
        }
        tables.forEach(table -> out.get(table).sort(BY_DOCUMENT));
    }

    private Map<String, String> order(Row before, SupplyLine line) {
        Map<String, String> row = new HashMap<>(before.cells());
        row.put("quantity", said(line.open()));
        row.put("ordered", said(line.order().ordered()));
        row.put("start_quantity", said(line.order().started()));
        row.put("scrapped", said(line.scrapped()));
        if (line.ended() != null) {
            row.put("closed_date", line.ended().toString());
        }
        return row;
    }

    private Map<String, String> part(List<Row> before, SupplyLine line, OrderPart part, Map<String, String> order) {
        Map<String, String> row = new HashMap<>();
        row.put("number", line.order().number());
        row.put("line", line.order().line());
        row.put("component", part.component());
        row.put("needed_date", order.getOrDefault("due_date", ""));
        before.stream()
                .filter(one -> one.text("component").equals(part.component()))
                .filter(one ->
                        one.text("step") == null || data.step(one.text("step")).equals(part.step()))
                .findFirst()
                .ifPresent(one -> row.putAll(one.cells()));
        row.put("quantity", said(part.open()));
        row.put("planned", said(part.planned()));
        row.put("issued", said(part.issued()));
        boolean transfer = line.order().kind() == Source.TRANSFER;
        row.put("used", transfer ? "0" : said(part.used()));
        row.put("value", money(part.value()));
        row.put("per", part.perOrder() ? "order" : "unit");
        row.put("issue", part.backflush() ? "backflush" : "manual");
        row.put("step", part.step() == null ? "" : data.step(part.step()));
        return row;
    }

    private void costs(List<Map<String, String>> rows, SupplyLine line) {
        Map<String, String> row = new HashMap<>();
        boolean any = false;
        for (SupplyLine.Cost cost : SupplyLine.Cost.values()) {
            row.put(cost.name().toLowerCase(Locale.ROOT), money(line.cost(cost)));
            any |= line.cost(cost).signum() != 0;
        }
        if (any) {
            row.put("number", line.order().number());
            row.put("line", line.order().line());
            row.put("in_process", money(line.inProcess()));
            rows.add(row);
        }
    }

    private void steps(List<Map<String, String>> rows, SupplyLine line) {
        line.steps().forEach((step, progress) -> {
            if (progress.nothing()) {
                return;
            }
            Map<String, String> row = new HashMap<>();
            row.put("number", line.order().number());
            row.put("line", line.order().line());
            row.put("step", data.step(step));
            row.put("reported", said(progress.reported()));
            row.put("scrapped", said(progress.scrapped()));
            row.put("booked", said(progress.booked()));
            row.put("minutes", said(progress.minutes()));
            rows.add(row);
        });
    }

    private void underway(List<Map<String, String>> rows, SupplyLine line) {
        line.underway().forEach((lot, way) -> {
            if (way.quantity().signum() != 0) {
                Map<String, String> row = new HashMap<>();
                row.put("number", line.order().number());
                row.put("line", line.order().line());
                row.put("lot", lot.lot());
                row.put("serial", lot.serial());
                row.put("quantity", said(way.quantity()));
                row.put("value", money(way.value()));
                row.put("expiry", said(books.expiry(lot)));
                rows.add(row);
            }
        });
    }

    private void customers(Map<String, List<Map<String, String>>> out) {
        Map<String, Row> before = byLine("customer_orders", "closed_customer_orders");
        out.put("customer_orders", new ArrayList<>());
        out.put("closed_customer_orders", new ArrayList<>());
        for (CustomerLine line : books.customerLines()) {
            Map<String, String> row =
                    new HashMap<>(before.get(key(line.number(), line.line())).cells());
            row.put("quantity", said(line.open()));
            if (line.ended() != null) {
                row.put("closed_date", line.ended().toString());
            }
            out.get(line.ended() == null ? "customer_orders" : "closed_customer_orders")
                    .add(row);
        }
        out.get("customer_orders").sort(BY_DOCUMENT);
        out.get("closed_customer_orders").sort(BY_DOCUMENT);
    }

    // stock

    private static Map<String, String> place(Movement.Bin bin) {
        Map<String, String> row = new HashMap<>();
        row.put("item", bin.item());
        row.put("site", bin.site());
        row.put("lot", bin.lot());
        row.put("serial", bin.serial());
        row.put("quarantined", bin.quarantined() ? "true" : "");
        return row;
    }

    private List<Map<String, String>> stock() {
        List<Map<String, String>> rows = new ArrayList<>();
        books.stock().forEach((bin, quantity) -> {
            Map<String, String> row = place(bin);
            row.put("quantity", said(quantity));
            row.put("expiry", said(books.expiry(new Movement.Lot(bin.item(), bin.lot(), bin.serial()))));
            row.put("received", said(books.since(bin)));
            rows.add(row);
        });
        rows.sort(BY_PLACE.thenComparing(row -> row.get("quarantined")));
        return rows;
    }

    private List<Map<String, String>> values() {
        List<Map<String, String>> rows = new ArrayList<>();
        books.values().forEach((point, amount) -> {
            Map<String, String> row = new HashMap<>();
            row.put("item", point.item());
            row.put("site", point.site());
            row.put("quantity", said(amount.quantity()));
            row.put("value", money(amount.value()));
            rows.add(row);
        });
        return rows;
    }

    private List<Map<String, String>> layers() {
        List<Map<String, String>> rows = new ArrayList<>();
        books.values()
                .keySet()
                .forEach(point -> books.layers(point).forEach((place, layers) -> {
                    int zero = place.indexOf('\0');
                    for (Movement.Layer layer : layers) {
                        Map<String, String> row = new HashMap<>();
                        row.put("item", point.item());
                        row.put("site", point.site());
                        row.put("lot", place.substring(0, zero));
                        row.put("serial", place.substring(zero + 1));
                        row.put("date", said(layer.date()));
                        row.put("number", Long.toString(layer.number()));
                        row.put("quantity", said(layer.quantity()));
                        row.put("value", money(layer.value()));
                        rows.add(row);
                    }
                }));
        return rows;
    }

    private List<Map<String, String>> movements() {
        List<Map<String, String>> rows = new ArrayList<>();
        Map<String, Row> before = new HashMap<>();
        data.of("movements").forEach(row -> before.put(row.text("movement"), row));
        for (Movement movement : books.movements()) {
            Map<String, String> row = place(movement.bin());
            Row was = before.get(Long.toString(movement.number()));
            if (was != null) {
                row.putAll(was.cells());
            }
            row.put("movement", Long.toString(movement.number()));
            row.put("key", movement.key());
            row.put("date", movement.date().toString());
            row.put("kind", movement.kind().code());
            row.put("quantity", said(movement.quantity()));
            row.put("value", money(movement.value()));
            if (movement.document() != null) {
                row.put("document", movement.document().kind());
                row.put("number", movement.document().number());
                row.put("line", said(movement.document().line()));
            }
            row.put("reverses", said(movement.reverses()));
            row.put("reason", said(movement.reason()));
            rows.add(row);
        }
        return rows;
    }
}
