package rescient.server.planning;

import java.util.List;
import org.springframework.stereotype.Component;
import rescient.core.promise.Promise;

/** When all lines of customer orders can be met, worked out once for each plan. */
@Component
public class Promises {
    private final OnceForPlan<List<Promise>> inTurn = new OnceForPlan<>();

    /** All of them, by the day wanted. */
    public List<Promise> of(PlanVersion version) {
        return inTurn.of(version.plan(), () -> Promise.of(version.plan()));
    }

    /** Those of the lines of one order. */
    public List<Promise> ofOrder(PlanVersion version, String number) {
        return of(version).stream()
                .filter(promise -> promise.line().number().equals(number))
                .toList();
    }
}
