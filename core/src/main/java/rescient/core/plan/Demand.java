package rescient.core.plan;

import java.time.LocalDate;
import rescient.core.company.CustomerOrderLine;
import rescient.core.company.ForecastBucket;
import rescient.core.company.OpenOrder;
import rescient.core.dates.PossibleDates;
import rescient.core.netting.DemandList;
import rescient.core.snapshot.DemandKind;
import rescient.core.snapshot.Snapshot;
import rescient.core.snapshot.StockPoint;

/**
 * A demand at a stock point of a finished plan.
 *
 * @param number customer order; open order; the parent's item, or the receiving site, of a planned order
 * @param line line of the document, or the planned order's due date as ISO text
 * @param quantity millionths
 * @param dueDay its own date
 * @param day the day it counts on: its own, or today if that has passed
 * @param possibleDay the day it can really be met, or null if it never can
 * @param ofPlannedOrder the planned order that raises it, or null
 */
public record Demand(
        String item,
        String site,
        DemandKind kind,
        String number,
        String line,
        long quantity,
        int dueDay,
        int day,
        Integer possibleDay,
        OrderRef ofPlannedOrder) {

    /** A planned order, by its stock point and its place among the orders made there. */
    public record OrderRef(String item, String site, int sequence) {}

    /** Calendar days from its own date to its possible date, or null if it never can be met. */
    public Integer daysLate() {
        return possibleDay == null ? null : possibleDay - dueDay;
    }

    /** What raises a demand: a document and its line, or a planned order's item or site and its due date. */
    record RaisedBy(String number, String line) {
        static RaisedBy of(Plan plan, int p, int d) {
            DemandList demands = plan.plans.get(p).demands;
            int parent = demands.parent(plan.snapshot.network, d);
            if (parent != DemandList.DOCUMENT) {
                StockPoint above = plan.snapshot.points[parent];
                int due = plan.plans.get(parent).planned.due[demands.source(d)];
                return new RaisedBy(
                        above.transfers() ? above.siteCode : above.itemCode,
                        LocalDate.ofEpochDay(due).toString());
            }
            if (demands.document(d) instanceof ForecastBucket bucket) {
                return new RaisedBy(
                        bucket.set(), LocalDate.ofEpochDay(bucket.fromDay()).toString());
            }
            if (demands.document(d) instanceof CustomerOrderLine order) {
                return new RaisedBy(order.number(), order.line());
            }
            OpenOrder order = (OpenOrder) demands.document(d);
            return new RaisedBy(order.number(), order.line());
        }
    }

    /** One of a planned stock point, as the plan numbers them. */
    static Demand of(Plan plan, int p, int d) {
        Snapshot snapshot = plan.snapshot;
        StockPoint point = snapshot.points[p];
        DemandList demands = plan.plans.get(p).demands;
        int possible = plan.possible.ofDemand(p, d);
        int parent = demands.parent(snapshot.network, d);
        RaisedBy by = RaisedBy.of(plan, p, d);
        return new Demand(
                point.itemCode,
                point.siteCode,
                demands.kind(snapshot, d),
                by.number,
                by.line,
                demands.quantity[d],
                demands.ownDay[d],
                demands.day(d),
                possible == PossibleDates.NEVER ? null : possible,
                parent < 0
                        ? null
                        : new OrderRef(
                                snapshot.points[parent].itemCode, snapshot.points[parent].siteCode, demands.source(d)));
    }
}
