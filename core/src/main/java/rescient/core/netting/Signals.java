package rescient.core.netting;

import java.util.ArrayList;
import java.util.Collections;
import java.util.Comparator;
import java.util.List;
import rescient.core.base.DocumentOrder;
import rescient.core.base.Quantity;
import rescient.core.company.OpenOrder;
import rescient.core.company.Source;
import rescient.core.company.Stage;
import rescient.core.company.StockLot;
import rescient.core.snapshot.PlanOptions;
import rescient.core.snapshot.Signal;
import rescient.core.snapshot.Snapshot;
import rescient.core.snapshot.StockPoint;

/** Section 10 of the planning rules: what wants a person, from a finished calculation. */
public final class Signals {
    /** Of signals of one point; there are so many points that chained comparators would be felt. */
    private static final Comparator<Signal> OF_ONE_POINT = (a, b) -> {
        if (a.kind() != b.kind()) {
            return a.kind().compareTo(b.kind());
        }
        int c = DocumentOrder.compare(a.orderNumber(), a.orderLine(), b.orderNumber(), b.orderLine());
        return c != 0 ? c : Integer.compare(a.day(), b.day());
    };

    private static final Comparator<Signal> ORDER = Comparator.comparing(Signal::item, DocumentOrder::byCodePoint)
            .thenComparing(Signal::site, DocumentOrder::byCodePoint)
            .thenComparing(OF_ONE_POINT);

    public static final Signal[] NONE = {};

    private final Snapshot snapshot;
    private final int today;
    private List<Signal> found = List.of();

    private Signals(Snapshot snapshot) {
        this.snapshot = snapshot;
        this.today = snapshot.today;
    }

    /** The signals of one planned point, late customer orders left out. */
    static Signal[] of(
            Snapshot snapshot, PointPlan plan, Projection projection, long safetyStock, PlanOptions options) {
        Signals signals = new Signals(snapshot);
        StockPoint point = snapshot.points[plan.demands.point];
        if (!point.phantom) {
            signals.plannedOrders(plan, point);
        }
        signals.openOrders(plan, point);
        signals.lots(plan, options);
        if (plan.noSourceDay != Integer.MAX_VALUE) {
            signals.add(Signal.of(
                    Signal.Kind.NO_SOURCE,
                    point,
                    plan.noSourceDay,
                    OpenOrder.NO_DAY,
                    plan.noSourceQuantity,
                    Signal.NO_DAYS));
        }
        if (projection != null) {
            signals.belowSafety(projection, point, safetyStock);
        }
        signals.reorderPoint(plan, point, safetyStock);
        return signals.found.isEmpty() ? NONE : signals.found.toArray(Signal[]::new);
    }

    /** What the points themselves say that nothing was calculated for: those on a loop, and those with impossible facts. */
    public static List<Signal> ofThoseLeftOut(Snapshot snapshot) {
        List<Signal> all = new ArrayList<>();
        for (int p : snapshot.network.loops) {
            all.add(loop(snapshot.points[p]));
        }
        for (int p = snapshot.network.planned(); p < snapshot.points.length; p++) {
            if (snapshot.whyUnplannable(p) != null) {
                all.add(unplannable(snapshot, p));
            }
        }
        return all;
    }

    private static Signal unplannable(Snapshot snapshot, int p) {
        return Signal.of(
                Signal.Kind.UNPLANNABLE,
                snapshot.points[p],
                snapshot.today,
                OpenOrder.NO_DAY,
                Quantity.NOT_SET,
                Signal.NO_DAYS);
    }

    static Signal loop(StockPoint point) {
        return Signal.of(Signal.Kind.LOOP, point, OpenOrder.NO_DAY, OpenOrder.NO_DAY, Quantity.NOT_SET, Signal.NO_DAYS);
    }

    public static List<Signal> inOrder(List<Signal> signals) {
        signals.sort(ORDER);
        return List.copyOf(signals);
    }

    /** Signals of one point, put in order. */
    public static List<Signal> ofOnePoint(List<Signal> signals) {
        if (signals.size() > 1) {
            signals.sort(OF_ONE_POINT);
        }
        return signals;
    }

    /** Adds the signals of one point, in order. */
    public static void add(List<Signal> all, Signal[] some, Signal[] others) {
        int from = all.size();
        Collections.addAll(all, some);
        Collections.addAll(all, others);
        if (all.size() > from + 1) {
            all.subList(from, all.size()).sort(OF_ONE_POINT);
        }
    }

    /** Two lists that are in order, as one. */
    public static List<Signal> merged(List<Signal> some, List<Signal> others) {
        List<Signal> all = new ArrayList<>(some.size() + others.size());
        int from = 0;
        for (Signal other : others) {
            int at = Collections.binarySearch(some, other, ORDER);
            int to = Math.max(from, at < 0 ? -at - 1 : at);
            all.addAll(some.subList(from, to));
            all.add(other);
            from = to;
        }
        all.addAll(some.subList(from, some.size()));
        return Collections.unmodifiableList(all);
    }

