package rescient.server.changes;

import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import rescient.core.compare.ChangeLog;

/** What the plans since a moment changed, told on from plan to plan: what was told before is not told again. */
final class RunningLog {
    private final ChangeLog<Integer> log = new ChangeLog<>();
    private final Map<JournalEntry.Happened, Integer> ids = new LinkedHashMap<>();
    private int left;
    private long first;
    private long last;

    /** The first entry that it was told, 0 if none. */
    long first() {
        return first;
    }

    /** The last one. */
    long last() {
        return last;
    }

    void tell(List<Journal.Kept> entries) {
        for (Journal.Kept kept : entries) {
            JournalEntry entry = kept.entry();
            List<Integer> here = new ArrayList<>();
            for (JournalEntry.Happened cause : entry.causes()) {
                here.add(ids.computeIfAbsent(cause, c -> ids.size()));
            }
            entry.orders().forEach(o -> log.add(o.change(), causes(here, o.by())));
            entry.late().forEach(l -> log.add(l.change(), causes(here, l.by())));
            left += entry.left();
            first = first == 0 ? kept.id() : first;
            last = kept.id();
        }
    }

    /** @param ids of an entry's causes, in their places */
    private static List<Integer> causes(List<Integer> ids, List<Integer> by) {
        return by.stream().map(ids::get).toList();
    }

    /** What came of it, with the numbers of its causes among {@link #causes()}. */
    ChangeLog<Integer> log() {
        return log;
    }

    /** What happened, in order. */
    List<JournalEntry.Happened> causes() {
        return List.copyOf(ids.keySet());
    }

    /** How many changes of planned orders were too many to be kept. */
    int left() {
        return left;
    }
}
