package rescient.server.planning;

import java.sql.Connection;
import java.sql.DriverManager;
import java.sql.SQLException;
import java.sql.Statement;
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
import org.springframework.jdbc.core.JdbcTemplate;
import org.springframework.scheduling.annotation.Scheduled;
import org.springframework.stereotype.Component;
import rescient.server.platform.Companies;
import rescient.server.platform.Outage;

/**
 * Makes the first plan when the server starts, and has the plan follow when somebody outside of it changed the company: the
 * database tells of it at once, and is asked now and then besides.
 */
@Component
@ConditionalOnExpression("'${rescient.exchange:}'.isEmpty()")
class PlanWatch implements DisposableBean {
    private static final Logger LOG = LoggerFactory.getLogger(PlanWatch.class);
    private static final long SECONDS = 2;
    private static final int PATIENCE_MILLIS = 5_000;

    private final LivePlan live;
    private final JdbcTemplate database;
    private final PlanNews news;
    private final DataSourceProperties address;
    private volatile boolean ended;
    private volatile Connection listening;

    PlanWatch(LivePlan live, JdbcTemplate database, PlanNews news, DataSourceProperties address) {
        this.live = live;
        this.database = database;
        this.news = news;
        this.address = address;
    }

    @EventListener(ApplicationStartedEvent.class)
    void start() {
        live.start();
        Thread listener = new Thread(this::listen, "company-listener");
        listener.setDaemon(true);
        listener.start();
    }

    @Scheduled(fixedDelay = SECONDS, initialDelay = SECONDS, timeUnit = TimeUnit.SECONDS)
    void look() {
        try {
            Long revision = database.queryForObject("select revision from company", Long.class);
            news.trouble("");
            if (revision != null) {
                live.known(revision);
            }
        } catch (RuntimeException e) {
            if (!Outage.isOne(e)) {
                throw e;
            }
            news.trouble("The database cannot be reached");
        }
    }

    /** On a connection of its own: one of the pool would be missed there. */
    private void listen() {
        while (!ended) {
            try (Connection connection = DriverManager.getConnection(
                            address.determineUrl(), address.determineUsername(), address.determinePassword());
                    Statement statement = connection.createStatement()) {
                listening = connection;
                statement.execute("listen " + Companies.CHANNEL);
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
            long latest = 0;
            for (PGNotification one : told == null ? new PGNotification[0] : told) {
                latest = Math.max(latest, Long.parseLong(one.getParameter()));
            }
            if (latest > 0) {
                live.known(latest);
            }
        }
    }

    private void pause() {
        try {
            TimeUnit.SECONDS.sleep(SECONDS);
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
