package rescient.server.access;

/** What somebody comes for. */
public enum Role {
    PLANNER,
    BUYER,
    STORES,
    SALES,
    APPROVER,
    ENGINEER;

    /** Whether this role may give planned orders of a kind to those who carry them out. */
    public boolean mayRelease(String kind) {
        return this == PLANNER || (this == BUYER && kind.equals("buy"));
    }

    /** Whether this role may release anything at all. */
    public boolean mayRelease() {
        return this == PLANNER || this == BUYER;
    }
}
