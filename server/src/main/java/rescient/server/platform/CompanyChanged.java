package rescient.server.platform;

import java.util.List;
import rescient.dataset.FactChange;

/**
 * What the company became with one revision: heard after the commit of the transaction that made it, and read by servers
 * that did not hear.
 *
 * @param revision the company's revision with the changes
 * @param changes of rows, all there are since the revision before; null if the company has to be read again
 */
public record CompanyChanged(long revision, @Nullable List<FactChange> changes) {
    /** Those that are the company's own, not of the desk beside it. */
    public List<FactChange> rows() {
        return changes == null ? List.of() : FactChange.ofCompany(changes);
    }
}
