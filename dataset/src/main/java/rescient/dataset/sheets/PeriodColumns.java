package rescient.dataset.sheets;

import java.time.DateTimeException;
import java.time.DayOfWeek;
import java.time.LocalDate;
import java.time.YearMonth;
import java.time.temporal.IsoFields;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import rescient.core.company.PeriodUnit;

/** Forecasts as people write them: one row an item, one column a period. */
public final class PeriodColumns {
    private static final Pattern WEEK = Pattern.compile("(?i)(?:(\\d{4})\\s*[-/. ]?\\s*(?:w|wk|cw|week)\\s*(\\d{1,2})"
            + "|(?:w|wk|cw|week)\\s*(\\d{1,2})\\s*[-/. ]\\s*(\\d{4}))");

    private final PeriodUnit unit;
    private final Map<Integer, LocalDate> days;

    private PeriodColumns(PeriodUnit unit, Map<Integer, LocalDate> days) {
        this.unit = unit;
        this.days = days;
    }

    /** The columns that are named by months, by weeks, or by days; those of weeks may be named by their Mondays. */
    public static PeriodColumns of(Sheet sheet, Habits habits) {
        Map<Integer, LocalDate> months = new LinkedHashMap<>();
        Map<Integer, LocalDate> weeks = new LinkedHashMap<>();
        Map<Integer, LocalDate> dates = new LinkedHashMap<>();
        for (int column = 0; column < sheet.header().size(); column++) {
            String name = sheet.header().get(column).strip();
            YearMonth month = Habits.month(name, habits);
            LocalDate week = week(name);
            LocalDate day = habits.day(name);
            if (month != null) {
                months.put(column, month.atDay(1));
            }
            if (week != null) {
                weeks.put(column, week);
            }
            if (day != null) {
                dates.put(column, day);
            }
        }
        // days of a month or two begin with a first as well
        if (dates.size() > months.size()) {
            boolean mondays = dates.values().stream().allMatch(day -> day.getDayOfWeek() == DayOfWeek.MONDAY);
            return new PeriodColumns(mondays ? PeriodUnit.WEEK : PeriodUnit.DAY, dates);
        }
        return weeks.size() > months.size()
                ? new PeriodColumns(PeriodUnit.WEEK, weeks)
                : new PeriodColumns(PeriodUnit.MONTH, months);
    }

    private static LocalDate week(String text) {
        Matcher said = WEEK.matcher(text);
        if (!said.matches()) {
            return null;
        }
        boolean yearFirst = said.group(1) != null;
        try {
            int year = Integer.parseInt(said.group(yearFirst ? 1 : 4));
            int week = Integer.parseInt(said.group(yearFirst ? 2 : 3));
            LocalDate first = LocalDate.of(year, 1, 4).with(DayOfWeek.MONDAY);
            LocalDate monday = first.plusWeeks(week - 1L);
            boolean there = week > 0 && monday.get(IsoFields.WEEK_BASED_YEAR) == year;
            return there ? monday : null;
        } catch (DateTimeException e) {
            return null;
        }
    }

    /** Whether there are two of them at least, so that the sheet has a column a period. */
    public boolean isThere() {
        return days.size() > 1;
    }

    /**
     * The same with one row for each period: what stands before, then {@code from_date}, {@code bucket} and
     * {@code quantity}. A cell that is empty is no row.
     *
     * @return the sheet as it is, if it has no two periods
     */
    public static Sheet upright(Sheet sheet, Habits habits) {
        PeriodColumns columns = of(sheet, habits);
        return columns.isThere() ? columns.upright(sheet) : sheet;
    }

    private Sheet upright(Sheet sheet) {
        List<String> header = new ArrayList<>();
        List<Integer> others = new ArrayList<>();
        for (int column = 0; column < sheet.header().size(); column++) {
            if (!days.containsKey(column)) {
                header.add(sheet.header().get(column));
                others.add(column);
            }
        }
        header.addAll(List.of("from_date", "bucket", "quantity"));
        List<String[]> rows = new ArrayList<>();
        for (int r = 0; r < sheet.rows().size(); r++) {
            for (Map.Entry<Integer, LocalDate> period : days.entrySet()) {
                String quantity = sheet.cell(r, period.getKey());
                if (!quantity.isEmpty()) {
                    String[] cells = new String[header.size()];
                    for (int i = 0; i < others.size(); i++) {
                        cells[i] = sheet.rows().get(r)[others.get(i)];
                    }
                    cells[others.size()] = period.getValue().toString();
                    cells[others.size() + 1] = unit.name().toLowerCase(Locale.ROOT);
                    cells[others.size() + 2] = quantity;
                    rows.add(cells);
                }
            }
        }
        return new Sheet(sheet.name(), header, rows);
    }
}
