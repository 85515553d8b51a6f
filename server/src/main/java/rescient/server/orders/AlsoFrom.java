package rescient.server.orders;

import java.util.ArrayList;
import java.util.Collection;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.stream.Stream;
import rescient.core.company.OpenOrder;
import rescient.core.order.FromTheSame;
import rescient.core.order.FromTheSame.Purchase;
import rescient.core.plan.PlannedOrder;
import rescient.server.planning.Hold;
import rescient.server.planning.OrderKey;
import rescient.server.planning.PlanVersion;
import rescient.server.planning.PlannedOrders;
import rescient.server.planning.PlannedOrders.PlannedOrderRow;

/**
 * What else could go out on a purchase order.
 *
 * @param orders the most urgent ones, that are not held and do not go already
 */
record AlsoFrom(String supplier, String site, List<PlannedOrderRow> orders) {
    /** So many are shown of one supplier. */
    private static final int MOST = 200;

    /**
     * For every purchase order that would come out.
     *
     * @param going keys of what goes already
     * @param days how far ahead, by due date
     */
    static List<AlsoFrom> of(
            PlanVersion version,
            Collection<ReleaseDocument> documents,
            Set<String> going,
            Map<String, Hold> held,
            int days) {
        Set<Purchase> purchases = new LinkedHashSet<>();
        documents.stream()
                .filter(d -> d.kind().equals("buy") && d.supplier() != null)
                .forEach(d -> purchases.add(new Purchase(d.supplier(), d.site())));
        if (purchases.isEmpty()) {
            return List.of();
        }
        int lastDue = (int) version.today().toEpochDay() + days;
        Map<Purchase, List<PlannedOrder>> planned = FromTheSame.of(version.plan(), purchases, lastDue);
        Map<Purchase, List<OpenOrder>> firmed = FromTheSame.firmed(version.plan(), purchases, lastDue);
        List<AlsoFrom> all = new ArrayList<>();
        for (Purchase purchase : purchases) {
            Stream<PlannedOrderRow> rows = Stream.concat(
                    firmed.getOrDefault(purchase, List.of()).stream()
                            .map(order -> PlannedOrders.firmed(version, order)),
                    planned.getOrDefault(purchase, List.of()).stream()
                            .map(order -> PlannedOrders.row(version, order, key(version, order))));
            all.add(new AlsoFrom(
                    purchase.supplier(),
                    purchase.site(),
                    rows.filter(row -> !going.contains(row.key()) && !held.containsKey(row.key()))
                            .limit(MOST)
                            .toList()));
        }
        return all;
    }

    private static OrderKey key(PlanVersion version, PlannedOrder order) {
        return OrderKey.of(version.plan().point(order.item(), order.site()).orElseThrow(), order);
    }
}
