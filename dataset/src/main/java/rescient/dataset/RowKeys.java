package rescient.dataset;

import java.util.Arrays;
import java.util.List;
import java.util.stream.IntStream;

/** The keys of the rows of a table, to find one that stands there twice; holds nothing but the places of the rows. */
final class RowKeys {
    private static final long FREE = 0;
    private static final long NUMBER = 0xFFFF_FFFFL;

    private final int[] columns;
    private final List<Row> rows;
    /** One more than the number of the row whose key has its place here, below the hash of the key. */
    private long[] places = new long[1 << 8];

    private int size;

    /** @param rows may grow */
    RowKeys(Table table, List<Row> rows) {
        this.columns = keyColumns(table);
        this.rows = rows;
    }

    private static int[] keyColumns(Table table) {
        return IntStream.range(0, table.columns().size())
                .filter(c -> table.columns().get(c).key())
                .toArray();
    }

    /** Whether no row that was asked about before has the key of the row of this number; in a table without keys none has. */
    boolean isNew(int number) {
        if (columns.length == 0) {
            return true;
        }
        Row row = rows.get(number);
        int hash = hash(row);
        int place = firstPlace(hash);
        while (places[place] != FREE) {
            if ((int) (places[place] >>> Integer.SIZE) == hash && isSame(rows.get(rowAt(place)), row)) {
                return false;
            }
            place = next(place);
        }
        places[place] = (long) hash << Integer.SIZE | number + 1;
        if (++size > places.length / 2) {
            grow();
        }
        return true;
    }

    /** The values of the key, as a person would say them. */
    String say(Row row) {
        return String.join(", ", Arrays.stream(columns).mapToObj(row::at).toList());
    }

    private int rowAt(int place) {
        return (int) (places[place] & NUMBER) - 1;
    }

    private int hash(Row row) {
        int hash = 0;
        for (int column : columns) {
            hash = 31 * hash + row.at(column).hashCode();
        }
        return hash;
    }

    /** Spreads hashes that differ little: Knuth, The Art of Computer Programming, volume 3, section 6.4. */
    private int firstPlace(int hash) {
        return (hash * 0x9E3779B9) >>> (Integer.SIZE - Integer.numberOfTrailingZeros(places.length));
    }

    private int next(int place) {
        return (place + 1) & (places.length - 1);
    }

    private boolean isSame(Row a, Row b) {
        for (int column : columns) {
            if (!a.at(column).equals(b.at(column))) {
                return false;
            }
        }
        return true;
    }

    private void grow() {
        long[] before = places;
        places = new long[before.length * 4];
        for (long known : before) {
            if (known != FREE) {
                int place = firstPlace((int) (known >>> Integer.SIZE));
                while (places[place] != FREE) {
                    place = next(place);
                }
                places[place] = known;
            }
        }
    }
}
