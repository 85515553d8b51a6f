package rescient.dataset;

import java.nio.charset.StandardCharsets;
import java.util.HashMap;
import java.util.Map;
import rescient.core.base.Quantity;

/**
 * Rows as PostgreSQL copies them out in its text format: the columns of a table in their order, a tab between them, flags
 * as {@code t} and {@code f}, decimals perhaps with zeros at their end. They are known to be right, and a value is looked
 * at when somebody asks for it. Texts that come again, as codes do, are the same object.
 */
public final class CopiedRows {
    private static final int KNOWN_BITS = 18;
    private static final int LONGEST_KNOWN = 2 * Long.BYTES;
    /** Of a row so many bytes that the place of a value and its column are one number. */
    private static final int BEGIN_BITS = 24;

    private static final int DATE_LENGTH = 10;
    /** So many characters of a decimal cannot overflow as millionths. */
    private static final int PLAIN_LENGTH = 12;

    /**
     * A text and the bytes it was, which are told from others without looking at them one by one.
     *
     * @param first the first eight of them, and {@code second} the next eight, as numbers; no byte of a text is 0
     */
    private record Known(long first, long second, String text) {
        boolean is(long itsFirst, long itsSecond) {
            return first == itsFirst && second == itsSecond;
        }
    }

    /** Texts by their hash; whoever comes later may take the place of another. */
    private final Known[] known = new Known[1 << KNOWN_BITS];
    /** The last text of each column of each table: often that of the next row too. */
    private final Map<Table, Known[]> last = new HashMap<>();

    public CopiedRows() {
        Table.ALL.forEach(table -> last.put(table, new Known[table.columns().size()]));
    }

    /** The row that one message of the copy holds, with or without the line feed at its end. */
    public Row row(Table table, byte[] message) {
        return new Row(table, 0, new Copied(table, message, last.get(table)));
    }

    private String text(byte[] bytes, int from, int to, Known[] before, int column) {
        if (to - from > LONGEST_KNOWN) {
            return new String(bytes, from, to - from, StandardCharsets.UTF_8);
        }
        long first = 0;
        long second = 0;
        int middle = Math.min(to, from + Long.BYTES);
        for (int i = from; i < middle; i++) {
            first = first << Byte.SIZE | bytes[i] & 0xFF;
        }
        for (int i = middle; i < to; i++) {
            second = second << Byte.SIZE | bytes[i] & 0xFF;
        }
        Known same = before[column];
        if (same != null && same.is(first, second)) {
            return same.text;
        }
        // Fibonacci hashing: Knuth, The Art of Computer Programming, volume 3, section 6.4
        int place = (int) ((first * 31 + second) * 0x9E3779B97F4A7C15L >>> Long.SIZE - KNOWN_BITS);
        Known there = known[place];
        if (there == null || !there.is(first, second)) {
            there = new Known(first, second, new String(bytes, from, to - from, StandardCharsets.UTF_8));
            known[place] = there;
        }
        before[column] = there;
        return there.text;
    }

    private final class Copied implements Cells {
        private final Table table;
        private final byte[] bytes;
        /**
         * The value that was asked for last and where it begins, in one number for whoever else asks meanwhile: values are
         * mostly asked for in their order.
         */
        private int mark;

        private final Known[] before;

        Copied(Table table, byte[] bytes, Known[] before) {
            this.table = table;
            this.bytes = bytes;
            this.before = before;
        }

        private int begin(int column) {
            int known = mark;
            int at = known >>> BEGIN_BITS <= column ? known >>> BEGIN_BITS : 0;
            int i = at == 0 ? 0 : known & (1 << BEGIN_BITS) - 1;
            for (; at < column && i < bytes.length; i++) {
                if (bytes[i] == '\t') {
                    at++;
                }
            }
            if (i < 1 << BEGIN_BITS) {
                mark = column << BEGIN_BITS | i;
            }
            return i;
        }

        private boolean goesOn(int i) {
            return i < bytes.length && bytes[i] != '\t' && bytes[i] != '\n';
        }

        private int end(int from) {
            int i = from;
            while (goesOn(i)) {
                i++;
            }
            return i;
        }

        @Override
        public boolean isEmpty(int column) {
            int from = begin(column);
            return !goesOn(from) || bytes[from] == '\\' && bytes[from + 1] == 'N' && !goesOn(from + 2);
        }

        @Override
        public String at(int column) {
            int from = begin(column);
            int to = from;
            boolean escaped = false;
            for (; goesOn(to); to++) {
                escaped |= bytes[to] == '\\';
            }
            if (escaped || to == from) {
                return isEmpty(column) ? "" : unescaped(from, to);
            }
            ColumnType type = table.columns().get(column).type();
            if (type == ColumnType.FLAG) {
                return bytes[from] == 't' ? "true" : "false";
            }
            String text = text(bytes, from, to, before, column);
            return type instanceof ColumnType.Decimal ? Texts.withoutZeros(text) : text;
        }

        /** A backslash stands before a backslash, and before the letters of a tab and the ends of lines. */
        private String unescaped(int from, int to) {
            byte[] plain = new byte[to - from];
            int n = 0;
            for (int i = from; i < to; i++) {
                byte b = bytes[i];
                if (b == '\\') {
                    b = bytes[++i];
                    int escape = "bfnrtv".indexOf(b);
                    b = escape < 0 ? b : (byte) "\b\f\n\r\t\u000B".charAt(escape);
                }
                plain[n++] = b;
            }
            return new String(plain, 0, n, StandardCharsets.UTF_8);
        }

        @Override
        public long quantity(int column) {
            int from = begin(column);
            int to = end(from);
            long value = 0;
            int decimals = -1;
            boolean plain = to - from <= PLAIN_LENGTH;
            for (int i = from; i < to && plain; i++) {
                byte b = bytes[i];
                if (b >= '0' && b <= '9' && decimals < 6) {
                    value = value * 10 + b - '0';
                    decimals += decimals < 0 ? 0 : 1;
                } else if (b == '.' && decimals < 0) {
                    decimals = 0;
                } else {
                    plain = b == '0' && decimals == 6;
                }
            }
            if (!plain) {
                return Quantity.of(at(column));
            }
            for (int d = Math.max(decimals, 0); d < 6; d++) {
                value *= 10;
            }
            return value;
        }

        @Override
        public int day(int column) {
            int from = begin(column);
            int to = end(from);
            return to - from == DATE_LENGTH ? Texts.day(bytes, from) : Texts.day(at(column));
        }
    }
}
