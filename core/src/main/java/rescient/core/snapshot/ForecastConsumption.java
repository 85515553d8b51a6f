package rescient.core.snapshot;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.stream.Stream;
import rescient.core.base.WorkCalendar;
import rescient.core.company.CustomerOrderLine;
import rescient.core.company.ForecastBucket;
import rescient.core.company.PlanningData;
import rescient.core.company.Shipment;

/**
 * Section 3 of the planning rules: what is left of the forecast when shipments and customer orders have taken their part.
 */
public final class ForecastConsumption {
    public static final int PRIORITY = 9;

    /**
     * The forecast of one item at one site with what consumes it.
     *
     * @param buckets in order of their first day
     * @param firstDays of the buckets, which do not overlap
     * @param lastDays of the buckets
     * @param orders customer order lines of the item itself, in order of due date, number, line
     * @param parts the item, or the parts of a kit, with the stock point of each
     */
    record Outlook(
            String item,
            String site,
            WorkCalendar calendar,
            int backDays,
            int forwardDays,
            int fenceDays,
            ForecastBucket[] buckets,
            int[] firstDays,
            int[] lastDays,
            List<Shipment> shipments,
            List<CustomerOrderLine> orders,
            List<Kits.Part> parts,
            int[] points) {

        boolean isFor(String whose, String where) {
            return item.equals(whose) && site.equals(where);
        }

        /** The same with other customer orders that consume it. */
        Outlook with(List<CustomerOrderLine> others) {
            return new Outlook(
                    item,
                    site,
                    calendar,
                    backDays,
                    forwardDays,
                    fenceDays,
                    buckets,
                    firstDays,
                    lastDays,
                    shipments,
                    others,
                    parts,
                    points);
        }

        /** The same forecast, planned and shipped as rows say; null if they hold none. */
        Outlook as(Rows rows) {
            ForecastBucket[] now = Stream.of(rows.forecasts)
                    .filter(f -> isFor(f.item(), f.site()))
                    .toArray(ForecastBucket[]::new);
            PlanningData data = rows.planning(item, site);
            return now.length == 0
                    ? null
                    : new Outlook(
                            item,
                            site,
                            calendar,
                            data.consumeBackDays,
                            data.consumeForwardDays,
                            data.demandFenceDays,
                            now,
                            Stream.of(now).mapToInt(ForecastBucket::fromDay).toArray(),
                            Stream.of(now).mapToInt(ForecastBucket::lastDay).toArray(),
                            Stream.of(rows.shipments)
                                    .filter(s -> isFor(s.item(), s.site()))
                                    .toList(),
                            orders,
                            parts,
                            points);
        }
    }

    /**
     * What is left of a bucket and falls on a stock point.
     *
     * @param kit the number of the kit whose forecast it is, -1 if it is the item's own
     * @param position among the parts of a kit
     */
    public record Net(ForecastBucket bucket, int day, long quantity, int kit, int position) {
        static final Net[] NONE = {};
    }

    /**
     * What a document takes of a bucket.
     *
     * @param shipped it went out already, and is no order any more
     * @param quantity millionths
     */
    public record Take(String number, String line, int day, boolean shipped, long quantity) {}

    /**
     * What becomes of a bucket.
     *
     * @param takes in the order in which they take
     * @param left millionths
     * @param fenced what is left is not planned for: it lies before the demand fence
     */
    public record Consumed(ForecastBucket bucket, List<Take> takes, long left, boolean fenced) {}

    private final Snapshot snapshot;
    private final PlanOptions options;
    private final Outlook outlook;
    /** Who took what of each bucket; null: nobody asks. */
    private List<List<Take>> takes;

    private final ForecastBucket[] buckets;
    private final int[] lastDays;
    private final long[] left;

    private ForecastConsumption(Snapshot snapshot, PlanOptions options, Outlook outlook) {
        this.snapshot = snapshot;
        this.options = options;
        this.outlook = outlook;
        this.buckets = outlook.buckets;
        this.lastDays = outlook.lastDays;
        this.left = new long[buckets.length];
        for (int i = 0; i < buckets.length; i++) {
            // buckets that have ended take no part
            left[i] = lastDays[i] < snapshot.today ? 0 : buckets[i].quantity();
        }
    }