    private void plannedOrders(PointPlan plan, StockPoint point) {
        PlannedOrders planned = plan.planned;
        long sum = 0;
        int first = Integer.MAX_VALUE;
        for (int o = 0; o < planned.size; o++) {
            int start = planned.start[o];
            int due = planned.due[o];
            if (start < today) {
                add(Signal.Kind.START_OVERDUE, point, start, due, planned.good[o], today - start);
            } else if (start <= today + snapshot.releaseAheadDays) {
                add(Signal.Kind.RELEASE_DUE, point, start, due, planned.good[o], Signal.NO_DAYS);
            }
            if (planned.wantedDue(o) != due) {
                add(Signal.Kind.INSIDE_FENCE, point, planned.wantedDue(o), due, planned.good[o], Signal.NO_DAYS);
            }
            sum = Quantity.plus(sum, planned.good[o]);
            first = Math.min(first, due);
        }
        if (planned.size > 0 && point.source == Source.BUY && point.supplier == null) {
            add(Signal.Kind.NO_SUPPLIER, point, first, OpenOrder.NO_DAY, sum, Signal.NO_DAYS);
        }
    }

    private void openOrders(PointPlan plan, StockPoint point) {
        for (int i = 0; i < plan.known.open.length; i++) {
            OpenOrder order = plan.known.open[i].order();
            int due = order.dueDay();
            if (order.stage() == Stage.FIRMED && order.startDay() != OpenOrder.NO_DAY) {
                if (order.startDay() < today) {
                    add(Signal.Kind.START_OVERDUE, order, order.startDay(), due, today - order.startDay());
                } else if (order.startDay() <= today + snapshot.releaseAheadDays) {
                    add(Signal.Kind.RELEASE_DUE, order, order.startDay(), due, Signal.NO_DAYS);
                }
            }
            if (due < today) {
                add(Signal.Kind.RECEIPT_OVERDUE, order, due, OpenOrder.NO_DAY, today - due);
            }
            int proposed = plan.known.proposedDay[i];
            if (plan.known.proposal[i] == ScheduledReceipts.Proposal.CANCEL) {
                add(Signal.Kind.CANCEL, order, due, OpenOrder.NO_DAY, Signal.NO_DAYS);
            } else if (plan.known.proposal[i] == ScheduledReceipts.Proposal.BRING_FORWARD) {
                add(Signal.Kind.BRING_FORWARD, order, due, proposed, due - proposed);
            } else if (plan.known.proposal[i] == ScheduledReceipts.Proposal.PUSH_BACK) {
                add(Signal.Kind.PUSH_BACK, order, due, proposed, proposed - due);
            }
        }
    }

    /** Lots that expire unused within the horizon, and stock that has expired already. */
    private void lots(PointPlan plan, PlanOptions options) {
        for (int i = 0; i < plan.known.lot.length; i++) {
            if (plan.known.lotExpired[i] > 0) {
                expiring(plan.known.lot[i], plan.known.lotExpired[i]);
            }
        }
        if (options.counts(PlanOptions.Kind.STOCK)) {
            for (StockLot lot : snapshot.stockOf[plan.demands.point]) {
                if (lot.expiry() <= today && lot.quantity() > 0) {
                    expiring(lot, lot.quantity());
                }
            }
        }
    }

    private void expiring(StockLot lot, long left) {
        add(new Signal(
                Signal.Kind.EXPIRING,
                lot.item(),
                lot.site(),
                lot.lot() == null ? "" : lot.lot(),
                "",
                lot.expiry(),
                OpenOrder.NO_DAY,
                left,
                Signal.NO_DAYS,
                "",
                ""));
    }

    private void belowSafety(Projection projection, StockPoint point, long level) {
        int first = OpenOrder.NO_DAY;
        int back = OpenOrder.NO_DAY;
        long largest = 0;
        for (int t = 0; t < projection.size && projection.day[t] <= snapshot.horizonEnd; t++) {
            long balance = projection.balance[t];
            if (balance < level) {
                first = first == OpenOrder.NO_DAY ? projection.day[t] : first;
                largest = Math.max(largest, level - balance);
            } else if (first != OpenOrder.NO_DAY && back == OpenOrder.NO_DAY) {
                back = projection.day[t];
            }
        }
        if (first != OpenOrder.NO_DAY) {
            add(Signal.Kind.BELOW_SAFETY, point, first, back, largest, Signal.NO_DAYS);
        }
    }

    private void reorderPoint(PointPlan plan, StockPoint point, long safetyStock) {
        if (point.byReorderPoint() && point.source != Source.NONE && !point.phantom) {
            ReorderPoint.need(snapshot, point, plan.demands, safetyStock)
                    .filter(need -> point.reorderPoint < need.needed())
                    .ifPresent(need -> add(
                            Signal.Kind.REORDER_POINT_LOW,
                            point,
                            OpenOrder.NO_DAY,
                            OpenOrder.NO_DAY,
                            need.needed(),
                            need.leadDays()));
        }
    }

    private void add(Signal.Kind kind, StockPoint point, int day, int newDay, long quantity, int days) {
        add(Signal.of(kind, point, day, newDay, quantity, days));
    }

    private void add(Signal.Kind kind, OpenOrder order, int day, int newDay, int days) {
        add(Signal.of(kind, order, day, newDay, order.quantity(), days));
    }

    private void add(Signal signal) {
        if (found.isEmpty()) {
            found = new ArrayList<>();
        }
        found.add(signal);
    }
}
