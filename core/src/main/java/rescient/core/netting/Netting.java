package rescient.core.netting;

import java.time.LocalDate;
import java.util.List;
import rescient.core.base.Quantity;
import rescient.core.company.PlanningRule;
import rescient.core.company.Source;
import rescient.core.snapshot.PlanOptions;
import rescient.core.snapshot.Snapshot;
import rescient.core.snapshot.StockPoint;

/**
 * Section 5 of the planning rules for one stock point: walks the days that have an event and makes the planned orders.
 * <em>Covered</em> is the end-of-day balance and the planned orders already made that are due later.
 */
final class Netting {
    private static final int NO_DAY = Integer.MAX_VALUE;

    private final Snapshot snapshot;
    private final StockPoint point;
    private final DemandList demands;
    private final ScheduledReceipts known;
    /** Filled anew for each point. */
    private static final ThreadLocal<OrderNeeds> SCRATCH = ThreadLocal.withInitial(OrderNeeds::new);

    private final OrderNeeds planned = SCRATCH.get();
    private final Timeline line;
    private final Sizing sizing;
    private final Dating dating;
    private final long safetyStock;
    private long covered;
    /** Covered and position before the orders of the present need. */
    private long coveredBefore;

    private long positionBefore;
    /** The first later day that would be below {@link #shortLevel}, once it has been asked for. */
    private int shortDay;

    private boolean shortDayKnown;
    private int shortFrom;
    private long shortLevel;
    private long shortCovered;
    private int noSourceDay = NO_DAY;
    private long noSourceQuantity;
    private boolean everShort;
    /** Whether all orders made so far are due on the day of their need, and none was pulled in. */
    private boolean onTheDay = true;

    Netting(Snapshot snapshot, DemandList demands, ScheduledReceipts known, PlanOptions options) {
        this.snapshot = snapshot;
        this.point = snapshot.points[demands.point];
        this.demands = demands;
        this.known = known;
        this.line = Timeline.of(snapshot, demands, known);
        this.sizing = new Sizing(point);
        this.dating = new Dating(point, snapshot.today);
        this.safetyStock = !options.counts(PlanOptions.Kind.SAFETY_STOCK) ? 0 : point.safetyStock;
    }

    /** The safety stock that counts. */
    long safetyStock() {
        return safetyStock;
    }

    PlannedOrders planned() {
        return planned.orders(point.routing);
    }

    /** What each planned order was made for; this thread's, until it nets the next point. */
    OrderNeeds needs() {
        return planned;
    }

    /** Whether the balance may be below the safety stock at the end of some day, with all orders on their dates. */
    boolean everShort() {
        return everShort;
    }

    /** The days with what covers them, where covered is the balance because nothing was moved to another day; else null. */
    Timeline balances() {
        return onTheDay ? line : null;
    }

    /** The first day on which a need met source none, or {@link Integer#MAX_VALUE}. */
    int noSourceDay() {
        return noSourceDay;
    }

    long noSourceQuantity() {
        return noSourceQuantity;
    }

    void run() {
        covered = line.stock;
        planned.clear();
        for (int t = 0; t < line.size; t++) {
            covered = Quantity.plus(covered, line.receipts[t] - line.expired[t]);
            covered = Quantity.plus(covered, -line.demands[t]);
            boolean made = covered < safetyStock && hardNeed(t);
            if (!made && point.byReorderPoint()) {
                softNeed(t);
            }
            line.covered[t] = covered;
        }
    }

    private boolean hardNeed(int t) {
        for (int i = 0; i < known.open.length && covered < safetyStock; i++) {
            if (!known.pulledIn[i]
                    && !known.locked[i]
                    && known.openDay[i] > line.day[t]
                    && known.openDay[i] - (long) line.day[t] <= point.pullInDays) {
                pullIn(i, t);
            }
        }
        if (covered >= safetyStock) {
            return false;
        }
        if (point.source == Source.NONE && !point.phantom) {
            noSource(t, safetyStock - covered);
            return false;
        }
        openNeed(t, 0);
        switch (point.rule) {
            case PER_ORDER -> perOrder(t);
            case PERIOD -> make(t, OrderNeeds.Need.HARD, largestShortage(t), -1);
            case FIXED_QUANTITY -> makeFixed(t, OrderNeeds.Need.HARD);
            case MIN_MAX ->
                make(t, OrderNeeds.Need.HARD, Math.max(safetyStock - covered, point.orderUpTo - position(t)), -1);
            default -> make(t, OrderNeeds.Need.HARD, safetyStock - covered, -1);
        }
        return true;
    }

    private void pullIn(int i, int t) {
        int proposed = point.receipt(line.day[t], snapshot.today);
        if (covered < 0 && known.openDay[i] - (long) proposed > point.rescheduleTolerance) {
            known.proposal[i] = ScheduledReceipts.Proposal.BRING_FORWARD;
            known.proposedDay[i] = proposed;
        }
        onTheDay = false;
        line.move(known.openDay[i], known.openQuantity[i], t);
        known.pulledIn[i] = true;
        known.openDay[i] = line.day[t];
        covered = Quantity.plus(covered, known.openQuantity[i]);
    }

