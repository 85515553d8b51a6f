package rescient.server.platform;

import java.sql.Connection;
import java.sql.DriverManager;
import java.sql.SQLException;
import java.sql.Statement;
import java.util.Arrays;
import java.util.List;
import java.util.concurrent.TimeUnit;
import org.postgresql.PGConnection;
import org.postgresql.PGNotification;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.springframework.beans.factory.DisposableBean;
import org.springframework.boot.autoconfigure.condition.ConditionalOnExpression;
import org.springframework.boot.autoconfigure.jdbc.DataSourceProperties;
import org.springframework.boot.context.event.ApplicationStartedEvent;
import org.springframework.context.event.EventListener;
import org.springframework.stereotype.Component;

/**
 * What servers on one database tell each other, by PostgreSQL's LISTEN and NOTIFY: on a connection of its own, as one of the
 * pool would be missed there. What is told while it is not connected is lost; nobody relies on it alone.
 */
@Component
@ConditionalOnExpression("'${rescient.exchange:}'.isEmpty()")
class DatabaseNews implements DisposableBean {
    private static final Logger LOG = LoggerFactory.getLogger(DatabaseNews.class);
    private static final int PATIENCE_MILLIS = 5_000;
    private static final long PAUSE_SECONDS = 2;

    private final DataSourceProperties address;
    private final List<Heard> listeners;
    private volatile boolean ended;
    private volatile Connection listening;

    DatabaseNews(DataSourceProperties address, List<Heard> listeners) {
        this.address = address;
        this.listeners = listeners;
    }

    @EventListener(ApplicationStartedEvent.class)
    void start() {
        Thread listener = new Thread(this::listen, "database-news");
        listener.setDaemon(true);
        listener.start();
    }

    private void listen() {
        while (!ended) {
            try (Connection connection = DriverManager.getConnection(
                            address.determineUrl(), address.determineUsername(), address.determinePassword());
                    Statement statement = connection.createStatement()) {
                listening = connection;
                for (Heard listener : listeners) {
                    statement.execute("listen " + listener.channel());
                }
                hear(connection.unwrap(PGConnection.class));
            } catch (SQLException e) {
                LOG.debug("Not listening to the database", e);
                pause();
            }
        }
    }

    private void hear(PGConnection connection) throws SQLException {
        while (!ended) {
            PGNotification[] told = connection.getNotifications(PATIENCE_MILLIS);
            for (Heard listener : listeners) {
                List<String> said = told == null
                        ? List.of()
                        : Arrays.stream(told)
                                .filter(one -> one.getName().equals(listener.channel()))
                                .map(PGNotification::getParameter)
                                .toList();
                if (!said.isEmpty()) {
                    tell(listener, said);
                }
            }
        }
    }

    private static void tell(Heard listener, List<String> said) {
        try {
            listener.heard(said);
        } catch (RuntimeException e) {
            LOG.warn("What was told on {} was not understood", listener.channel(), e);
        }
    }

    private void pause() {
        try {
            TimeUnit.SECONDS.sleep(PAUSE_SECONDS);
        } catch (InterruptedException e) {
            Thread.currentThread().interrupt();
            ended = true;
        }
    }

    @Override
    public void destroy() throws SQLException {
        ended = true;
        Connection connection = listening;
        if (connection != null) {
            connection.close();
        }
    }
}
