package rescient.server.exchange;

import de.siegmar.fastcsv.writer.CsvWriter;
import de.siegmar.fastcsv.writer.QuoteStrategies;
import jakarta.persistence.EntityManager;
import java.io.IOException;
import java.io.OutputStreamWriter;
import java.nio.charset.StandardCharsets;
import java.sql.Connection;
import java.sql.SQLException;
import java.sql.Statement;
import java.time.LocalDate;
import java.time.temporal.ChronoUnit;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.function.Consumer;
import java.util.stream.Collectors;
import javax.sql.DataSource;
import org.hibernate.Session;
import org.postgresql.PGConnection;
import org.postgresql.copy.PGCopyOutputStream;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Isolation;
import org.springframework.transaction.annotation.Transactional;
import rescient.dataset.Dataset;
import rescient.dataset.Row;
import rescient.dataset.Table;
import rescient.server.platform.Companies;

/** The whole company in and out of the database, one COPY a table. */
@Service
public class CompanyStore {
    private static final List<String> VIEWS = List.of("open_orders", "open_order_components");
    private static final int DEFAULT_HORIZON_DAYS = 365;

    private final EntityManager entities;
    private final DataSource database;
    private final Companies companies;

    CompanyStore(EntityManager entities, DataSource database, Companies companies) {
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
            String days = dataset.setting("horizon_days");
            return days == null ? DEFAULT_HORIZON_DAYS : Integer.parseInt(days);
        }
    }

    /** The company as of one committed moment; not inside a transaction that has written, whose rows it need not see. */
    @Transactional(readOnly = true, isolation = Isolation.REPEATABLE_READ)
    public Stored read() {
        Object[] company = (Object[]) entities.createNativeQuery("select revision, name, demo from company")
                .getSingleResult();
        TablesInTurn tables = new TablesInTurn(database);
        entities.unwrap(Session.class).doWork(tables::read);
        return new Stored(new Dataset(tables.rows()), ((Number) company[0]).longValue(), (String) company[1], (Boolean)
                company[2]);
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
        companies.lock();
        entities.unwrap(Session.class).doWork(connection -> {
            try (Statement statement = connection.createStatement()) {
                References references = References.later(statement);
                clear(statement);
                for (Table table : Table.ALL) {
                    progress.accept(table);
                    if (VIEWS.contains(table.name())) {
                        statement.execute(
                                "create temp table incoming_%s on commit drop as select * from %s with no data"
                                        .formatted(table.name(), table.name()));
                        copyIn(connection, table, "incoming_" + table.name(), dataset.rows(table.name()));
                    } else if (!table.name().equals("settings")) {
                        copyIn(connection, table, table.name(), dataset.rows(table.name()));
                    }
                }
                statement.execute(OPEN_ORDERS);
                statement.execute(NUMBERS);
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

    /**
     * Rows are deleted rather than tables truncated: whoever reads meanwhile keeps seeing the company as it was, and
     * nobody waits for anybody.
     */
    private static void clear(Statement statement) throws SQLException {
        for (String table : List.of(
                "supply_order_components",
                "supply_order_lines",
                "supply_orders",
                "commands",
                "decisions",
                "holds",
                "change_requests",
                "plan_causes",
                "plan_journal")) {
            statement.execute("delete from " + table);
        }
        for (int i = Table.ALL.size() - 1; i >= 0; i--) {
            if (!VIEWS.contains(Table.ALL.get(i).name())) {
                statement.execute("delete from " + Table.ALL.get(i).name());
            }
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

    private static void copyIn(Connection connection, Table table, String into, List<Row> rows) throws SQLException {
        String command = "copy %s (%s) from stdin (format csv)".formatted(into, columns(table));
        try (CsvWriter csv = CsvWriter.builder()
                .quoteStrategy(QuoteStrategies.NON_EMPTY)
                .build(new OutputStreamWriter(
                        new PGCopyOutputStream(connection.unwrap(PGConnection.class), command),
                        StandardCharsets.UTF_8))) {
            for (Row row : rows) {
                csv.writeRecord(row.values());
            }
        } catch (IOException e) {
            throw new SQLException(e);
        }
    }

    private static final String OPEN_ORDERS = """
            insert into supply_orders (number, kind, supplier, site, from_site)
            select distinct on (number) number, kind, supplier, site, from_site from incoming_open_orders order by number, line;
            insert into supply_order_lines (order_number, line, stage, item, ordered, quantity, due_date, start_date, locked)
            select number, line, stage, item, quantity, quantity, due_date, start_date, locked from incoming_open_orders
            order by number, line;
            insert into supply_order_components (order_number, line, component, quantity, needed_date)
            select number, line, component, quantity, needed_date from incoming_open_order_components
            order by number, line, component;
            """;

    /** Numbering goes on behind the highest number of each kind. */
    private static final String NUMBERS = """
            update number_ranges r set next = coalesce((
                select max(substring(o.number from length(r.prefix) + 1)::bigint) + 1
                from supply_orders o
                where o.number ~ ('^' || r.prefix || '[0-9]{1,15}$')), 1);
            """;
}
