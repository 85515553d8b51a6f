package rescient.server.changes;

import java.math.BigDecimal;
import java.time.Instant;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import rescient.core.ChangeLog;
import rescient.core.OrderChange;
import rescient.core.PlanDifference;
import rescient.core.PlannedOrder;
import rescient.core.Quantity;
import rescient.core.Source;
import rescient.dataset.Row;
import rescient.server.planning.Directory;
import rescient.server.planning.OrderKey;
import rescient.server.planning.PlanVersion;
import rescient.server.planning.Words;
import rescient.server.platform.Nullable;

/**
 * What changed in the plan over some time.
 *
 * @param since the moment asked for, or that of the oldest plan that is known if that is later
 * @param causes what happened, newest first
 * @param orders planned orders, by cause
 * @param customerOrders those that became late or were saved
 * @param left changes of planned orders that were too many to be kept
 */
record ChangesView(
        @Nullable Instant since,
        List<CauseRow> causes,
        List<OrderChangeRow> orders,
        List<PromiseChangeRow> customerOrders,
        int left) {

    /**
     * @param id named by the changes it caused
     * @param name who did it, null if nobody
     * @param number of the open order that did not come
     * @param orders how many planned orders it changed
     * @param worse how many customer order lines it made late or later; {@code better}: saved or less late
     */
    record CauseRow(
            int id,
            Instant at,
            String kind,
            @Nullable String name,
            String sentence,
            @Nullable String number,
            int orders,
            int worse,
            int better) {}

    /** Quantity and dates of a planned order. */
    record OrderFacts(String source, @Nullable String partner, BigDecimal quantity, LocalDate start, LocalDate due) {}

    /**
     * @param key of the planned order as the plan has it now, or of the firmed or released one; null if it is gone
     * @param kind new, gone, changed, firmed or released
     * @param ways earlier, later, bigger, smaller, otherwise
     * @param days calendar days from the old due date to the new one
     * @param more how much the quantity grew
     */
    record OrderChangeRow(
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
    record PromiseChangeRow(
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

    static ChangesView of(PlanVersion version, Instant since, @Nullable Instant beginning, List<JournalEntry> entries) {
        ChangeLog<JournalEntry.Happened> log = new ChangeLog<>();
        Map<JournalEntry.Happened, Integer> ids = new LinkedHashMap<>();
        int left = 0;
        for (JournalEntry entry : entries) {
            entry.causes().forEach(cause -> ids.putIfAbsent(cause, ids.size()));
            entry.orders().forEach(o -> log.add(o.change(), causes(entry, o.by())));
            entry.late().forEach(l -> log.add(l.change(), causes(entry, l.by())));
            left += entry.left();
        }
        List<OrderChangeRow> orders = log.orders().stream()
                .map(o -> row(version, o.change(), ids(ids, o.causes())))
                .sorted(Comparator.comparing((OrderChangeRow r) -> facts(r).start())
                        .thenComparing(OrderChangeRow::item)
                        .thenComparing(OrderChangeRow::site))
                .toList();
        List<PromiseChangeRow> promises = log.lateness().stream()
                .map(l -> row(version, l.change(), ids(ids, l.causes())))
                .toList();
        return new ChangesView(
                beginning == null || since.isAfter(beginning) ? since : beginning,
                rows(List.copyOf(ids.keySet()), orders, promises),
                orders,
                promises,
                left);
    }

    private static OrderFacts facts(OrderChangeRow row) {
        return row.after != null ? row.after : row.before;
    }

    private static List<JournalEntry.Happened> causes(JournalEntry entry, List<Integer> by) {
        return by.stream().map(entry.causes()::get).toList();
    }

    private static List<Integer> ids(Map<JournalEntry.Happened, Integer> ids, List<JournalEntry.Happened> causes) {
        return causes.stream().map(ids::get).toList();
    }

    private static List<CauseRow> rows(
            List<JournalEntry.Happened> happened, List<OrderChangeRow> orders, List<PromiseChangeRow> promises) {
        List<CauseRow> rows = new ArrayList<>();
        for (int id = happened.size() - 1; id >= 0; id--) {
            JournalEntry.Happened cause = happened.get(id);
            Integer me = id;
            rows.add(new CauseRow(
                    id,
                    cause.at(),
                    Words.word(cause.kind()),
                    cause.name(),
                    cause.sentence(),
                    cause.number(),
                    (int) orders.stream().filter(o -> o.causes.contains(me)).count(),
                    (int) promises.stream()
                            .filter(p -> !p.better && p.causes.contains(me))
                            .count(),
                    (int) promises.stream()
                            .filter(p -> p.better && p.causes.contains(me))
                            .count()));
        }
        return rows;
    }

    private static OrderChangeRow row(PlanVersion version, OrderChange change, List<Integer> causes) {
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
                directory.items().containsKey(order.item()) ? directory.unit(order.item()) : "",
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

    private static String key(PlanVersion version, OrderChange change) {
        if (change.became() != null) {
            return OrderKey.ofLine(change.became().number(), change.became().line());
        }
        PlannedOrder order = change.after();
        return order == null
                ? null
                : version.plan()
                        .point(order.item(), order.site())
                        .flatMap(point -> point.plannedOrders().stream()
                                .filter(o -> o.dueDay() == order.dueDay() && o.quantity() == order.quantity())
                                .findFirst()
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

    private static PromiseChangeRow row(PlanVersion version, PlanDifference.Lateness late, List<Integer> causes) {
        Directory directory = version.directory();
        Row row = directory.customerOrder(late.number(), late.line());
        Integer never = PlanDifference.Lateness.NEVER;
        return new PromiseChangeRow(
                late.number(),
                late.line(),
                row == null ? null : directory.customerName(row.text("customer")),
                late.item(),
                directory.itemName(late.item()),
                Words.date(late.dueDay()),
                never.equals(late.before()) ? null : Words.dateOrNull(late.before()),
                never.equals(late.after()) ? null : Words.dateOrNull(late.after()),
                never.equals(late.before()),
                never.equals(late.after()),
                late.better(),
                row != null,
                causes);
    }
}
