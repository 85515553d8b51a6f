package rescient.core.plan;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import rescient.core.base.Periods;
import rescient.core.base.Quantity;
import rescient.core.netting.DemandList;
import rescient.core.netting.PointPlan;
import rescient.core.netting.Projection;
import rescient.core.snapshot.DemandKind;
import rescient.core.snapshot.Snapshot;

/**
 * The time-phased record of a stock point: what leaves, arrives and is left in each period. Quantities in millionths. For
 * each cell: the balance before, plus receipts, less demands and expiries, is the balance at its end.
 *
 * @param opening stock on hand today
 */
public record PeriodRecord(long opening, List<Cell> cells) {
    /**
     * One period.
     *
     * @param components demands of firmed, released and planned orders for components
     * @param transfers demands of other sites
     * @param openReceipts firmed and released orders, on the days they count on
     * @param plannedReceipts planned orders by due date
     * @param balance at the end of the last day
     * @param lowest the lowest balance at the end of a day
     * @param plannedStarts planned orders by start date; what should have started stands in the first period
     */
    public record Cell(
            long customerOrders,
            long forecast,
            long components,
            long transfers,
            long openReceipts,
            long plannedReceipts,
            long expired,
            long balance,
            long lowest,
            long plannedStarts) {
        /** All that leaves but for what expires. */
        public long gross() {
            return customerOrders + forecast + components + transfers;
        }
    }

    private static final int EXPIRED = DemandKind.values().length;
    private static final int OPEN = EXPIRED + 1;
    private static final int PLANNED = EXPIRED + 2;
    private static final int STARTS = EXPIRED + 3;
    private static final int SUMS = EXPIRED + 4;

    static PeriodRecord of(Snapshot snapshot, PointPlan plan, Periods periods) {
        long[][] sums = new long[periods.size()][SUMS];
        DemandList demands = plan.demands;
        for (int d = 0; d < demands.size; d++) {
            if (demands.day(d) <= periods.end()) {
                add(sums, periods, demands.day(d), demands.kind(snapshot, d).ordinal(), demands.quantity[d]);
            }
        }
        Projection days = plan.projection(snapshot);
        long opening = 0;
        for (long quantity : plan.known.lotQuantity) {
            opening = Quantity.plus(opening, quantity);
        }
        long[] last = new long[periods.size()];
        long[] lowest = new long[periods.size()];
        Arrays.fill(lowest, Long.MAX_VALUE);
        long running = opening;
        int t = 0;
        for (int p = 0; p < periods.size(); p++) {
            for (; t < days.size && days.day[t] <= periods.endOf(p); t++) {
                sums[p][EXPIRED] += days.expired[t];
                sums[p][OPEN] += days.receipts[t];
                sums[p][PLANNED] += days.planned[t];
                running = days.balance[t];
                lowest[p] = Math.min(lowest[p], running);
            }
            last[p] = running;
            lowest[p] = Math.min(lowest[p], running);
        }
        for (int o = 0; o < plan.planned.size; o++) {
            if (plan.planned.start[o] <= periods.end()) {
                add(sums, periods, plan.planned.start[o], STARTS, plan.planned.good[o]);
            }
        }
        List<Cell> cells = new ArrayList<>(periods.size());
        for (int p = 0; p < periods.size(); p++) {
            long[] sum = sums[p];
            cells.add(new Cell(
                    sum[DemandKind.CUSTOMER_ORDER.ordinal()],
                    sum[DemandKind.FORECAST.ordinal()],
                    sum[DemandKind.COMPONENT.ordinal()],
                    sum[DemandKind.TRANSFER.ordinal()],
                    sum[OPEN],
                    sum[PLANNED],
                    sum[EXPIRED],
                    last[p],
                    lowest[p],
                    sum[STARTS]));
        }
        return new PeriodRecord(opening, List.copyOf(cells));
    }

    private static void add(long[][] sums, Periods periods, int day, int what, long quantity) {
        long[] sum = sums[periods.at(day)];
        sum[what] = Quantity.plus(sum[what], quantity);
    }
}
