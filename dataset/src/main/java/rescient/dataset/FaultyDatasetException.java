package rescient.dataset;

import java.util.List;
import java.util.stream.Collectors;

/** A dataset that was not accepted, with all that is wrong with it. Nothing of it was loaded. */
public final class FaultyDatasetException extends RuntimeException {
    private final List<Fault> faults;
    private final int count;

    FaultyDatasetException(List<Fault> faults, int count) {
        super(count + (count == 1 ? " fault" : " faults") + " in the dataset:\n"
                + faults.stream().map(Fault::toString).collect(Collectors.joining("\n"))
                + (count > faults.size() ? "\n… and " + (count - faults.size()) + " more" : ""));
        this.faults = List.copyOf(faults);
        this.count = count;
    }

    /** The first thousand faults, file by file. */
    public List<Fault> faults() {
        return faults;
    }

    /** How many there are in all. */
    public int count() {
        return count;
    }
}
