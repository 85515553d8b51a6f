package rescient.server.exchange;

import de.siegmar.fastcsv.writer.CsvWriter;
import jakarta.persistence.EntityManager;
import java.io.IOException;
import java.io.OutputStreamWriter;
import java.nio.charset.StandardCharsets;
import java.sql.Connection;
import java.sql.SQLException;
import java.sql.Statement;
import java.time.LocalDate;
import java.time.temporal.ChronoUnit;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.function.Consumer;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import javax.sql.DataSource;
import org.hibernate.Session;
import org.postgresql.PGConnection;
import org.postgresql.copy.PGCopyOutputStream;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Isolation;
import org.springframework.transaction.annotation.Transactional;
import rescient.dataset.Dataset;
import rescient.dataset.RecordTables;
import rescient.dataset.Row;
import rescient.dataset.Table;
import rescient.server.platform.Companies;

/**
 * The whole company in and out of the database, one COPY a table. While a company is loaded, whoever asks for its data
 * waits.
 */
@Service
public class CompanyStore {
    private static final Table CUSTOMER_ORDERS = Table.named("customer_orders");
    private static final List<String> VIEWS = List.of("open_orders", "open_order_components");
    /** The stock record and what goes with it: taken with the company, so that no check of it waits for a load that waits for the check. */
    private static final List<String> RECORD = Stream.concat(
                    // orders that are done stand with the others, what a posting changed with it
                    RecordTables.ALL.stream()
                            .map(Table::name)
                            .filter(name -> !name.startsWith("closed_") && !name.equals("posting_steps")),
                    Stream.of(
                            "posting_orders",
                            "count_lists",
                            "count_lines",
                            "waiting_postings",
                            "waiting_approvals",
                            "lot_counters"))
            .toList();

    /** What a company is kept in. */
    private static final List<String> TABLES = Stream.concat(
                    Table.ALL.stream().map(Table::name).filter(t -> !VIEWS.contains(t)),
                    Stream.of("supply_orders", "supply_order_lines", "supply_order_components", "holds"))
            .toList();

    private static final int DEFAULT_HORIZON_DAYS = 365;

    private final EntityManager entities;
    private final DataSource database;
    private final Companies companies;
    private final RecordRows record;

    CompanyStore(EntityManager entities, DataSource database, Companies companies, RecordRows record) {
        this.record = record;
        this.entities = entities;
        this.database = database;
        this.companies = companies;
    }

    /**
     * All that the plan depends on, as of one moment.
     *
     * @param revision the company's revision at that moment
     */
    public record Stored(Dataset dataset, long revision, String name, boolean demo) {
        /** How many days the horizon reaches. */
        public int horizonDays() {
            return CompanyStore.horizonDays(dataset);
        }
    }

    /** How many days the horizon of a dataset reaches. */
    static int horizonDays(Dataset dataset) {
        String days = settings(dataset).get("horizon_days");
        return days == null ? DEFAULT_HORIZON_DAYS : Integer.parseInt(days);
    }

    /** The company as of one committed moment; not inside a transaction that has written, whose rows it need not see. */
    @Transactional(readOnly = true, isolation = Isolation.REPEATABLE_READ)
    public Stored read() {
        // before the moment is chosen: a company that is being loaded is waited for, and none is loaded meanwhile
        entities.createNativeQuery("lock table items in access share mode").executeUpdate();
        Object[] company = (Object[]) entities.createNativeQuery("select revision, name, demo from company")
                .getSingleResult();
        TablesInTurn tables = new TablesInTurn(database);
        entities.unwrap(Session.class).doWork(tables::read);
        return new Stored(new Dataset(tables.rows()), ((Number) company[0]).longValue(), (String) company[1], (Boolean)
                company[2]);
    }

    /** The same with the stock record, of which no plan knows. */
    @Transactional(readOnly = true, isolation = Isolation.REPEATABLE_READ)
    public Stored readWhole() {
        Stored stored = read();
        return new Stored(record.with(stored.dataset), stored.revision, stored.name, stored.demo);
    }

    static String columns(Table table) {
        return table.columns().stream().map(c -> '"' + c.name() + '"').collect(Collectors.joining(", "));
    }

    /** Replaces the company by a dataset, all or nothing. */
    @Transactional
    public void replace(Dataset dataset, String name, boolean demo) {
        replace(dataset, name, demo, table -> {});
    }

