package rescient.server.platform;

import java.util.List;
import rescient.core.company.Change;
import rescient.dataset.Row;

/**
 * Published in the transaction that changed something the plan depends on; heard after its commit.
 *
 * @param revision the company's revision with the change
 * @param planning rows by which stock points are planned otherwise
 * @param changes all else that changed since the revision before; null if the company has to be read again
 */
public record CompanyChanged(
        long revision, List<Row> planning, @Nullable List<Change> changes) {
    public CompanyChanged(long revision, @Nullable List<Change> changes) {
        this(revision, List.of(), changes);
    }
}
