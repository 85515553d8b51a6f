package rescient.core.promise;

import rescient.core.company.Source;
import rescient.core.company.StockLot;
import rescient.core.netting.Dating;
import rescient.core.snapshot.Kits;
import rescient.core.snapshot.Network;
import rescient.core.snapshot.OpenSupply;
import rescient.core.snapshot.Snapshot;
import rescient.core.snapshot.StockPoint;

/**
 * What cannot be had by a day whatever the plan does, so that no trial is needed to know it. A quantity that is more than
 * all stock and all open orders together needs a planned order; that cannot be there before it is started today and has
 * taken its lead time, nor before its components are there, of which the same holds. Nobody else is thought to take
 * anything, so that what is called out of reach is out of reach (demand rules, section 1, with section 9 of the planning
 * rules).
 */
final class Reach {
    /** So many stock points are looked at for one answer; then it is thought to be within reach. */
    private static final int MOST = 2000;

    private final Snapshot snapshot;
    private final Network network;
    private int looked;

    Reach(Snapshot snapshot) {
        this.snapshot = snapshot;
        this.network = snapshot.network;
    }

    /** Whether the plan may bring a quantity of an item, or the parts of so many kits, by a day. */
    boolean within(String item, String site, long quantity, int day) {
        looked = 0;
        int point = snapshot.pointOf(item, site);
        if (point >= 0) {
            return within(point, quantity, day);
        }
        for (Kits.Part part : snapshot.documents.parts(item)) {
            int of =
                    part.component().equals(item) || !part.validOn(day) ? -1 : snapshot.pointOf(part.component(), site);
            if (of >= 0 && !within(of, part.needed(quantity, snapshot.points[of].step), day)) {
                return false;
            }
        }
        return true;
    }

    private boolean within(int p, long quantity, int day) {
        if (p >= network.planned() || ++looked > MOST) {
            return true;
        }
        long missing = quantity;
        for (StockLot lot : snapshot.stockOf[p]) {
            missing -= lot.quantity();
        }
        for (OpenSupply open : snapshot.openOrdersOf[p]) {
            missing -= open.order().quantity();
        }
        if (missing <= 0) {
            return true;
        }
        StockPoint point = snapshot.points[p];
        Dating dating = new Dating(point, snapshot.today);
        if (point.source == Source.BUY && !point.phantom) {
            return dating.earliestDue(snapshot.today, point.step) <= day;
        }
        boolean plain = plain(point);
        // the last day on which an order that is there in time can start
        int start = plain ? dating.start(day, point.step) : day;
        return (!plain || start >= snapshot.today) && components(p, missing, start);
    }

    private boolean components(int p, long missing, int day) {
        for (int e = network.edgeStart[p]; e < network.edgeStart[p + 1]; e++) {
            Kits.Part part = network.edgePart[e];
            long units = part == null ? 0 : part.plainUnits();
            boolean known = units > 0 && missing <= Long.MAX_VALUE / units;
            if (known && !within(network.edgeTo[e], missing * units, day)) {
                return false;
            }
        }
        return true;
    }

    /** Whether working days from start to due date are those of the site, so that one can be told from the other. */
    private boolean plain(StockPoint point) {
        return point.phantom
                || (point.routing == null
                        && point.leadCalendar == point.siteCalendar
                        && point.siteCalendar.forth(snapshot.today, 0) == snapshot.today);
    }
}
