package rescient.core;

/**
 * The demands of one stock point in columns, in the order in which they are taken in turn: day they count on, priority,
 * number, line, the parent's site, the order in which the planned orders that raise them were made, the bill of
 * materials line. Never changed once {@link Explosion} has made it.
 */
final class DemandList {
    /** No planned order raises the demand: a document does. */
    static final int DOCUMENT = -1;
    /** Not among the demands: it has no quantity or lies behind the horizon. */
    static final int ABSENT = -1;

    final int today;
    final int size;
    /** The demand's own date. */
    final int[] ownDay;

    final long[] quantity;
    /** The stock point whose planned order raises it, or {@link #DOCUMENT}. */
    final int[] parent;
    /** Which planned order of the parent, or which of {@link #documents}. */
    final int[] source;
    /** {@link CustomerOrderLine}, {@link OpenOrder} or {@link ForecastBucket}; those of documents first. */
    final Object[] documents;
    /** Where each document's demand lies, or {@link #ABSENT}. */
    final int[] documentAt;
    /**
     * Where the demands lie that planned orders raise: those of the {@code k}th edge that ends here from
     * {@code raisedAt[raisedStart[k]]} on, one for each order of its parent, or {@link #ABSENT}.
     */
    final int[] raisedStart;

    final int[] raisedAt;

    DemandList(
            int today,
            int[] ownDay,
            long[] quantity,
            int[] parent,
            int[] source,
            Object[] documents,
            int[] documentAt,
            int[] raisedStart,
            int[] raisedAt) {
        this.today = today;
        this.size = ownDay.length;
        this.ownDay = ownDay;
        this.quantity = quantity;
        this.parent = parent;
        this.source = source;
        this.documents = documents;
        this.documentAt = documentAt;
        this.raisedStart = raisedStart;
        this.raisedAt = raisedAt;
    }

    /** The day it counts on: its own, or today if that has passed. */
    int day(int d) {
        return Math.max(ownDay[d], today);
    }

    /** The document that demands, or null if a planned order does. */
    Object document(int d) {
        return parent[d] == DOCUMENT ? documents[source[d]] : null;
    }

    DemandKind kind(Snapshot snapshot, int d) {
        if (parent[d] != DOCUMENT) {
            return Explosion.transfers(snapshot.points[parent[d]]) ? DemandKind.TRANSFER : DemandKind.COMPONENT;
        }
        Object document = documents[source[d]];
        if (document instanceof CustomerOrderLine) {
            return DemandKind.CUSTOMER_ORDER;
        }
        if (document instanceof ForecastBucket) {
            return DemandKind.FORECAST;
        }
        return ((OpenOrder) document).kind() == Source.TRANSFER ? DemandKind.TRANSFER : DemandKind.COMPONENT;
    }

    /** Where the demand of a planned order along an edge lies, or {@link #ABSENT}. */
    int raisedBy(int slot, int order) {
        return raisedAt[raisedStart[slot] + order];
    }
}
