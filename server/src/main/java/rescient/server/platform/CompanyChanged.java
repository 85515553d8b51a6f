package rescient.server.platform;

/**
 * Published in the transaction that changed something the plan depends on; heard after its commit.
 *
 * @param revision the company's revision with the change
 */
public record CompanyChanged(long revision) {}
