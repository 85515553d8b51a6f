package rescient.core.netting;

import java.util.Arrays;

/** Days of one stock point on which something happens, each once, in order. */
final class Days {
    private Days() {}

    /**
     * Writes today, the days of the demands, and the first {@code n} of some others, which are put in order.
     *
     * @param days has room for all of them
     * @param first has room for one more: which demand is the first of each day, behind the last day how many there are
     * @param others may lie before or after the days of the demands, never before today
     * @return how many different days there are
     */
    static int into(int[] days, int[] first, int today, DemandList demands, int[] others, int n) {
        sort(others, n);
        int[] own = demands.ownDay;
        days[0] = today;
        first[0] = 0;
        int size = 1;
        int last = today;
        int d = 0;
        for (int o = 0; o <= n; o++) {
            int other = o < n ? others[o] : Integer.MAX_VALUE;
            for (; d < own.length && own[d] <= other; d++) {
                if (own[d] > last) {
                    last = own[d];
                    first[size] = d;
                    days[size++] = last;
                }
            }
            if (o < n && other != last) {
                last = other;
                first[size] = d;
                days[size++] = last;
            }
        }
        first[size] = d;
        return size;
    }

    private static void sort(int[] days, int n) {
        for (int i = 1; i < n; i++) {
            if (days[i] < days[i - 1]) {
                Arrays.sort(days, 0, n);
                return;
            }
        }
    }
}
