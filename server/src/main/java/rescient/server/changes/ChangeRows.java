package rescient.server.changes;

import java.math.BigDecimal;
import java.time.LocalDate;
import java.util.Comparator;
import java.util.List;
import rescient.core.base.Quantity;
import rescient.core.company.Source;
import rescient.core.compare.OrderChange;
import rescient.core.compare.PlanDifference;
import rescient.core.plan.PlannedOrder;
import rescient.server.planning.Directory;
import rescient.server.planning.OrderKey;
import rescient.server.planning.PlanVersion;
import rescient.server.planning.Words;
import rescient.server.platform.Nullable;

/** Changes of planned orders and of customer orders as rows. */
public final class ChangeRows {
    /** By start, item and site. */
    public static final Comparator<OrderChangeRow> BY_START = Comparator.comparing(
                    (OrderChangeRow r) -> (r.after != null ? r.after : r.before).start())
            .thenComparing(OrderChangeRow::item)
            .thenComparing(OrderChangeRow::site);

    private ChangeRows() {}

    /** Quantity and dates of a planned order. */
    public record OrderFacts(
            String source, @Nullable String partner, BigDecimal quantity, LocalDate start, LocalDate due) {}

    /**
     * @param key of the planned order as the plan has it now, or of the firmed or released one; null if it is gone
     * @param kind new, gone, changed, firmed or released
     * @param ways earlier, later, bigger, smaller, otherwise
     * @param days calendar days from the old due date to the new one
     * @param more how much the quantity grew
     */
    public record OrderChangeRow(
            @Nullable String key,
            String kind,
            List<String> ways,
            String item,
            String itemName,
            String site,
            String siteName,
            String unit,
            @Nullable String number,
            @Nullable OrderFacts before,
            @Nullable OrderFacts after,
            @Nullable Integer days,
            @Nullable BigDecimal more,
            List<Integer> causes) {}

    /**
     * @param before possible day, null if it was on time; so is {@code after}
     * @param better saved, or less late
     */
    public record PromiseChangeRow(
            String number,
            String line,
            @Nullable String customer,
            String item,
            String itemName,
            LocalDate wanted,
            @Nullable LocalDate before,
            @Nullable LocalDate after,
            boolean neverBefore,
            boolean neverAfter,
            boolean better,
            boolean open,
            List<Integer> causes) {}

    /** @param causes ids of what caused it */
    public static OrderChangeRow of(PlanVersion version, OrderChange change, List<Integer> causes) {
        Directory directory = version.directory();
        PlannedOrder order = change.order();
        boolean changed = change.kind() == OrderChange.Kind.CHANGED;
        return new OrderChangeRow(
                key(version, change),
                Words.word(change.kind()),
                change.ways().stream().map(Words::word).toList(),
                order.item(),
                directory.itemName(order.item()),
                order.site(),
                directory.siteName(order.site()),
                directory.item(order.item()) != null ? directory.unit(order.item()) : "",
                change.became() == null ? null : change.became().number(),
                facts(directory, change.before()),
                facts(directory, change.after()),
                changed ? change.after().dueDay() - change.before().dueDay() : null,
                changed
                        ? Quantity.decimal(
                                change.after().quantity() - change.before().quantity())
                        : null,
                causes);
    }

    static String key(PlanVersion version, OrderChange change) {
        if (change.became() != null) {
            return OrderKey.ofLine(change.became().number(), change.became().line());
        }
        PlannedOrder order = change.after();
        return order == null
                ? null
                : version.plan()
                        .point(order.item(), order.site())
                        .flatMap(point -> point.plannedOrder(order.dueDay(), order.quantity())
                                .map(o -> OrderKey.of(point, o).text()))
                        .orElse(null);
    }

    private static OrderFacts facts(Directory directory, PlannedOrder order) {
        if (order == null) {
            return null;
        }
        String partner = order.source() == Source.BUY
                ? directory.supplierName(order.supplier())
                : directory.siteName(order.fromSite());
        return new OrderFacts(
                Words.word(order.source()),
                partner,
                Quantity.decimal(order.quantity()),
                Words.date(order.startDay()),
                Words.date(order.dueDay()));
    }

    /** @param causes ids of what caused it */
    public static PromiseChangeRow of(PlanVersion version, PlanDifference.Lateness late, List<Integer> causes) {
        Directory directory = version.directory();
        Integer never = PlanDifference.Lateness.NEVER;
        return new PromiseChangeRow(
                late.number(),
                late.line(),
                directory.customerOf(late.number(), late.line()),
                late.item(),
                directory.itemName(late.item()),
                Words.date(late.dueDay()),
                never.equals(late.before()) ? null : Words.dateOrNull(late.before()),
                never.equals(late.after()) ? null : Words.dateOrNull(late.after()),
                never.equals(late.before()),
                never.equals(late.after()),
                late.better(),
                directory.customerOrder(late.number(), late.line()) != null,
                causes);
    }
}
