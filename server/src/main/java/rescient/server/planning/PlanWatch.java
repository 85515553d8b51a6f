package rescient.server.planning;

import java.util.List;
import java.util.concurrent.TimeUnit;
import org.springframework.boot.autoconfigure.condition.ConditionalOnExpression;
import org.springframework.boot.context.event.ApplicationStartedEvent;
import org.springframework.context.event.EventListener;
import org.springframework.jdbc.core.JdbcTemplate;
import org.springframework.scheduling.annotation.Scheduled;
import org.springframework.stereotype.Component;
import rescient.server.platform.Companies;
import rescient.server.platform.Heard;
import rescient.server.platform.Outage;

/**
 * Makes the first plan when the server starts, and has the plan follow when somebody outside of it changed the company: it
 * is told of that at once, and looks now and then besides.
 */
@Component
@ConditionalOnExpression("'${rescient.exchange:}'.isEmpty()")
class PlanWatch implements Heard {
    private static final long SECONDS = 2;

    private final LivePlan live;
    private final JdbcTemplate database;
    private final PlanNews news;
    /** Until the company is there at the first start, there is nothing to plan. */
    private volatile boolean started;

    PlanWatch(LivePlan live, JdbcTemplate database, PlanNews news) {
        this.live = live;
        this.database = database;
        this.news = news;
    }

    @EventListener(ApplicationStartedEvent.class)
    void start() {
        started = true;
        live.start();
    }

    @Override
    public String channel() {
        return Companies.CHANNEL;
    }

    @Override
    public void heard(List<String> revisions) {
        known(Long.parseLong(revisions.get(revisions.size() - 1)));
    }

    @Scheduled(fixedDelay = SECONDS, initialDelay = SECONDS, timeUnit = TimeUnit.SECONDS)
    void look() {
        try {
            Long revision = database.queryForObject("select revision from company", Long.class);
            news.trouble("");
            if (revision != null) {
                known(revision);
            }
        } catch (RuntimeException e) {
            if (!Outage.isOne(e)) {
                throw e;
            }
            news.trouble("The database cannot be reached");
        }
    }

    private void known(long revision) {
        if (started) {
            live.known(revision);
        }
    }
}
