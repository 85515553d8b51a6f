package rescient.server.testing;

import java.sql.Connection;
import java.sql.DriverManager;
import java.sql.SQLException;
import java.sql.Statement;
import java.util.concurrent.atomic.AtomicInteger;

/** A database of one's own on the cluster that {@code ./rescient test} starts. */
public final class TestDatabase {
    private static final AtomicInteger COUNT = new AtomicInteger();

    private TestDatabase() {}

    /** The JDBC address of a new, empty database. */
    public static String create() {
        String cluster = System.getenv("RESCIENT_TEST_DATABASE");
        if (cluster == null) {
            throw new IllegalStateException("There is no test database; run the tests with ./rescient test");
        }
        String name = "test_" + ProcessHandle.current().pid() + "_" + COUNT.incrementAndGet();
        try (Connection connection = DriverManager.getConnection(cluster, user(), password());
                Statement statement = connection.createStatement()) {
            statement.execute("create database " + name);
        } catch (SQLException e) {
            throw new IllegalStateException(e);
        }
        return cluster.substring(0, cluster.lastIndexOf('/') + 1) + name;
    }

    public static String user() {
        return System.getenv("RESCIENT_TEST_USER");
    }

    public static String password() {
        return System.getenv("RESCIENT_TEST_PASSWORD");
    }
}
