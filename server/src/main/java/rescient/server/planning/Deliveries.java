package rescient.server.planning;

import rescient.server.platform.Nullable;

/** How suppliers delivered, where one of them is chosen. */
public interface Deliveries {
    /** So many of a hundred lines came in time in the last year; null: nobody knows. */
    @Nullable
    Integer inTime(PlanVersion version, String supplier);
}
