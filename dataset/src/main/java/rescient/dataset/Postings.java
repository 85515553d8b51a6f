package rescient.dataset;

import java.time.LocalDate;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.Collection;
import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.Set;
import java.util.TreeMap;
import java.util.stream.IntStream;
import rescient.core.stock.Books;
import rescient.core.stock.Costing;
import rescient.core.stock.CustomerLine;
import rescient.core.stock.DocumentStep;
import rescient.core.stock.EarlierPosting;
import rescient.core.stock.Movement;
import rescient.core.stock.Poster;
import rescient.core.stock.Refused;
import rescient.core.stock.SupplyLine;

/** A posting carried out on the part of a company that it is about: what it moves, and what becomes of the company by it. */
public final class Postings {
    private static final List<String> WHOLE = List.of("settings", "units", "sites", "item_groups", "work_centers");
    private static final Map<String, String> BY_ITEM = Map.of(
            "items", "code",
            "planning", "item",
            "bom_lines", "parent",
            "operations", "item",
            "supplier_items", "item",
            "stock", "item");
    private static final List<String> OF_ORDERS = List.of(
            "open_orders",
            "closed_orders",
            "open_order_components",
            "closed_order_components",
            "order_steps",
            "in_transit",
            "order_costs");

    /** What came of orders and what they took. */
    private static final Map<String, Books.Past.Table> HISTORY =
            Map.of("usage", Books.Past.Table.USAGE, "receipts", Books.Past.Table.RECEIPTS);

    private final Facts facts;
    private final KeptRecord kept;
    private final LocalDate today;
    private final Set<String> numbers = new LinkedHashSet<>();
    private final Set<String> items = new LinkedHashSet<>();

    private Books books;
    private List<Refused> refused;
    private List<Movement> movements;
    private List<DocumentStep> steps;
    private ExecutionData data;
    private Map<String, Map<List<String>, List<Row>>> before;
    private Map<String, Map<List<String>, List<Row>>> after;

    private Postings(Facts facts, KeptRecord kept, LocalDate today) {
        this.facts = facts;
        this.kept = kept;
        this.today = today;
    }

    /**
     * Carries rows out, those that follow each other with one key as one posting; nothing is kept.
     *
     * @param rows as {@link PostingFile} has them, at least one
     * @param today the present day; the posting's own lies at most as far back as the company allows
     */
    public static Postings of(Facts facts, KeptRecord kept, LocalDate today, List<Row> rows) {
        Postings postings = new Postings(facts, kept, today);
        postings.carryOut(rows);
        return postings;
    }

    /** Why it cannot be, row by row; none: it can. */
    public List<Refused> refused() {
        return refused;
    }

    /** What the first posting changes on documents, to be kept with it. */
    public List<DocumentStep> steps() {
        return steps;
    }

    /** What it moves; nothing if it was refused. */
    public List<Movement> movements() {
        return movements;
    }

    private void carryOut(List<Row> rows) {
        Map<Long, Row> moved = new TreeMap<>();
        Set<String> reversed = new LinkedHashSet<>();
        for (Row row : rows) {
            add(numbers, row.text("number"));
            add(items, row.text("item"));
            add(reversed, row.text("reverses"));
        }
        List<EarlierPosting> did = kept.did(reversed);
        did.forEach(one -> {
            if (one.steps() != null) {
                one.steps().forEach(step -> add(numbers, step.number()));
            }
        });
        List<Row> back = kept.movementsOf(reversed);
        back.forEach(movement -> {
            add(items, movement.text("item"));
            add(numbers, movement.text("number"));
        });
        Map<String, List<Row>> scope = new HashMap<>();
        documents(scope);
        kits();
        for (String table : WHOLE) {
            scope.put(table, facts.rows(table));
        }
        BY_ITEM.forEach((table, column) -> scope.put(table, rows(table, column, items)));
        List<Row> conversions = new ArrayList<>(facts.rows("unit_conversions", "item", ""));
        conversions.addAll(rows("unit_conversions", "item", items));
        scope.put("unit_conversions", conversions);
        LocalDate day = rows.stream()
                .map(row -> row.date("date"))
                .min(LocalDate::compareTo)
                .orElseThrow();
        for (List<Row> some : List.of(back, kept.movementsOn(numbers), kept.movementsAfter(items, day))) {
            some.forEach(movement -> moved.put(Long.parseLong(movement.text("movement")), movement));
        }
        scope.put("movements", List.copyOf(moved.values()));
        scope.put("stock_values", kept.ofItems("stock_values", items));
        scope.put("stock_layers", kept.ofItems("stock_layers", items));
        data = new ExecutionData(scope, today, PostingFile.steps(rows));
        books = BooksReader.read(data);
        books.continuesAfter(kept.last());
        int known = books.movements().size();
        books.keepSteps();
        did.forEach(books::begins);
        before = documents();
        Poster poster = new Poster(books);
        refused =
                poster.post(rows.stream().map(row -> PostingFile.row(data, row)).toList());
        steps = poster.steps(rows.get(0).text("key"));
        after = documents();
        movements =
                List.copyOf(books.movements().subList(known, books.movements().size()));
    }

