package rescient.core.plan;

/**
 * That a supply serves a demand.
 *
 * @param quantity millionths
 */
public record Peg(Supply supply, Demand demand, long quantity) {}
