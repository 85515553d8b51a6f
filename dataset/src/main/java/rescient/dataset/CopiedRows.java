package rescient.dataset;

import java.nio.charset.StandardCharsets;
import rescient.core.Quantity;

/**
 * Rows as PostgreSQL copies them out in its text format: the columns of a table in their order, a tab between them, flags
 * as {@code t} and {@code f}, decimals perhaps with zeros at their end. They are known to be right, and a value is looked
 * at when somebody asks for it. Texts that come again, as codes do, are the same object.
 */
public final class CopiedRows {
    private static final int KNOWN = 1 << 16;
    private static final int LONGEST_KNOWN = 40;
    private static final int DATE_LENGTH = 10;
    /** So many characters of a decimal cannot overflow as millionths. */
    private static final int PLAIN_LENGTH = 12;

    /** Texts by their hash; whoever comes later may take the place of another. */
    private final String[] known = new String[KNOWN];

    /** The row that one message of the copy holds, with or without the line feed at its end. */
    public Row row(Table table, byte[] message) {
        return new Row(table, 0, new Copied(table, message));
    }

    private String text(byte[] bytes, int from, int to) {
        if (to - from > LONGEST_KNOWN) {
            return new String(bytes, from, to - from, StandardCharsets.UTF_8);
        }
        int hash = 0;
        for (int i = from; i < to; i++) {
            hash = 31 * hash + bytes[i];
        }
        int place = (hash ^ hash >>> 16) & (KNOWN - 1);
        String there = known[place];
        if (there != null && isSame(there, bytes, from, to)) {
            return there;
        }
        String text = new String(bytes, from, to - from, StandardCharsets.UTF_8);
        known[place] = text;
        return text;
    }

    /** Never so for texts that are not plain ASCII; these are just made again. */
    private static boolean isSame(String text, byte[] bytes, int from, int to) {
        if (text.length() != to - from) {
            return false;
        }
        for (int i = from; i < to; i++) {
            if (text.charAt(i - from) != bytes[i]) {
                return false;
            }
        }
        return true;
    }

    private final class Copied implements Cells {
        private final Table table;
        private final byte[] bytes;
        /** Where each value begins, and behind the last one, one past the end of the row; found when first asked for. */
        private int[] begins;

        Copied(Table table, byte[] bytes) {
            this.table = table;
            this.bytes = bytes;
        }

        private int[] begins() {
            int[] found = begins;
            if (found == null) {
                int columns = table.columns().size();
                found = new int[columns + 1];
                int column = 1;
                int end = bytes.length > 0 && bytes[bytes.length - 1] == '\n' ? bytes.length - 1 : bytes.length;
                for (int i = 0; i < end && column < columns; i++) {
                    if (bytes[i] == '\t') {
                        found[column++] = i + 1;
                    }
                }
                found[columns] = end + 1;
                begins = found;
            }
            return found;
        }

        @Override
        public boolean isEmpty(int column) {
            int from = begins()[column];
            int to = begins[column + 1] - 1;
            return to == from || to == from + 2 && bytes[from] == '\\' && bytes[from + 1] == 'N';
        }

        @Override
        public String at(int column) {
            if (isEmpty(column)) {
                return "";
            }
            int from = begins[column];
            int to = begins[column + 1] - 1;
            for (int i = from; i < to; i++) {
                if (bytes[i] == '\\') {
                    return unescaped(from, to);
                }
            }
            ColumnType type = table.columns().get(column).type();
            if (type == ColumnType.FLAG) {
                return bytes[from] == 't' ? "true" : "false";
            }
            String text = text(bytes, from, to);
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
            int from = begins()[column];
            int to = begins[column + 1] - 1;
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
            int from = begins()[column];
            int to = begins[column + 1] - 1;
            return to - from == DATE_LENGTH ? Texts.day(bytes, from) : Texts.day(at(column));
        }
    }
}
