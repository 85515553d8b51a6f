package rescient.dataset;

import java.util.ArrayList;
import java.util.List;

/** Collects what is wrong: the first thousand, and the count. */
final class Faults {
    private static final int KEPT = 1_000;

    private final List<Fault> kept = new ArrayList<>();
    private int count;

    void add(Table table, long row, String column, String value, String wrong, String right) {
        add(table.name() + ".csv", row, column, value, wrong, right);
    }

    void add(String file, long row, String column, String value, String wrong, String right) {
        count++;
        if (kept.size() < KEPT) {
            kept.add(new Fault(file, row, column, value, wrong, right));
        }
    }

    /** Those of another behind these. */
    void addAll(Faults others) {
        count += others.count;
        kept.addAll(others.kept.subList(0, Math.min(others.kept.size(), KEPT - kept.size())));
    }

    int count() {
        return count;
    }

    boolean none() {
        return count == 0;
    }

    void refuse() {
        if (count > 0) {
            throw new FaultyDatasetException(kept, count);
        }
    }
}
