package rescient.server.planning;

/** Plans beside the live one that can be looked at like it. */
public interface OtherPlans {
    /** The plan of a what-if upon the live one as it is now. */
    PlanVersion whatIf(long id);
}
