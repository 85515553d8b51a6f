package rescient.core.trace;

import java.math.BigDecimal;
import java.math.RoundingMode;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.function.Function;
import rescient.core.base.DocumentOrder;
import rescient.core.base.WorkCalendar;
import rescient.core.company.OpenOrder;

/**
 * When what lies at a work center is done, one after the other as it lies there: each begins when the one before is done, and not
 * before its parts are there. The minutes of a day that are not used go on to the next work.
 */
public final class BenchSequence {
    /**
     * A piece of work.
     *
     * @param minutes of the work center, 0 or more
     * @param from the day before which it cannot begin; null: it can
     */
    public record Work(BigDecimal minutes, Integer from) {}

    /** The days on which it begins and ends. */
    public record Slot(int begins, int ends) {}

    /**
     * A job in its turn at a work center.
     *
     * @param place in the sequence; smaller comes first
     * @param slot when its turn comes; null: it stands at no work center
     * @param late it is due before that, or was before today
     */
    public record Turn(Workbench.Job job, BigDecimal place, Slot slot, boolean late) {}

    /** Before everything that has not begun. */
    private static final BigDecimal FIRST = BigDecimal.valueOf(-1_000_000);
    /** Between two that are due on one day. */
    private static final BigDecimal STEP = new BigDecimal("0.0001");

    private BenchSequence() {}

    /**
     * The jobs of one work center in their sequence: where somebody put them; else what runs first, then by the day they are due,
     * then by number.
     *
     * @param kept the place that somebody gave an order; null: nobody did
     * @param hours of the work center; null: they stand at none
     */
    public static List<Turn> turns(
            List<Workbench.Job> jobs, Function<OpenOrder, BigDecimal> kept, Workbench.Hours hours, int today) {
        List<Workbench.Job> byDue = new ArrayList<>(jobs);
        byDue.sort(Comparator.comparingInt((Workbench.Job job) -> job.order().dueDay())
                .thenComparing(job -> job.order().number(), DocumentOrder.INSTANCE)
                .thenComparing(job -> job.order().line(), DocumentOrder.INSTANCE));
        List<Turn> placed = new ArrayList<>();
        for (int i = 0; i < byDue.size(); i++) {
            Workbench.Job job = byDue.get(i);
            BigDecimal said = kept.apply(job.order());
            BigDecimal usual = BigDecimal.valueOf(job.order().dueDay()).add(STEP.multiply(BigDecimal.valueOf(i)));
            BigDecimal place = said != null ? said : job.state() == Workbench.State.RUNS ? usual.add(FIRST) : usual;
            placed.add(new Turn(job, place, null, false));
        }
        placed.sort(Comparator.comparing(Turn::place));
        List<Slot> slots =
                hours == null ? List.of() : of(works(placed), hours.minutesPerDay(), hours.calendar(), today);
        List<Turn> turns = new ArrayList<>();
        for (int i = 0; i < placed.size(); i++) {
            Turn turn = placed.get(i);
            Slot slot = slots.isEmpty() ? null : slots.get(i);
            int due = turn.job.order().dueDay();
            turns.add(new Turn(turn.job, turn.place, slot, due < today || (slot != null && slot.ends > due)));
        }
        return turns;
    }

    private static List<Work> works(List<Turn> turns) {
        return turns.stream()
                .map(turn -> new Work(
                        turn.job.at().minutes(), turn.job.state() == Workbench.State.WAITS ? turn.job.until() : null))
                .toList();
    }

    /**
     * A place between two others.
     *
     * @param before null: it comes first; {@code after} null: it comes last
     */
    public static BigDecimal between(BigDecimal before, BigDecimal after) {
        if (before == null) {
            return after == null ? BigDecimal.ZERO : after.subtract(BigDecimal.ONE);
        }
        return after == null
                ? before.add(BigDecimal.ONE)
                : before.add(after)
                        .divide(BigDecimal.valueOf(2), before.scale() + after.scale() + 1, RoundingMode.HALF_UP)
                        .stripTrailingZeros();
    }

    /**
     * @param minutesPerDay more than 0
     * @param today the first day that counts, as a whole
     */
    public static List<Slot> of(List<Work> sequence, BigDecimal minutesPerDay, WorkCalendar calendar, int today) {
        List<Slot> slots = new ArrayList<>();
        int day = calendar.forth(today, 0);
        BigDecimal used = BigDecimal.ZERO;
        for (Work work : sequence) {
            if (work.from() != null && work.from() > day) {
                day = calendar.forth(work.from(), 0);
                used = BigDecimal.ZERO;
            }
            if (used.compareTo(minutesPerDay) >= 0 && work.minutes().signum() > 0) {
                day = calendar.forth(day + 1, 0);
                used = BigDecimal.ZERO;
            }
            int begins = day;
            BigDecimal left = work.minutes();
            while (used.add(left).compareTo(minutesPerDay) > 0) {
                left = left.subtract(minutesPerDay.subtract(used));
                day = calendar.forth(day + 1, 0);
                used = BigDecimal.ZERO;
            }
            used = used.add(left);
            slots.add(new Slot(begins, day));
        }
        return slots;
    }
}
