package rescient.server.planning;

import com.github.benmanes.caffeine.cache.Cache;
import com.github.benmanes.caffeine.cache.Caffeine;
import java.util.function.Supplier;
import rescient.core.plan.Plan;

/** What is made of a plan: once, however many ask for it at the same time. Kept of the last plans that were asked about. */
public final class OnceForPlan<T> {
    private static final int KEPT = 2;

    private final Cache<Plan, T> made =
            Caffeine.newBuilder().maximumSize(KEPT).executor(Runnable::run).build();

    public T of(Plan plan, Supplier<T> make) {
        return made.get(plan, p -> make.get());
    }
}
