package rescient.server.platform;

import java.util.List;
import rescient.core.Change;

/**
 * Published in the transaction that changed something the plan depends on; heard after its commit.
 *
 * @param revision the company's revision with the change
 * @param changes all that changed since the revision before; null if the company has to be read again
 */
public record CompanyChanged(long revision, @Nullable List<Change> changes) {}
