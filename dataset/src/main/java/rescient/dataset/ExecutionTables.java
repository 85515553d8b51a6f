package rescient.dataset;

import java.io.IOException;
import java.io.UncheckedIOException;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.HashMap;
import java.util.HashSet;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Set;
import rescient.core.stock.DocumentStep;
import rescient.core.stock.Movement;

/**
 * The tables of a dataset with what execution adds to them: columns of orders, items and stock, and the tables of movements,
 * value and cost. What planning knows of a table is defined in {@link Table} alone.
 */
final class ExecutionTables {
    private static final ColumnType TEXT = ColumnType.TEXT;
    private static final ColumnType AMOUNT = ColumnType.AMOUNT;
    private static final ColumnType SIGNED = ColumnType.SIGNED;
    private static final ColumnType DAY = ColumnType.DAY;
    private static final ColumnType COUNT = new ColumnType.Whole(Integer.MIN_VALUE, Integer.MAX_VALUE);

    private static final Map<String, Table> ALL = new LinkedHashMap<>();

    static {
        for (Table table : Table.ALL) {
            ALL.put(table.name(), table);
        }
        like("closed_orders", "open_orders");
        like("closed_order_components", "open_order_components");
        like("closed_customer_orders", "customer_orders");
        record();
        value();
        history();
    }

    private ExecutionTables() {}

    private static void like(String name, String other) {
        List<Column> all = new ArrayList<>(ALL.get(other).columns());
        all.add(Column.of("closed_date", DAY));
        ALL.put(name, Table.table(name, all.toArray(Column[]::new)));
    }

    private static void added(String name, Column... columns) {
        ALL.put(name, Table.table(name, columns));
    }

    private static void record() {
        postings();
        added(
                "movements",
                Column.key("movement", new ColumnType.Whole(1, Long.MAX_VALUE)),
                Column.required("key", TEXT),
                Column.required("date", DAY),
                Column.required(
                        "kind",
                        ColumnType.words(Arrays.stream(Movement.Kind.values())
                                .map(Movement.Kind::code)
                                .toArray(String[]::new))),
                Column.required("item", TEXT).to("items"),
                Column.required("site", TEXT).to("sites"),
                Column.of("lot", TEXT),
                Column.of("serial", TEXT),
                Column.of("quarantined", ColumnType.FLAG),
                Column.required("quantity", SIGNED),
                Column.required("value", SIGNED),
                Column.of(
                        "document",
                        ColumnType.words("buy", "make", "assemble", "subcontract", "transfer", "customer_order")),
                Column.of("number", TEXT),
                Column.of("line", TEXT),
                Column.of("reverses", new ColumnType.Whole(1, Long.MAX_VALUE)),
                Column.of("reason", TEXT),
                Column.of("person", TEXT),
                Column.of("entered", TEXT));
        added(
                "in_transit",
                Column.key("number", TEXT),
                Column.key("line", TEXT),
                Column.openKey("lot", TEXT),
                Column.openKey("serial", TEXT),
                Column.required("quantity", AMOUNT),
                Column.required("value", SIGNED),
                Column.of("expiry", DAY));
    }

    /** What movements do not tell of a posting, so that it can be taken back whole after the company went out and in again. */
    private static void postings() {
        added(
                "postings",
                Column.key("key", TEXT),
                Column.required("date", DAY),
                Column.of("reverses", TEXT),
                Column.of("sentence", TEXT),
                Column.of("person", TEXT),
                Column.of("entered", TEXT));
        added(
                "posting_steps",
                Column.key("key", TEXT),
                Column.key("place", new ColumnType.Whole(1, Integer.MAX_VALUE)),
                Column.required(
                        "kind",
                        ColumnType.words(Arrays.stream(DocumentStep.Kind.values())
                                .map(DocumentStep.Kind::code)
                                .toArray(String[]::new))),
                Column.required("number", TEXT),
                Column.required("line", TEXT),
                Column.of("what", TEXT),
                Column.of("item", TEXT),
                Column.of("lot", TEXT),
                Column.of("serial", TEXT),
                Column.of("site", TEXT),
                Column.of("step", COUNT),
                Column.of("a", SIGNED),
                Column.of("b", SIGNED),
                Column.of("c", SIGNED));
    }

