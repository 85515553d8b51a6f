package rescient.server.whatif;

import java.time.DayOfWeek;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.TreeSet;
import java.util.stream.Collectors;
import rescient.dataset.Dataset;
import rescient.dataset.Row;
import rescient.dataset.Table;

/**
 * Some days on which a site or a supplier does not work, or does. Nobody else is touched: who shares a calendar, or has
 * none, gets one of its own, under its own code.
 *
 * @param days which become otherwise
 * @param working what these days become
 */
record Closing(Dataset dataset, Set<LocalDate> days, boolean working) {
    private static final String[] WEEK = {"mon", "tue", "wed", "thu", "fri", "sat", "sun"};
    private static final int FARTHEST = 3660;

    /** All days from one to another. */
    Closing(Dataset dataset, LocalDate from, LocalDate to, boolean working) {
        this(dataset, from.datesUntil(to.plusDays(1)).collect(Collectors.toCollection(TreeSet::new)), working);
    }

    Dataset site(String code) {
        return of("sites", code, calendar("sites", code));
    }

    /** @param receivingSite whose days count for a supplier without a calendar; may be null */
    Dataset supplier(String code, String receivingSite) {
        return of("suppliers", code, ofSupplier(code, receivingSite));
    }

    /** The day itself or the first after it on which a supplier works, then so many of his working days on. */
    LocalDate supplierDay(String supplier, String receivingSite, LocalDate from, int more) {
        String calendar = ofSupplier(supplier, receivingSite);
        LocalDate day = from;
        int left = more;
        for (int i = 0; i < FARTHEST; i++) {
            if (works(calendar, day) && left-- == 0) {
                return day;
            }
            day = day.plusDays(1);
        }
        return day;
    }

    /** The days of these on which a supplier works, in order. */
    List<LocalDate> workingDays(String supplier, String receivingSite) {
        String calendar = ofSupplier(supplier, receivingSite);
        return days.stream().filter(day -> works(calendar, day)).sorted().toList();
    }

    private String ofSupplier(String code, String receivingSite) {
        String own = calendar("suppliers", code);
        return own != null || receivingSite == null ? own : calendar("sites", receivingSite);
    }

    private String calendar(String owners, String code) {
        return dataset.rows(owners).stream()
                .filter(row -> code.equals(row.text("code")))
                .map(row -> row.text("calendar", ""))
                .filter(calendar -> !calendar.isEmpty())
                .findFirst()
                .orElse(null);
    }

    private Dataset of(String owners, String code, String before) {
        boolean alone = before != null && before.equals(calendar(owners, code)) && users(before) == 1;
        if (alone) {
            return closed(dataset, before, before);
        }
        String own = free(code);
        List<Row> calendars = new ArrayList<>(dataset.rows("calendars"));
        Map<String, String> week = new HashMap<>();
        for (String day : WEEK) {
            Row row = before == null ? null : row(before);
            boolean workday = !day.startsWith("s");
            week.put(day, Boolean.toString(row == null ? workday : row.flag(day, workday)));
        }
        week.put("code", own);
        calendars.add(Row.of(Table.named("calendars"), week));
        List<Row> owner = new ArrayList<>();
        for (Row row : dataset.rows(owners)) {
            owner.add(code.equals(row.text("code")) ? row.with("calendar", own) : row);
        }
        return closed(dataset.with("calendars", calendars).with(owners, owner), before, own);
    }

    /** How many sites, suppliers and work centers go by a calendar. */
    private long users(String calendar) {
        return List.of("sites", "suppliers", "work_centers").stream()
                .flatMap(table -> dataset.rows(table).stream())
                .filter(row -> calendar.equals(row.text("calendar")))
                .count();
    }

    private String free(String code) {
        String name = code;
        for (int i = 2; row(name) != null; i++) {
            name = code + "-" + i;
        }
        return name;
    }

    private Row row(String calendar) {
        return dataset.rows("calendars").stream()
                .filter(row -> calendar.equals(row.text("code")))
                .findFirst()
                .orElse(null);
    }

    /** @param before the calendar whose exceptions hold on other days; {@code own} gets them if it is another */
    private Dataset closed(Dataset company, String before, String own) {
        Table table = Table.named("calendar_exceptions");
        List<Row> exceptions = new ArrayList<>();
        for (Row row : company.rows(table.name())) {
            boolean inside = days.contains(row.date("date"));
            if (row.text("calendar").equals(before) && !own.equals(before) && !inside) {
                exceptions.add(row.with("calendar", own));
            }
            if (!row.text("calendar").equals(own) || !inside) {
                exceptions.add(row);
            }
        }
        for (LocalDate day : days) {
            exceptions.add(Row.of(
                    table, Map.of("calendar", own, "date", day.toString(), "working", Boolean.toString(working))));
        }
        return company.with(table.name(), exceptions);
    }

    private boolean works(String calendar, LocalDate day) {
        boolean weekday = day.getDayOfWeek().getValue() <= DayOfWeek.FRIDAY.getValue();
        if (calendar == null) {
            return weekday;
        }
        return dataset.rows("calendar_exceptions").stream()
                .filter(row -> row.text("calendar").equals(calendar)
                        && row.date("date").equals(day))
                .map(row -> row.flag("working", false))
                .findFirst()
                .orElseGet(() -> row(calendar).flag(WEEK[day.getDayOfWeek().getValue() - 1], weekday));
    }
}
