package rescient.core.netting;

import java.util.Arrays;

/**
 * Section 8 of the planning rules for one stock point: which supply serves which demand. Demands are taken in turn, each
 * from the supplies in turn. Pegs lie in columns, sorted by demand: those of demand {@code d} are {@code start[d]} to
 * {@code start[d + 1]}. A supply is its place among the lots, the open orders and the planned orders of the point, one
 * behind the other.
 *
 * <p>Pegs follow from the demands and the supplies of a {@link PointPlan}, so a plan does not keep them: they are made
 * where they are asked for, and one object can be filled for one point after the other.
 */
public final class Pegging {
    /** What serves. */
    public enum SupplyKind {
        STOCK,
        OPEN,
        PLANNED
    }

    private static final int RANK_BITS = 2;
    private static final int PLACE_BITS = 30;

    public int[] start = new int[65];
    public int[] supply = new int[128];
    public long[] quantity = new long[128];
    /** Every demand is served in full, on its own date, as far as the plan counts on its supplies. */
    public boolean onTime;

    private DemandList demands;
    private ScheduledReceipts known;
    private PlannedOrders planned;
    private int lots;
    private int opens;
    private int supplies;
    private int pegs;
    /** The supplies in turn. */
    private int[] order = new int[64];

    private long[] keys = new long[64];
    /** What is left of each supply, and what each demand still wants. */
    private long[] left = new long[64];

    private long[] wanted = new long[64];
    private int[] pegged = new int[128];

    public static Pegging of(PointPlan plan) {
        Pegging pegging = new Pegging();
        pegging.fill(plan);
        return pegging;
    }

    public SupplyKind kind(int peg) {
        int s = supply[peg];
        return s < lots ? SupplyKind.STOCK : s < lots + opens ? SupplyKind.OPEN : SupplyKind.PLANNED;
    }

    /** The place of a peg's supply among those of its kind. */
    public int supply(int peg) {
        int s = supply[peg];
        return s < lots ? s : s < lots + opens ? s - lots : s - lots - opens;
    }

    /** What of demand {@code d} is served. */
    public long served(int d) {
        long sum = 0;
        for (int i = start[d]; i < start[d + 1]; i++) {
            sum += quantity[i];
        }
        return sum;
    }

    /** Pegs a point anew. */
    public void fill(PointPlan plan) {
        demands = plan.demands;
        known = plan.known;
        planned = plan.planned;
        lots = known.lot.length;
        opens = known.open.length;
        supplies = lots + opens + planned.size;
        pegs = 0;
        onTime = true;
        room();
        System.arraycopy(known.lotQuantity, 0, left, 0, lots);
        System.arraycopy(known.openQuantity, 0, left, lots, opens);
        System.arraycopy(planned.good, 0, left, lots + opens, planned.size);
        suppliesInTurn();
        if (planned.perOrder()) {
            perOrderFirst();
        } else {
            demandsInTurn(demands.quantity);
            start[demands.size] = pegs;
        }
    }

    private void room() {
        if (supplies > left.length) {
            left = new long[supplies * 2];
            keys = new long[supplies * 2];
            order = new int[supplies * 2];
        }
        if (demands.size >= start.length) {
            start = new int[demands.size * 2];
        }
        // each peg uses up a supply or a demand, but for those of per-order supplies with their own demand
        int most = supplies + demands.size + planned.size;
        if (most > supply.length) {
            supply = new int[most * 2];
            quantity = new long[most * 2];
        }
    }

    /** By day, stock before released before firmed before planned, then number and line or as they were made. */
    private void suppliesInTurn() {
        int today = demands.today;
        int[] byNumber = opens == 0 ? null : byNumber();
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
        long[] numbers = new long[opens];
        for (int i = 0; i < opens; i++) {
            numbers[i] = (long) known.open[i].number() << 32 | known.open[i].line();
        }
        int[] sorted = new int[opens];
        for (int i = 0; i < opens; i++) {
            int to = i;
            while (to > 0 && numbers[sorted[to - 1]] > numbers[i]) {
                sorted[to] = sorted[to - 1];
                to--;
            }
            sorted[to] = i;
        }
        return sorted;
    }

    /** Takes the demands in turn, each with what it wants. */
    private void demandsInTurn(long[] wants) {
        int next = 0;
        for (int d = 0; d < demands.size; d++) {
            start[d] = pegs;
            long want = wants[d];
            int day = demands.day(d);
            while (want > 0 && next < supplies) {
                int s = order[next];
                boolean expired = s < lots && known.lotExpiry[s] <= day;
                if (left[s] > 0 && !expired) {
                    want -= take(d, s, want);
                }
                if (left[s] == 0 || expired) {
                    next++;
                }
            }
            onTime &= want == 0;
        }
    }

    private long take(int d, int s, long want) {
        long taken = Math.min(left[s], want);
        left[s] -= taken;
        onTime &= dayOf(s) <= demands.ownDay[d];
        supply[pegs] = s;
        quantity[pegs++] = taken;
        return taken;
    }

    private int dayOf(int s) {
        return s < lots ? demands.today : s < lots + opens ? known.openDay[s - lots] : planned.due[s - lots - opens];
    }

    /** Lets each per-order supply serve its own demand, then all demands in turn; and puts the pegs in order. */
    private void perOrderFirst() {
        wanted = demands.quantity.clone();
        if (pegged.length < supply.length) {
            pegged = new int[supply.length];
        }
        for (int o = 0; o < planned.size; o++) {
            int d = planned.forDemand(o);
            long want = planned.ownPart(o);
            if (want > 0) {
                pegged[pegs] = d;
                wanted[d] -= take(d, lots + opens + o, want);
            }
        }
        demandsInTurn(wanted);
        for (int d = 0; d < demands.size; d++) {
            Arrays.fill(pegged, start[d], d + 1 < demands.size ? start[d + 1] : pegs, d);
        }
        byDemand();
    }

    /** Those made first stand in the order of the orders; of one demand they come before the others. */
    private void byDemand() {
        int[] supplyBefore = Arrays.copyOf(supply, pegs);
        long[] quantityBefore = Arrays.copyOf(quantity, pegs);
        Arrays.fill(start, 0, demands.size + 1, 0);
        for (int i = 0; i < pegs; i++) {
            start[pegged[i] + 1]++;
        }
        for (int d = 0; d < demands.size; d++) {
            start[d + 1] += start[d];
        }
        int[] at = Arrays.copyOf(start, demands.size);
        for (int i = 0; i < pegs; i++) {
            int to = at[pegged[i]]++;
            supply[to] = supplyBefore[i];
            quantity[to] = quantityBefore[i];
        }
    }
}