    /** The same, telling before each table. */
    @Transactional
    public void replace(Dataset dataset, String name, boolean demo, Consumer<Table> progress) {
        entities.unwrap(Session.class).doWork(connection -> {
            try (Statement statement = connection.createStatement()) {
                BulkLoad load = new BulkLoad(connection, statement);
                load.take(Stream.concat(TABLES.stream(), RECORD.stream()).toList());
                References references = References.later(statement);
                clear(statement);
                for (Table table : Table.ALL) {
                    progress.accept(table);
                    List<Row> rows =
                            table.equals(CUSTOMER_ORDERS) ? customerOrders(dataset) : dataset.rows(table.name());
                    if (table.name().equals("open_orders")) {
                        List<Row> all = new ArrayList<>(rows);
                        all.addAll(dataset.rows("closed_orders"));
                        List<Row> parts = new ArrayList<>(dataset.rows("open_order_components"));
                        parts.addAll(dataset.rows("closed_order_components"));
                        for (SupplyRows part : SupplyRows.of(all, parts)) {
                            load.fill(
                                    part.table(),
                                    part.rows().size(),
                                    () -> copyIn(connection, part.table(), part.columns(), part.rows().stream()));
                        }
                    } else if (!VIEWS.contains(table.name()) && !table.name().equals("settings")) {
                        load.fill(
                                table.name(),
                                rows.size(),
                                () -> copyIn(
                                        connection,
                                        table.name(),
                                        columns(table),
                                        rows.stream().map(Row::values)));
                    }
                }
                statement.execute(NUMBERS);
                record.fill(connection, dataset);
                references.check();
            }
        });
        settings(dataset)
                .forEach((key, value) -> entities.createNativeQuery(
                                "insert into settings (key, value) values (:key, :value)")
                        .setParameter("key", key)
                        .setParameter("value", value)
                        .executeUpdate());
        companies.loaded(name, demo);
    }

    /** The lines that are done too: here they stand with the others. */
    private static List<Row> customerOrders(Dataset dataset) {
        List<Row> all = new ArrayList<>(dataset.rows(CUSTOMER_ORDERS.name()));
        for (Row closed : dataset.rows("closed_customer_orders")) {
            Map<String, String> cells = new HashMap<>();
            CUSTOMER_ORDERS.columns().forEach(column -> cells.put(column.name(), closed.text(column.name())));
            cells.put("state", "done");
            all.add(Row.of(CUSTOMER_ORDERS, cells));
        }
        return all;
    }

    private static void clear(Statement statement) throws SQLException {
        statement.execute("truncate " + String.join(", ", TABLES) + ", " + String.join(", ", RECORD));
        // whoever still keeps a plan of the company before comes after this, and sees that it is gone
        statement.execute("lock table plan_journal in share row exclusive mode");
        for (String table : List.of(
                "commands",
                "decisions",
                "change_requests",
                "bench_places",
                "approvals",
                "letters",
                "supplier_acts",
                "mails",
                "plan_causes",
                "fact_changes",
                "plan_journal")) {
            statement.execute("delete from " + table);
        }
    }

    /** Today is the clock's and moves on; so the horizon is kept as a number of days. */
    private static Map<String, String> settings(Dataset dataset) {
        Map<String, String> settings = new HashMap<>();
        dataset.rows("settings").forEach(r -> settings.put(r.text("key"), r.text("value")));
        String today = settings.remove("today");
        String horizonEnd = settings.remove("horizon_end");
        if (today != null && horizonEnd != null) {
            long days = ChronoUnit.DAYS.between(LocalDate.parse(today), LocalDate.parse(horizonEnd));
            settings.put("horizon_days", Long.toString(days));
        }
        return settings;
    }

    private static void copyIn(Connection connection, String table, String columns, Stream<List<String>> rows)
            throws SQLException {
        String command = "copy %s (%s) from stdin (format csv)".formatted(table, columns);
        try (CsvWriter csv = CsvWriter.builder()
                .build(new OutputStreamWriter(
                        new PGCopyOutputStream(connection.unwrap(PGConnection.class), command),
                        StandardCharsets.UTF_8))) {
            rows.forEach(csv::writeRecord);
        } catch (IOException e) {
            throw new SQLException(e);
        }
    }

    /** Numbering goes on behind the highest number of each kind. */
    private static final String NUMBERS = """
            update number_ranges r set next = coalesce((
                select max(substring(o.number from length(r.prefix) + 1)::bigint) + 1
                from (select number from supply_orders union all select number from invoices where customer is not null) o
                where starts_with(o.number, r.prefix)
                  and substring(o.number from length(r.prefix) + 1) ~ '^[0-9]{1,15}$'), 1);
            """;
}
