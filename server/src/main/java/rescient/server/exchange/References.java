package rescient.server.exchange;

import java.sql.ResultSet;
import java.sql.SQLException;
import java.sql.Statement;
import java.util.ArrayList;
import java.util.List;

/**
 * Foreign keys during a bulk load: looked at table by table at its end instead of row by row, which would take longer than
 * all the rest.
 */
final class References {
    private static final String ALL = """
            select c.conname, format(
                'select count(*) from %s c where %s and not exists (select from %s p where %s)',
                c.conrelid::regclass,
                (select string_agg(format('c.%I is not null', a.attname), ' and ') from unnest(c.conkey) k
                    join pg_attribute a on a.attrelid = c.conrelid and a.attnum = k),
                c.confrelid::regclass,
                (select string_agg(format('c.%I = p.%I', a.attname, b.attname), ' and ')
                    from unnest(c.conkey, c.confkey) as k (mine, its)
                    join pg_attribute a on a.attrelid = c.conrelid and a.attnum = k.mine
                    join pg_attribute b on b.attrelid = c.confrelid and b.attnum = k.its))
            from pg_constraint c
            where c.contype = 'f' and c.connamespace = current_schema()::regnamespace
            """;

    private final Statement statement;
    private final boolean deferred;

    private References(Statement statement, boolean deferred) {
        this.statement = statement;
        this.deferred = deferred;
    }

    /** Leaves references unchecked for now, if this user of the database may. */
    static References later(Statement statement) throws SQLException {
        boolean may;
        try (ResultSet answer =
                statement.executeQuery("select has_parameter_privilege('session_replication_role', 'set')")) {
            may = answer.next() && answer.getBoolean(1);
        }
        if (may) {
            statement.execute("set local session_replication_role = replica");
        }
        return new References(statement, may);
    }

    /** @throws SQLException if a row refers to one that is not there */
    void check() throws SQLException {
        if (!deferred) {
            return;
        }
        statement.execute("set local session_replication_role = origin");
        List<String[]> keys = new ArrayList<>();
        try (ResultSet found = statement.executeQuery(ALL)) {
            while (found.next()) {
                keys.add(new String[] {found.getString(1), found.getString(2)});
            }
        }
        for (String[] key : keys) {
            try (ResultSet broken = statement.executeQuery(key[1])) {
                broken.next();
                if (broken.getLong(1) > 0) {
                    throw new SQLException(broken.getLong(1) + " rows break " + key[0]);
                }
            }
        }
    }
}
