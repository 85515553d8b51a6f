package rescient.server.planning;

/**
 * What every planner asks for, tried before anybody sees a plan, because what has never run is slow: done once for each
 * server, and again for a company that is much larger than the one it was done with.
 */
public interface WarmUp {
    /** Does it some times and throws away what comes of it. */
    void warmUp(PlanVersion version) throws Exception;
}
