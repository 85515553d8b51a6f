package rescient.demo;

import java.time.DayOfWeek;
import java.time.LocalDate;

/**
 * A customer order of which all was shipped, and what was promised of it. Most promises were kept, some with days to spare;
 * of honey extractors every third was not, because their drums came back late from the coater. Of each number always the same.
 */
record DoneOrder(Tables tables, int number, String item, String customer, long shipped, LocalDate day) {
    private static final String SLOW = "EXTR-4";

    void fill() {
        boolean less = number % 41 == 9;
        LocalDate promised = workdays(day, less ? 0 : -daysLate());
        LocalDate wanted = number % 6 == 0 ? workdays(promised, -3) : promised;
        tables.add(
                "customer_orders",
                "number",
                "SO-" + number,
                "line",
                1,
                "customer",
                customer,
                "item",
                item,
                "site",
                Catalogue.WORKS,
                "quantity",
                0,
                "due_date",
                promised,
                "ordered",
                less ? shipped + Math.max(1, shipped / 6) : shipped,
                "entered",
                workdays(wanted, -6 - number * 7 % 17),
                "wanted_date",
                wanted,
                "promised_date",
                number % 9 == 1 ? "" : promised,
                "reference",
                number % 3 == 0 ? "PO " + (3000 + number * 13 % 900) : "",
                "state",
                "done");
    }

    /** Working days after the promised one; before it: below 0. */
    private int daysLate() {
        if (item.equals(SLOW)) {
            return number % 3 == 0 ? 4 + number % 7 : 0;
        }
        if (number % 11 == 3) {
            return 1 + number % 5;
        }
        return number % 4 == 2 ? -1 - number % 3 : 0;
    }

    /** So many working days later, or before. */
    static LocalDate workdays(LocalDate from, int days) {
        LocalDate to = from;
        for (int left = Math.abs(days); left > 0; ) {
            to = to.plusDays(Integer.signum(days));
            if (to.getDayOfWeek() != DayOfWeek.SATURDAY && to.getDayOfWeek() != DayOfWeek.SUNDAY) {
                left--;
            }
        }
        return to;
    }
}
