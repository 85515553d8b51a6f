package rescient.server.planning;

import java.time.LocalDate;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import org.springframework.stereotype.Component;
import rescient.core.company.CustomerOrderLine;
import rescient.core.promise.Promise;
import rescient.dataset.Row;

/** When all lines of customer orders can be met, worked out once for each plan. */
@Component
public class Promises {
    private final OnceForPlan<List<Promise>> inTurn = new OnceForPlan<>();
    private final OnceForPlan<Integer> broken = new OnceForPlan<>();

    /** All of them, by the day wanted. */
    public List<Promise> of(PlanVersion version) {
        return inTurn.of(version.plan(), () -> Promise.of(version.plan()));
    }

    /** Those of the lines of one order. */
    public List<Promise> ofOrder(PlanVersion version, String number) {
        return Promise.of(version.plan(), line -> line.number().equals(number));
    }

    /** How many lines were promised for an earlier day than the plan can keep. Only those with a promise are looked into. */
    public int broken(PlanVersion version) {
        return broken.of(version.plan(), () -> {
            Map<String, Integer> told = new HashMap<>();
            for (Row row : version.directory().facts().rows("customer_orders")) {
                String day = row.text("promised_date");
                if (day != null) {
                    told.put(
                            key(row.text("number"), row.text("line")),
                            Math.toIntExact(LocalDate.parse(day).toEpochDay()));
                }
            }
            return told.isEmpty()
                    ? 0
                    : (int) Promise.of(version.plan(), line -> told.containsKey(key(line))).stream()
                            .filter(promise -> promise.breaks(told.get(key(promise.line()))))
                            .count();
        });
    }

    private static String key(CustomerOrderLine line) {
        return key(line.number(), line.line());
    }

    private static String key(String number, String line) {
        return number + '\0' + line;
    }
}
