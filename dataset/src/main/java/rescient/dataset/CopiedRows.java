package rescient.dataset;

import java.nio.charset.StandardCharsets;
import java.util.Arrays;
import java.util.HashMap;
import java.util.Map;
import rescient.core.Quantity;

/**
 * Rows as PostgreSQL copies them out in its text format: the columns of a table in their order, a tab between them, flags
 * as {@code t} and {@code f}, decimals perhaps with zeros at their end. They are known to be right, and a value is looked
 * at when somebody asks for it. Texts that come again, as codes do, are the same object.
 */
public final class CopiedRows {
    private static final int KNOWN = 1 << 18;
    private static final int LONGEST_KNOWN = 40;
    /** Of a row so many bytes that the place of a value and its column are one number. */
    private static final int BEGIN_BITS = 24;

    private static final int DATE_LENGTH = 10;
    /** So many characters of a decimal cannot overflow as millionths. */
    private static final int PLAIN_LENGTH = 12;

    private record Known(byte[] bytes, String text) {
        boolean is(byte[] row, int from, int to) {
            return Arrays.equals(bytes, 0, bytes.length, row, from, to);
        }
    }

    /** Texts by their hash; whoever comes later may take the place of another. */
    private final Known[] known = new Known[KNOWN];
    /** The last text of each column of each table: often that of the next row too. */
    private final Map<Table, Known[]> last = new HashMap<>();

    public CopiedRows() {
        Table.ALL.forEach(table -> last.put(table, new Known[table.columns().size()]));
    }

    /** The row that one message of the copy holds, with or without the line feed at its end. */
    public Row row(Table table, byte[] message) {
        return new Row(table, 0, new Copied(table, message, last.get(table)));
    }

    private String text(byte[] bytes, int from, int to, int hash, Known[] before, int column) {
        Known same = before[column];
        if (same != null && same.is(bytes, from, to)) {
            return same.text;
        }
        if (to - from > LONGEST_KNOWN) {
            return new String(bytes, from, to - from, StandardCharsets.UTF_8);
        }
        int place = (hash ^ hash >>> 16) & (KNOWN - 1);
        Known there = known[place];
        if (there == null || !there.is(bytes, from, to)) {
            String text = new String(bytes, from, to - from, StandardCharsets.UTF_8);
            there = new Known(Arrays.copyOfRange(bytes, from, to), text);
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
            int hash = 0;
            boolean escaped = false;
            for (; goesOn(to); to++) {
                hash = 31 * hash + bytes[to];
                escaped |= bytes[to] == '\\';
            }
            if (escaped || to == from) {
                return isEmpty(column) ? "" : unescaped(from, to);
            }
            ColumnType type = table.columns().get(column).type();
            if (type == ColumnType.FLAG) {
                return bytes[from] == 't' ? "true" : "false";
            }
            String text = text(bytes, from, to, hash, before, column);
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
