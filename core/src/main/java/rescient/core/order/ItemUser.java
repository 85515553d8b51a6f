package rescient.core.order;

import java.util.List;
import rescient.core.plan.Demand;

/**
 * A production order that uses an item.
 *
 * @param planned the planned order, or null; then {@code number} and {@code line} name an open one
 * @param phantoms those that the item is a part of in it, from below
 */
public record ItemUser(Demand.OrderRef planned, String number, String line, List<String> phantoms) {
    public ItemUser {
        phantoms = List.copyOf(phantoms);
    }
}
