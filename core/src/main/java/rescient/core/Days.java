package rescient.core;

import java.util.Arrays;

/** Days of one stock point on which something happens, each once, in order. */
final class Days {
    private Days() {}

    /**
     * Writes today, the days of the demands, and the first {@code n} of some others, which are put in order.
     *
     * @param days has room for all of them
     * @param others may lie before or after the days of the demands, never before today
     * @return how many different days there are
     */
    static int into(int[] days, int today, DemandList demands, int[] others, int n) {
        sort(others, n);
        days[0] = today;
        int size = 1;
        int d = 0;
        int o = 0;
        while (d < demands.size || o < n) {
            int demand = d < demands.size ? demands.day(d) : Integer.MAX_VALUE;
            int other = o < n ? others[o] : Integer.MAX_VALUE;
            int next = Math.min(demand, other);
            d += demand == next ? 1 : 0;
            o += other == next ? 1 : 0;
            if (next != days[size - 1]) {
                days[size++] = next;
            }
        }
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
