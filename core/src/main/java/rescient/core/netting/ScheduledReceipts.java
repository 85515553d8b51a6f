package rescient.core.netting;

import java.util.Arrays;
import java.util.Comparator;
import java.util.List;
import java.util.stream.IntStream;
import rescient.core.company.OpenOrder;
import rescient.core.company.StockLot;
import rescient.core.snapshot.OpenSupply;
import rescient.core.snapshot.PlanOptions;
import rescient.core.snapshot.Snapshot;

/**
 * What one stock point has and expects: its lots that still serve, first-expiring first, and its open orders in order
 * of the day they count on, released before firmed, number, line. Netting writes its decisions beside them.
 */
public final class ScheduledReceipts {
    static final int NONE = Integer.MIN_VALUE;

    /** What the calculation proposes for an open order. */
    enum Proposal {
        BRING_FORWARD,
        PUSH_BACK,
        CANCEL
    }

    private static final StockLot[] NO_LOTS = {};
    private static final OpenSupply[] NO_ORDERS = {};
    private static final long[] NO_QUANTITIES = {};
    private static final int[] NO_DAYS = {};
    private static final boolean[] NO_FLAGS = {};
    private static final Proposal[] NO_PROPOSALS = {};

    public final StockLot[] lot;
    public final long[] lotQuantity;
    final int[] lotExpiry;
    /** What is left of each lot when it expires within the horizon. */
    final long[] lotExpired;

    public final OpenSupply[] open;

    public final long[] openQuantity;
    /** The day the plan counts on: its due date, today if overdue, or the day it was pulled in to. */
    public final int[] openDay;

    final boolean[] locked;
    final boolean[] pulledIn;
    final Proposal[] proposal;
    final int[] proposedDay;

    ScheduledReceipts(Snapshot snapshot, int p, PlanOptions options) {
        int today = snapshot.today;
        boolean withStock = options.counts(PlanOptions.Kind.STOCK);
        lot = withStock ? lots(snapshot.stockOf[p], today) : NO_LOTS;
        int lots = lot.length;
        lotQuantity = lots == 0 ? NO_QUANTITIES : new long[lots];
        lotExpiry = lots == 0 ? NO_DAYS : new int[lots];
        lotExpired = lots == 0 ? NO_QUANTITIES : new long[lots];
        for (int i = 0; i < lot.length; i++) {
            lotQuantity[i] = lot[i].quantity();
            lotExpiry[i] = lot[i].expiry();
        }
        open = orders(snapshot, p, options);
        int opens = open.length;
        openQuantity = opens == 0 ? NO_QUANTITIES : new long[opens];
        openDay = opens == 0 ? NO_DAYS : new int[opens];
        locked = opens == 0 ? NO_FLAGS : new boolean[opens];
        pulledIn = opens == 0 ? NO_FLAGS : new boolean[opens];
        proposal = opens == 0 ? NO_PROPOSALS : new Proposal[opens];
        proposedDay = opens == 0 ? NO_DAYS : new int[opens];
        for (int i = 0; i < open.length; i++) {
            OpenOrder order = open[i].order();
            openQuantity[i] = order.quantity();
            openDay[i] = open[i].countsOn(today);
            locked[i] = order.locked();
            proposedDay[i] = NONE;
        }
    }

    /** The open orders that are wanted sooner than they come. */
    public List<OpenOrder> pulledIn() {
        return IntStream.range(0, open.length)
                .filter(i -> pulledIn[i])
                .mapToObj(i -> open[i].order())
                .toList();
    }

    /** Those that have not expired; they lie first-expiring first. */
    private static StockLot[] lots(StockLot[] all, int today) {
        int expired = 0;
        while (expired < all.length && all[expired].expiry() <= today) {
            expired++;
        }
        return expired == 0 ? all : Arrays.copyOfRange(all, expired, all.length);
    }

    private static OpenSupply[] orders(Snapshot snapshot, int p, PlanOptions options) {
        OpenSupply[] all = snapshot.openOrdersOf[p];
        if (all.length == 0) {
            return NO_ORDERS;
        }
        OpenSupply[] counted = new OpenSupply[all.length];
        int n = 0;
        for (OpenSupply supply : all) {
            OpenOrder order = supply.order();
            if (order.dueDay() <= snapshot.horizonEnd && order.quantity() > 0 && options.counts(order)) {
                counted[n++] = supply;
            }
        }
        OpenSupply[] sorted = Arrays.copyOf(counted, n);
        if (n > 1) {
            // stable: those of one day and stage stay by number and line
            Arrays.sort(
                    sorted,
                    Comparator.<OpenSupply>comparingInt(s -> s.countsOn(snapshot.today))
                            .thenComparing(s -> s.order().stage()));
        }
        return sorted;
    }
}