    private static void add(Set<String> set, String text) {
        if (text != null) {
            set.add(text);
        }
    }

    private List<Row> rows(String table, String column, Collection<String> values) {
        List<Row> rows = new ArrayList<>();
        values.forEach(value -> rows.addAll(facts.rows(table, column, value)));
        return rows;
    }

    /** The documents that are named, with the items that they are about. */
    private void documents(Map<String, List<Row>> scope) {
        numbers.addAll(kept.hangingOn(numbers));
        for (String table : OF_ORDERS) {
            scope.put(table, kept.ofOrders(table, numbers));
            boolean components = table.endsWith("_components");
            if (components || table.endsWith("_orders")) {
                scope.get(table).forEach(row -> add(items, row.text(components ? "component" : "item")));
            }
        }
        List<Row> lines = rows("customer_orders", "number", numbers);
        lines.forEach(row -> add(items, row.text("item")));
        scope.put("customer_orders", lines.stream().filter(row -> !done(row)).toList());
        scope.put(
                "closed_customer_orders",
                lines.stream().filter(Postings::done).map(this::closed).toList());
        scope.put("customer_order_parts", rows("customer_order_parts", "number", numbers));
        scope.get("customer_order_parts").forEach(row -> add(items, row.text("component")));
        scope.put("shipments", rows("shipments", "number", numbers));
        HISTORY.keySet().forEach(table -> scope.put(table, kept.ofOrders(table, numbers)));
    }

    private static boolean done(Row line) {
        return "done".equals(line.text("state"));
    }

    private Row closed(Row line) {
        Map<String, String> cells = new LinkedHashMap<>(line.cells());
        cells.put("closed_date", today.toString());
        return KeptRecord.row("closed_customer_orders", cells);
    }

    /** What kits are kept as. */
    private void kits() {
        List<String> open = new ArrayList<>(items);
        while (!open.isEmpty()) {
            Row item = facts.row("items", open.remove(open.size() - 1));
            if (item != null && "kit".equals(item.text("kind"))) {
                for (Row line : facts.rows("bom_lines", "parent", item.text("code"))) {
                    if (items.add(line.text("component"))) {
                        open.add(line.text("component"));
                    }
                }
            }
        }
    }

    // what becomes of the company

    /** The documents as the books have them now, by table and line. */
    private Map<String, Map<List<String>, List<Row>>> documents() {
        Map<String, Map<List<String>, List<Row>>> tables = new HashMap<>();
        new BooksWriter(data, books).documents().forEach((table, rows) -> {
            Map<List<String>, List<Row>> byLine = new LinkedHashMap<>();
            Table of = ExecutionTables.all().get(table);
            rows.forEach(cells -> byLine.computeIfAbsent(
                            List.of(cells.get("number"), cells.get("line")), line -> new ArrayList<>())
                    .add(row(of, cells)));
            tables.put(table, byLine);
        });
        return tables;
    }

    /** What a table has of a line then. */
    private List<Row> then(String table, List<String> line) {
        return after.getOrDefault(table, Map.of()).getOrDefault(line, List.of());
    }

    private boolean touched(List<String> line, String... tables) {
        return Arrays.stream(tables).anyMatch(table -> {
            List<Row> was = before.getOrDefault(table, Map.of()).getOrDefault(line, List.of());
            List<Row> is = then(table, line);
            return !was.stream()
                    .map(Row::values)
                    .toList()
                    .equals(is.stream().map(Row::values).toList());
        });
    }

    /** What becomes of stock, of orders and of what was shipped; each about one key. */
    public List<FactChange> changes() {
        List<FactChange> changes = new ArrayList<>(new StockRows(facts, books).changes(movements));
        for (SupplyLine line : lines()) {
            List<String> key = List.of(line.order().number(), line.order().line());
            boolean open = line.ended() == null;
            add(
                    changes,
                    facts.row("open_orders", key.get(0), key.get(1)),
                    open ? narrowed("open_orders", then("open_orders", key).get(0)) : null);
            List<Row> was = facts.components(key.get(0), key.get(1));
            List<Row> is = !open
                    ? List.of()
                    : then("open_order_components", key).stream()
                            .map(row -> narrowed("open_order_components", row))
                            .toList();
            if (!same(was, is)) {
                changes.add(new FactChange(Table.named("open_order_components"), was, is));
            }
        }
        for (CustomerLine line : books.customerLines()) {
            List<String> key = List.of(line.number(), line.line());
            if (touched(key, "customer_orders", "closed_customer_orders")) {
                Row was = facts.row("customer_orders", line.number(), line.line());
                // what was ordered in all is no longer what is open
                Row is = was.with("quantity", BooksWriter.said(line.open()))
                        .with("ordered", was.text("ordered", was.text("quantity")));
                if (line.ended() != null) {
                    is = is.with("state", "done");
                } else if (done(was)) {
                    is = is.with("state", "open");
                }
                add(changes, was, is);
            }
        }
        shipments(changes);
        return changes;
    }

