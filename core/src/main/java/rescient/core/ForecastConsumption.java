package rescient.core;

import java.util.List;

/**
 * Section 3 of the planning rules: what is left of the forecast when shipments and customer orders have taken their part.
 */
final class ForecastConsumption {
    static final int PRIORITY = 9;

    /**
     * The forecast of one item at one site with what consumes it.
     *
     * @param rows its buckets in order of their first day, by index in the snapshot
     * @param orders customer order lines of the item itself, in order of due date, number, line
     * @param parts the item, or the parts of a kit, with the stock point of each
     */
    record Outlook(
            WorkCalendar calendar,
            int backDays,
            int forwardDays,
            int fenceDays,
            int[] rows,
            List<Shipment> shipments,
            List<CustomerOrderLine> orders,
            List<Kits.Part> parts,
            int[] points) {}

    private final Snapshot snapshot;
    private final PlanOptions options;
    private final Outlook outlook;
    private final ForecastBucket[] buckets;
    private final long[] left;

    private ForecastConsumption(Snapshot snapshot, PlanOptions options, Outlook outlook) {
        this.snapshot = snapshot;
        this.options = options;
        this.outlook = outlook;
        this.buckets = new ForecastBucket[outlook.rows.length];
        this.left = new long[buckets.length];
        for (int i = 0; i < buckets.length; i++) {
            buckets[i] = snapshot.forecasts.get(outlook.rows[i]);
            // buckets that have ended take no part
            left[i] = buckets[i].lastDay() < snapshot.today ? 0 : buckets[i].quantity();
        }
    }

    /** The net forecast of every stock point; null where there is none. */
    static DemandList[] of(Snapshot snapshot, PlanOptions options) {
        DemandList[] demands = new DemandList[snapshot.points.length];
        if (!options.without().contains(PlanOptions.Kind.FORECAST)) {
            for (Outlook outlook : snapshot.outlooks) {
                ForecastConsumption consumption = new ForecastConsumption(snapshot, options, outlook);
                if (snapshot.forecastConsumption) {
                    consumption.consume();
                }
                consumption.addTo(demands);
            }
        }
        return demands;
    }

    private void consume() {
        int current = holding(snapshot.today);
        if (current >= 0) {
            for (Shipment shipment : outlook.shipments) {
                if (shipment.day() <= snapshot.today && buckets[current].holds(shipment.day())) {
                    take(shipment.day(), shipment.quantity());
                }
            }
        }
        for (CustomerOrderLine order : outlook.orders) {
            if (options.counts(order)) {
                take(order.dueDay(), order.quantity());
            }
        }
    }

    private int holding(int day) {
        for (int i = 0; i < buckets.length; i++) {
            if (buckets[i].holds(day)) {
                return i;
            }
        }
        return -1;
    }

    /** From the bucket that holds the day, then from earlier ones, then from later ones, nearest first. */
    private void take(int day, long quantity) {
        long wanted = quantity;
        int own = holding(day);
        if (own >= 0) {
            wanted = takeFrom(own, wanted);
        }
        for (int i = buckets.length - 1; i >= 0 && wanted > 0; i--) {
            if (buckets[i].lastDay() < day && day - buckets[i].lastDay() <= outlook.backDays) {
                wanted = takeFrom(i, wanted);
            }
        }
        for (int i = 0; i < buckets.length && wanted > 0; i++) {
            if (buckets[i].fromDay() > day && buckets[i].fromDay() - day <= outlook.forwardDays) {
                wanted = takeFrom(i, wanted);
            }
        }
    }

    private long takeFrom(int bucket, long wanted) {
        long taken = Math.min(left[bucket], wanted);
        left[bucket] -= taken;
        return wanted - taken;
    }

    private void addTo(DemandList[] demands) {
        for (int i = 0; i < buckets.length; i++) {
            int day = demandDay(buckets[i]);
            boolean fenced = day < snapshot.today + outlook.fenceDays && !buckets[i].holds(snapshot.today);
            if (left[i] <= 0 || fenced || day > snapshot.horizonEnd) {
                continue;
            }
            int position = 0;
            for (Kits.Part part : outlook.parts) {
                int point = outlook.points[position];
                if (part.validOn(day)) {
                    if (demands[point] == null) {
                        demands[point] = new DemandList(4);
                    }
                    demands[point].add(
                            DemandKind.FORECAST,
                            outlook.rows[i],
                            day,
                            day,
                            part.needed(left[i], snapshot.points[point].step),
                            PRIORITY,
                            snapshot.setRank.get(buckets[i].set()),
                            DemandList.DATE_LINE + buckets[i].fromDay(),
                            -1,
                            -1,
                            -1,
                            position);
                }
                position++;
            }
        }
    }

    /** The first working day of a bucket, its first day if it has none, or today if that has passed. */
    private int demandDay(ForecastBucket bucket) {
        int working = outlook.calendar.forth(bucket.fromDay(), 0);
        return Math.max(working <= bucket.lastDay() ? working : bucket.fromDay(), snapshot.today);
    }
}
