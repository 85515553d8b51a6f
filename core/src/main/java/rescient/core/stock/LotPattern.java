package rescient.core.stock;

import java.time.LocalDate;
import java.time.temporal.IsoFields;
import java.util.ArrayList;
import java.util.List;
import java.util.regex.Matcher;
import java.util.regex.Pattern;

/**
 * How the lots or serial numbers of an item are made up, such as {@code SY-{yy}{ww}-{####}}: {@code yy} is the year and {@code
 * ww} the week by ISO 8601, {@code ####} the item's own counter with at least as many digits. All else stands as it is.
 */
public final class LotPattern {
    private static final Pattern PART = Pattern.compile("\\{(yy|ww|#{1,15})}");
    private static final int CENTURY = 100;

    private final String pattern;
    /** What numbers that it made look like. */
    private final Pattern made;

    private final boolean counts;

    private LotPattern(String pattern) {
        this.pattern = pattern;
        StringBuilder regex = new StringBuilder();
        Matcher parts = PART.matcher(pattern);
        int from = 0;
        boolean counted = false;
        while (parts.find()) {
            regex.append(Pattern.quote(pattern.substring(from, parts.start())));
            boolean counter = parts.group(1).startsWith("#");
            // a counter that stands twice is the same number twice
            regex.append(counter ? counted ? "\\k<count>" : "(?<count>\\d{1,18})" : "\\d\\d");
            counted |= counter;
            from = parts.end();
        }
        regex.append(Pattern.quote(pattern.substring(from)));
        this.made = Pattern.compile(regex.toString());
        this.counts = counted;
    }

    /** @param pattern not empty */
    public static LotPattern of(String pattern) {
        if (pattern.isBlank()) {
            throw new IllegalArgumentException("A pattern has something in it");
        }
        return new LotPattern(pattern);
    }

    /** Whether it has a counter; without one all that is made in a week has one number. */
    public boolean counts() {
        return counts;
    }

    /**
     * The number that is made on a day.
     *
     * @param count from 1 on; not looked at if nothing is counted
     */
    public String number(LocalDate day, long count) {
        StringBuilder number = new StringBuilder();
        Matcher parts = PART.matcher(pattern);
        while (parts.find()) {
            String what = parts.group(1);
            String text = switch (what) {
                case "yy" -> digits(day.get(IsoFields.WEEK_BASED_YEAR) % CENTURY, 2);
                case "ww" -> digits(day.get(IsoFields.WEEK_OF_WEEK_BASED_YEAR), 2);
                default -> digits(count, what.length());
            };
            parts.appendReplacement(number, Matcher.quoteReplacement(text));
        }
        return parts.appendTail(number).toString();
    }

    /**
     * The numbers that are made on a day, one after the other; one alone if nothing is counted.
     *
     * @param first of the counter
     * @param many at least 1
     */
    public List<String> numbers(LocalDate day, long first, int many) {
        List<String> numbers = new ArrayList<>();
        for (int i = 0; i < (counts ? many : 1); i++) {
            numbers.add(number(day, first + i));
        }
        return numbers;
    }

    /** The count of a number that was made by it, whenever; 0 if it was not. */
    public long count(String number) {
        Matcher matcher = made.matcher(number);
        return counts && matcher.matches() ? Long.parseLong(matcher.group("count")) : 0;
    }

    private static String digits(long number, int digits) {
        String text = Long.toString(number);
        return "0".repeat(Math.max(0, digits - text.length())) + text;
    }
}
