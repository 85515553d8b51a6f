package rescient.core.snapshot;

import java.time.DateTimeException;
import java.util.Map;
import java.util.concurrent.ConcurrentSkipListMap;
import rescient.core.base.PlanningException;

/** Collects the stock points with facts that cannot be calculated, from all cores. */
public final class Impossible {
    /** None so far. */
    public Impossible() {}

    private static final String TOO_LARGE = "A quantity or a date here is too large to be planned";

    private final Map<Integer, String> why = new ConcurrentSkipListMap<>();

    /** Does something for a point; what is thrown for its figures is kept and not thrown on. */
    public void calculating(int p, Runnable task) {
        try {
            task.run();
        } catch (PlanningException e) {
            why.put(p, e.getMessage());
        } catch (ArithmeticException | DateTimeException e) {
            why.put(p, TOO_LARGE);
        }
    }

    public boolean isEmpty() {
        return why.isEmpty();
    }

    /** @throws PlanningException if there is any */
    public void refuse() {
        if (!why.isEmpty()) {
            throw new PlanningException(why.values().iterator().next());
        }
    }

    /** What is wrong with each point. */
    public Map<Integer, String> all() {
        return why;
    }
}
