package rescient.core.dates;

import java.util.ArrayList;
import java.util.List;
import rescient.core.company.CustomerOrderLine;
import rescient.core.company.OpenOrder;
import rescient.core.netting.Signals;
import rescient.core.snapshot.DocumentDemands;
import rescient.core.snapshot.Signal;
import rescient.core.snapshot.Snapshot;
import rescient.core.snapshot.StockPoint;

/** Section 9 of the planning rules, as signals: which customer orders are late, by how many days, and what of. */
final class LateSignals {
    private LateSignals() {}

    /** The customer orders of an item's own point that are late; kits have none. */
    static Signal[] of(Snapshot snapshot, int p, PossibleDates possible) {
        if (!possible.late(p)) {
            return Signals.NONE;
        }
        List<Signal> found = new ArrayList<>();
        DocumentDemands own = snapshot.demands.get(p);
        for (int i = 0; i < own.customerOrders; i++) {
            if (possible.ofDocument(p, i) > own.ownDay[i]) {
                CustomerOrderLine line = (CustomerOrderLine) own.document[i];
                if (line.item().equals(snapshot.points[p].itemCode)) {
                    found.add(late(snapshot, line, possible.ofDocument(p, i), possible.causeOfDocument(p, i)));
                }
            }
        }
        return found.isEmpty() ? Signals.NONE : found.toArray(Signal[]::new);
    }

    /** The signal of a kit's order line, which is as late as its latest part, or null; of several the first by item. */
    static Signal ofKit(Snapshot snapshot, Snapshot.KitOrder kit, PossibleDates possible) {
        int latest = Integer.MIN_VALUE;
        int part = -1;
        int cause = -1;
        for (int p : kit.points()) {
            int item = snapshot.points[p].item;
            DocumentDemands own = snapshot.demands.get(p);
            for (int i = 0; i < own.customerOrders; i++) {
                int day = possible.ofDocument(p, i);
                if (own.document[i] == kit.line() && (day > latest || day == latest && item < part)) {
                    latest = day;
                    part = item;
                    cause = possible.causeOfDocument(p, i);
                }
            }
        }
        return latest <= kit.line().dueDay() ? null : late(snapshot, kit.line(), latest, cause);
    }

    /** A line for an item that nothing was calculated for: it can never be met. */
    static Signal unmet(Snapshot snapshot, int p, CustomerOrderLine line) {
        return late(snapshot, line, PossibleDates.NEVER, p);
    }

    private static Signal late(Snapshot snapshot, CustomerOrderLine order, int possible, int cause) {
        boolean never = possible == PossibleDates.NEVER;
        StockPoint culprit = snapshot.points[cause];
        return new Signal(
                Signal.Kind.DEMAND_LATE,
                order.item(),
                order.site(),
                order.number(),
                order.line(),
                order.dueDay(),
                never ? OpenOrder.NO_DAY : possible,
                order.quantity(),
                never ? Signal.NO_DAYS : possible - order.dueDay(),
                culprit.itemCode,
                culprit.siteCode);
    }
}
