package rescient.core;

import java.util.Arrays;
import java.util.Comparator;
import java.util.stream.IntStream;

/**
 * Section 8 of the planning rules for one stock point: which supply serves which demand. Pegs lie in columns, sorted by
 * demand: those of demand {@code d} are {@code start[d]} to {@code start[d + 1]}.
 */
final class Pegging {
    /** What serves; a supply is its kind and its position within the stock point. */
    enum SupplyKind {
        STOCK,
        OPEN,
        PLANNED
    }

    final int[] start;
    final SupplyKind[] kind;
    final int[] supply;
    final long[] quantity;

    private Pegging(int[] start, SupplyKind[] kind, int[] supply, long[] quantity) {
        this.start = start;
        this.kind = kind;
        this.supply = supply;
        this.quantity = quantity;
    }

    static Pegging of(Snapshot snapshot, DemandList demands, KnownSupplies known, PlannedOrders planned) {
        return new Turn(snapshot, demands, known, planned).peg();
    }

    /** What of demand {@code d} is served. */
    long served(int d) {
        long sum = 0;
        for (int i = start[d]; i < start[d + 1]; i++) {
            sum += quantity[i];
        }
        return sum;
    }

    /** The demands taken in turn, each from the supplies in turn. */
    private static final class Turn {
        private final DemandList demands;
        private final KnownSupplies known;
        private final PlannedOrders planned;
        private final int[] order;
        private final long[] left;
        private final int lots;
        private final int opens;
        private int[] peggedDemand = new int[8];
        private int[] peggedSupply = new int[8];
        private long[] peggedQuantity = new long[8];
        private int pegs;

        Turn(Snapshot snapshot, DemandList demands, KnownSupplies known, PlannedOrders planned) {
            this.demands = demands;
            this.known = known;
            this.planned = planned;
            this.lots = known.lot.length;
            this.opens = known.open.length;
            int n = lots + opens + planned.size;
            left = new long[n];
            for (int s = 0; s < n; s++) {
                left[s] = s < lots
                        ? known.lotQuantity[s]
                        : s < lots + opens ? known.openQuantity[s - lots] : planned.good[s - lots - opens];
            }
            order = IntStream.range(0, n)
                    .boxed()
                    .sorted(Comparator.<Integer>comparingInt(s -> day(snapshot, s))
                            .thenComparingInt(s -> rank(snapshot, s))
                            .thenComparingInt(s -> document(s)))
                    .mapToInt(Integer::intValue)
                    .toArray();
        }

        private int day(Snapshot snapshot, int s) {
            return s < lots
                    ? snapshot.today
                    : s < lots + opens ? known.openDay[s - lots] : planned.due[s - lots - opens];
        }

        private int rank(Snapshot snapshot, int s) {
            if (s < lots) {
                return 0;
            }
            return s >= lots + opens
                    ? 3
                    : 1 + snapshot.openOrders.get(known.open[s - lots]).stage().ordinal();
        }

        private int document(int s) {
            return s >= lots && s < lots + opens ? known.open[s - lots] : s;
        }

        Pegging peg() {
            long[] wanted = Arrays.copyOf(demands.quantity, demands.size);
            for (int o = 0; o < planned.size; o++) {
                int d = planned.forDemand[o];
                if (d >= 0) {
                    take(d, lots + opens + o, wanted);
                }
            }
            int next = 0;
            for (int d = 0; d < demands.size; d++) {
                while (wanted[d] > 0 && next < order.length) {
                    int s = order[next];
                    boolean expired = s < lots && known.lotExpiry[s] <= demands.day[d];
                    if (left[s] > 0 && !expired) {
                        take(d, s, wanted);
                    }
                    if (left[s] == 0 || expired) {
                        next++;
                    }
                }
            }
            return inOrderOfDemands();
        }

        private void take(int d, int s, long[] wanted) {
            long taken = Math.min(left[s], wanted[d]);
            if (taken == 0) {
                return;
            }
            if (pegs == peggedDemand.length) {
                peggedDemand = Arrays.copyOf(peggedDemand, pegs * 2);
                peggedSupply = Arrays.copyOf(peggedSupply, pegs * 2);
                peggedQuantity = Arrays.copyOf(peggedQuantity, pegs * 2);
            }
            left[s] -= taken;
            wanted[d] -= taken;
            peggedDemand[pegs] = d;
            peggedSupply[pegs] = s;
            peggedQuantity[pegs++] = taken;
        }

        private Pegging inOrderOfDemands() {
            int[] start = new int[demands.size + 1];
            for (int i = 0; i < pegs; i++) {
                start[peggedDemand[i] + 1]++;
            }
            for (int d = 0; d < demands.size; d++) {
                start[d + 1] += start[d];
            }
            int[] at = Arrays.copyOf(start, demands.size);
            SupplyKind[] kind = new SupplyKind[pegs];
            int[] supply = new int[pegs];
            long[] quantity = new long[pegs];
            for (int i = 0; i < pegs; i++) {
                int to = at[peggedDemand[i]]++;
                int s = peggedSupply[i];
                kind[to] = s < lots ? SupplyKind.STOCK : s < lots + opens ? SupplyKind.OPEN : SupplyKind.PLANNED;
                supply[to] = s < lots ? s : s < lots + opens ? s - lots : s - lots - opens;
                quantity[to] = peggedQuantity[i];
            }
            return new Pegging(start, kind, supply, quantity);
        }
    }
}
