package rescient.server.jobs;

import com.github.kagkarlsson.scheduler.Scheduler;
import com.github.kagkarlsson.scheduler.task.Task;
import com.github.kagkarlsson.scheduler.task.TaskInstance;
import com.github.kagkarlsson.scheduler.task.helper.OneTimeTask;
import com.github.kagkarlsson.scheduler.task.helper.RecurringTask;
import com.github.kagkarlsson.scheduler.task.helper.Tasks;
import com.github.kagkarlsson.scheduler.task.schedule.FixedDelay;
import java.time.Instant;
import java.util.List;
import java.util.stream.Stream;
import org.springframework.beans.factory.ObjectProvider;
import org.springframework.context.annotation.Bean;
import org.springframework.context.annotation.Configuration;
import org.springframework.transaction.support.TransactionSynchronization;
import org.springframework.transaction.support.TransactionSynchronizationManager;
import rescient.server.platform.SharedTask;
import rescient.server.platform.SharedTasks;
import rescient.server.platform.SharedWork;

/** Each {@link SharedWork} and {@link SharedTask} as a task of the scheduler, which sees to it that one server does it. */
@Configuration
class JobsConfiguration {
    @Bean
    List<Task<?>> sharedWork(ObjectProvider<SharedWork> works, ObjectProvider<SharedTask> tasks) {
        return Stream.<Task<?>>concat(
                        works.orderedStream().map(JobsConfiguration::task),
                        tasks.orderedStream().map(JobsConfiguration::task))
                .toList();
    }

    private static RecurringTask<Void> task(SharedWork work) {
        return Tasks.recurring(work.name(), FixedDelay.of(work.every())).execute((instance, context) -> work.run());
    }

    private static OneTimeTask<Void> task(SharedTask task) {
        return Tasks.oneTime(task.name()).execute((instance, context) -> task.run(Long.parseLong(instance.getId())));
    }

    /** The scheduler is asked for when something begins: it is made of the tasks itself. */
    @Bean
    SharedTasks sharedTasks(ObjectProvider<Scheduler> scheduler) {
        return (task, about) -> {
            Scheduler one = scheduler.getObject();
            one.scheduleIfNotExists(new TaskInstance<>(task, Long.toString(about)), Instant.now());
            atOnce(one);
        };
    }

    /** It does not wait until the scheduler looks again; nothing is there to be seen before the transaction ends. */
    private static void atOnce(Scheduler scheduler) {
        if (TransactionSynchronizationManager.isSynchronizationActive()) {
            TransactionSynchronizationManager.registerSynchronization(new TransactionSynchronization() {
                @Override
                public void afterCommit() {
                    scheduler.triggerCheckForDueExecutions();
                }
            });
        } else {
            scheduler.triggerCheckForDueExecutions();
        }
    }
}
