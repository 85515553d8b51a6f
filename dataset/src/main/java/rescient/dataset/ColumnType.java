package rescient.dataset;

import java.math.BigDecimal;
import java.time.DateTimeException;
import java.time.LocalDate;
import java.util.List;
import java.util.Map;
import rescient.core.base.Limits;

/** What a column holds, and the check of a text against it. */
public sealed interface ColumnType {

    /** What is wrong with the text, and what would be right; null if it is as it should be. */
    Fault.Finding check(String text);

    /** The name of the type in the Table Schema standard; what limits it is put among the constraints. */
    String describe(Map<String, Object> constraints);

    /** What it holds, in words. */
    String words();

    /** Any text. */
    record Text() implements ColumnType {
        @Override
        public String words() {
            return "text";
        }

        @Override
        public String describe(Map<String, Object> constraints) {
            return "string";
        }

        @Override
        public Fault.Finding check(String text) {
            return null;
        }
    }

    /** One of a few words. */
    record Words(List<String> allowed) implements ColumnType {
        @Override
        public String words() {
            return String.join(", ", allowed);
        }

        @Override
        public String describe(Map<String, Object> constraints) {
            constraints.put("enum", allowed);
            return "string";
        }

        @Override
        public Fault.Finding check(String text) {
            return allowed.contains(text)
                    ? null
                    : new Fault.Finding("is not one of the words allowed here", "one of " + String.join(", ", allowed));
        }
    }

    /** true or false. */
    record Flag() implements ColumnType {
        @Override
        public String words() {
            return "true or false";
        }

        @Override
        public String describe(Map<String, Object> constraints) {
            return "boolean";
        }

        @Override
        public Fault.Finding check(String text) {
            return text.equals("true") || text.equals("false")
                    ? null
                    : new Fault.Finding("is neither true nor false", "true or false");
        }
    }

    /** An ISO 8601 date. */
    record Day() implements ColumnType {
        @Override
        public String words() {
            return "a date";
        }

        @Override
        public String describe(Map<String, Object> constraints) {
            return "date";
        }

        @Override
        public Fault.Finding check(String text) {
            try {
                LocalDate day = LocalDate.ofEpochDay(Texts.day(text));
                return Limits.holds(day)
                        ? null
                        : new Fault.Finding(
                                "lies too far away", "a date from " + Limits.FIRST_DAY + " to " + Limits.LAST_DAY);
            } catch (DateTimeException | ArithmeticException e) {
                return new Fault.Finding("is not a date", "a date such as 2026-03-20");
            }
        }
    }

    /** A whole number within limits. */
    record Whole(long least, long most) implements ColumnType {
        @Override
        public String words() {
            return "a whole number from " + least + " to " + most;
        }

        @Override
        public String describe(Map<String, Object> constraints) {
            constraints.put("minimum", least);
            constraints.put("maximum", most);
            return "integer";
        }

        @Override
        public Fault.Finding check(String text) {
            try {
                long value = Long.parseLong(text);
                return value >= least && value <= most
                        ? null
                        : new Fault.Finding("is out of range", "a whole number from " + least + " to " + most);
            } catch (NumberFormatException e) {
                return new Fault.Finding("is not a whole number", "a whole number from " + least + " to " + most);
            }
        }
    }

    /** An exact decimal within limits; {@code most} null: open. */
    record Decimal(BigDecimal least, boolean aboveLeast, BigDecimal most, int decimals) implements ColumnType {
        @Override
        public String words() {
            return "a number, " + range();
        }

        @Override
        public String describe(Map<String, Object> constraints) {
            constraints.put(aboveLeast ? "exclusiveMinimum" : "minimum", least);
            if (most != null) {
                constraints.put("maximum", most);
            }
            return "number";
        }

        @Override
        public Fault.Finding check(String text) {
            if (!Texts.decimal(text)) {
                return new Fault.Finding("is not a decimal number", "a number such as 12.5, with a point");
            }
            if (Texts.decimals(text) > decimals) {
                return new Fault.Finding(
                        "has more than " + decimals + " decimals", "at most " + decimals + " decimals");
            }
            BigDecimal value = new BigDecimal(text);
            int toLeast = value.compareTo(least);
            boolean tooSmall = aboveLeast ? toLeast <= 0 : toLeast < 0;
            boolean tooLarge = most != null && value.compareTo(most) > 0;
            return tooSmall || tooLarge ? new Fault.Finding("is out of range", range()) : null;
        }

        private String range() {
            String lower = (aboveLeast ? "more than " : "at least ") + least.toPlainString();
            return most == null ? lower : lower + " and at most " + most.toPlainString();
        }
    }

    ColumnType TEXT = new Text();
    ColumnType FLAG = new Flag();
    ColumnType DAY = new Day();
    /** A quantity, a price: 0 or more, at most 10¹². */
    ColumnType AMOUNT = new Decimal(BigDecimal.ZERO, false, Limits.MOST, Texts.MOST_DECIMALS);

    ColumnType FACTOR = new Decimal(BigDecimal.ZERO, true, null, Texts.MOST_DECIMALS);
    /** A quantity for one of something, a scrap: with up to 6 decimals, whatever the unit's. */
    ColumnType RATIO = new Decimal(BigDecimal.ZERO, false, Limits.MOST, 6);
    /** A conversion from one unit to another. */
    ColumnType CONVERSION = new Decimal(BigDecimal.ZERO, true, null, 6);

    /** A quantity that is added or taken off. */
    ColumnType SIGNED = new Decimal(Limits.MOST.negate(), false, Limits.MOST, Texts.MOST_DECIMALS);

    /** What is added to something in hundredths of it: all of it can be taken off. */
    ColumnType PERCENT = new Decimal(BigDecimal.valueOf(-100), false, BigDecimal.valueOf(10_000), 6);

    ColumnType DAYS = new Whole(0, 10_000);

    static ColumnType words(String... allowed) {
        return new Words(List.of(allowed));
    }
}
