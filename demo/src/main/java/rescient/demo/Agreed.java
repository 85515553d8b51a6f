package rescient.demo;

import java.time.DayOfWeek;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;

/** What was agreed on a customer order: when it came in, what was wanted and told. Of each number always the same. */
record Agreed(int number, LocalDate due, LocalDate base) {
    private static final int RUSH = 790;

    /** The columns of a line and what stands in them, in turn. */
    Object[] columns(Object... more) {
        boolean rush = number == RUSH;
        LocalDate entered = before(rush ? base.minusDays(1) : base.minusDays(3 + number * 7L % 31));
        LocalDate wanted = number % 6 == 0 ? before(due.minusDays(3)) : due;
        List<Object> all = new ArrayList<>(Arrays.asList(more));
        all.addAll(Arrays.asList(
                "entered",
                entered,
                "wanted_date",
                wanted.isBefore(entered) ? due : wanted,
                "promised_date",
                number % 5 == 1 ? "" : due,
                "reference",
                number % 3 == 0 ? "PO " + (4000 + number * 13 % 900) : ""));
        return all.toArray();
    }

    /** The last working day not after another. */
    private static LocalDate before(LocalDate day) {
        LocalDate last = day;
        while (last.getDayOfWeek() == DayOfWeek.SATURDAY || last.getDayOfWeek() == DayOfWeek.SUNDAY) {
            last = last.minusDays(1);
        }
        return last;
    }
}
