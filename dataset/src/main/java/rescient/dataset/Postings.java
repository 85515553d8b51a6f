package rescient.dataset;

import java.math.BigDecimal;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.Collection;
import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.Set;
import java.util.TreeMap;
import rescient.core.stock.Books;
import rescient.core.stock.Costing;
import rescient.core.stock.Movement;
import rescient.core.stock.Poster;
import rescient.core.stock.PostingRow;
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
    private static final List<String> BY_NUMBER =
            List.of("customer_orders", "customer_order_parts", "open_order_components");

    private final Facts facts;
    private final KeptRecord kept;
    private final LocalDate today;
    private final Set<String> numbers = new LinkedHashSet<>();
    private final Set<String> items = new LinkedHashSet<>();

    private Books books;
    private List<Refused> refused;
    private List<Movement> movements;

    private Postings(Facts facts, KeptRecord kept, LocalDate today) {
        this.facts = facts;
        this.kept = kept;
        this.today = today;
    }

    /**
     * Carries rows out, all of them one posting; nothing is kept.
     *
     * @param today the present day; the posting's own lies at most as far back as the company allows
     */
    public static Postings of(Facts facts, KeptRecord kept, LocalDate today, List<PostingRow> rows) {
        Postings postings = new Postings(facts, kept, today);
        postings.carryOut(rows);
        return postings;
    }

    /** Why it cannot be, row by row; none: it can. */
    public List<Refused> refused() {
        return refused;
    }

    /** What it moves; nothing if it was refused. */
    public List<Movement> movements() {
        return movements;
    }

    private void carryOut(List<PostingRow> rows) {
        Map<String, Row> moved = new TreeMap<>();
        Set<String> reversed = new LinkedHashSet<>();
        for (PostingRow row : rows) {
            add(numbers, row.number());
            add(items, row.item());
            add(reversed, row.reverses());
        }
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
        LocalDate day = rows.get(0).date();
        for (List<Row> some : List.of(back, kept.movementsOn(numbers), kept.movementsSince(items, day))) {
            some.forEach(
                    movement -> moved.put(String.format("%019d", Long.parseLong(movement.text("movement"))), movement));
        }
        scope.put("movements", List.copyOf(moved.values()));
        scope.put("stock_values", kept.ofItems("stock_values", items));
        scope.put("stock_layers", kept.ofItems("stock_layers", items));
        scope.put("order_costs", kept.ofOrders("order_costs", numbers));
        books = BooksReader.read(new ExecutionData(scope, today, List.of()));
        books.continuesAfter(kept.last());
        int known = books.movements().size();
        refused = new Poster(books).post(rows);
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
        for (String table : List.of("open_orders", "closed_orders")) {
            scope.put(table, kept.ofOrders(table, numbers));
            scope.get(table).forEach(row -> add(items, row.text("item")));
        }
        for (String table : BY_NUMBER) {
            scope.put(table, rows(table, "number", numbers));
            scope.get(table).forEach(row -> {
                add(items, table.equals("customer_orders") ? row.text("item") : row.text("component"));
            });
        }
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

    /** What becomes of stock and of open orders; each about one key. */
    public List<FactChange> changes() {
        List<FactChange> changes = new ArrayList<>(new StockRows(facts, books).changes(movements));
        for (SupplyLine line : books.supplyLines()) {
            Row before =
                    facts.row("open_orders", line.order().number(), line.order().line());
            Row after = line.ended() != null || line.open().signum() == 0 ? null : openAgain(before, line);
            boolean same = before == null ? after == null : after != null && before.sameAs(after);
            if (!same) {
                changes.add(FactChange.of(before, after));
            }
        }
        return changes;
    }

    /** A line of which something was received, or taken back. */
    private Row openAgain(Row before, SupplyLine line) {
        Row row = before;
        if (row == null) {
            row = kept.ofOrders("closed_orders", List.of(line.order().number())).stream()
                    .filter(one -> one.text("line").equals(line.order().line()))
                    .findFirst()
                    .map(one -> {
                        Map<String, String> cells = new LinkedHashMap<>(one.cells());
                        Table table = Table.named("open_orders");
                        cells.keySet().removeIf(column -> table.indexOf(column) < 0);
                        return Row.of(table, cells);
                    })
                    .orElseThrow();
        }
        return row.with("quantity", BooksWriter.said(line.open()))
                .with("ordered", BooksWriter.said(line.order().ordered()));
    }

    /** The lines that it touched, as they are then: what is open of each, and what it cost. */
    public List<SupplyLine> lines() {
        return List.copyOf(books.supplyLines());
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
        return books.values().getOrDefault(point, new Books.Amount(BigDecimal.ZERO, BigDecimal.ZERO));
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
