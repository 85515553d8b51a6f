package rescient.core.stock;

import java.math.BigDecimal;
import java.time.LocalDate;
import java.time.YearMonth;
import java.util.LinkedHashMap;
import java.util.Map;
import java.util.Optional;
import java.util.regex.Matcher;
import java.util.regex.Pattern;

/**
 * What a label says in the form of a GS1 element string: application identifiers with their texts, as a scanner sends them, or
 * with brackets as they stand below a code. Source: GS1 General Specifications, sections 3 and 7.
 *
 * @param gtin fourteen digits, the check digit right; null: not said, as the others
 * @param item our own code of the item (240)
 * @param expiry the first day on which it must not be used any more: the day after the last one, which the label says (17)
 * @param count so many pieces (30, or 37 of what a case holds); null: not said
 */
public record ElementString(String gtin, String item, String lot, String serial, LocalDate expiry, BigDecimal count) {
    /** What ends a text of no fixed length: FNC1, as a scanner sends it. */
    public static final char SEPARATOR = '\u001d';

    private static final Pattern BRACKET = Pattern.compile("\\((\\d{2,4})\\)([^(]*)");
    private static final int GTIN = 14;
    private static final int DAY = 6;
    private static final int CENTURY = 100;
    /** Two digits of a year that lie further off belong to another century. */
    private static final int HALF = 50;

    /** Identifiers whose texts have a fixed length, with it. */
    private static final Map<String, Integer> FIXED =
            Map.of("00", 18, "01", GTIN, "02", GTIN, "11", DAY, "12", DAY, "13", DAY, "15", DAY, "17", DAY, "20", 2);

    /** The longest text of those that end with a separator. */
    private static final Map<String, Integer> LONGEST = Map.of("10", 20, "21", 20, "30", 8, "37", 8, "240", 30);

    /**
     * @param today by which the century of a year is told
     * @return empty if it is none: the code is something else
     */
    public static Optional<ElementString> read(String code, LocalDate today) {
        String text = code.strip();
        if (text.startsWith("]")) {
            text = text.length() < 3 ? "" : text.substring(3);
        }
        Map<String, String> parts = text.startsWith("(") ? bracketed(text) : sent(text);
        return parts == null || parts.isEmpty() ? Optional.empty() : of(parts, today);
    }

    private static Map<String, String> bracketed(String text) {
        Map<String, String> parts = new LinkedHashMap<>();
        Matcher matcher = BRACKET.matcher(text);
        int end = 0;
        while (matcher.find() && matcher.start() == end) {
            end = matcher.end();
            if (!put(parts, matcher.group(1), matcher.group(2).strip())) {
                return null;
            }
        }
        return end == text.length() ? parts : null;
    }

    private static Map<String, String> sent(String text) {
        Map<String, String> parts = new LinkedHashMap<>();
        int at = 0;
        while (at < text.length()) {
            if (text.charAt(at) == SEPARATOR) {
                at++;
                continue;
            }
            String identifier = identifier(text, at);
            if (identifier == null) {
                return null;
            }
            at += identifier.length();
            int end;
            if (FIXED.containsKey(identifier)) {
                end = at + FIXED.get(identifier);
            } else {
                int separator = text.indexOf(SEPARATOR, at);
                end = separator < 0 ? text.length() : separator;
            }
            if (end > text.length() || !put(parts, identifier, text.substring(at, end))) {
                return null;
            }
            at = end;
        }
        return parts;
    }

    private static String identifier(String text, int at) {
        for (int length : new int[] {2, 3}) {
            String one = text.substring(at, Math.min(text.length(), at + length));
            if (FIXED.containsKey(one) || LONGEST.containsKey(one)) {
                return one;
            }
        }
        return null;
    }

    /** Whether it may be: the right length, and digits where they have to be. */
    private static boolean put(Map<String, String> parts, String identifier, String text) {
        Integer fixed = FIXED.get(identifier);
        Integer longest = LONGEST.get(identifier);
        boolean digits = fixed != null || identifier.startsWith("3");
        if (fixed == null && longest == null
                || fixed != null && text.length() != fixed
                || longest != null && (text.isEmpty() || text.length() > longest)
                || digits && !text.chars().allMatch(c -> c >= '0' && c <= '9')) {
            return false;
        }
        return parts.putIfAbsent(identifier, text) == null;
    }

    private static Optional<ElementString> of(Map<String, String> parts, LocalDate today) {
        String gtin = parts.getOrDefault("01", parts.get("02"));
        if (gtin != null && !checks(gtin)) {
            return Optional.empty();
        }
        String last = parts.get("17");
        LocalDate day = last == null ? null : day(last, today);
        if (last != null && day == null) {
            return Optional.empty();
        }
        String count = parts.getOrDefault("30", parts.get("37"));
        return Optional.of(new ElementString(
                gtin,
                parts.get("240"),
                parts.get("10"),
                parts.get("21"),
                day == null ? null : day.plusDays(1),
                count == null ? null : new BigDecimal(count)));
    }

    /** The sum of the digits, every second one three times from the right, is full tens. */
    private static boolean checks(String gtin) {
        int sum = 0;
        for (int i = 0; i < gtin.length(); i++) {
            sum += (gtin.charAt(i) - '0') * ((gtin.length() - i) % 2 == 0 ? 3 : 1);
        }
        return sum % 10 == 0;
    }

    /** Year, month and day in two digits each; day 00 is the last of its month. Null: there is no such day. */
    private static LocalDate day(String text, LocalDate today) {
        int year = Integer.parseInt(text.substring(0, 2));
        int month = Integer.parseInt(text.substring(2, 4));
        int day = Integer.parseInt(text.substring(4));
        int century = today.getYear() - today.getYear() % CENTURY;
        int off = year - today.getYear() % CENTURY;
        int full = century + year + (off > HALF ? -CENTURY : off <= -HALF ? CENTURY : 0);
        if (month < 1 || month > 12) {
            return null;
        }
        YearMonth of = YearMonth.of(full, month);
        return day == 0 ? of.atEndOfMonth() : of.isValidDay(day) ? of.atDay(day) : null;
    }

    /** The same as a scanner sends it: what has a fixed length first. Empty where nothing is said. */
    public String sent() {
        StringBuilder text = new StringBuilder();
        if (gtin != null) {
            text.append("01").append(gtin);
        }
        if (expiry != null) {
            LocalDate last = expiry.minusDays(1);
            text.append(String.format(
                    "17%02d%02d%02d", last.getYear() % CENTURY, last.getMonthValue(), last.getDayOfMonth()));
        }
        open(text, "240", item);
        open(text, "10", lot);
        open(text, "21", serial);
        open(text, "30", count == null ? null : count.toBigInteger().toString());
        return text.length() > 0 && text.charAt(text.length() - 1) == SEPARATOR
                ? text.substring(0, text.length() - 1)
                : text.toString();
    }

    private static void open(StringBuilder text, String identifier, String said) {
        if (said != null) {
            text.append(identifier).append(said).append(SEPARATOR);
        }
    }

    /** The same as it stands below a code. */
    public String written() {
        StringBuilder text = new StringBuilder();
        Optional<Map<String, String>> parts = Optional.ofNullable(sent(sent()));
        parts.ifPresent(all -> all.forEach((identifier, said) ->
                text.append('(').append(identifier).append(')').append(said)));
        return text.toString();
    }
}