    private void shipments(List<FactChange> changes) {
        Map<String, Row> customers = new HashMap<>();
        numbers.forEach(number -> facts.rows("customer_orders", "number", number)
                .forEach(row -> customers.put(BooksWriter.key(number, row.text("line")), row)));
        Map<String, Row> was = new LinkedHashMap<>();
        data.of("shipments").forEach(row -> was.put(row.key(), row));
        Table table = Table.named("shipments");
        for (Map<String, String> cells :
                new HistoryRows(data, books, Map.of(), customers).rows("shipments", Books.Past.Table.SHIPMENTS)) {
            Row row = Row.of(table, cells);
            add(changes, was.remove(row.key()), row);
        }
        was.values().forEach(row -> changes.add(FactChange.of(row, null)));
    }

    private static void add(List<FactChange> changes, Row before, Row after) {
        boolean same = before == null || after == null ? before == after : before.sameAs(after);
        if (!same) {
            changes.add(FactChange.of(before, after));
        }
    }

    private static boolean same(List<Row> a, List<Row> b) {
        return a.size() == b.size()
                && IntStream.range(0, a.size()).allMatch(i -> a.get(i).sameAs(b.get(i)));
    }

    /** A row of a wider table as the company's own table has it. */
    private static Row narrowed(String name, Row wide) {
        return row(Table.named(name), wide.cells());
    }

    /** Without what the table does not know: of a line that is open again, the day on which it was done. */
    private static Row row(Table table, Map<String, String> cells) {
        Map<String, String> known = new LinkedHashMap<>(cells);
        known.keySet().removeIf(column -> table.indexOf(column) < 0);
        return Row.of(table, known);
    }

    /** The lines that it touched, as they are then: what is open of each, and what it cost. */
    public List<SupplyLine> lines() {
        return books.supplyLines().stream()
                .filter(line ->
                        touched(List.of(line.order().number(), line.order().line()), OF_ORDERS.toArray(String[]::new)))
                .toList();
    }

    /** Of a line that it touched, what a table of the record has then. */
    public List<Row> record(String table, SupplyLine line) {
        return then(table, List.of(line.order().number(), line.order().line()));
    }

    /**
     * What became of the history of the orders of which something came or that took something: of each such line all rows
     * that it has then, of {@code usage} or {@code receipts}; none if nothing is left.
     */
    public Map<List<String>, List<Row>> history(String table) {
        Map<List<String>, List<Row>> lines = new LinkedHashMap<>();
        books.past().stream()
                .filter(past -> past.order() != null && past.table() == HISTORY.get(table))
                .forEach(past -> lines.put(
                        List.of(
                                past.order().order().number(),
                                past.order().order().line()),
                        new ArrayList<>()));
        Map<String, Row> orders = new HashMap<>();
        for (String of : List.of("open_orders", "closed_orders")) {
            data.of(of).forEach(row -> orders.put(BooksWriter.key(row.text("number"), row.text("line")), row));
        }
        for (Map<String, String> cells :
                new HistoryRows(data, books, orders, Map.of()).rows(table, HISTORY.get(table))) {
            List<Row> of = lines.get(List.of(cells.get("number"), cells.get("line")));
            if (of != null) {
                of.add(row(ExecutionTables.all().get(table), cells));
            }
        }
        return lines;
    }

    /** Where it moved something, or changed its value. */
    public List<Books.Point> points() {
        return movements.stream()
                .map(movement ->
                        new Books.Point(movement.bin().item(), movement.bin().site()))
                .distinct()
                .toList();
    }

    /** What lies at a point then, and what it is worth. */
    public Books.Amount amount(Books.Point point) {
        return books.amount(point);
    }

    /** The layers of value at a point, by lot and serial number with a zero character between; none where none are kept. */
    public Map<String, List<Movement.Layer>> layers(Books.Point point) {
        String costing =
                Objects.requireNonNull(facts.row("items", point.item())).text("costing", "");
        boolean kept = costing.equals(Costing.FIFO.name().toLowerCase(java.util.Locale.ROOT))
                || costing.equals(Costing.SPECIFIC.name().toLowerCase(java.util.Locale.ROOT));
        return kept ? books.layers(point) : Map.of();
    }
}
