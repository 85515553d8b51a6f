package rescient.server.planning;

import java.util.ArrayDeque;
import java.util.Deque;
import java.util.List;
import rescient.core.plan.OrdersByStart;

/** Planned and firmed orders one after the other, the most urgent first. */
final class Urgent {
    private final OrdersByStart planned;
    private final Deque<Candidate> firmed;
    /** The planned orders of the day that is being given out. */
    private final Deque<Candidate> day = new ArrayDeque<>();

    private int left;

    /** @param firmed in order */
    Urgent(OrdersByStart planned, List<Candidate> firmed) {
        this.planned = planned;
        this.firmed = new ArrayDeque<>(firmed);
        this.left = planned.size() + firmed.size();
    }

    /** The next one, or null. */
    Candidate next() {
        if (day.isEmpty()) {
            planned.next().forEach(order -> day.add(new Candidate(order, null)));
        }
        if (left == 0) {
            return null;
        }
        left--;
        boolean fromDay =
                firmed.isEmpty() || !day.isEmpty() && Candidate.URGENT_FIRST.compare(day.peek(), firmed.peek()) <= 0;
        return fromDay ? day.poll() : firmed.poll();
    }

    /** How many were not given out. */
    int left() {
        return left;
    }
}
