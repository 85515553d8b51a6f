package rescient.server.changes;

import java.time.Instant;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.PriorityQueue;
import rescient.core.compare.ChangeLog;
import rescient.core.compare.OrderChange;
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
 * @param orders planned orders, those that start first; of very many, the first
 * @param orderCount how many there are, of all causes
 * @param customerOrders those that became late or were saved
 * @param left changes of planned orders that were too many to be kept
 */
record ChangesView(
        @Nullable Instant since,
        List<CauseRow> causes,
        List<Integer> found,
        List<ChangeRows.OrderChangeRow> orders,
        int orderCount,
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

    /**
     * What is asked for.
     *
     * @param sought in the causes
     * @param cause only orders that it changed; null: of all causes
     * @param most orders that are sent
     */
    record Asked(Sought sought, @Nullable Integer cause, int most) {}

    private static final Comparator<OrderChange> BY_START = Comparator.comparingInt(
                    (OrderChange change) -> change.order().startDay())
            .thenComparing(change -> change.order().item())
            .thenComparing(change -> change.order().site());

    static ChangesView of(
            PlanVersion version, Instant since, @Nullable Instant beginning, RunningLog told, Asked asked) {
        List<ChangeLog.Caused<OrderChange, Integer>> all = told.log().orders();
        List<ChangeRows.OrderChangeRow> orders = first(all, asked).stream()
                .map(o -> ChangeRows.of(version, o.change(), o.causes()))
                .toList();
        List<ChangeRows.PromiseChangeRow> promises = told.log().lateness().stream()
                .map(l -> ChangeRows.of(version, l.change(), l.causes()))
                .toList();
        List<CauseRow> rows = rows(told.causes(), all, promises);
        return new ChangesView(
                beginning == null || since.isAfter(beginning) ? since : beginning,
                rows,
                rows.stream()
                        .filter(cause -> asked.sought.in(cause.name(), cause.sentence()))
                        .map(CauseRow::id)
                        .toList(),
                orders,
                all.size(),
                promises,
                told.left());
    }

    /** Those of what is asked for that start first; of very many the rest is not sorted. */
    private static List<ChangeLog.Caused<OrderChange, Integer>> first(
            List<ChangeLog.Caused<OrderChange, Integer>> all, Asked asked) {
        Comparator<ChangeLog.Caused<OrderChange, Integer>> order =
                Comparator.comparing(ChangeLog.Caused::change, BY_START);
        PriorityQueue<ChangeLog.Caused<OrderChange, Integer>> first = new PriorityQueue<>(order.reversed());
        int latest = Integer.MAX_VALUE;
        for (ChangeLog.Caused<OrderChange, Integer> one : all) {
            boolean wanted = asked.cause == null || one.causes().contains(asked.cause);
            if (wanted && one.change().order().startDay() <= latest) {
                first.add(one);
                if (first.size() > asked.most) {
                    first.remove();
                    latest = first.element().change().order().startDay();
                }
            }
        }
        return first.stream().sorted(order).toList();
    }

    private static List<CauseRow> rows(
            List<JournalEntry.Happened> happened,
            List<ChangeLog.Caused<OrderChange, Integer>> orders,
            List<ChangeRows.PromiseChangeRow> promises) {
        int[] changed = new int[happened.size()];
        int[] better = new int[happened.size()];
        int[] worse = new int[happened.size()];
        orders.forEach(order -> order.causes().forEach(id -> changed[id]++));
        promises.forEach(promise -> promise.causes().forEach(id -> (promise.better() ? better : worse)[id]++));
        List<CauseRow> rows = new ArrayList<>();
        for (int id = happened.size() - 1; id >= 0; id--) {
            JournalEntry.Happened cause = happened.get(id);
            rows.add(new CauseRow(
                    id,
                    cause.at(),
                    Words.word(cause.kind()),
                    cause.name(),
                    cause.sentence(),
                    cause.number(),
                    changed[id],
                    worse[id],
                    better[id]));
        }
        return rows;
    }
}
