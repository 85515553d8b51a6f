package rescient.server.planning;

import java.util.LinkedHashMap;
import java.util.Map;
import java.util.concurrent.ExecutionException;
import java.util.concurrent.FutureTask;
import java.util.function.Supplier;
import rescient.core.plan.Plan;

/** What is made of a plan: once, however many ask for it at the same time. Kept of the last two plans that were asked about. */
final class OnceForPlan<T> {
    private static final int KEPT = 2;

    private final Map<Plan, FutureTask<T>> made = new LinkedHashMap<>() {
        @Override
        protected boolean removeEldestEntry(Map.Entry<Plan, FutureTask<T>> eldest) {
            return size() > KEPT;
        }
    };

    T of(Plan plan, Supplier<T> make) {
        FutureTask<T> task;
        synchronized (made) {
            task = made.computeIfAbsent(plan, p -> new FutureTask<>(make::get));
        }
        task.run();
        try {
            return task.get();
        } catch (InterruptedException e) {
            Thread.currentThread().interrupt();
            throw new IllegalStateException("Interrupted", e);
        } catch (ExecutionException e) {
            synchronized (made) {
                made.remove(plan, task);
            }
            throw e.getCause() instanceof RuntimeException cause ? cause : new IllegalStateException(e.getCause());
        }
    }
}
