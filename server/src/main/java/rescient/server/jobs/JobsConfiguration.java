package rescient.server.jobs;

import com.github.kagkarlsson.scheduler.task.Task;
import com.github.kagkarlsson.scheduler.task.helper.RecurringTask;
import com.github.kagkarlsson.scheduler.task.helper.Tasks;
import com.github.kagkarlsson.scheduler.task.schedule.FixedDelay;
import java.util.List;
import org.springframework.beans.factory.ObjectProvider;
import org.springframework.context.annotation.Bean;
import org.springframework.context.annotation.Configuration;
import rescient.server.platform.SharedWork;

/** Each {@link SharedWork} as a task of the scheduler, which sees to it that one server does it. */
@Configuration
class JobsConfiguration {
    @Bean
    List<Task<?>> sharedWork(ObjectProvider<SharedWork> all) {
        return all.orderedStream().<Task<?>>map(JobsConfiguration::task).toList();
    }

    private static RecurringTask<Void> task(SharedWork work) {
        return Tasks.recurring(work.name(), FixedDelay.of(work.every())).execute((instance, context) -> work.run());
    }
}
