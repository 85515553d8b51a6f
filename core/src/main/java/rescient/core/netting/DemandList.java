package rescient.core.netting;

import java.util.Arrays;
import rescient.core.base.Quantity;
import rescient.core.company.CustomerOrderLine;
import rescient.core.company.ForecastBucket;
import rescient.core.company.OpenOrder;
import rescient.core.company.Source;
import rescient.core.snapshot.DemandKind;
import rescient.core.snapshot.Network;
import rescient.core.snapshot.Snapshot;

/**
 * The demands of one stock point in columns, in the order in which they are taken in turn: day they count on, priority,
 * number, line, the parent's site, the order in which the planned orders that raise them were made, the bill of
 * materials line. Never changed once {@link GrossRequirements} has made it.
 *
 * <p>Who raises a demand is its <em>cell</em>. The cells of a point are numbered: first the planned orders above it, edge
 * by edge and order by order, then the documents. So what a planned order above asks for lies side by side with what the
 * other orders there ask for, wherever the demands stand in turn.
 */
public final class DemandList {
    /** No planned order raises the demand: a document does. */
    public static final int DOCUMENT = -1;
    /** Not among the demands: it has no quantity, is not valid or lies behind the horizon. */
    public static final int ABSENT = -1;

    final int point;
    public final int today;
    public final int size;
    /** The demand's own date. */
    public final int[] ownDay;

    public final long[] quantity;
    public final int[] cell;
    /** The first cell of each edge that ends here; the last entry is the first cell of the documents. */
    public final int[] cellStart;
    /** {@link CustomerOrderLine}, {@link OpenOrder} or {@link ForecastBucket}; those of documents first. */
    final Object[] documents;

    DemandList(int point, int today, int[] ownDay, long[] quantity, int[] cell, int[] cellStart, Object[] documents) {
        this.point = point;
        this.today = today;
        this.size = ownDay.length;
        this.ownDay = ownDay;
        this.quantity = quantity;
        this.cell = cell;
        this.cellStart = cellStart;
        this.documents = documents;
    }

    /** The day it counts on: its own, or today if that has passed. */
    public int day(int d) {
        return Math.max(ownDay[d], today);
    }

    /** What the demands from one on and before another come to. */
    long sum(int from, int to) {
        long sum = 0;
        for (int d = from; d < to; d++) {
            sum = Quantity.plus(sum, quantity[d]);
        }
        return sum;
    }

    /** The first cell of the documents. */
    public int firstDocument() {
        return cellStart[cellStart.length - 1];
    }

    public int cells() {
        return firstDocument() + documents.length;
    }

    /** The stock point whose planned order raises it, or {@link #DOCUMENT}. */
    public int parent(Network network, int d) {
        return cell[d] >= firstDocument() ? DOCUMENT : network.incomingFrom[network.incomingStart[point] + slot(d)];
    }

    /** Which planned order of the parent, or which of {@link #documents}. */
    public int source(int d) {
        return cell[d] >= firstDocument() ? cell[d] - firstDocument() : cell[d] - cellStart[slot(d)];
    }

    private int slot(int d) {
        return slot(cellStart, cell[d]);
    }

    /** The edge, among those that end here, of a cell: the last one that does not begin behind it. */
    static int slot(int[] cellStart, int cell) {
        int low = 0;
        int high = cellStart.length - 1;
        while (high - low > 1) {
            int middle = (low + high) >>> 1;
            if (cellStart[middle] <= cell) {
                low = middle;
            } else {
                high = middle;
            }
        }
        return low;
    }

    /** The document that demands, or null if a planned order does. */
    public Object document(int d) {
        return cell[d] >= firstDocument() ? documents[source(d)] : null;
    }

    public DemandKind kind(Snapshot snapshot, int d) {
        int parent = parent(snapshot.network, d);
        if (parent != DOCUMENT) {
            return snapshot.points[parent].transfers() ? DemandKind.TRANSFER : DemandKind.COMPONENT;
        }
        Object document = document(d);
        if (document instanceof CustomerOrderLine) {
            return DemandKind.CUSTOMER_ORDER;
        }
        if (document instanceof ForecastBucket) {
            return DemandKind.FORECAST;
        }
        return ((OpenOrder) document).kind() == Source.TRANSFER ? DemandKind.TRANSFER : DemandKind.COMPONENT;
    }

    /** Where the demand of a planned order along an edge stands in turn, or {@link #ABSENT}. */
    public int raisedBy(int slot, int order) {
        int wanted = cellStart[slot] + order;
        for (int d = 0; d < size; d++) {
            if (cell[d] == wanted) {
                return d;
            }
        }
        return ABSENT;
    }

    /** Where the demand of each cell stands in turn, or {@link #ABSENT}. */
    public int[] places() {
        int[] places = new int[cells()];
        Arrays.fill(places, ABSENT);
        for (int d = 0; d < size; d++) {
            places[cell[d]] = d;
        }
        return places;
    }
}
