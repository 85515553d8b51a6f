package rescient.dataset;

import java.time.DayOfWeek;
import java.time.LocalDate;
import java.time.temporal.ChronoUnit;
import java.util.Set;
import java.util.stream.Stream;

/**
 * Tells a dataset's story on another day, whatever its weekday: what was to happen in three working days happens in three
 * working days. Orders, stock and materials are moved by weekdays, and so are the days on which a calendar is closed, so
 * that between any two dates there are as many working days as before; history, of which orders that are done and what was posted are a part, and forecasts, which go by weeks, are moved by whole weeks. On a Saturday or Sunday the story is the one of the Monday after.
 */
final class AnotherDay {
    private static final Set<String> BY_WEEKS = Set.of(
            "forecasts",
            "history_corrections",
            "forecast_choices",
            "forecast_adjustments",
            "forecast_versions",
            "shipments",
            "closed_customer_orders",
            "closed_orders",
            "closed_order_components",
            "usage",
            "receipts",
            "movements",
            "lot_tests",
            "invoices");
    private static final int WEEKDAYS = 5;
    private static final int WEEK = 7;

    private final LocalDate base;
    private final LocalDate day;
    private final LocalDate anchor;

    /**
     * @param base the day the dataset is dated around, a weekday
     * @param day the present day
     */
    AnotherDay(LocalDate base, LocalDate day) {
        this.base = base;
        this.day = day;
        this.anchor = isWeekend(day) ? monday(day).plusDays(WEEK) : day;
    }

    /** The row as it is told; none for a weekend that is closed anyway. */
    Stream<Row> told(Row row) {
        String table = row.table().name();
        if (table.equals("settings")) {
            return Stream.of(row.moved(date -> day.plusDays(ChronoUnit.DAYS.between(base, date))));
        }
        if (table.equals("calendar_exceptions") && isWeekend(row.date("date"))) {
            return row.flag("working", false) ? Stream.of(row.moved(this::byWeeks)) : Stream.empty();
        }
        if (table.equals("stock") && row.date("received") != null) {
            // when it came is history, its last day is not
            return Stream.of(row.moved(this::byWeekdays)
                    .with("received", byWeeks(row.date("received")).toString()));
        }
        boolean done = table.equals("customer_orders") && "done".equals(row.text("state"));
        return Stream.of(row.moved(done || BY_WEEKS.contains(table) ? this::byWeeks : this::byWeekdays));
    }

    private LocalDate byWeeks(LocalDate date) {
        return date.plusDays(ChronoUnit.DAYS.between(monday(base), monday(anchor)));
    }

    private LocalDate byWeekdays(LocalDate date) {
        if (isWeekend(date)) {
            LocalDate friday = monday(date).plusDays(WEEKDAYS - 1L);
            return byWeekdays(friday).plusDays(ChronoUnit.DAYS.between(friday, date));
        }
        return at(number(anchor) + number(date) - number(base));
    }

    private static boolean isWeekend(LocalDate date) {
        return date.getDayOfWeek().compareTo(DayOfWeek.FRIDAY) > 0;
    }

    private static LocalDate monday(LocalDate date) {
        return date.minusDays(date.getDayOfWeek().getValue() - 1L);
    }

    /** Weekdays, counted from the Monday that began the epoch's week. */
    private static long number(LocalDate weekday) {
        long weeks = ChronoUnit.WEEKS.between(monday(LocalDate.EPOCH), monday(weekday));
        return weeks * WEEKDAYS + weekday.getDayOfWeek().getValue() - 1;
    }

    private static LocalDate at(long number) {
        return monday(LocalDate.EPOCH)
                .plusWeeks(Math.floorDiv(number, (long) WEEKDAYS))
                .plusDays(Math.floorMod(number, (long) WEEKDAYS));
    }
}
