package rescient.dataset;

import java.time.LocalDate;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.Optional;
import java.util.stream.Stream;
import rescient.core.company.BasicFacts;
import rescient.core.company.CompanyFacts;
import rescient.core.company.Fact;
import rescient.core.company.FactEdit;
import rescient.core.company.PartnerFacts;
import rescient.core.company.SupplierTerms;
import rescient.core.company.Units;

/**
 * A company as it is at one moment: its rows, looked up by key and by what they refer to, and followed from change to
 * change. Immutable; what a change leaves alone is shared.
 */
public final class Facts implements CompanyFacts {
    /** The columns by which rows are looked up when something changes, of the tables that can be large. */
    private static final Map<String, List<String>> LOOKED_UP = Map.ofEntries(
            Map.entry("items", List.of("group")),
            Map.entry("planning", List.of("item")),
            Map.entry("bom_lines", List.of("parent")),
            Map.entry("operations", List.of("item")),
            Map.entry("supplier_items", List.of("item")),
            Map.entry("alternative_items", List.of("item")),
            Map.entry("open_orders", List.of("item", "number")),
            Map.entry("shipments", List.of("number")),
            Map.entry("lots", List.of("item")),
            Map.entry("lot_tests", List.of("item")),
            Map.entry("invoices", List.of("number")),
            Map.entry("invoice_lines", List.of("number", "order_number")),
            Map.entry("stock", List.of("item")),
            Map.entry("customer_orders", List.of("number")),
            Map.entry("customer_order_parts", List.of("number")));

    private final Map<String, KeyedRows> tables;
    private volatile Dataset dataset;
    private volatile Units units;
    /** The present day; null if nothing says which. */
    private final LocalDate today;

    private Facts(Map<String, KeyedRows> tables, Dataset dataset, Units units, LocalDate today) {
        this.tables = tables;
        this.dataset = dataset;
        this.units = units;
        this.today = today;
    }

    public static Facts of(Dataset dataset) {
        Map<String, KeyedRows> tables = new HashMap<>();
        for (Table table : Table.ALL) {
            tables.put(table.name(), new KeyedRows(table, dataset.rows(table.name())));
        }
        String today = dataset.setting("today");
        return new Facts(tables, dataset, null, today == null ? null : LocalDate.parse(today));
    }

    /** The same company on a day. */
    public Facts on(LocalDate day) {
        return day.equals(today) ? this : new Facts(tables, dataset, units, day);
    }

    /** What becomes of it by some changes, made one after the other. */
    public Facts after(List<FactChange> changes) {
        if (changes.isEmpty()) {
            return this;
        }
        Map<Table, List<FactChange>> byTable = new LinkedHashMap<>();
        changes.forEach(
                c -> byTable.computeIfAbsent(c.table(), t -> new ArrayList<>()).add(c));
        Map<String, KeyedRows> next = new HashMap<>(tables);
        byTable.forEach(
                (table, some) -> next.put(table.name(), tables.get(table.name()).after(some)));
        boolean sameUnits = byTable.keySet().stream().noneMatch(t -> t.name().startsWith("unit"));
        return new Facts(next, null, sameUnits ? units : null, today);
    }

    /**
     * Makes what rows are looked up by, which takes seconds for a large company; whoever asks before makes it himself. What
     * is there already is not made again.
     */
    public void prepare() {
        tables.entrySet().parallelStream()
                .forEach(table -> table.getValue().prepare(LOOKED_UP.getOrDefault(table.getKey(), List.of())));
    }

    /** The row of a key, by the key's columns in their order, or null; "" where one is empty. */
    public Row row(String table, String... key) {
        List<Row> rows = tables.get(table).of(String.join("\0", key));
        return rows.isEmpty() ? null : rows.get(0);
    }

    /** The row that has the key of another now, or null. */
    public Row present(Row like) {
        List<Row> rows = together(like);
        if (KeyedRows.together(like.table())) {
            String key = like.ownKey();
            return rows.stream()
                    .filter(row -> row.ownKey().equals(key))
                    .findFirst()
                    .orElse(null);
        }
        return rows.isEmpty() ? null : rows.get(0);
    }

    /** The rows that are one change with a row, as they are now. */
    public List<Row> together(Row like) {
        return tables.get(like.table().name()).of(like.key());
    }

    /** The rows that have a text in a column, in no order. */
    public List<Row> rows(String table, String column, String value) {
        return tables.get(table).group(column, value);
    }

    /** All rows of a table. */
    public List<Row> rows(String table) {
        return tables.get(table).rows();
    }

    /** What an open order's line still has to issue. */
    public List<Row> components(String number, String line) {
        return tables.get("open_order_components").of(number + '\0' + line);
    }

    /** What the kits of a customer order's line consist of, if that is said for it alone. */
    public List<Row> parts(String number, String line) {
        return rows("customer_order_parts", "number", number).stream()
                .filter(row -> row.text("line").equals(line))
                .toList();
    }

    @Override
    public <F extends Fact> Optional<F> one(Class<F> kind, String... key) {
        Codec<F> codec = Codec.of(kind);
        return Optional.ofNullable(row(codec.table().name(), key)).map(codec::read);
    }

    @Override
    public <F extends Fact> Stream<F> all(Class<F> kind) {
        Codec<F> codec = Codec.of(kind);
        return rows(codec.table().name()).stream().map(codec::read);
    }

    @Override
    public <F extends Fact> List<F> where(Class<F> kind, String column, String value) {
        Codec<F> codec = Codec.of(kind);
        return rows(codec.table().name(), column, value).stream()
                .map(codec::read)
                .toList();
    }

    @Override
    public <F extends Fact> Stream<String> texts(Class<F> kind, String column) {
        return rows(Codec.of(kind).table().name()).stream()
                .map(row -> row.text(column))
                .filter(Objects::nonNull);
    }

    @Override
    public Facts edited(List<FactEdit<?>> edits) {
        return after(FactChange.of(edits));
    }

    static Units unitsOf(List<Row> units, List<Row> conversions) {
        return new Units(
                units.stream().map(Codec.of(BasicFacts.Unit.class)::read).toList(),
                conversions.stream()
                        .map(Codec.of(BasicFacts.UnitConversion.class)::read)
                        .toList());
    }

    /** The present day; null if nothing says which. */
    LocalDate today() {
        return today;
    }

    /** What suppliers offer of an item today. */
    public List<PartnerFacts.SupplierItem> offers(String item) {
        List<PartnerFacts.SupplierItem> all = where(PartnerFacts.SupplierItem.class, "item", item);
        return today == null ? all : PartnerFacts.SupplierItem.on(today, all);
    }

    /** The base rows of all who offer an item today. */
    public List<SupplierTerms> terms(String item) {
        String unit = row("items", item).text("unit");
        return rows("supplier_items", "item", item).stream()
                .filter(row -> Company.isBase(row, today))
                .map(row -> RowFacts.terms(row, unit, units()))
                .toList();
    }

    public Units units() {
        Units known = units;
        if (known == null) {
            known = unitsOf(rows("units"), rows("unit_conversions"));
            units = known;
        }
        return known;
    }

    /** All tables. */
    public Dataset dataset() {
        Dataset known = dataset;
        if (known == null) {
            Map<String, List<Row>> rows = new HashMap<>();
            tables.forEach((name, table) -> rows.put(name, table.rows()));
            known = new Dataset(rows);
            dataset = known;
        }
        return known;
    }
}
