package rescient.core;

import java.time.DateTimeException;
import java.util.Map;
import java.util.concurrent.ConcurrentSkipListMap;

/** Collects the stock points with facts that cannot be calculated, from all cores. */
final class Impossible {
    private static final String TOO_LARGE = "A quantity or a date here is too large to be planned";

    private final Map<Integer, String> why = new ConcurrentSkipListMap<>();

    /** Does something for a point; what is thrown for its figures is kept and not thrown on. */
    void calculating(int p, Runnable task) {
        try {
            task.run();
        } catch (PlanningException e) {
            why.put(p, e.getMessage());
        } catch (ArithmeticException | DateTimeException e) {
            why.put(p, TOO_LARGE);
        }
    }

    boolean isEmpty() {
        return why.isEmpty();
    }

    /** @throws PlanningException if there is any */
    void refuse() {
        if (!why.isEmpty()) {
            throw new PlanningException(why.values().iterator().next());
        }
    }

    /** What is wrong with each point. */
    Map<Integer, String> all() {
        return why;
    }
}
