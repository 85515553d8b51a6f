package rescient.server.orders;

import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import rescient.core.PlannedOrder;
import rescient.core.Source;
import rescient.server.planning.Hold;
import rescient.server.planning.OrderKey;
import rescient.server.planning.PlanVersion;
import rescient.server.planning.PlannedOrders;
import rescient.server.planning.Words;

/** What a choice of planned and firmed orders comes to: what can go, what cannot, and what is no longer there. */
final class Release {
    /** What lets an order go that cannot. */
    enum Cure {
        /** It is held. */
        RESUME,
        SUPPLIER,
        FROM_SITE
    }

    /** An order that cannot be given to anybody, why, and what cures it. */
    record Obstacle(String key, String item, String site, String sentence, Cure cure) {}

    /** A planned order that is no longer asked for, or a firmed one that has gone. */
    record Missing(String key, OrderKey planned) {}

    final PlanVersion version;
    /** Those that can go, by key. */
    final Map<String, Going> ready = new LinkedHashMap<>();

    final List<Obstacle> obstacles = new ArrayList<>();
    final List<Missing> gone = new ArrayList<>();

    /**
     * @param firmed firmed orders by their keys
     * @param held holds by the keys of the planned orders they concern
     */
    Release(PlanVersion version, List<String> keys, Map<String, Going> firmed, Map<String, Hold> held) {
        this.version = version;
        for (String text : keys.stream().distinct().toList()) {
            if (firmed.containsKey(text)) {
                ready.put(text, firmed.get(text));
                continue;
            }
            OrderKey key = OrderKey.isLine(text) ? null : OrderKey.parse(text);
            Optional<PlannedOrder> order = key == null ? Optional.empty() : key.in(version.plan());
            if (order.isEmpty()) {
                gone.add(new Missing(text, key));
            } else {
                sort(text, order.get(), held.get(text));
            }
        }
    }

    private void sort(String key, PlannedOrder order, Hold hold) {
        String obstacle = PlannedOrders.obstacle(order);
        String name = order.item() + " " + version.directory().itemName(order.item());
        if (hold != null) {
            obstacles.add(new Obstacle(
                    key,
                    order.item(),
                    order.site(),
                    name + " is held until " + Words.day((int) hold.until().toEpochDay()) + " by " + hold.name() + ".",
                    Cure.RESUME));
        } else if (obstacle != null) {
            obstacles.add(new Obstacle(
                    key,
                    order.item(),
                    order.site(),
                    name + " has " + obstacle + " at " + version.directory().siteName(order.site()) + ".",
                    order.source() == Source.BUY ? Cure.SUPPLIER : Cure.FROM_SITE));
        } else {
            ready.put(key, Going.planned(version, key, order));
        }
    }

    List<Draft> drafts() {
        return Draft.of(version, List.copyOf(ready.values()));
    }
}
