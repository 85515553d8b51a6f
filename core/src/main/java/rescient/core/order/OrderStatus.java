package rescient.core.order;

import java.util.Comparator;
import java.util.List;

/**
 * How far an order with several lines has come.
 *
 * @param stage of the whole
 * @param next place of the line that is due next; of an order that is done, the first
 * @param overdue something of it should have come before today
 */
public record OrderStatus(Stage stage, int next, boolean overdue) {
    /** How far it is. */
    public enum Stage {
        /** A line of it is not given out yet. */
        FIRMED,
        RELEASED,
        /** Nothing of it is open. */
        DONE
    }

    /**
     * A line.
     *
     * @param firmed it is not given out yet
     * @param open something of it is still to come
     * @param dueDay as days since 1970-01-01
     */
    public record Line(boolean firmed, boolean open, int dueDay) {
        /** It should have come before today. */
        public boolean overdue(int today) {
            return open && dueDay < today;
        }
    }

    /** @param lines at least one */
    public static OrderStatus of(List<Line> lines, int today) {
        int next = lines.stream()
                .filter(Line::open)
                .min(Comparator.comparingInt(Line::dueDay))
                .map(lines::indexOf)
                .orElse(0);
        boolean done = lines.stream().noneMatch(Line::open);
        boolean firmed = lines.stream().anyMatch(Line::firmed);
        Stage stage = done ? Stage.DONE : firmed ? Stage.FIRMED : Stage.RELEASED;
        return new OrderStatus(stage, next, lines.get(next).overdue(today));
    }
}