    /** The net forecast of one stock point, of those of its item and of kits it is a part of. */
    public static Net[] of(Snapshot snapshot, int p, PlanOptions options) {
        int[] outlooks = snapshot.outlooksOf[p];
        if (outlooks == null || !options.counts(PlanOptions.Kind.FORECAST)) {
            return Net.NONE;
        }
        List<Net> nets = new ArrayList<>();
        for (int o : outlooks) {
            ForecastConsumption consumption = new ForecastConsumption(snapshot, options, snapshot.outlooks[o]);
            if (snapshot.forecastConsumption) {
                consumption.consume();
            }
            consumption.addTo(p, nets);
        }
        return nets.toArray(Net[]::new);
    }

    /** What became of the forecast of one item at one site, bucket by bucket; empty if there is none. */
    public static List<Consumed> told(Snapshot snapshot, String item, String site, PlanOptions options) {
        List<Consumed> told = new ArrayList<>();
        for (Outlook outlook : snapshot.outlooks) {
            if (outlook != null && outlook.isFor(item, site)) {
                ForecastConsumption consumption = new ForecastConsumption(snapshot, options, outlook);
                consumption.takes = new ArrayList<>();
                for (int i = 0; i < outlook.buckets.length; i++) {
                    consumption.takes.add(new ArrayList<>());
                }
                if (snapshot.forecastConsumption) {
                    consumption.consume();
                }
                for (int i = 0; i < outlook.buckets.length; i++) {
                    told.add(new Consumed(
                            outlook.buckets[i], consumption.takes.get(i), consumption.left[i], consumption.fenced(i)));
                }
            }
        }
        return told;
    }

    private void consume() {
        int current = holding(snapshot.today);
        if (current >= 0) {
            for (Shipment shipment : outlook.shipments) {
                if (shipment.day() <= snapshot.today && holds(current, shipment.day())) {
                    take(shipment.day(), shipment.quantity(), shipment.number(), shipment.line(), true);
                }
            }
        }
        for (CustomerOrderLine order : outlook.orders) {
            if (options.counts(order)) {
                take(order.dueDay(), order.quantity(), order.number(), order.line(), false);
            }
        }
    }

    private boolean holds(int i, int day) {
        return buckets[i].fromDay() <= day && day <= lastDays[i];
    }

    private int holding(int day) {
        int at = Arrays.binarySearch(outlook.firstDays, day);
        int last = at >= 0 ? at : -at - 2;
        return last >= 0 && day <= lastDays[last] ? last : -1;
    }

    /** A document takes its quantity, and what it took of which bucket is kept if somebody asks. */
    private void take(int day, long quantity, String number, String line, boolean shipped) {
        long[] before = takes == null ? null : left.clone();
        take(day, quantity);
        for (int i = 0; before != null && i < left.length; i++) {
            if (left[i] < before[i]) {
                takes.get(i).add(new Take(number, line, day, shipped, before[i] - left[i]));
            }
        }
    }

    /** From the bucket that holds the day, then from earlier ones, then from later ones, nearest first. */
    private void take(int day, long quantity) {
        long wanted = quantity;
        int own = holding(day);
        if (own >= 0) {
            wanted = takeFrom(own, wanted);
        }
        for (int i = buckets.length - 1; i >= 0 && wanted > 0; i--) {
            if (lastDays[i] < day && day - lastDays[i] <= outlook.backDays) {
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

    private void addTo(int p, List<Net> nets) {
        boolean own = snapshot.points[p].itemCode.equals(outlook.item);
        int kit = own ? -1 : snapshot.itemIndex.get(outlook.item);
        for (int i = 0; i < buckets.length; i++) {
            int day = demandDay(i);
            if (left[i] <= 0 || fenced(i) || day > snapshot.horizonEnd) {
                continue;
            }
            for (int position = 0; position < outlook.points.length; position++) {
                Kits.Part part = outlook.parts.get(position);
                if (outlook.points[position] == p && part.validOn(day)) {
                    long quantity = part.needed(left[i], snapshot.points[p].step);
                    if (quantity > 0) {
                        nets.add(new Net(buckets[i], day, quantity, kit, position));
                    }
                }
            }
        }
    }

    private boolean fenced(int i) {
        return demandDay(i) < snapshot.today + outlook.fenceDays && !holds(i, snapshot.today);
    }

    /** The first working day of a bucket, its first day if it has none, or today if that has passed. */
    private int demandDay(int i) {
        int from = buckets[i].fromDay();
        int working = outlook.calendar.forth(from, 0);
        return Math.max(working <= lastDays[i] ? working : from, snapshot.today);
    }
}
