package rescient.core.plan;

import rescient.core.company.OpenOrder;
import rescient.core.company.StockLot;
import rescient.core.netting.Pegging;
import rescient.core.netting.PlannedOrders;
import rescient.core.netting.ScheduledReceipts;

/**
 * A supply at a stock point of a finished plan.
 *
 * @param number lot or order number, empty for planned orders
 * @param line serial number or order line, empty for planned orders
 * @param day the day the plan counts on
 * @param dueDay its own date; today for stock
 * @param quantity millionths
 * @param sequence of a planned order, else -1
 */
public record Supply(Kind kind, String number, String line, int day, int dueDay, long quantity, int sequence) {
    /** What a supply is. */
    public enum Kind {
        STOCK,
        OPEN,
        PLANNED
    }

    /** One of a planned stock point, as the plan numbers those of its kind. */
    static Supply of(Plan plan, int p, Pegging.SupplyKind kind, int i) {
        int today = plan.snapshot.today;
        ScheduledReceipts known = plan.plans.get(p).known;
        PlannedOrders planned = plan.plans.get(p).planned;
        return switch (kind) {
            case STOCK -> {
                StockLot lot = known.lot[i];
                yield new Supply(
                        Kind.STOCK,
                        lot.lot() == null ? "" : lot.lot(),
                        lot.serial() == null ? "" : lot.serial(),
                        today,
                        today,
                        known.lotQuantity[i],
                        -1);
            }
            case OPEN -> {
                OpenOrder order = known.open[i].order();
                yield new Supply(
                        Kind.OPEN,
                        order.number(),
                        order.line(),
                        known.openDay[i],
                        order.dueDay(),
                        known.openQuantity[i],
                        -1);
            }
            case PLANNED -> new Supply(Kind.PLANNED, "", "", planned.due[i], planned.due[i], planned.good[i], i);
        };
    }
}
