package rescient.server;

import static org.assertj.core.api.Assertions.assertThat;
import static org.awaitility.Awaitility.await;

import com.github.kagkarlsson.scheduler.Scheduler;
import com.github.kagkarlsson.scheduler.task.TaskInstanceId;
import java.sql.Timestamp;
import java.time.Duration;
import java.util.List;
import org.junit.jupiter.api.Test;
import org.springframework.beans.factory.annotation.Autowired;
import rescient.server.platform.SharedWork;
import rescient.server.platform.Today;

/** Work that one of several servers does for all. */
class SharedWorkTest extends ServerTest {
    @Autowired
    private Scheduler scheduler;

    @Autowired
    private List<SharedWork> all;

    @Autowired
    private Today today;

    @Test
    void everyPieceIsKeptOnceInTheDatabase() {
        assertThat(jdbc.queryForList("select task_name from scheduled_tasks", String.class))
                .containsExactlyInAnyOrderElementsOf(
                        all.stream().map(SharedWork::name).toList());
    }

    @Test
    void whoHasNotBeenHeardOfIsForgottenWhenTheWorkIsDue() {
        Timestamp now = Timestamp.from(today.now());
        Timestamp before = Timestamp.from(today.now().minus(Duration.ofMinutes(2)));
        jdbc.update(
                "insert into presence (login, name, at) values ('gone', 'Gone', ?), ('here', 'Here', ?)", before, now);
        scheduler.reschedule(TaskInstanceId.of("people-gone", "recurring"), java.time.Instant.now());
        scheduler.triggerCheckForDueExecutions();
        await().atMost(Duration.ofSeconds(20))
                .untilAsserted(() -> assertThat(jdbc.queryForList("select login from presence", String.class))
                        .contains("here")
                        .doesNotContain("gone"));
    }
}
