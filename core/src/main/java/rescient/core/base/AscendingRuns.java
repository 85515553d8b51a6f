package rescient.core.base;

import java.util.Arrays;

/**
 * Sorts numbers that consist of few ascending runs, by merging neighbours until one run is left. What the planned orders
 * of one parent ask for is such a run, so a stock point has about as many as it has parents.
 */
public final class AscendingRuns {
    /** With shorter runs on average, sorting from scratch is as fast. */
    private static final int SHORT = 5;

    private long[] other = new long[64];
    private int[] end = new int[64];

    /** Room for sorting, used anew each time. */
    public AscendingRuns() {}

    /**
     * Sorts the first {@code n} numbers.
     *
     * @return the array that holds them afterwards; the one given is used for the next sorting if it is another
     */
    public long[] sort(long[] numbers, int n) {
        int count = find(numbers, n);
        if (count == 1) {
            return numbers;
        }
        if (count == 0) {
            Arrays.sort(numbers, 0, n);
            return numbers;
        }
        if (other.length < numbers.length) {
            other = new long[numbers.length];
        }
        long[] from = numbers;
        long[] to = other;
        while (count > 1) {
            int merged = 0;
            int begin = 0;
            for (int r = 0; r + 1 < count; r += 2) {
                merge(from, begin, end[r], end[r + 1], to);
                begin = end[r + 1];
                end[merged++] = begin;
            }
            if (count % 2 == 1) {
                System.arraycopy(from, begin, to, begin, n - begin);
                end[merged++] = n;
            }
            count = merged;
            long[] filled = to;
            to = from;
            from = filled;
        }
        other = to;
        return from;
    }

    /** Where each run ends; 0 if they are too short to be worth it. */
    private int find(long[] numbers, int n) {
        int most = Math.max(1, n / SHORT);
        if (most > end.length) {
            end = new int[most * 2];
        }
        int count = 0;
        for (int i = 1; i < n; i++) {
            if (numbers[i] < numbers[i - 1]) {
                if (count + 1 >= most) {
                    return 0;
                }
                end[count++] = i;
            }
        }
        end[count++] = n;
        return count;
    }

    private static void merge(long[] from, int begin, int middle, int end, long[] to) {
        int a = begin;
        int b = middle;
        int out = begin;
        while (a < middle && b < end) {
            long first = from[a];
            long second = from[b];
            boolean takeFirst = first <= second;
            to[out++] = takeFirst ? first : second;
            a += takeFirst ? 1 : 0;
            b += takeFirst ? 0 : 1;
        }
        System.arraycopy(from, a, to, out, middle - a);
        System.arraycopy(from, b, to, out + middle - a, end - b);
    }
}
