package rescient.server.orders;

import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import rescient.core.PlannedOrder;
import rescient.server.planning.OrderKey;
import rescient.server.planning.PlanVersion;
import rescient.server.planning.PlannedOrders;

/** What a choice of planned orders comes to, in one plan: what can go, what cannot, and what is no longer there. */
final class Release {
    /** A planned order that cannot be given to anybody, and why. */
    record Obstacle(String key, String item, String site, String sentence) {}

    final PlanVersion version;
    /** Those that can go, by key. */
    final Map<String, PlannedOrder> ready = new LinkedHashMap<>();

    final List<Obstacle> obstacles = new ArrayList<>();
    final List<OrderKey> gone = new ArrayList<>();

    Release(PlanVersion version, List<String> keys) {
        this.version = version;
        for (String text : keys.stream().distinct().toList()) {
            OrderKey key = OrderKey.parse(text);
            Optional<PlannedOrder> order = key.in(version.plan());
            if (order.isEmpty()) {
                gone.add(key);
            } else {
                sort(text, order.get());
            }
        }
    }

    private void sort(String key, PlannedOrder order) {
        String obstacle = PlannedOrders.obstacle(order);
        if (obstacle == null) {
            ready.put(key, order);
            return;
        }
        String sentence = order.item() + " " + version.directory().itemName(order.item()) + " has " + obstacle + " at "
                + version.directory().siteName(order.site()) + ".";
        obstacles.add(new Obstacle(key, order.item(), order.site(), sentence));
    }

    List<Draft> drafts() {
        return Draft.of(version, ready);
    }
}
