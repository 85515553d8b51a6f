package rescient.core.snapshot;

import java.util.Arrays;
import java.util.BitSet;
import java.util.List;

/** Which stock points two snapshots that number them alike know different facts about. */
final class Differences {
    private final Snapshot a;
    private final Snapshot b;

    private Differences(Snapshot a, Snapshot b) {
        this.a = a;
        this.b = b;
    }

    static BitSet between(Snapshot a, Snapshot b) {
        Differences differences = new Differences(a, b);
        BitSet points = new BitSet();
        for (int p = 0; p < a.network.planned(); p++) {
            points.set(p, !differences.isSame(p));
        }
        return points;
    }

    private boolean isSame(int p) {
        return a.points[p].plannedAs(b.points[p])
                && a.network.asksLike(b.network, p)
                && a.network.asksOthersLike(b.network, p)
                && sameRows(a.stockOf[p], b.stockOf[p])
                && sameOrders(a.openOrdersOf[p], b.openOrdersOf[p])
                && sameDemands(a.demands.get(p), b.demands.get(p))
                && sameOutlooks(a.outlooksOf[p], b.outlooksOf[p]);
    }

    private static boolean sameRows(Object[] some, Object[] others) {
        boolean same = some.length == others.length;
        for (int i = 0; same && i < some.length; i++) {
            same = some[i] == others[i];
        }
        return same;
    }

    private static boolean sameOrders(OpenSupply[] some, OpenSupply[] others) {
        boolean same = some.length == others.length;
        for (int i = 0; same && i < some.length; i++) {
            int[] waits = some[i].waitsAt().clone();
            int[] otherWaits = others[i].waitsAt().clone();
            Arrays.sort(waits);
            Arrays.sort(otherWaits);
            same = some[i].order() == others[i].order() && Arrays.equals(waits, otherWaits);
        }
        return same;
    }

    private static boolean sameDemands(DocumentDemands some, DocumentDemands others) {
        boolean same = some.size == others.size;
        for (int i = 0; same && i < some.size; i++) {
            same = some.document[i] == others.document[i]
                    && some.ownDay[i] == others.ownDay[i]
                    && some.quantity[i] == others.quantity[i]
                    && some.position[i] == others.position[i];
        }
        return same;
    }

    private boolean sameOutlooks(int[] some, int[] others) {
        int count = some == null ? 0 : some.length;
        if (count != (others == null ? 0 : others.length)) {
            return false;
        }
        for (int i = 0; i < count; i++) {
            ForecastConsumption.Outlook x = a.outlooks[some[i]];
            ForecastConsumption.Outlook y = b.outlooks[others[i]];
            boolean same = x.calendar() == y.calendar()
                    && x.backDays() == y.backDays()
                    && x.forwardDays() == y.forwardDays()
                    && x.fenceDays() == y.fenceDays()
                    && sameRows(x.buckets(), y.buckets())
                    && sameList(x.shipments(), y.shipments())
                    && sameList(x.orders(), y.orders())
                    && x.parts().equals(y.parts())
                    && Arrays.equals(x.points(), y.points());
            if (!same) {
                return false;
            }
        }
        return true;
    }

    private static boolean sameList(List<?> some, List<?> others) {
        return sameRows(some.toArray(), others.toArray());
    }
}
