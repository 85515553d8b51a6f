package rescient.server.exchange;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.sql.Connection;
import java.sql.DriverManager;
import java.sql.ResultSet;
import java.sql.SQLException;
import java.sql.Statement;
import java.util.List;
import org.junit.jupiter.api.AfterEach;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import rescient.server.testing.TestDatabase;

/** Tables that are taken for a load, and what they are held by. */
class BulkLoadTest {
    private static final String DATABASE = TestDatabase.create();
    private static final List<String> TABLES = List.of("parts", "uses");

    private Connection loading;
    private Connection somebody;
    private Statement statement;
    private BulkLoad load;

    private static Connection connection() throws SQLException {
        Connection connection = DriverManager.getConnection(DATABASE, TestDatabase.user(), TestDatabase.password());
        connection.setAutoCommit(false);
        return connection;
    }

    @BeforeEach
    void tables() throws SQLException {
        loading = connection();
        somebody = connection();
        statement = loading.createStatement();
        statement.execute("drop table if exists uses, parts, company");
        statement.execute("create table company (revision bigint)");
        statement.execute("create table parts (id bigint primary key, code text not null unique)");
        statement.execute("create table uses (id bigint primary key, part text references parts (code), place text)");
        statement.execute("create unique index uses_place on uses (part, coalesce(place, ''))");
        loading.commit();
        load = new BulkLoad(loading, statement);
    }

    @AfterEach
    void done() throws SQLException {
        loading.rollback();
        loading.close();
        somebody.rollback();
        somebody.close();
    }

    @Test
    void allTablesAreTakenOrNone() throws SQLException {
        Statement theirs = somebody.createStatement();
        theirs.execute("select from uses");
        assertThatThrownBy(() -> load.take(TABLES, 2))
                .isInstanceOf(IllegalStateException.class)
                .hasMessageContaining("keeps using");
        // the first table is not held while the second is waited for
        theirs.execute("lock table parts in access exclusive mode nowait");
        somebody.commit();
        load.take(TABLES, 2);
        assertThatThrownBy(() -> theirs.execute("lock table parts in access share mode nowait"))
                .isInstanceOf(SQLException.class);
    }

    @Test
    void indexesThatNothingRestsOnAreBuiltBehindManyRows() throws SQLException {
        load.take(TABLES);
        load.fill("parts", 5_000, () -> {
            // the key that uses refer to is still there, the other one is not
            assertThat(indexes("parts")).containsExactly("parts_code_key");
            statement.execute("insert into parts select n, 'P' || n from generate_series(1, 5000) n");
        });
        assertThat(indexes("parts")).containsExactly("parts_code_key", "parts_pkey");
        load.fill("uses", 5_000, () -> assertThat(indexes("uses")).isEmpty());
        assertThat(indexes("uses")).containsExactly("uses_pkey", "uses_place");
        load.fill("uses", 10, () -> assertThat(indexes("uses")).hasSize(2));
    }

    @Test
    void whatIsThereTwiceIsRefusedWhenTheIndexIsBuilt() throws SQLException {
        load.take(TABLES);
        assertThatThrownBy(() -> load.fill(
                        "uses",
                        5_000,
                        () -> statement.execute("insert into uses values (1, null, 'a'), (1, null, 'b')")))
                .isInstanceOf(SQLException.class)
                .hasMessageContaining("uses_pkey");
    }

    private List<String> indexes(String table) throws SQLException {
        List<String> names = new java.util.ArrayList<>();
        try (Statement asking = loading.createStatement();
                ResultSet found = asking.executeQuery(
                        "select indexname from pg_indexes where tablename = '" + table + "' order by 1")) {
            while (found.next()) {
                names.add(found.getString(1));
            }
        }
        return names;
    }
}
