package rescient.server.planning;

import java.math.BigDecimal;
import java.util.ArrayList;
import java.util.List;
import java.util.function.ToLongFunction;
import rescient.core.base.Periods;
import rescient.core.base.Quantity;
import rescient.core.plan.PeriodRecord;
import rescient.core.plan.PlannedOrder;
import rescient.core.plan.PointView;
import rescient.core.plan.Supply;

/**
 * The record of one stock point, opened.
 *
 * @param flows what leaves and arrives, by kind; kinds of demand that never occur are left out
 * @param orders keys of the planned orders that are due in each period
 * @param components the stock points it sends demand to
 */
record PeriodDetail(
        PeriodGrid.PeriodRow row,
        List<Flow> flows,
        List<List<String>> orders,
        List<List<String>> openOrders,
        List<PeriodGrid.PeriodRow> components) {
    /** What of a stock point is summed up in a row. */
    enum Kind {
        CUSTOMER_ORDERS(PeriodRecord.Cell::customerOrders),
        FORECAST(PeriodRecord.Cell::forecast),
        COMPONENTS(PeriodRecord.Cell::components),
        TRANSFERS(PeriodRecord.Cell::transfers),
        EXPIRED(PeriodRecord.Cell::expired),
        OPEN_RECEIPTS(PeriodRecord.Cell::openReceipts),
        PLANNED_RECEIPTS(PeriodRecord.Cell::plannedReceipts),
        BALANCE(PeriodRecord.Cell::balance),
        PLANNED_STARTS(PeriodRecord.Cell::plannedStarts);

        final ToLongFunction<PeriodRecord.Cell> of;

        Kind(ToLongFunction<PeriodRecord.Cell> of) {
            this.of = of;
        }

        /** Whether it takes from the balance. */
        boolean leaves() {
            return ordinal() <= EXPIRED.ordinal();
        }
    }

    record Flow(Kind kind, List<BigDecimal> cells) {}

    static PeriodDetail of(PlanVersion version, PointView point, Periods periods) {
        PeriodRecord record = point.record(periods).orElseThrow();
        List<List<String>> orders = new ArrayList<>();
        List<List<String>> openOrders = new ArrayList<>();
        for (int p = 0; p < periods.size(); p++) {
            orders.add(new ArrayList<>());
            openOrders.add(new ArrayList<>());
        }
        for (Supply supply : point.supplies()) {
            if (supply.kind() == Supply.Kind.OPEN && supply.day() <= periods.end()) {
                openOrders.get(periods.at(supply.day())).add(OrderKey.ofLine(supply.number(), supply.line()));
            }
        }
        for (PlannedOrder order : point.plannedOrders()) {
            if (order.dueDay() <= periods.end()) {
                orders.get(periods.at(order.dueDay()))
                        .add(OrderKey.of(point, order).text());
            }
        }
        return new PeriodDetail(
                PeriodGrid.row(version, point, periods),
                flows(record),
                orders,
                openOrders,
                point.components().stream()
                        .filter(PointView::planned)
                        .map(below -> PeriodGrid.row(version, below, periods))
                        .toList());
    }

    static List<Flow> flows(PeriodRecord record) {
        List<Flow> flows = new ArrayList<>();
        for (Kind kind : Kind.values()) {
            boolean occurs = !kind.leaves() || record.cells().stream().anyMatch(c -> kind.of.applyAsLong(c) != 0);
            if (occurs) {
                flows.add(new Flow(
                        kind,
                        record.cells().stream()
                                .map(c -> Quantity.decimal(kind.of.applyAsLong(c)))
                                .toList()));
            }
        }
        return flows;
    }
}
