package rescient.core.plan;

import rescient.core.snapshot.Signal;

/** What a signal asks of a person, in the order of urgency. */
public enum Ask {
    /** Another date for an open order, or none. */
    CHANGE_ORDER,
    /** Master data without which nothing can be ordered. */
    CANNOT_PLAN,
    /** Something will be short, late or wasted. */
    LOOK;

    /** What a kind of signal asks; null if the rows of orders themselves say it. */
    public static Ask of(Signal.Kind kind) {
        return switch (kind) {
            case BRING_FORWARD, PUSH_BACK, CANCEL, RECEIPT_OVERDUE -> CHANGE_ORDER;
            case NO_SOURCE, NO_SUPPLIER, LOOP, UNPLANNABLE -> CANNOT_PLAN;
            case DEMAND_LATE, BELOW_SAFETY, EXPIRING, REORDER_POINT_LOW -> LOOK;
            case START_OVERDUE, RELEASE_DUE, INSIDE_FENCE -> null;
        };
    }
}
