package rescient.server.planning;

import rescient.server.platform.Nullable;

/** Is told of every new plan, before anybody else sees it. */
public interface PlanFollower {
    /** @param before null if the server has just started */
    void follow(@Nullable PlanVersion before, PlanVersion next);
}
