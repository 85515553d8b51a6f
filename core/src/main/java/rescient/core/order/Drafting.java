package rescient.core.order;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.EnumSet;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Set;
import rescient.core.base.Quantity;
import rescient.core.base.Ratio;
import rescient.core.netting.Dating;
import rescient.core.plan.PlannedOrder;
import rescient.core.plan.PointView;
import rescient.core.snapshot.Kits;
import rescient.core.snapshot.Network;
import rescient.core.snapshot.Snapshot;
import rescient.core.snapshot.StockPoint;

/** Orders that a planner wants: dated and exploded by the same rules as planned ones (sections 6 and 7). */
public final class Drafting {
    private final Snapshot snapshot;
    private final int p;
    private final StockPoint point;
    private final Dating dating;

    private final PointView view;

    private Drafting(PointView view) {
        this.view = view;
        this.snapshot = view.plan().snapshot;
        this.p = snapshot.pointOf(view.item(), view.site());
        this.point = snapshot.points[p];
        this.dating = new Dating(point, snapshot.today);
    }

    /** Drafts orders of a stock point. */
    public static Drafting of(PointView point) {
        return new Drafting(point);
    }

    /** A planned order of this point as it would be given out. */
    public OrderDraft planned(int sequence) {
        PlannedOrder order = view.plannedOrder(sequence);
        return draft(order.startQuantity(), order.startDay(), order.dueDay())
                .hangingLike(view.madeFor(sequence).orElse(null));
    }

    /** An order of this point due on another day; its start and what it needs move by as many working days. */
    public OrderDraft moved(OrderDraft order, int due) {
        return order.moved(
                view.movedLike(order.startDay(), order.dueDay(), due),
                due,
                day -> view.movedLike(day, order.dueDay(), due));
    }

    /** What has to be started for a good quantity: whole steps of the unit it is ordered in. */
    private long started(long good) {
        long toStart = point.yield == Ratio.ONE ? good : point.perGood.up(good, point.step);
        long units = point.toOrderUnit.up(toStart, point.orderStep);
        return point.orderUnit.up(units, point.step);
    }

    /** An order that brings {@code good} millionths on a day; it starts when the lead time or the routing says. */
    public OrderDraft dueOn(long good, int due) {
        long started = started(good);
        return draft(started, dating.start(due, started), due);
    }

    /** An order for {@code good} millionths that starts on a day and is due as soon as it can be then. */
    public OrderDraft startingOn(long good, int start) {
        long started = started(good);
        int due = dating.dueFrom(start, start, started);
        return draft(started, start, due);
    }

    /** An order for {@code good} millionths with both days as they are wanted. */
    public OrderDraft between(long good, int start, int due) {
        return draft(started(good), start, due);
    }

    private OrderDraft draft(long started, int start, int due) {
        long good = point.yield == Ratio.ONE ? started : point.yield.down(started, point.step);
        return new OrderDraft(
                point.itemCode,
                point.siteCode,
                point.source,
                point.supplier,
                point.fromSiteCode,
                good,
                started,
                start,
                due,
                needs(started, start, due),
                breaks(started));
    }

    private Set<OrderDraft.Modifier> breaks(long started) {
        Set<OrderDraft.Modifier> breaks = EnumSet.noneOf(OrderDraft.Modifier.class);
        long units = point.toOrderUnit.up(started, point.orderStep);
        if (point.minQuantity != Quantity.NOT_SET && units < point.minQuantity) {
            breaks.add(OrderDraft.Modifier.MINIMUM);
        }
        if (units % point.multiple != 0) {
            breaks.add(OrderDraft.Modifier.MULTIPLE);
        }
        if (point.maxQuantity != Quantity.NOT_SET && units > point.maxQuantity) {
            breaks.add(OrderDraft.Modifier.MAXIMUM);
        }
        return breaks;
    }

    /** What the order needs below; the same component on the same day from several lines is one need. */
    private List<OrderDraft.Need> needs(long started, int start, int due) {
        Network network = snapshot.network;
        int[] steps = point.routing == null ? null : point.routing.starts(due, started);
        boolean asRouted = steps != null && steps[0] == start;
        Map<List<Object>, Long> needs = new LinkedHashMap<>();
        for (int e = network.edgeStart[p]; e < network.edgeStart[p + 1]; e++) {
            Kits.Part part = network.edgePart[e];
            if (!part.validOn(Math.max(start, snapshot.today))) {
                continue;
            }
            StockPoint below = snapshot.points[network.edgeTo[e]];
            int operation = asRouted && part.step() != null ? point.routing.indexOf(part.step()) : -1;
            long quantity = part.needed(started, below.step);
            if (quantity > 0) {
                needs.merge(
                        Arrays.asList(below.itemCode, below.siteCode, operation < 0 ? start : steps[operation]),
                        quantity,
                        Quantity::plus);
            }
        }
        List<OrderDraft.Need> list = new ArrayList<>();
        needs.forEach((key, quantity) ->
                list.add(new OrderDraft.Need((String) key.get(0), (String) key.get(1), quantity, (int) key.get(2))));
        return list;
    }
}
