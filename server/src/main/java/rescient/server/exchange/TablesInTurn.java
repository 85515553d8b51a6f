package rescient.server.exchange;

import java.sql.Connection;
import java.sql.ResultSet;
import java.sql.SQLException;
import java.sql.Statement;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Map;
import java.util.Queue;
import java.util.concurrent.ConcurrentHashMap;
import java.util.concurrent.ConcurrentLinkedQueue;
import java.util.concurrent.atomic.AtomicReference;
import javax.sql.DataSource;
import org.postgresql.PGConnection;
import org.postgresql.copy.CopyOut;
import rescient.dataset.CopiedRows;
import rescient.dataset.Row;
import rescient.dataset.Table;

/**
 * Reads all tables of the company as of one moment, the large ones first, each by one COPY; over a second connection too,
 * if there is one free that can see the same moment.
 */
final class TablesInTurn {
    private static final List<String> LARGE = List.of(
            "customer_orders",
            "bom_lines",
            "shipments",
            "forecasts",
            "open_order_components",
            "planning",
            "open_orders",
            "items",
            "stock",
            "supplier_items");

    private final DataSource database;
    private final Queue<Table> waiting = new ConcurrentLinkedQueue<>();
    private final Map<String, List<Row>> rows = new ConcurrentHashMap<>();
    private final CopiedRows copied = new CopiedRows();
    private final AtomicReference<SQLException> failed = new AtomicReference<>();
    /** The second connection sees the same moment and takes tables. */
    private volatile boolean helped;

    TablesInTurn(DataSource database) {
        this.database = database;
        Table.ALL.stream()
                .sorted(Comparator.comparingInt(t -> LARGE.contains(t.name()) ? LARGE.indexOf(t.name()) : LARGE.size()))
                .forEach(waiting::add);
    }

    /** Reads them over a connection whose transaction sees one moment. */
    void read(Connection connection) throws SQLException {
        String moment;
        try (Statement statement = connection.createStatement();
                ResultSet exported = statement.executeQuery("select pg_export_snapshot()")) {
            exported.next();
            moment = exported.getString(1);
        }
        Thread helper = new Thread(() -> help(moment), "company-reader");
        helper.setDaemon(true);
        helper.start();
        take(connection);
        // a helper that comes later finds nothing left to do
        if (helped) {
            join(helper);
        }
        if (failed.get() != null) {
            throw failed.get();
        }
        // a table that is not there would be taken for an empty one
        if (rows.size() < Table.ALL.size()) {
            throw new SQLException("Only " + rows.size() + " of " + Table.ALL.size() + " tables could be read");
        }
    }

    /** The rows by table, once they are read. */
    Map<String, List<Row>> rows() {
        return rows;
    }

    private void help(String moment) {
        try (Connection second = database.getConnection()) {
            second.setAutoCommit(false);
            try (Statement statement = second.createStatement()) {
                statement.execute("set transaction isolation level repeatable read read only");
                statement.execute("set transaction snapshot '" + moment + "'");
                helped = true;
                take(second);
            } finally {
                second.rollback();
            }
        } catch (SQLException e) {
            if (helped) {
                failed.set(e);
            }
        }
    }

    private void take(Connection connection) throws SQLException {
        for (Table table = waiting.poll(); table != null; table = waiting.poll()) {
            rows.put(table.name(), copyOut(connection, table));
        }
    }

    private List<Row> copyOut(Connection connection, Table table) throws SQLException {
        CopyOut copy = connection
                .unwrap(PGConnection.class)
                .getCopyAPI()
                .copyOut("copy (select %s from %s) to stdout".formatted(CompanyStore.columns(table), table.name()));
        List<Row> read = new ArrayList<>();
        for (byte[] row = copy.readFromCopy(); row != null; row = copy.readFromCopy()) {
            read.add(copied.row(table, row));
        }
        return read;
    }

    private static void join(Thread thread) throws SQLException {
        try {
            thread.join();
        } catch (InterruptedException e) {
            Thread.currentThread().interrupt();
            throw new SQLException("Reading the company was interrupted", e);
        }
    }
}
