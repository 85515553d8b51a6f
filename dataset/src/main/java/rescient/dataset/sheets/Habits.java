package rescient.dataset.sheets;

import java.math.BigDecimal;
import java.time.DateTimeException;
import java.time.LocalDate;
import java.time.Month;
import java.time.YearMonth;
import java.time.format.TextStyle;
import java.util.Locale;
import java.util.regex.Matcher;
import java.util.regex.Pattern;

/**
 * How dates and numbers are written in a table.
 *
 * @param dates which part of a date comes first where it is written in figures
 * @param decimal the sign before the decimals: a point or a comma
 */
public record Habits(DateOrder dates, char decimal) {
    /** The order of day, month and year. */
    public enum DateOrder {
        DAY_FIRST,
        MONTH_FIRST,
        YEAR_FIRST
    }

    public static final Habits PLAIN = new Habits(DateOrder.YEAR_FIRST, '.');

    private static final int LOOKED_AT = 2_000;
    private static final Pattern FIGURES = Pattern.compile("(\\d{1,4})[./\\- ](\\d{1,2})[./\\- ](\\d{1,4})\\.?");
    private static final Pattern NAMED =
            Pattern.compile("(?:(\\d{1,2})[. \\-/]*)?([\\p{L}]{3,})\\.?[ \\-/,']*(?:(\\d{1,2}),? +)?(\\d{2}|\\d{4})");
    private static final Pattern MONTH = Pattern.compile("(\\d{1,2})[./\\-](\\d{4})|(\\d{4})[./\\-](\\d{1,2})");
    private static final Pattern COMMA = Pattern.compile("-?\\d{1,3}(\\.\\d{3})+,\\d+|-?\\d+,\\d{1,2}|-?\\d+,\\d{4,}");
    private static final Pattern POINT =
            Pattern.compile("-?\\d{1,3}(,\\d{3})+\\.\\d+|-?\\d+\\.\\d{1,2}|-?\\d+\\.\\d{4,}");
    private static final int CENTURY = 2000;

    /** What the cells of a table say of the habits of whoever wrote it. */
    public static Habits of(Sheet sheet) {
        int commas = 0;
        int points = 0;
        int dayFirst = 0;
        int monthFirst = 0;
        int figures = 0;
        for (int r = 0; r < Math.min(LOOKED_AT, sheet.rows().size()); r++) {
            for (String cell : sheet.rows().get(r)) {
                String text = cell.strip().replace("\u00A0", "").replace("\u202F", "");
                commas += COMMA.matcher(text).matches() ? 1 : 0;
                points += POINT.matcher(text).matches() ? 1 : 0;
                Matcher date = FIGURES.matcher(text);
                if (date.matches()
                        && date.group(1).length() <= 2
                        && date.group(3).length() != 1) {
                    figures++;
                    dayFirst += Integer.parseInt(date.group(1)) > 12 || text.indexOf('.') > 0 ? 1 : 0;
                    monthFirst += Integer.parseInt(date.group(2)) > 12 ? 1 : 0;
                }
            }
        }
        DateOrder dates = figures == 0
                ? DateOrder.YEAR_FIRST
                : monthFirst > dayFirst ? DateOrder.MONTH_FIRST : DateOrder.DAY_FIRST;
        return new Habits(dates, commas > points ? ',' : '.');
    }

    /** The day that a text names, or null if it names none. */
    public LocalDate day(String text) {
        Matcher figures = FIGURES.matcher(text);
        try {
            if (figures.matches()) {
                return inFigures(figures.group(1), figures.group(2), figures.group(3));
            }
            Matcher named = NAMED.matcher(text);
            if (named.matches()) {
                Month month = month(named.group(2));
                String day = named.group(1) != null ? named.group(1) : named.group(3);
                return month == null
                        ? null
                        : LocalDate.of(year(named.group(4)), month, day == null ? 1 : Integer.parseInt(day));
            }
        } catch (DateTimeException e) {
            return null;
        }
        return null;
    }

    private LocalDate inFigures(String first, String second, String third) {
        if (first.length() > 2) {
            return LocalDate.of(Integer.parseInt(first), Integer.parseInt(second), Integer.parseInt(third));
        }
        boolean month = dates == DateOrder.MONTH_FIRST;
        return LocalDate.of(
                year(third), Integer.parseInt(month ? first : second), Integer.parseInt(month ? second : first));
    }

    private static int year(String text) {
        int year = Integer.parseInt(text);
        return text.length() <= 2 ? CENTURY + year : year;
    }

    /** The month that a text names, in English, or null if it names none. */
    public static YearMonth month(String text, Habits habits) {
        Matcher figures = MONTH.matcher(text.strip());
        try {
            if (figures.matches()) {
                return figures.group(2) != null
                        ? YearMonth.of(Integer.parseInt(figures.group(2)), Integer.parseInt(figures.group(1)))
                        : YearMonth.of(Integer.parseInt(figures.group(3)), Integer.parseInt(figures.group(4)));
            }
        } catch (DateTimeException e) {
            return null;
        }
        LocalDate day = habits.day(text.strip());
        return day == null || day.getDayOfMonth() != 1 ? null : YearMonth.from(day);
    }

    private static Month month(String name) {
        for (Month month : Month.values()) {
            String whole = month.getDisplayName(TextStyle.FULL, Locale.ENGLISH).toLowerCase(Locale.ROOT);
            String said = name.toLowerCase(Locale.ROOT);
            if (said.length() >= 3 && (whole.startsWith(said) || said.equals("sept") && whole.startsWith("sep"))) {
                return month;
            }
        }
        return null;
    }

    /** A number as the dataset writes it, or null if the text is none. */
    public String number(String text) {
        String plain = text.replaceAll("[\\s\u00A0\u202F']", "");
        char thousands = decimal == ',' ? '.' : ',';
        if (plain.indexOf(thousands) >= 0 && !grouped(plain, thousands)) {
            return null;
        }
        plain = plain.replace(Character.toString(thousands), "").replace(decimal, '.');
        if (plain.startsWith("+")) {
            plain = plain.substring(1);
        }
        return plain.matches("-?(\\d+(\\.\\d*)?|\\.\\d+)") ? normal(plain) : null;
    }

    /** A sign between thousands stands before three figures each time. */
    private boolean grouped(String plain, char thousands) {
        int end = plain.indexOf(decimal) < 0 ? plain.length() : plain.indexOf(decimal);
        return plain.substring(0, end)
                .matches("-?\\d{1,3}(" + Pattern.quote(Character.toString(thousands)) + "\\d{3})+");
    }

    private static String normal(String plain) {
        return new BigDecimal(plain).toPlainString();
    }
}
