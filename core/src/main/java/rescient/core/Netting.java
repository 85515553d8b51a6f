package rescient.core;

import java.time.LocalDate;
import java.util.List;

/**
 * Section 5 of the planning rules for one stock point: walks the days that have an event and makes the planned orders.
 * <em>Covered</em> is the end-of-day balance and the planned orders already made that are due later.
 */
final class Netting {
    private static final int NO_DAY = Integer.MAX_VALUE;

    private final Snapshot snapshot;
    private final StockPoint point;
    private final DemandList demands;
    private final KnownSupplies known;
    private final PlannedOrders planned = new PlannedOrders();
    private final Timeline line;
    private final Sizing sizing;
    private final Dating dating;
    private final long safetyStock;
    private long covered;
    /** Covered and position before the orders of the present need, and the first later day that would be short. */
    private long coveredBefore;

    private long positionBefore;
    private int shortDay;
    private int noSourceDay = NO_DAY;
    private long noSourceQuantity;

    Netting(Snapshot snapshot, int p, DemandList demands, KnownSupplies known, PlanOptions options) {
        this.snapshot = snapshot;
        this.point = snapshot.points[p];
        this.demands = demands;
        this.known = known;
        this.line = new Timeline(snapshot, demands, known);
        this.sizing = new Sizing(point);
        this.dating = new Dating(point, snapshot.today);
        this.safetyStock = options.without().contains(PlanOptions.Kind.SAFETY_STOCK) ? 0 : point.safetyStock;
    }

    PlannedOrders planned() {
        return planned;
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
        for (int t = 0; t < line.size; t++) {
            covered = Quantity.plus(covered, line.receipts[t] - line.expired[t]);
            covered = Quantity.plus(covered, -line.demands[t]);
            boolean made = covered < safetyStock && hardNeed(t);
            if (!made && point.byReorderPoint()) {
                softNeed(t);
            }
        }
        new Rescheduling(snapshot, point, known, planned, line, safetyStock).run();
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
            case PERIOD -> make(t, PlannedOrders.Need.HARD, largestShortage(t), -1);
            case FIXED_QUANTITY -> makeFixed(t, PlannedOrders.Need.HARD);
            case MIN_MAX ->
                make(t, PlannedOrders.Need.HARD, Math.max(safetyStock - covered, point.orderUpTo - position(t)), -1);
            default -> make(t, PlannedOrders.Need.HARD, safetyStock - covered, -1);
        }
        return true;
    }

    private void pullIn(int i, int t) {
        int proposed = point.receipt(line.day[t], snapshot.today);
        if (covered < 0 && known.openDay[i] - (long) proposed > point.rescheduleTolerance) {
            known.proposal[i] = KnownSupplies.Proposal.BRING_FORWARD;
            known.proposedDay[i] = proposed;
        }
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
            makeFixed(t, PlannedOrders.Need.SOFT);
        } else {
            make(t, PlannedOrders.Need.SOFT, Math.max(safetyStock - covered, point.orderUpTo - position), -1);
        }
    }

    private void noSource(int t, long missing) {
        long position = point.byReorderPoint() ? point.reorderPoint - position(t) : missing;
        noSourceDay = Math.min(noSourceDay, line.day[t]);
        noSourceQuantity = Math.max(noSourceQuantity, Math.max(missing, position));
    }

    private long position(int t) {
        return Quantity.plus(covered, line.receiptsAfter(t));
    }

    private void makeFixed(int t, PlannedOrders.Need need) {
        long wanted = safetyStock - covered;
        if (point.reorderPoint != Quantity.NOT_SET) {
            wanted = Math.max(wanted, point.reorderPoint - position(t));
        }
        place(t, need, wanted, sizing.fixed(wanted), -1);
    }

    private void make(int t, PlannedOrders.Need need, long wanted, int forDemand) {
        if (point.phantom) {
            place(t, PlannedOrders.Need.PASSING, wanted, List.of(new Sizing.Part(wanted, wanted)), forDemand);
        } else {
            place(t, need, wanted, sizing.orders(wanted), forDemand);
        }
    }

    /** An order for what was missing before the day's demands, then one for each demand that is not covered. */
    private void perOrder(int t) {
        long before = Quantity.plus(covered, line.demands[t]);
        long left = before - safetyStock;
        if (left < 0) {
            int from = planned.size;
            make(t, PlannedOrders.Need.HARD, -left, -1);
            left += goodSince(from);
        }
        for (int d = line.firstDemand[t]; d < line.firstDemand[t + 1]; d++) {
            long part = demands.quantity[d] - Math.min(left, demands.quantity[d]);
            left -= demands.quantity[d] - part;
            if (part > 0) {
                int from = planned.size;
                make(t, PlannedOrders.Need.HARD, part, d);
                left += goodSince(from) - part;
                line.serve(t, part);
            }
        }
    }

    private void openNeed(int t, long level) {
        coveredBefore = covered;
        positionBefore = position(t);
        shortDay = firstBelow(t, level);
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
        LocalDate day = LocalDate.ofEpochDay(line.day[t]);
        LocalDate after = switch (point.periodUnit) {
            case DAY -> day.plusDays(point.periodCount);
            case WEEK -> day.plusWeeks(point.periodCount);
            case MONTH -> day.plusMonths(point.periodCount);
        };
        long ahead = covered;
        long least = covered;
        for (int u = t + 1; u < line.size && line.day[u] < after.toEpochDay(); u++) {
            ahead = Quantity.plus(ahead, line.change(u));
            least = Math.min(least, ahead);
        }
        return safetyStock - least;
    }

    private void place(int t, PlannedOrders.Need need, long wanted, List<Sizing.Part> parts, int forDemand) {
        int day = line.day[t];
        for (Sizing.Part part : parts) {
            int due = need == PlannedOrders.Need.SOFT
                    ? dating.dueForSoftNeed(day, shortDay, part.started())
                    : dating.dueForHardNeed(day, coveredBefore, shortDay, part.started());
            int behind = point.phantom ? due : dating.behindFence(due);
            planned.add(
                    need,
                    day,
                    coveredBefore,
                    positionBefore,
                    wanted,
                    part,
                    dating.start(behind, part.started()),
                    behind,
                    due,
                    forDemand);
            covered = Quantity.plus(covered, part.good());
        }
    }

    /** The first later day on which covered would be below {@code level} with nothing more planned. */
    private int firstBelow(int t, long level) {
        long ahead = covered;
        for (int u = t + 1; u < line.size; u++) {
            ahead = Quantity.plus(ahead, line.change(u));
            if (ahead < level) {
                return line.day[u];
            }
        }
        return NO_DAY;
    }
}
