package rescient.core;

import java.util.Arrays;

/**
 * Section 8 of the planning rules for one stock point: which supply serves which demand. Pegs lie in columns, sorted by
 * demand: those of demand {@code d} are {@code start[d]} to {@code start[d + 1]}. A supply is its place among the lots,
 * the open orders and the planned orders of the point, one behind the other.
 */
final class Pegging {
    /** What serves. */
    enum SupplyKind {
        STOCK,
        OPEN,
        PLANNED
    }

    final int[] start;
    final long[] quantity;
    private final int[] supply;
    private final int lots;
    private final int opens;

    private Pegging(int[] start, int[] supply, long[] quantity, int lots, int opens) {
        this.start = start;
        this.supply = supply;
        this.quantity = quantity;
        this.lots = lots;
        this.opens = opens;
    }

    static Pegging of(Snapshot snapshot, DemandList demands, KnownSupplies known, PlannedOrders planned) {
        return new Turn(snapshot, demands, known, planned).peg();
    }

    SupplyKind kind(int peg) {
        int s = supply[peg];
        return s < lots ? SupplyKind.STOCK : s < lots + opens ? SupplyKind.OPEN : SupplyKind.PLANNED;
    }

    /** The place of a peg's supply among those of its kind. */
    int supply(int peg) {
        int s = supply[peg];
        return s < lots ? s : s < lots + opens ? s - lots : s - lots - opens;
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
        private static final int RANK_BITS = 2;
        private static final int PLACE_BITS = 30;

        private final DemandList demands;
        private final KnownSupplies known;
        private final PlannedOrders planned;
        private final int[] order;
        private final long[] left;
        private final int lots;
        private final int opens;
        private int[] peggedDemand;
        private int[] peggedSupply;
        private long[] peggedQuantity;
        private int pegs;
        /** Whether the pegs were made in the order of the demands. */
        private boolean inOrder = true;

        Turn(Snapshot snapshot, DemandList demands, KnownSupplies known, PlannedOrders planned) {
            this.demands = demands;
            this.known = known;
            this.planned = planned;
            this.lots = known.lot.length;
            this.opens = known.open.length;
            int n = lots + opens + planned.size;
            left = new long[n];
            System.arraycopy(known.lotQuantity, 0, left, 0, lots);
            System.arraycopy(known.openQuantity, 0, left, lots, opens);
            System.arraycopy(planned.good, 0, left, lots + opens, planned.size);
            order = inTurn(snapshot, n);
            int most = demands.size + n;
            peggedDemand = new int[most];
            peggedSupply = new int[most];
            peggedQuantity = new long[most];
        }

        /** By day, stock before released before firmed before planned, then number and line or as they were made. */
        private int[] inTurn(Snapshot snapshot, int n) {
            int[] byNumber = opens == 0 ? null : byNumber();
            long[] keys = new long[n];
            for (int s = 0; s < n; s++) {
                int day = snapshot.today;
                int rank = 0;
                int place = s;
                if (s >= lots + opens) {
                    day = planned.due[s - lots - opens];
                    rank = 3;
                } else if (s >= lots) {
                    // place in the order of numbers; the supply is found again from it
                    int i = byNumber[s - lots];
                    day = known.openDay[i];
                    rank = 1 + known.open[i].order().stage().ordinal();
                }
                keys[s] = ((long) (day - snapshot.today) << RANK_BITS | rank) << PLACE_BITS | place;
            }
            Arrays.sort(keys);
            int[] turn = new int[n];
            for (int i = 0; i < n; i++) {
                int s = (int) (keys[i] & ((1L << PLACE_BITS) - 1));
                turn[i] = s >= lots && s < lots + opens ? lots + byNumber[s - lots] : s;
            }
            return turn;
        }

        private int[] byNumber() {
            long[] keys = new long[opens];
            for (int i = 0; i < opens; i++) {
                keys[i] = (long) known.open[i].number() << 32 | known.open[i].line();
            }
            int[] sorted = new int[opens];
            for (int i = 0; i < opens; i++) {
                int to = i;
                while (to > 0 && keys[sorted[to - 1]] > keys[i]) {
                    sorted[to] = sorted[to - 1];
                    to--;
                }
                sorted[to] = i;
            }
            return sorted;
        }

        Pegging peg() {
            long[] wanted = demands.quantity.clone();
            for (int o = 0; o < planned.size; o++) {
                int d = planned.forDemand[o];
                if (d >= 0) {
                    take(d, lots + opens + o, wanted);
                    inOrder = false;
                }
            }
            int next = 0;
            for (int d = 0; d < demands.size; d++) {
                while (wanted[d] > 0 && next < order.length) {
                    int s = order[next];
                    boolean expired = s < lots && known.lotExpiry[s] <= demands.day(d);
                    if (left[s] > 0 && !expired) {
                        take(d, s, wanted);
                    }
                    if (left[s] == 0 || expired) {
                        next++;
                    }
                }
            }
            return byDemand();
        }

        private void take(int d, int s, long[] wanted) {
            long taken = Math.min(left[s], wanted[d]);
            if (taken == 0) {
                return;
            }
            if (pegs == peggedDemand.length) {
                int more = pegs * 2 + 1;
                peggedDemand = Arrays.copyOf(peggedDemand, more);
                peggedSupply = Arrays.copyOf(peggedSupply, more);
                peggedQuantity = Arrays.copyOf(peggedQuantity, more);
            }
            left[s] -= taken;
            wanted[d] -= taken;
            peggedDemand[pegs] = d;
            peggedSupply[pegs] = s;
            peggedQuantity[pegs++] = taken;
        }

        private Pegging byDemand() {
            int[] start = new int[demands.size + 1];
            for (int i = 0; i < pegs; i++) {
                start[peggedDemand[i] + 1]++;
            }
            for (int d = 0; d < demands.size; d++) {
                start[d + 1] += start[d];
            }
            if (inOrder) {
                return new Pegging(
                        start, Arrays.copyOf(peggedSupply, pegs), Arrays.copyOf(peggedQuantity, pegs), lots, opens);
            }
            int[] at = Arrays.copyOf(start, demands.size);
            int[] supply = new int[pegs];
            long[] quantity = new long[pegs];
            for (int i = 0; i < pegs; i++) {
                int to = at[peggedDemand[i]]++;
                supply[to] = peggedSupply[i];
                quantity[to] = peggedQuantity[i];
            }
            return new Pegging(start, supply, quantity, lots, opens);
        }
    }
}
