package rescient.core.plan;

import java.util.List;
import rescient.core.snapshot.Signal;

/** What can be done about a signal. */
public enum Cure {
    /** The open order comes on the day that the plan proposes. */
    MOVE,
    /** The open order comes on a day that somebody has to find out. */
    ANOTHER_DATE,
    CANCEL,
    CHOOSE_SUPPLIER("supplier", "lead_time_days"),
    CHOOSE_SOURCE("source", "supplier", "from_site", "lead_time_days"),
    /** What is missing is ordered, though nothing says how the stock point is replenished. */
    ORDER_ONCE,
    PLAN_OTHERWISE("safety_stock", "reorder_point", "order_up_to", "lead_time_days"),
    /** To the reorder point that covers the demand over the lead time. */
    RAISE_REORDER_POINT("reorder_point", "order_up_to", "safety_stock", "lead_time_days"),
    /** One of the lines that make the loop goes out of its bill of materials. */
    BREAK_LOOP;

    private final List<String> planningData;

    Cure(String... planningData) {
        this.planningData = List.of(planningData);
    }

    /** Columns of the planning data that are looked at for it; none if it is about something else. */
    public List<String> planningData() {
        return planningData;
    }

    /** What cures a kind of signal, the ordinary way first; nothing for what only the rest of the plan can cure. */
    public static List<Cure> of(Signal.Kind kind) {
        return switch (kind) {
            case BRING_FORWARD, PUSH_BACK -> List.of(MOVE);
            case RECEIPT_OVERDUE -> List.of(ANOTHER_DATE, CANCEL);
            case CANCEL -> List.of(CANCEL);
            case NO_SUPPLIER -> List.of(CHOOSE_SUPPLIER);
            case NO_SOURCE -> List.of(CHOOSE_SOURCE, ORDER_ONCE);
            case BELOW_SAFETY -> List.of(PLAN_OTHERWISE);
            case REORDER_POINT_LOW -> List.of(RAISE_REORDER_POINT);
            case LOOP -> List.of(BREAK_LOOP);
            case DEMAND_LATE, EXPIRING, START_OVERDUE, RELEASE_DUE, INSIDE_FENCE, UNPLANNABLE -> List.of();
        };
    }
}
