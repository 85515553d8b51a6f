package rescient.server.planning;

import java.util.ArrayList;
import java.util.List;
import rescient.core.base.Periods;
import rescient.core.base.Quantity;
import rescient.core.plan.Balance;
import rescient.core.plan.Demand;
import rescient.core.plan.PeriodRecord;
import rescient.core.plan.PlannedOrder;
import rescient.core.plan.PointView;
import rescient.core.plan.Supply;
import rescient.core.snapshot.DemandKind;

/** The slip of a cell: every document behind its figure. */
final class PeriodSlip {
    private final PlanVersion version;
    private final PointView point;
    private final int from;
    private final int to;
    private final boolean first;
    private final List<Slip.SlipLine> lines = new ArrayList<>();

    private PeriodSlip(PlanVersion version, PointView point, Periods periods, int period) {
        this.version = version;
        this.point = point;
        this.from = periods.starts().get(period);
        this.to = periods.endOf(period);
        this.first = period == 0;
    }

    static Slip of(PlanVersion version, PointView point, Periods periods, int period, PeriodDetail.Kind kind) {
        PeriodSlip slip = new PeriodSlip(version, point, periods, period);
        PeriodRecord record = point.record(periods).orElseThrow();
        PeriodRecord.Cell cell = record.cells().get(period);
        String unit = version.directory().unit(point.item());
        String span = slip.from == slip.to ? Words.day(slip.from) : Words.day(slip.from) + " to " + Words.day(slip.to);
        String sentence;
        if (kind == PeriodDetail.Kind.BALANCE) {
            long before = period == 0
                    ? record.opening()
                    : record.cells().get(period - 1).balance();
            slip.plain(period == 0 ? "On hand today" : "Balance before", before);
            for (PeriodDetail.Kind each : PeriodDetail.Kind.values()) {
                slip.add(each, true);
            }
            sentence = "What is there before, and all that comes and goes from " + span + ".";
        } else {
            slip.add(kind, false);
            sentence = name(kind) + " of " + span + ".";
        }
        long result = kind.of.applyAsLong(cell);
        slip.lines.add(new Slip.SlipLine(
                kind == PeriodDetail.Kind.BALANCE ? "Balance on" : "Together",
                kind == PeriodDetail.Kind.BALANCE ? Words.date(slip.to) : null,
                Quantity.decimal(result),
                null,
                false,
                Slip.Weight.RESULT,
                null));
        return new Slip("Why " + Words.amount(result, unit) + ", " + span + "?", sentence, unit, slip.lines);
    }

    static String name(PeriodDetail.Kind kind) {
        return switch (kind) {
            case CUSTOMER_ORDERS -> "Customer orders";
            case FORECAST -> "Forecast";
            case COMPONENTS -> "Components of orders";
            case TRANSFERS -> "Transfers to other sites";
            case EXPIRED -> "Expires unused";
            case OPEN_RECEIPTS -> "Open receipts";
            case PLANNED_RECEIPTS -> "Planned receipts";
            case BALANCE -> "Projected balance";
            case PLANNED_STARTS -> "Planned starts";
        };
    }

    private boolean holds(int day) {
        return (first || day >= from) && day <= to;
    }

    private void add(PeriodDetail.Kind kind, boolean signed) {
        switch (kind) {
            case CUSTOMER_ORDERS -> demands(DemandKind.CUSTOMER_ORDER, signed);
            case FORECAST -> demands(DemandKind.FORECAST, signed);
            case COMPONENTS -> demands(DemandKind.COMPONENT, signed);
            case TRANSFERS -> demands(DemandKind.TRANSFER, signed);
            case EXPIRED -> {
                for (Balance row : point.balances()) {
                    if (row.expired() != 0 && holds(row.day())) {
                        line("expires", row.day(), signed ? -row.expired() : row.expired(), signed, null);
                    }
                }
            }
            case OPEN_RECEIPTS -> {
                for (Supply supply : point.supplies()) {
                    if (supply.kind() == Supply.Kind.OPEN && holds(supply.day())) {
                        Slip.Link link = new Slip.Link("order", point.item(), point.site(), supply.number(), null);
                        line(supply.number(), supply.day(), supply.quantity(), signed, link);
                    }
                }
            }
            case PLANNED_RECEIPTS -> {
                for (PlannedOrder order : point.plannedOrders()) {
                    if (holds(order.dueDay())) {
                        line("planned", order.dueDay(), order.quantity(), signed, Slip.planned(version, order));
                    }
                }
            }
            case PLANNED_STARTS -> {
                for (PlannedOrder order : point.plannedOrders()) {
                    if (!signed && holds(order.startDay())) {
                        line("planned", order.startDay(), order.quantity(), false, Slip.planned(version, order));
                    }
                }
            }
            default -> {}
        }
    }

    private void demands(DemandKind kind, boolean signed) {
        for (Demand demand : point.demands()) {
            if (demand.kind() == kind && holds(demand.day())) {
                long quantity = signed ? -demand.quantity() : demand.quantity();
                line(Slip.name(demand), demand.day(), quantity, signed, Slip.link(version, demand));
            }
        }
    }

    private void plain(String text, long quantity) {
        lines.add(new Slip.SlipLine(text, null, Quantity.decimal(quantity), null, false, Slip.Weight.TERM, null));
    }

    private void line(String text, int day, long quantity, boolean adds, Slip.Link link) {
        lines.add(new Slip.SlipLine(
                text, Words.date(day), Quantity.decimal(quantity), null, adds, Slip.Weight.TERM, link));
    }
}
