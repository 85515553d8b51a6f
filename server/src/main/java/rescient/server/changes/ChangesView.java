package rescient.server.changes;

import java.time.Instant;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import rescient.core.compare.ChangeLog;
import rescient.server.planning.PlanVersion;
import rescient.server.planning.Words;
import rescient.server.platform.Nullable;
import rescient.server.platform.Sought;

/**
 * What changed in the plan over some time.
 *
 * @param since the moment asked for, or that of the oldest plan that is known if that is later
 * @param causes what happened, newest first
 * @param found ids of the causes that fit what is looked for, in the same order
 * @param orders planned orders, by cause
 * @param customerOrders those that became late or were saved
 * @param left changes of planned orders that were too many to be kept
 */
record ChangesView(
        @Nullable Instant since,
        List<CauseRow> causes,
        List<Integer> found,
        List<ChangeRows.OrderChangeRow> orders,
        List<ChangeRows.PromiseChangeRow> customerOrders,
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

    static ChangesView of(
            PlanVersion version,
            Instant since,
            @Nullable Instant beginning,
            List<JournalEntry> entries,
            Sought sought) {
        ChangeLog<JournalEntry.Happened> log = new ChangeLog<>();
        Map<JournalEntry.Happened, Integer> ids = new LinkedHashMap<>();
        int left = 0;
        for (JournalEntry entry : entries) {
            entry.causes().forEach(cause -> ids.putIfAbsent(cause, ids.size()));
            entry.orders().forEach(o -> log.add(o.change(), causes(entry, o.by())));
            entry.late().forEach(l -> log.add(l.change(), causes(entry, l.by())));
            left += entry.left();
        }
        List<ChangeRows.OrderChangeRow> orders = log.orders().stream()
                .map(o -> ChangeRows.of(version, o.change(), ids(ids, o.causes())))
                .sorted(ChangeRows.BY_START)
                .toList();
        List<ChangeRows.PromiseChangeRow> promises = log.lateness().stream()
                .map(l -> ChangeRows.of(version, l.change(), ids(ids, l.causes())))
                .toList();
        List<CauseRow> rows = rows(List.copyOf(ids.keySet()), orders, promises);
        return new ChangesView(
                beginning == null || since.isAfter(beginning) ? since : beginning,
                rows,
                rows.stream()
                        .filter(cause -> sought.in(cause.name(), cause.sentence()))
                        .map(CauseRow::id)
                        .toList(),
                orders,
                promises,
                left);
    }

    private static List<JournalEntry.Happened> causes(JournalEntry entry, List<Integer> by) {
        return by.stream().map(entry.causes()::get).toList();
    }

    private static List<Integer> ids(Map<JournalEntry.Happened, Integer> ids, List<JournalEntry.Happened> causes) {
        return causes.stream().map(ids::get).toList();
    }

    private static List<CauseRow> rows(
            List<JournalEntry.Happened> happened,
            List<ChangeRows.OrderChangeRow> orders,
            List<ChangeRows.PromiseChangeRow> promises) {
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
                    (int) orders.stream().filter(o -> o.causes().contains(me)).count(),
                    (int) promises.stream()
                            .filter(p -> !p.better() && p.causes().contains(me))
                            .count(),
                    (int) promises.stream()
                            .filter(p -> p.better() && p.causes().contains(me))
                            .count()));
        }
        return rows;
    }
}
