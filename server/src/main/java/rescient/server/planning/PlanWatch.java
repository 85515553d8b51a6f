package rescient.server.planning;

import java.util.concurrent.TimeUnit;
import org.springframework.boot.autoconfigure.condition.ConditionalOnExpression;
import org.springframework.boot.context.event.ApplicationStartedEvent;
import org.springframework.context.event.EventListener;
import org.springframework.jdbc.core.JdbcTemplate;
import org.springframework.scheduling.annotation.Scheduled;
import org.springframework.stereotype.Component;

/** Makes the first plan when the server starts, and a new one when somebody outside of it changed the company. */
@Component
@ConditionalOnExpression("'${rescient.exchange:}'.isEmpty()")
class PlanWatch {
    private static final long SECONDS = 2;

    private final LivePlan live;
    private final JdbcTemplate database;

    PlanWatch(LivePlan live, JdbcTemplate database) {
        this.live = live;
        this.database = database;
    }

    @EventListener(ApplicationStartedEvent.class)
    void start() {
        live.start();
    }

    @Scheduled(fixedDelay = SECONDS, initialDelay = SECONDS, timeUnit = TimeUnit.SECONDS)
    void look() {
        Long revision = database.queryForObject("select revision from company", Long.class);
        if (revision != null) {
            live.known(revision);
        }
    }
}
