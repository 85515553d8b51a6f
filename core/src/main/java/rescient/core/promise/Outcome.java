package rescient.core.promise;

import java.util.Comparator;
import rescient.core.base.DocumentOrder;
import rescient.core.company.CustomerOrderLine;
import rescient.core.company.OpenOrder;
import rescient.core.dates.PossibleDates;
import rescient.core.plan.Plan;
import rescient.core.snapshot.DocumentDemands;
import rescient.core.snapshot.Snapshot;
import rescient.core.snapshot.StockPoint;

/**
 * When a line of a customer order can really be met in a plan: with its latest demand, of a kit with its latest part (of
 * several the first by item, then by site).
 *
 * @param possibleDay {@link PossibleDates#NEVER} if it can never be met
 * @param part the item that comes last: the line's own, or a kit's part
 * @param causeItem item of the supply that decides, by section 9 of the planning rules
 */
record Outcome(int possibleDay, String part, String causeItem, String causeSite) {

    /** @return null if the line asks for nothing: it is a kit's without a part that is valid on its day */
    static Outcome of(Plan plan, CustomerOrderLine line) {
        Snapshot snapshot = plan.snapshot();
        int point = snapshot.pointOf(line.item(), line.site());
        if (point >= 0) {
            return at(plan, line, point, null);
        }
        Outcome latest = null;
        for (Snapshot.KitOrder kit : snapshot.kitOrders) {
            if (kit.line().equals(line)) {
                for (int p : kit.points()) {
                    latest = at(plan, line, p, latest);
                }
            }
        }
        return latest;
    }

    /** The later of what comes at a stock point and what comes elsewhere. */
    private static Outcome at(Plan plan, CustomerOrderLine line, int p, Outcome elsewhere) {
        Snapshot snapshot = plan.snapshot();
        DocumentDemands own = snapshot.demands.get(p);
        Outcome latest = elsewhere;
        for (int i = 0; i < own.customerOrders; i++) {
            if (own.document[i].equals(line)) {
                boolean planned = p < snapshot.network.planned();
                Outcome here = outcome(
                        snapshot,
                        p,
                        planned ? plan.pegs().possible().ofDocument(p, i) : PossibleDates.NEVER,
                        planned ? plan.pegs().possible().causeOfDocument(p, i) : p);
                latest = latest == null || here.isAfter(latest) ? here : latest;
            }
        }
        return latest;
    }

    private static Outcome outcome(Snapshot snapshot, int p, int day, int cause) {
        StockPoint culprit = snapshot.points[cause < 0 ? p : cause];
        return new Outcome(day, snapshot.points[p].itemCode, culprit.itemCode, culprit.siteCode);
    }

    /**
     * The order that the plan pulls in at the stock point that decides, the last by its own date: where one is waited for,
     * that is the one. Null if none is pulled in there.
     */
    OpenOrder pulledIn(Plan plan) {
        int p = plan.snapshot().pointOf(causeItem, causeSite);
        return p < 0 || plan.pegs().of(p) == null
                ? null
                : plan.pegs().of(p).known.pulledIn().stream()
                        .max(Comparator.comparingInt(OpenOrder::dueDay))
                        .orElse(null);
    }

    private boolean isAfter(Outcome other) {
        return possibleDay != other.possibleDay
                ? possibleDay > other.possibleDay
                : DocumentOrder.byCodePoint(part, other.part) < 0;
    }

    /** A line that the plan counts with, by its names. */
    static CustomerOrderLine lineOf(Plan plan, String item, String site, String number, String line) {
        Snapshot snapshot = plan.snapshot();
        int point = snapshot.pointOf(item, site);
        if (point >= 0) {
            DocumentDemands own = snapshot.demands.get(point);
            for (int i = 0; i < own.customerOrders; i++) {
                CustomerOrderLine one = (CustomerOrderLine) own.document[i];
                if (one.number().equals(number) && one.line().equals(line)) {
                    return one;
                }
            }
        }
        return snapshot.kitOrders.stream()
                .map(Snapshot.KitOrder::line)
                .filter(one -> one.number().equals(number) && one.line().equals(line))
                .findFirst()
                .orElseThrow();
    }
}
