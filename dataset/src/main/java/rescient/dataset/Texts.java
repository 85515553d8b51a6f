package rescient.dataset;

import java.time.DateTimeException;
import java.time.LocalDate;

/** Values in the texts of rows: read by the million, so without patterns and formatters. */
final class Texts {
    private static final int MOST_WHOLE_DIGITS = 18;
    static final int MOST_DECIMALS = 12;
    private static final int DATE_LENGTH = "2026-03-20".length();

    private Texts() {}

    /**
     * The epoch day of an ISO 8601 date.
     *
     * @throws DateTimeException if it is none
     */
    static int day(String text) {
        boolean plain = text.length() == DATE_LENGTH && text.charAt(4) == '-' && text.charAt(7) == '-';
        for (int i = 0; plain && i < DATE_LENGTH; i++) {
            plain = i == 4 || i == 7 || isDigit(text.charAt(i));
        }
        LocalDate date = plain
                ? LocalDate.of(whole(text, 0, 4), whole(text, 5, 7), whole(text, 8, DATE_LENGTH))
                : LocalDate.parse(text);
        return Math.toIntExact(date.toEpochDay());
    }

    /** The epoch day of the ten characters of an ISO 8601 date from a place on, which is known to be one. */
    static int day(byte[] text, int from) {
        int year = whole(text, from, from + 4);
        int month = whole(text, from + 5, from + 7);
        return Math.toIntExact(LocalDate.of(year, month, whole(text, from + 8, from + DATE_LENGTH))
                .toEpochDay());
    }

    private static int whole(byte[] text, int from, int to) {
        int value = 0;
        for (int i = from; i < to; i++) {
            value = value * 10 + text[i] - '0';
        }
        return value;
    }

    private static int whole(String text, int from, int to) {
        int value = 0;
        for (int i = from; i < to; i++) {
            value = value * 10 + text.charAt(i) - '0';
        }
        return value;
    }

    /** Whether it is a decimal: an optional minus, 1 to 18 digits, perhaps a point and 1 to 12 digits. */
    static boolean decimal(String text) {
        int from = text.startsWith("-") ? 1 : 0;
        int point = text.indexOf('.');
        int wholeDigits = (point < 0 ? text.length() : point) - from;
        int decimals = point < 0 ? 0 : text.length() - point - 1;
        boolean good = wholeDigits >= 1
                && wholeDigits <= MOST_WHOLE_DIGITS
                && decimals <= MOST_DECIMALS
                && (point < 0 || decimals >= 1);
        for (int i = from; good && i < text.length(); i++) {
            good = i == point || isDigit(text.charAt(i));
        }
        return good;
    }

    /** How many decimals a decimal has, without the zeros at its end. */
    static int decimals(String decimal) {
        String shortest = withoutZeros(decimal);
        int point = shortest.indexOf('.');
        return point < 0 ? 0 : shortest.length() - 1 - point;
    }

    /** A decimal without the zeros at the end of its decimals. */
    static String withoutZeros(String decimal) {
        if (decimal.indexOf('.') < 0) {
            return decimal;
        }
        int end = decimal.length();
        while (decimal.charAt(end - 1) == '0') {
            end--;
        }
        return decimal.substring(0, decimal.charAt(end - 1) == '.' ? end - 1 : end);
    }

    private static boolean isDigit(char c) {
        return c >= '0' && c <= '9';
    }
}
