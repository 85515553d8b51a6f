package rescient.core.base;

import java.util.Arrays;

/** A number for each of many {@code long} keys from 0 on, in two arrays: looked up a million times for each snapshot. */
public final class LongIntMap {
    private static final long FREE = -1;
    private static final int LEAST = 16;

    private long[] keys;
    private int[] numbers;
    private int size;

    public LongIntMap(int expected) {
        int capacity = Integer.highestOneBit(Math.max(LEAST, Math.min(expected, 1 << 28))) << 2;
        keys = new long[capacity];
        numbers = new int[capacity];
        Arrays.fill(keys, FREE);
    }

    /** The number of a key, or -1. */
    public int get(long key) {
        int at = place(key);
        return keys[at] == key ? numbers[at] : -1;
    }

    /** Gives a key a number, or another one. */
    public void put(long key, int number) {
        int at = place(key);
        if (keys[at] != key) {
            if (++size > keys.length / 2) {
                grow();
                at = place(key);
            }
            keys[at] = key;
        }
        numbers[at] = number;
    }

    private int place(long key) {
        // Fibonacci hashing: Knuth, The Art of Computer Programming, volume 3, section 6.4
        int at = (int) ((key * 0x9E3779B97F4A7C15L) >>> (Long.SIZE - Integer.numberOfTrailingZeros(keys.length)));
        while (keys[at] != FREE && keys[at] != key) {
            at = (at + 1) & (keys.length - 1);
        }
        return at;
    }

    private void grow() {
        LongIntMap larger = new LongIntMap(keys.length);
        for (int i = 0; i < keys.length; i++) {
            if (keys[i] != FREE) {
                larger.put(keys[i], numbers[i]);
            }
        }
        keys = larger.keys;
        numbers = larger.numbers;
    }
}
