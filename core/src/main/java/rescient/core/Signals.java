package rescient.core;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Map;
import java.util.TreeMap;

/** Section 10 of the planning rules: what wants a person, from a finished calculation. */
final class Signals {
    private static final Comparator<Signal> ORDER = Comparator.comparing(Signal::item, DocumentOrder::byCodePoint)
            .thenComparing(Signal::site, DocumentOrder::byCodePoint)
            .thenComparing(Signal::kind)
            .thenComparing(Signal::orderNumber, DocumentOrder.INSTANCE)
            .thenComparing(Signal::orderLine, DocumentOrder.INSTANCE)
            .thenComparingInt(Signal::day);

    private final Snapshot snapshot;
    private final PointPlan[] plans;
    private final PossibleDates possible;
    private final PlanOptions options;
    private final int today;
    private final List<Signal> found = new ArrayList<>();

    private Signals(Snapshot snapshot, PointPlan[] plans, PossibleDates possible, PlanOptions options) {
        this.snapshot = snapshot;
        this.plans = plans;
        this.possible = possible;
        this.options = options;
        this.today = snapshot.today;
    }

    static List<Signal> of(Snapshot snapshot, PointPlan[] plans, PossibleDates possible, PlanOptions options) {
        Signals signals = new Signals(snapshot, plans, possible, options);
        for (int p = 0; p < snapshot.network.planned(); p++) {
            signals.ofPoint(plans[p], snapshot.points[p]);
        }
        signals.lateDemands();
        for (int p : snapshot.network.loops) {
            signals.add(
                    Signal.Kind.LOOP,
                    snapshot.points[p],
                    OpenOrder.NO_DAY,
                    OpenOrder.NO_DAY,
                    Quantity.NOT_SET,
                    Signal.NO_DAYS);
        }
        signals.found.sort(ORDER);
        return List.copyOf(signals.found);
    }

    private void ofPoint(PointPlan plan, StockPoint point) {
        if (!point.phantom) {
            plannedOrders(plan, point);
        }
        openOrders(plan, point);
        lots(plan);
        if (plan.noSourceDay != Integer.MAX_VALUE) {
            add(
                    Signal.Kind.NO_SOURCE,
                    point,
                    plan.noSourceDay,
                    OpenOrder.NO_DAY,
                    plan.noSourceQuantity,
                    Signal.NO_DAYS);
        }
        belowSafety(plan, point);
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
            if (planned.wantedDue[o] != due) {
                add(Signal.Kind.INSIDE_FENCE, point, planned.wantedDue[o], due, planned.good[o], Signal.NO_DAYS);
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
            OpenOrder order = snapshot.openOrders.get(plan.known.open[i]);
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
            if (plan.known.proposal[i] == KnownSupplies.Proposal.CANCEL) {
                add(Signal.Kind.CANCEL, order, due, OpenOrder.NO_DAY, Signal.NO_DAYS);
            } else if (plan.known.proposal[i] == KnownSupplies.Proposal.BRING_FORWARD) {
                add(Signal.Kind.BRING_FORWARD, order, due, proposed, due - proposed);
            } else if (plan.known.proposal[i] == KnownSupplies.Proposal.PUSH_BACK) {
                add(Signal.Kind.PUSH_BACK, order, due, proposed, proposed - due);
            }
        }
    }

    /** Lots that expire unused within the horizon, and stock that has expired already. */
    private void lots(PointPlan plan) {
        for (int i = 0; i < plan.known.lot.length; i++) {
            if (plan.known.lotExpired[i] > 0) {
                expiring(snapshot.stock.get(plan.known.lot[i]), plan.known.lotExpired[i]);
            }
        }
        int[] all = snapshot.stockOf[plan.point];
        if (all != null && !options.without().contains(PlanOptions.Kind.STOCK)) {
            for (int i : all) {
                StockLot lot = snapshot.stock.get(i);
                if (lot.expiry() <= today && lot.quantity() > 0) {
                    expiring(lot, lot.quantity());
                }
            }
        }
    }

    private void expiring(StockLot lot, long left) {
        found.add(new Signal(
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

    private void belowSafety(PointPlan plan, StockPoint point) {
        long level = options.without().contains(PlanOptions.Kind.SAFETY_STOCK) ? 0 : point.safetyStock;
        int first = OpenOrder.NO_DAY;
        int back = OpenOrder.NO_DAY;
        long largest = 0;
        for (Balance row : Balances.of(snapshot, plan)) {
            if (row.balance() < level) {
                first = first == OpenOrder.NO_DAY ? row.day() : first;
                largest = Math.max(largest, level - row.balance());
            } else if (first != OpenOrder.NO_DAY && back == OpenOrder.NO_DAY) {
                back = row.day();
            }
        }
        if (first != OpenOrder.NO_DAY) {
            add(Signal.Kind.BELOW_SAFETY, point, first, back, largest, Signal.NO_DAYS);
        }
    }

    private record Late(int day, int point) {}

    /** One signal a customer order line; a kit is as late as its latest part. */
    private void lateDemands() {
        Map<Integer, Late> latest = new TreeMap<>();
        for (int p = 0; p < snapshot.network.planned(); p++) {
            DemandList demands = plans[p].demands;
            for (int d = 0; d < demands.size; d++) {
                if (demands.kind[d] == DemandKind.CUSTOMER_ORDER) {
                    Late late = new Late(possible.ofDemand(p, d), possible.causeOfDemand(p, d));
                    latest.merge(demands.document[d], late, (a, b) -> b.day > a.day ? b : a);
                }
            }
        }
        latest.forEach((document, late) -> {
            CustomerOrderLine order = snapshot.customerOrders.get(document);
            if (late.day <= order.dueDay()) {
                return;
            }
            boolean never = late.day == PossibleDates.NEVER;
            StockPoint cause = snapshot.points[late.point];
            found.add(new Signal(
                    Signal.Kind.DEMAND_LATE,
                    order.item(),
                    order.site(),
                    order.number(),
                    order.line(),
                    order.dueDay(),
                    never ? OpenOrder.NO_DAY : late.day,
                    order.quantity(),
                    never ? Signal.NO_DAYS : late.day - order.dueDay(),
                    cause.itemCode,
                    cause.siteCode));
        });
    }

    private void add(Signal.Kind kind, StockPoint point, int day, int newDay, long quantity, int days) {
        found.add(Signal.of(kind, point, day, newDay, quantity, days));
    }

    private void add(Signal.Kind kind, OpenOrder order, int day, int newDay, int days) {
        found.add(Signal.of(kind, order, day, newDay, order.quantity(), days));
    }
}
