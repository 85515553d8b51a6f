package rescient.server.exchange;

import java.sql.Connection;
import java.sql.ResultSet;
import java.sql.SQLException;
import java.sql.Savepoint;
import java.sql.Statement;
import java.util.ArrayList;
import java.util.List;
import java.util.Set;

/**
 * The tables of the company while another one is put into them: nobody else reads or writes them until the end of the
 * transaction, and those that many rows go into have their indexes built afterwards, in one go.
 */
final class BulkLoad {
    /** From so many rows on, building an index is quicker than keeping it up row by row. */
    private static final int MANY = 2_000;
    /** Shorter than the second after which the database looks for transactions that wait for each other. */
    private static final int PATIENCE_MILLIS = 250;

    private static final int TRIES = 240;
    /** Somebody else holds a lock; or each waits for the other. */
    private static final Set<String> IN_USE = Set.of("55P03", "40P01");

    /** Primary keys, unique constraints and plain indexes of a table that no foreign key rests on. */
    private static final String INDEXES = """
            select i.indexrelid::regclass, quote_ident(c.conname), pg_get_indexdef(i.indexrelid), pg_get_constraintdef(c.oid)
            from pg_index i left join pg_constraint c on c.conindid = i.indexrelid and c.contype in ('p', 'u')
            where i.indrelid = '%s'::regclass
              and not exists (select from pg_constraint f where f.contype = 'f' and f.conindid = i.indexrelid)
            """;

    private final Connection connection;
    private final Statement statement;

    BulkLoad(Connection connection, Statement statement) {
        this.connection = connection;
        this.statement = statement;
    }

    /**
     * Takes the tables and the company's lock, all or none of them, so that no two can wait for each other.
     *
     * @throws IllegalStateException if somebody kept using one of them for a minute
     */
    void take(List<String> tables) throws SQLException {
        take(tables, TRIES);
    }

    /** The same, trying so many times for a quarter of a second. */
    void take(List<String> tables, int tries) throws SQLException {
        statement.execute("set local lock_timeout = " + PATIENCE_MILLIS);
        for (int tried = 1; ; tried++) {
            Savepoint before = connection.setSavepoint();
            try {
                statement.execute("lock table " + String.join(", ", tables) + " in access exclusive mode");
                statement.execute("select from company for update");
                connection.releaseSavepoint(before);
                statement.execute("set local lock_timeout to default");
                return;
            } catch (SQLException e) {
                if (!IN_USE.contains(e.getSQLState())) {
                    throw e;
                }
                connection.rollback(before);
                if (tried == tries) {
                    throw new IllegalStateException(
                            "Somebody keeps using the company's data; nothing was loaded. Try again in a minute", e);
                }
            }
        }
    }

    /** Something that puts rows into a table. */
    interface Filling {
        void run() throws SQLException;
    }

    /** Fills an empty table. */
    void fill(String table, int rows, Filling filling) throws SQLException {
        if (rows < MANY) {
            filling.run();
            return;
        }
        List<String> again = new ArrayList<>();
        List<String> drops = new ArrayList<>();
        try (ResultSet indexes = statement.executeQuery(INDEXES.formatted(table))) {
            while (indexes.next()) {
                String constraint = indexes.getString(2);
                drops.add(
                        constraint == null
                                ? "drop index " + indexes.getString(1)
                                : "alter table " + table + " drop constraint " + constraint);
                again.add(
                        constraint == null
                                ? indexes.getString(3)
                                : "alter table " + table + " add constraint " + constraint + " "
                                        + indexes.getString(4));
            }
        }
        for (String drop : drops) {
            statement.execute(drop);
        }
        filling.run();
        for (String index : again) {
            statement.execute(index);
        }
    }
}
