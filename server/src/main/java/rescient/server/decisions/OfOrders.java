package rescient.server.decisions;

import java.util.List;
import rescient.server.access.Rights;
import rescient.server.platform.Nullable;

/** A command about orders of the plan, planned or open. */
sealed interface OfOrders extends PlanCommand
        permits FirmOrders,
                ChangeOrders,
                MergeOrders,
                SplitOrders,
                HoldOrders,
                ResumeOrders,
                CancelOrders,
                UseAlternative {
    /** So many at most. */
    int MOST_ORDERS = 2000;

    /** Keys of planned orders, or {@code number~line} of orders given out. */
    @Nullable
    List<String> orders();

    /** @param chosen the orders that are still there */
    void propose(Proposing desk, List<Target> chosen);

    @Override
    default void propose(Proposing desk) {
        propose(desk, desk.chosen(orders() == null ? List.of() : orders()));
    }

    @Override
    default boolean permitted(Rights rights, List<String> sources) {
        return rights.mayDecide(sources);
    }
}
