package rescient.core.promise;

import java.util.List;

/**
 * What it costs to put a line before all others on the day it is wanted.
 *
 * @param onTime whether it comes by then at all
 * @param possibleDay the day on which it comes, null if it cannot come
 * @param delayed who gets later by it, in the order in which they are served
 */
public record Precedence(boolean onTime, Integer possibleDay, List<Answer.Delayed> delayed) {
    /** Before every priority that an order can have. */
    static final int PRIORITY = 0;
}