    private static void value() {
        added(
                "stock_values",
                Column.key("item", TEXT).to("items"),
                Column.key("site", TEXT).to("sites"),
                Column.of("quantity", AMOUNT),
                Column.required("value", SIGNED));
        added(
                "stock_layers",
                Column.key("item", TEXT).to("items"),
                Column.key("site", TEXT).to("sites"),
                Column.openKey("lot", TEXT),
                Column.openKey("serial", TEXT),
                Column.openKey("date", DAY),
                Column.key("number", COUNT),
                Column.required("quantity", AMOUNT),
                Column.required("value", SIGNED));
        added(
                "order_costs",
                Column.key("number", TEXT),
                Column.key("line", TEXT),
                Column.of("material", SIGNED),
                Column.of("work", SIGNED),
                Column.of("outside", SIGNED),
                Column.of("put_out", SIGNED),
                Column.of("variance", SIGNED),
                Column.of("in_process", SIGNED));
        added(
                "order_steps",
                Column.key("number", TEXT),
                Column.key("line", TEXT),
                Column.openKey("step", TEXT),
                Column.of("reported", AMOUNT),
                Column.of("scrapped", AMOUNT),
                Column.of("booked", AMOUNT),
                Column.of("minutes", AMOUNT));
    }

    private static void history() {
        added(
                "usage",
                Column.key("item", TEXT).to("items"),
                Column.key("site", TEXT).to("sites"),
                Column.key("date", DAY),
                Column.key("number", TEXT),
                Column.openKey("line", TEXT),
                Column.required("quantity", AMOUNT));
        added(
                "receipts",
                Column.key("number", TEXT),
                Column.key("line", TEXT),
                Column.key("received_date", DAY),
                Column.required("supplier", TEXT),
                Column.required("item", TEXT).to("items"),
                Column.required("site", TEXT).to("sites"),
                Column.required("ordered_date", DAY),
                Column.of("first_confirmed_date", DAY),
                Column.required("quantity", AMOUNT));
    }

    /** All of them, by name. */
    static Map<String, Table> all() {
        return ALL;
    }

    /**
     * The rows of a dataset, each value checked by itself, and codes of tables that are there.
     *
     * @throws FaultyDatasetException with all that is wrong with it
     */
    static Map<String, List<Row>> read(Path path) {
        Faults faults = new Faults();
        Map<String, List<Row>> rows = new HashMap<>();
        try (DatasetSource source = DatasetSource.open(path)) {
            for (Table table : ALL.values()) {
                try (TableRows raw = source.rows(table)) {
                    if (raw != null) {
                        rows.put(table.name(), new TableReader(table, faults, () -> {}).read(raw));
                    }
                }
            }
        } catch (IOException e) {
            throw new UncheckedIOException("The dataset " + path + " cannot be read: " + e.getMessage(), e);
        }
        references(rows, faults);
        // what a step has to say is only asked when every value is of its kind
        if (faults.none()) {
            PostingChecks.look(
                    rows.getOrDefault("postings", List.of()), rows.getOrDefault("posting_steps", List.of()), faults);
        }
        faults.refuse();
        return rows;
    }

    private static void references(Map<String, List<Row>> rows, Faults faults) {
        Map<String, Set<String>> known = new HashMap<>();
        for (Table table : ALL.values()) {
            for (Column column : table.columns()) {
                if (column.references() != null && rows.containsKey(column.references())) {
                    Set<String> codes = known.computeIfAbsent(column.references(), of -> codes(rows.get(of)));
                    for (Row row : rows.getOrDefault(table.name(), List.of())) {
                        String value = row.text(column.name());
                        if (value != null && !codes.contains(value)) {
                            faults.add(
                                    table,
                                    row.line(),
                                    column.name(),
                                    value,
                                    "is not in " + column.references() + ".csv",
                                    "a code that stands there");
                        }
                    }
                }
            }
        }
    }

    private static Set<String> codes(List<Row> rows) {
        Set<String> codes = new HashSet<>();
        rows.forEach(row -> codes.add(row.at(0)));
        return codes;
    }
}
