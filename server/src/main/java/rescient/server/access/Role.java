package rescient.server.access;

/** What somebody comes for. */
public enum Role {
    PLANNER,
    BUYER,
    STORES,
    FOREMAN,
    SALES,
    APPROVER,
    ENGINEER;

    /** What somebody in this role may do. */
    public Rights rights() {
        return Rights.of(this);
    }
}
