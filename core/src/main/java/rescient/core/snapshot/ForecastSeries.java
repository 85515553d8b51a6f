package rescient.core.snapshot;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.function.ToIntBiFunction;
import rescient.core.company.CustomerOrderLine;
import rescient.core.company.Earmark;
import rescient.core.company.ForecastBucket;
import rescient.core.company.PlanningData;
import rescient.core.company.Shipment;

/** Puts each item's forecast at a site together with what consumes it, for a snapshot. */
final class ForecastSeries {
    private static final class Draft {
        final List<ForecastBucket> buckets = new ArrayList<>();
        final List<Shipment> shipments = new ArrayList<>();
        final List<CustomerOrderLine> orders = new ArrayList<>();
    }

    private final Rows rows;
    private final SnapshotParts parts;
    private final ToIntBiFunction<String, String> pointOf;

    ForecastSeries(Rows rows, SnapshotParts parts, ToIntBiFunction<String, String> pointOf) {
        this.rows = rows;
        this.parts = parts;
        this.pointOf = pointOf;
    }

    /** Fills {@link SnapshotParts#outlooks}, their numbers and {@link SnapshotParts#outlooksOf}. */
    void all(ItemSiteIndex forecasts, ItemSiteIndex orders) {
        parts.outlookNumbers = new HashMap<>();
        Map<Long, Draft> drafts = new LinkedHashMap<>();
        for (int i = 0; i < rows.forecasts.length; i++) {
            drafts.computeIfAbsent(key(forecasts.item[i], forecasts.site[i]), k -> new Draft())
                    .buckets
                    .add(rows.forecasts[i]);
        }
        parts.outlooksOf = new int[parts.network.points.length][];
        parts.outlooks = new ForecastConsumption.Outlook[drafts.size()];
        if (drafts.isEmpty()) {
            return;
        }
        for (Shipment shipment : rows.shipments) {
            Draft draft = drafts.get(key(
                    ItemSiteIndex.number(parts.itemIndex, shipment.item(), "item"),
                    ItemSiteIndex.number(parts.siteIndex, shipment.site(), "site")));
            if (draft != null) {
                draft.shipments.add(shipment);
            }
        }
        for (int i = 0; i < rows.customerOrders.size(); i++) {
            CustomerOrderLine order = rows.customerOrders.get(i);
            // a kit with other parts was expected as the kit that it is
            int item = order.parts() == null
                    ? orders.item[i]
                    : ItemSiteIndex.number(parts.itemIndex, Earmark.item(order.item()), "item");
            Draft draft = drafts.get(key(item, orders.site[i]));
            if (draft != null) {
                draft.orders.add(order);
            }
        }
        int o = 0;
        for (Map.Entry<Long, Draft> draft : drafts.entrySet()) {
            ForecastConsumption.Outlook outlook = outlook(draft.getValue());
            parts.outlookNumbers.put(draft.getKey(), o);
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

    private long key(int item, int site) {
        return (long) item * parts.siteIndex.size() + site;
    }

    private ForecastConsumption.Outlook outlook(Draft draft) {
        String item = draft.buckets.get(0).item();
        String site = draft.buckets.get(0).site();
        PlanningData data = rows.planning(item, site);
        List<Kits.Part> kitParts = parts.documents.parts(item);
        return new ForecastConsumption.Outlook(
                item,
                site,
                rows.sites.get(site),
                data.consumeBackDays,
                data.consumeForwardDays,
                data.demandFenceDays,
                draft.buckets.toArray(ForecastBucket[]::new),
                draft.buckets.stream().mapToInt(ForecastBucket::fromDay).toArray(),
                draft.buckets.stream().mapToInt(ForecastBucket::lastDay).toArray(),
                draft.shipments,
                SnapshotAssembly.byDueDate(draft.orders),
                kitParts,
                kitParts.stream()
                        .mapToInt(p -> pointOf.applyAsInt(p.component(), site))
                        .toArray());
    }
}
