package rescient.core;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.function.ToIntBiFunction;

/** Puts each item's forecast at a site together with what consumes it, for a snapshot. */
final class Outlooks {
    private record Key(String item, String site) {}

    private static final class Draft {
        final List<ForecastBucket> buckets = new ArrayList<>();
        final List<Shipment> shipments = new ArrayList<>();
        final List<CustomerOrderLine> orders = new ArrayList<>();
    }

    private final Rows rows;
    private final SnapshotParts parts;
    private final ToIntBiFunction<String, String> pointOf;

    Outlooks(Rows rows, SnapshotParts parts, ToIntBiFunction<String, String> pointOf) {
        this.rows = rows;
        this.parts = parts;
        this.pointOf = pointOf;
    }

    /** Fills {@link SnapshotParts#outlooks} and {@link SnapshotParts#outlooksOf}. */
    void all() {
        Map<Key, Draft> drafts = new LinkedHashMap<>();
        for (ForecastBucket bucket : rows.forecasts) {
            drafts.computeIfAbsent(new Key(bucket.item(), bucket.site()), k -> new Draft())
                    .buckets
                    .add(bucket);
        }
        parts.outlooksOf = new int[parts.network.points.length][];
        parts.outlooks = new ForecastConsumption.Outlook[drafts.size()];
        if (drafts.isEmpty()) {
            return;
        }
        for (Shipment shipment : rows.shipments) {
            Draft draft = drafts.get(new Key(shipment.item(), shipment.site()));
            if (draft != null) {
                draft.shipments.add(shipment);
            }
        }
        for (CustomerOrderLine order : rows.customerOrders) {
            Draft draft = drafts.get(new Key(order.item(), order.site()));
            if (draft != null) {
                draft.orders.add(order);
            }
        }
        int o = 0;
        for (Map.Entry<Key, Draft> entry : drafts.entrySet()) {
            ForecastConsumption.Outlook outlook = outlook(entry.getKey(), entry.getValue());
            for (int p : outlook.points()) {
                int[] known = parts.outlooksOf[p];
                if (known == null) {
                    parts.outlooksOf[p] = new int[] {o};
                } else if (known[known.length - 1] != o) {
                    int[] more = Arrays.copyOf(known, known.length + 1);
                    more[known.length] = o;
                    parts.outlooksOf[p] = more;
                }
            }
            parts.outlooks[o++] = outlook;
        }
    }

    private ForecastConsumption.Outlook outlook(Key key, Draft draft) {
        PlanningData data = rows.planning(key.item, key.site);
        List<Kits.Part> kitParts = parts.documents.parts(key.item);
        return new ForecastConsumption.Outlook(
                key.item,
                key.site,
                rows.sites.get(key.site),
                data.consumeBackDays,
                data.consumeForwardDays,
                data.demandFenceDays,
                draft.buckets.toArray(ForecastBucket[]::new),
                draft.buckets.stream().mapToInt(ForecastBucket::lastDay).toArray(),
                draft.shipments,
                SnapshotAssembly.byDueDate(draft.orders),
                kitParts,
                kitParts.stream()
                        .mapToInt(p -> pointOf.applyAsInt(p.component(), key.site))
                        .toArray());
    }
}
