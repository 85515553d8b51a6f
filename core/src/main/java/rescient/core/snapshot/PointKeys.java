package rescient.core.snapshot;

import java.util.Arrays;
import java.util.BitSet;
import rescient.core.base.LongIntMap;

/** A set of keys of stock points: a bit for each point there could be, or the keys themselves if that would be too many. */
final class PointKeys {
    private static final long MOST_BITS = 1L << 28;

    private final BitSet bits;
    private final LongIntMap known;
    private long[] keys = {};
    private int size;

    /** @param limit one above the highest key there could be */
    PointKeys(long limit) {
        bits = limit <= MOST_BITS ? new BitSet((int) limit) : null;
        known = bits == null ? new LongIntMap(0) : null;
    }

    /** @param key from 0 on and below the limit */
    void add(long key) {
        if (bits != null) {
            bits.set((int) key);
        } else if (known.get(key) < 0) {
            known.put(key, size);
            if (size == keys.length) {
                keys = Arrays.copyOf(keys, Math.max(16, size * 2));
            }
            keys[size++] = key;
        }
    }

    /** Each key once, in order. */
    long[] inOrder() {
        if (bits != null) {
            return bits.stream().asLongStream().toArray();
        }
        long[] sorted = Arrays.copyOf(keys, size);
        Arrays.sort(sorted);
        return sorted;
    }
}