    private void softNeed(int t) {
        long position = position(t);
        if (position >= point.reorderPoint) {
            return;
        }
        if (point.source == Source.NONE) {
            noSource(t, point.reorderPoint - position);
            return;
        }
        openNeed(t, safetyStock);
        if (point.rule == PlanningRule.FIXED_QUANTITY) {
            makeFixed(t, OrderNeeds.Need.SOFT);
        } else {
            make(t, OrderNeeds.Need.SOFT, Math.max(safetyStock - covered, point.orderUpTo - position), -1);
        }
    }

    private void noSource(int t, long missing) {
        long position = point.byReorderPoint() ? point.reorderPoint - position(t) : missing;
        everShort = true;
        noSourceDay = Math.min(noSourceDay, line.day[t]);
        noSourceQuantity = Math.max(noSourceQuantity, Math.max(missing, position));
    }

    private long position(int t) {
        return Quantity.plus(covered, line.receiptsAfter(t));
    }

    private void makeFixed(int t, OrderNeeds.Need need) {
        long wanted = safetyStock - covered;
        if (point.reorderPoint != Quantity.NOT_SET) {
            wanted = Math.max(wanted, point.reorderPoint - position(t));
        }
        place(t, need, wanted, sizing.fixed(wanted), -1);
    }

    private void make(int t, OrderNeeds.Need need, long wanted, int forDemand) {
        if (point.phantom) {
            place(t, OrderNeeds.Need.PASSING, wanted, new Sizing.Part(wanted, wanted), forDemand);
        } else {
            Sizing.Part whole = sizing.whole(wanted);
            if (whole != null) {
                place(t, need, wanted, whole, forDemand);
            } else {
                place(t, need, wanted, sizing.orders(wanted), forDemand);
            }
        }
    }

    /** An order for what was missing before the day's demands, then one for each demand that is not covered. */
    private void perOrder(int t) {
        long before = Quantity.plus(covered, line.demands[t]);
        long left = before - safetyStock;
        if (left < 0) {
            int from = planned.size;
            make(t, OrderNeeds.Need.HARD, -left, -1);
            left += goodSince(from);
        }
        for (int d = line.firstDemand[t]; d < line.firstDemand[t + 1]; d++) {
            long part = demands.quantity[d] - Math.min(left, demands.quantity[d]);
            left -= demands.quantity[d] - part;
            if (part > 0) {
                int from = planned.size;
                make(t, OrderNeeds.Need.HARD, part, d);
                left += goodSince(from) - part;
                line.serve(t, part);
            }
        }
    }

    private void openNeed(int t, long level) {
        coveredBefore = covered;
        positionBefore = position(t);
        shortDayKnown = false;
        shortFrom = t;
        shortLevel = level;
        shortCovered = covered;
    }

    /** The first later day on which covered would be below the level of this need without its orders. */
    private int shortDay() {
        if (!shortDayKnown) {
            shortDay = firstBelow();
            shortDayKnown = true;
        }
        return shortDay;
    }

    private long goodSince(int from) {
        long sum = 0;
        for (int o = from; o < planned.size; o++) {
            sum += planned.good[o];
        }
        return sum;
    }

    /** The largest amount by which covered is below safety stock in the window that starts on this day. */
    private long largestShortage(int t) {
        int day = line.day[t];
        long after = switch (point.periodUnit) {
            case DAY -> day + point.periodCount;
            case WEEK -> day + 7L * point.periodCount;
            case MONTH ->
                LocalDate.ofEpochDay(day).plusMonths(point.periodCount).toEpochDay();
        };
        long ahead = covered;
        long least = covered;
        for (int u = t + 1; u < line.size && line.day[u] < after; u++) {
            ahead = Quantity.plus(ahead, line.change(u));
            least = Math.min(least, ahead);
        }
        return safetyStock - least;
    }

    private void place(int t, OrderNeeds.Need need, long wanted, List<Sizing.Part> parts, int forDemand) {
        long left = wanted;
        for (Sizing.Part part : parts) {
            place(t, need, wanted, part, forDemand, Math.min(left, part.good()));
            left -= Math.min(left, part.good());
        }
    }

    private void place(int t, OrderNeeds.Need need, long wanted, Sizing.Part part, int forDemand) {
        place(t, need, wanted, part, forDemand, Math.min(wanted, part.good()));
    }

    /** @param own what of the part the demand is for which it is made */
    private void place(int t, OrderNeeds.Need need, long wanted, Sizing.Part part, int forDemand, long own) {
        int day = line.day[t];
        int due = dueDay(day, need, part.started());
        int behind = point.phantom ? due : dating.behindFence(due);
        int start = dating.start(behind, part.started());
        everShort |= behind > day;
        onTheDay &= behind == day;
        planned.add(need, day, coveredBefore, positionBefore, wanted, part, start, behind, due, forDemand, own);
        covered = Quantity.plus(covered, part.good());
    }

    private int dueDay(int day, OrderNeeds.Need need, long started) {
        if (need == OrderNeeds.Need.SOFT) {
            return dating.dueForSoftNeed(day, shortDay(), started);
        }
        int due = dating.dueForHardNeed(day);
        return dating.mayWait(due, coveredBefore, started) ? dating.waiting(due, shortDay(), started) : due;
    }

    private int firstBelow() {
        long ahead = shortCovered;
        for (int u = shortFrom + 1; u < line.size; u++) {
            ahead = Quantity.plus(ahead, line.change(u));
            if (ahead < shortLevel) {
                return line.day[u];
            }
        }
        return NO_DAY;
    }
}
