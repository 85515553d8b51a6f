package rescient.server;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.math.BigDecimal;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import org.junit.jupiter.api.Test;
import org.springframework.dao.DuplicateKeyException;
import rescient.dataset.Column;
import rescient.dataset.ColumnType;
import rescient.dataset.Dataset;
import rescient.dataset.DatasetReader;
import rescient.dataset.RecordTables;
import rescient.dataset.Row;
import rescient.dataset.Table;

/** A company in and out of the database. */
class CompanyStoreTest extends ServerTest {

    /** Rows as text, with numbers that are equal written alike, in the order of their keys. */
    private static List<String> comparable(Dataset dataset, Table table) {
        return dataset.rows(table.name()).stream()
                .map(row -> {
                    StringBuilder text = new StringBuilder();
                    for (Column column : table.columns()) {
                        // where nothing is said of what was ordered, all of it is still to come
                        boolean ordered = table.name().equals("open_orders")
                                && column.name().equals("ordered");
                        String value = row.text(column.name(), ordered ? row.text("quantity") : "");
                        boolean number = column.type() instanceof ColumnType.Decimal && !value.isEmpty();
                        text.append(
                                        number
                                                ? new BigDecimal(value)
                                                        .stripTrailingZeros()
                                                        .toPlainString()
                                                : value)
                                .append('|');
                    }
                    return text.toString();
                })
                .sorted()
                .toList();
    }

    @Test
    void whatIsLoadedIsReadBackTableByTable() {
        Dataset given = DatasetReader.read(DEMO);
        Dataset kept = store.read().dataset();
        for (Table table : Table.ALL) {
            if (!table.name().equals("settings")) {
                assertThat(comparable(kept, table)).as(table.name()).isEqualTo(comparable(given, table));
            }
        }
    }

    /** Lines that are done may stand in a table of their own; here they stand with the others. */
    @Test
    void customerOrdersThatAreDoneAreNotLost() {
        Dataset given = DatasetReader.read(DEMO);
        Map<String, String> cells = new HashMap<>();
        Row open = given.rows("customer_orders").get(0);
        Table.named("customer_orders").columns().forEach(c -> cells.put(c.name(), open.text(c.name())));
        cells.put("number", "SO-77");
        cells.put("quantity", "0");
        cells.put("closed_date", "2026-10-02");
        store.replace(
                given.with(
                        "closed_customer_orders", List.of(Row.of(RecordTables.named("closed_customer_orders"), cells))),
                "Larkmoor Hives",
                true);
        Row kept = store.read().dataset().rows("customer_orders").stream()
                .filter(row -> row.text("number").equals("SO-77"))
                .findFirst()
                .orElseThrow();
        assertThat(kept.text("state")).isEqualTo("done");
        assertThat(kept.text("item")).isEqualTo(open.text("item"));
    }

    @Test
    void theHorizonIsKeptAsAnumberOfDays() {
        assertThat(store.read().horizonDays()).isEqualTo(270);
        assertThat(store.read().dataset().setting("today")).isNull();
    }

    @Test
    void aLoadThatFailsLeavesTheCompanyAsItWas() {
        Map<String, List<Row>> rows = new HashMap<>();
        for (Table table : Table.ALL) {
            rows.put(table.name(), DatasetReader.read(DEMO).rows(table.name()));
        }
        // the database refuses an item whose unit is not there
        rows.put("items", List.of(Row.of(Table.named("items"), Map.of("code", "A", "unit", "stone"))));
        int before = count("items");
        long revision = store.read().revision();
        assertThatThrownBy(() -> store.replace(new Dataset(rows), "Broken", false))
                .isInstanceOf(Exception.class);
        assertThat(count("items")).isEqualTo(before);
        assertThat(store.read().revision()).isEqualTo(revision);
        assertThat(store.read().name()).isEqualTo("Larkmoor Hives");
    }

    @Test
    void whatATableIsHeldByIsThereAgainAfterMuchWasLoadedIntoIt() {
        // the demo's 3,623 shipments are enough for their indexes to be built behind them
        String held = "select indexdef from pg_indexes where tablename = 'shipments' union all"
                + " select conname || ' ' || pg_get_constraintdef(oid) from pg_constraint"
                + " where conrelid = 'shipments'::regclass order by 1";
        List<String> before = jdbc.queryForList(held, String.class);
        store.replace(DatasetReader.read(DEMO), "Larkmoor Hives", true);
        assertThat(jdbc.queryForList(held, String.class)).isEqualTo(before);
        assertThat(before)
                .contains("shipments_pkey PRIMARY KEY (id)")
                .anyMatch(index -> index.startsWith("CREATE UNIQUE INDEX shipments_key"));
        assertThatThrownBy(() -> jdbc.update("insert into shipments (item, site, date, number, quantity)"
                        + " select item, site, date, number, quantity from shipments limit 1"))
                .isInstanceOf(DuplicateKeyException.class);
    }

    @Test
    void numberingGoesOnBehindTheHighestNumberOfEachKind() {
        Map<String, Long> next = new HashMap<>();
        jdbc.query("select kind, next from number_ranges", row -> {
            next.put(row.getString(1), row.getLong(2));
        });
        assertThat(next)
                .containsExactlyInAnyOrderEntriesOf(Map.of(
                        "invoice",
                        1L,
                        "buy",
                        2045L,
                        "make",
                        321L,
                        "assemble",
                        107L,
                        "transfer",
                        59L,
                        "subcontract",
                        22L,
                        "firmed",
                        1L));
    }

    @Test
    void everyLoadIsARevisionThatThePlanFollows() {
        long before = live.current().revision();
        store.replace(DatasetReader.read(DEMO), "Larkmoor Hives", true);
        knowing();
        assertThat(live.current().revision()).isGreaterThan(before);
        assertThat(live.failure()).isNull();
    }

    @Test
    void readersSeeTheOldCompanyOrTheNewOneNeverHalf() throws Exception {
        var reader = java.util.concurrent.Executors.newSingleThreadExecutor();
        var stop = new java.util.concurrent.atomic.AtomicBoolean();
        var seen = reader.submit(() -> {
            java.util.Set<Integer> sizes = new java.util.HashSet<>();
            while (!stop.get()) {
                Dataset dataset = store.read().dataset();
                sizes.add(dataset.rows("items").size()
                        + 1000 * dataset.rows("open_orders").size());
            }
            return sizes;
        });
        for (int i = 0; i < 5; i++) {
            store.replace(DatasetReader.read(DEMO), "Larkmoor Hives", true);
        }
        stop.set(true);
        assertThat(seen.get()).hasSize(1);
        reader.shutdown();
    }
}
