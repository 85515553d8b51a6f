package rescient.core.snapshot;

import java.math.BigDecimal;
import java.math.BigInteger;
import java.util.List;
import rescient.core.base.PlanningException;
import rescient.core.base.Quantity;
import rescient.core.base.Ratio;
import rescient.core.base.WorkCalendar;
import rescient.core.company.Operation;

/**
 * The operations of one stock point, laid end to end backwards from the end of the day before the due date (section 7).
 * An operation takes (setup + run × started) ÷ efficiency + queue + move minutes of its work center's days; the part of a
 * day that is used is carried over as an exact fraction. Loading is infinite.
 */
public final class Routing {
    /** One operation with what it needs of its work center. */
    record Step(String name, WorkCalendar calendar, Operation operation, Ratio minutesPerDay, Ratio efficiency) {}

    private static final int MINUTES_AN_HOUR = 60;
    private static final int HOUR_DECIMALS = 6;

    private final List<Step> steps;
    /** The days that each step takes, whatever is started, and for each millionth that is. */
    private final Fraction[] fixed;

    private final Fraction[] each;

    Routing(List<Step> steps) {
        this.steps = steps;
        this.fixed = new Fraction[steps.size()];
        this.each = new Fraction[steps.size()];
        for (int i = 0; i < fixed.length; i++) {
            Step step = steps.get(i);
            Operation operation = step.operation;
            Fraction efficiency = Fraction.of(step.efficiency);
            Fraction minutes = Fraction.of(step.minutesPerDay);
            fixed[i] = Fraction.of(operation.setup())
                    .dividedBy(efficiency)
                    .plus(Fraction.of(operation.queue()))
                    .plus(Fraction.of(operation.move()))
                    .dividedBy(minutes);
            each[i] = Fraction.of(operation.runPerUnit())
                    .dividedBy(efficiency)
                    .dividedBy(minutes)
                    .dividedBy(Fraction.of(Quantity.ONE));
        }
    }

    @Override
    public boolean equals(Object other) {
        return other instanceof Routing routing && routing.steps.equals(steps);
    }

    @Override
    public int hashCode() {
        return steps.hashCode();
    }

    /** The place of a step by its name, or -1. */
    public int indexOf(String name) {
        for (int i = 0; i < steps.size(); i++) {
            if (steps.get(i).name.equals(name)) {
                return i;
            }
        }
        return -1;
    }

    /** The day on which each operation starts, for an order of {@code started} millionths due on {@code due}. */
    public int[] starts(int due, long started) {
        int[] starts = new int[steps.size()];
        int day = due - 1;
        Fraction used = Fraction.ZERO;
        int next = day;
        for (int i = steps.size() - 1; i >= 0; i--) {
            Step step = steps.get(i);
            Fraction left = fixed[i].plus(each[i].times(Fraction.of(started)));
            if (left.signum() == 0) {
                starts[i] = step.calendar.back(next, 0);
                if (starts[i] < next) {
                    // those before it end with the day that it is moved back to
                    day = starts[i];
                    used = Fraction.ZERO;
                }
                next = starts[i];
                continue;
            }
            if (used.compareTo(Fraction.ONE) == 0) {
                day--;
                used = Fraction.ZERO;
            }
            int working = step.calendar.back(day, 0);
            if (working != day) {
                day = working;
                used = Fraction.ZERO;
            }
            Fraction free = Fraction.ONE.minus(used);
            if (left.compareTo(free) <= 0) {
                used = used.plus(left);
            } else {
                Fraction rest = left.minus(free);
                int whole = days(rest);
                day = step.calendar.back(step.calendar.back(day - 1, 0), whole - 1);
                used = rest.minus(Fraction.of(whole - 1L));
            }
            starts[i] = day;
            next = day;
        }
        return starts;
    }

    public int size() {
        return steps.size();
    }

    public String name(int step) {
        return steps.get(step).name;
    }

    /** The working days of a step's work center. */
    public WorkCalendar calendar(int step) {
        return steps.get(step).calendar;
    }

    /** How long a step's work center works on each of them, in minutes. */
    public BigDecimal minutesPerDay(int step) {
        return Fraction.of(steps.get(step).minutesPerDay).rounded(HOUR_DECIMALS);
    }

    /**
     * The minutes that are left at a step; without queue and move.
     *
     * @param units that have still to pass it, millionths
     * @param setup it has still to be set up
     */
    public BigDecimal minutes(int step, long units, boolean setup) {
        return working(steps.get(step), units, setup).rounded(HOUR_DECIMALS);
    }

    /** The work center of a step. */
    public String center(int step) {
        return steps.get(step).operation.workCenter();
    }

    /** The hours that a step takes of its work center, for {@code started} millionths; without queue and move. */
    public BigDecimal hours(int step, long started) {
        return working(steps.get(step), started, true)
                .dividedBy(Fraction.of(MINUTES_AN_HOUR))
                .rounded(HOUR_DECIMALS);
    }

    private static Fraction working(Step step, long units, boolean setup) {
        Fraction run = Fraction.of(step.operation.runPerUnit()).times(Fraction.of(units, Quantity.ONE));
        return (setup ? Fraction.of(step.operation.setup()).plus(run) : run).dividedBy(Fraction.of(step.efficiency));
    }

    /** Rounded up. */
    private static int days(Fraction days) {
        BigInteger whole = days.ceiling();
        if (whole.bitLength() > 20) {
            throw new PlanningException("An operation would take " + whole + " days; check its minutes");
        }
        return whole.intValue();
    }
}
