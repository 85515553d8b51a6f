package rescient.server.planning;

import java.util.List;
import rescient.core.promise.Promise;
import rescient.server.platform.Sought;

/**
 * Lines of customer orders with the day on which each can be met, by the day wanted.
 *
 * @param rows the first of all that fit
 * @param total how many fit
 * @param late how many of these are late or can never be met
 */
record PromiseList(List<PromiseRow> rows, int total, int late) {
    /**
     * @param onlyLate what is met on the day wanted is left out
     * @param most rows that are sent
     */
    static PromiseList of(PlanVersion version, List<Promise> promises, Sought sought, boolean onlyLate, int most) {
        Directory directory = version.directory();
        List<Promise> fitting = promises.stream()
                .filter(p -> p.late() || !onlyLate)
                .filter(p -> sought.nothing() || sought.in(texts(directory, p)))
                .toList();
        return new PromiseList(
                fitting.stream().limit(most).map(p -> PromiseRow.of(version, p)).toList(), fitting.size(), (int)
                        fitting.stream().filter(Promise::late).count());
    }

    /** By which a line is found. */
    private static String[] texts(Directory directory, Promise promise) {
        var line = promise.line();
        String culprit = promise.causeItem();
        return new String[] {
            line.number(),
            directory.customerOf(line.number(), line.line()),
            line.item(),
            directory.itemName(line.item()),
            culprit,
            culprit == null ? null : directory.itemName(culprit)
        };
    }
}
