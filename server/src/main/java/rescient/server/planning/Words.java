package rescient.server.planning;

import java.math.BigDecimal;
import java.time.LocalDate;
import java.time.format.DateTimeFormatter;
import java.util.Locale;
import rescient.core.base.Quantity;
import rescient.core.company.OpenOrder;

/** Dates, quantities and kinds as they stand in sentences. */
public final class Words {
    private static final DateTimeFormatter WEEKDAY = DateTimeFormatter.ofPattern("EEE", Locale.ENGLISH);
    private static final char THIN_SPACE = '\u2009';

    private Words() {}

    /** A difference with its sign. */
    public static String signed(BigDecimal number) {
        String plain = number.abs().stripTrailingZeros().toPlainString();
        return (number.signum() < 0 ? "\u2212" : "+") + plain;
    }

    /** A kind as the API names it: {@code lot_for_lot}. */
    public static String word(Enum<?> value) {
        return value.name().toLowerCase(Locale.ROOT);
    }

    public static LocalDate date(int day) {
        return LocalDate.ofEpochDay(day);
    }

    /** The date, or null for a day that is not set. */
    public static LocalDate dateOrNull(Integer day) {
        return day == null || day == OpenOrder.NO_DAY ? null : LocalDate.ofEpochDay(day);
    }

    /** {@code 2026-12-09}, as it stands in every sentence: who reads it sees it in the form of his choice. */
    public static String day(int day) {
        return date(day).toString();
    }

    /** {@code Sat 2027-01-09}. */
    public static String weekday(int day) {
        return WEEKDAY.format(date(day)) + " " + date(day);
    }

    /** Null where it is not set. */
    public static BigDecimal quantity(long millionths) {
        return millionths == Quantity.NOT_SET ? null : Quantity.decimal(millionths);
    }

    /** {@code 1 250 pcs}, with thin spaces between thousands. */
    static String amount(long millionths, String unit) {
        String text = Quantity.text(Math.abs(millionths));
        int point = text.indexOf('.');
        StringBuilder grouped = new StringBuilder(text);
        for (int at = (point < 0 ? text.length() : point) - 3; at > 0; at -= 3) {
            grouped.insert(at, THIN_SPACE);
        }
        return (millionths < 0 ? "−" : "") + grouped + " " + unit;
    }

    static String days(int days) {
        return days == 1 ? "1 day" : days + " days";
    }
}
