package rescient.core.scenario;

import java.time.LocalDate;
import java.util.List;
import rescient.core.company.UnfitException;

/**
 * The time in which something is otherwise.
 *
 * @param from first day, null: always; {@code to}: last day, null: from then on
 */
public record Span(LocalDate from, LocalDate to) {
    public boolean holds(LocalDate day) {
        return (from == null || !day.isBefore(from)) && (to == null || !day.isAfter(to));
    }

    /** Whether it is not all time. */
    public boolean limited() {
        return from != null || to != null;
    }

    /**
     * This, if it has a beginning and an end.
     *
     * @throws UnfitException if it has not, or ends before it begins
     */
    public Span complete() {
        if (from == null || to == null) {
            throw new UnfitException("Say from which day to which", from == null ? "from" : "to");
        }
        if (to.isBefore(from)) {
            throw new UnfitException("The last day lies before the first", "to");
        }
        return this;
    }

    /** All of its days, which has to be {@link #complete}. */
    List<LocalDate> days() {
        return from.datesUntil(to.plusDays(1)).toList();
    }
}
