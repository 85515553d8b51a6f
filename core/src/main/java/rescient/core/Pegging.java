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
    /** Every demand is served in full, on its own date, as far as the plan counts on its supplies. */
    final boolean onTime;

    private Pegging(int[] start, int[] supply, long[] quantity, int lots, int opens, boolean onTime) {
        this.start = start;
        this.supply = supply;
        this.quantity = quantity;
        this.lots = lots;
        this.opens = opens;
        this.onTime = onTime;
    }

    static Pegging of(Snapshot snapshot, DemandList demands, KnownSupplies known, PlannedOrders planned) {
        return new Turn(snapshot, demands, known, planned, SCRATCH.get()).peg();
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

    /** Room that every stock point uses anew. */
    private static final class Scratch {
        long[] left = new long[64];
        long[] wanted = new long[64];
        long[] keys = new long[64];
        int[] order = new int[64];
        int[] peggedDemand = new int[128];
        int[] peggedSupply = new int[128];
        long[] peggedQuantity = new long[128];

        void room(int supplies, int demands) {
            if (supplies > left.length) {
                left = new long[supplies * 2];
                keys = new long[supplies * 2];
                order = new int[supplies * 2];
            }
            if (demands > wanted.length) {
                wanted = new long[demands * 2];
            }
            if (supplies + demands > peggedDemand.length) {
                int most = (supplies + demands) * 2;
                peggedDemand = new int[most];
                peggedSupply = new int[most];
                peggedQuantity = new long[most];
            }
        }
    }

    private static final ThreadLocal<Scratch> SCRATCH = ThreadLocal.withInitial(Scratch::new);

    /** The demands taken in turn, each from the supplies in turn. */
    private static final class Turn {
        private static final int RANK_BITS = 2;
        private static final int PLACE_BITS = 30;

        private final DemandList demands;
        private final KnownSupplies known;
        private final PlannedOrders planned;
        private final Scratch scratch;
        private final int supplies;
        private final int[] order;
        private final long[] left;
        private final int lots;
        private final int opens;
        private int pegs;
        /** Whether the pegs were made in the order of the demands. */
        private boolean inOrder = true;

        private boolean onTime = true;

        Turn(Snapshot snapshot, DemandList demands, KnownSupplies known, PlannedOrders planned, Scratch scratch) {
            this.demands = demands;
            this.known = known;
            this.planned = planned;
            this.scratch = scratch;
            this.lots = known.lot.length;
            this.opens = known.open.length;
            this.supplies = lots + opens + planned.size;
            scratch.room(supplies, demands.size);
            left = scratch.left;
            order = scratch.order;
            System.arraycopy(known.lotQuantity, 0, left, 0, lots);
            System.arraycopy(known.openQuantity, 0, left, lots, opens);
            System.arraycopy(planned.good, 0, left, lots + opens, planned.size);
            inTurn(snapshot.today);
        }

        /** By day, stock before released before firmed before planned, then number and line or as they were made. */
        private void inTurn(int today) {
            int[] byNumber = opens == 0 ? null : byNumber();
            long[] keys = scratch.keys;
            boolean sorted = true;
            for (int s = 0; s < supplies; s++) {
                int day = today;
                int rank = 0;
                if (s >= lots + opens) {
                    day = planned.due[s - lots - opens];
                    rank = 3;
                } else if (s >= lots) {
                    // place in the order of numbers; the supply is found again from it
                    int i = byNumber[s - lots];
                    day = known.openDay[i];
                    rank = 1 + known.open[i].order().stage().ordinal();
                }
                keys[s] = ((long) (day - today) << RANK_BITS | rank) << PLACE_BITS | s;
                sorted &= s == 0 || keys[s - 1] < keys[s];
            }
            if (!sorted) {
                Arrays.sort(keys, 0, supplies);
            }
            for (int i = 0; i < supplies; i++) {
                int s = (int) (keys[i] & ((1L << PLACE_BITS) - 1));
                order[i] = s >= lots && s < lots + opens ? lots + byNumber[s - lots] : s;
            }
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
            long[] wanted = scratch.wanted;
            System.arraycopy(demands.quantity, 0, wanted, 0, demands.size);
            for (int o = 0; o < planned.size; o++) {
                int d = planned.forDemand[o];
                if (d >= 0) {
                    take(d, lots + opens + o, wanted);
                    inOrder = false;
                }
            }
            int next = 0;
            for (int d = 0; d < demands.size; d++) {
                while (wanted[d] > 0 && next < supplies) {
                    int s = order[next];
                    boolean expired = s < lots && known.lotExpiry[s] <= demands.day(d);
                    if (left[s] > 0 && !expired) {
                        take(d, s, wanted);
                    }
                    if (left[s] == 0 || expired) {
                        next++;
                    }
                }
                onTime &= wanted[d] == 0;
            }
            return byDemand();
        }

        private void take(int d, int s, long[] wanted) {
            long taken = Math.min(left[s], wanted[d]);
            if (taken == 0) {
                return;
            }
            left[s] -= taken;
            wanted[d] -= taken;
            onTime &= dayOf(s) <= demands.ownDay[d];
            scratch.peggedDemand[pegs] = d;
            scratch.peggedSupply[pegs] = s;
            scratch.peggedQuantity[pegs++] = taken;
        }

        private int dayOf(int s) {
            return s < lots
                    ? demands.today
                    : s < lots + opens ? known.openDay[s - lots] : planned.due[s - lots - opens];
        }

        private Pegging byDemand() {
            int[] start = new int[demands.size + 1];
            for (int i = 0; i < pegs; i++) {
                start[scratch.peggedDemand[i] + 1]++;
            }
            for (int d = 0; d < demands.size; d++) {
                start[d + 1] += start[d];
            }
            if (inOrder) {
                return new Pegging(
                        start,
                        Arrays.copyOf(scratch.peggedSupply, pegs),
                        Arrays.copyOf(scratch.peggedQuantity, pegs),
                        lots,
                        opens,
                        onTime);
            }
            int[] at = Arrays.copyOf(start, demands.size);
            int[] supply = new int[pegs];
            long[] quantity = new long[pegs];
            for (int i = 0; i < pegs; i++) {
                int to = at[scratch.peggedDemand[i]]++;
                supply[to] = scratch.peggedSupply[i];
                quantity[to] = scratch.peggedQuantity[i];
            }
            return new Pegging(start, supply, quantity, lots, opens, onTime);
        }
    }
}
