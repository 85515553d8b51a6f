package rescient.core;

import java.util.Arrays;

/**
 * Demands of one stock point in columns, and the one order in which demands are taken in turn: day they count on,
 * priority, number, line, the parent's site, the order in which the planned orders that raise them were made, the bill
 * of materials line.
 */
final class DemandList {
    static final DemandList EMPTY = new DemandList(0);
    /** Lines that are dates sort behind lines that are texts. */
    static final long DATE_LINE = 1L << 40;

    int size;
    DemandKind[] kind;
    /** Customer order line or open order, by its index in the snapshot; -1 for demands of planned orders. */
    int[] document;
    /** The demand's own date. */
    int[] ownDay;

    int[] day;
    long[] quantity;
    int[] priority;
    int[] number;
    long[] line;
    int[] parentSite;
    /** The stock point whose planned order raises it, -1 if none. */
    int[] parent;
    /** The planned order of the parent, or -1. */
    int[] parentOrder;

    int[] bomLine;

    DemandList(int capacity) {
        kind = new DemandKind[capacity];
        document = new int[capacity];
        ownDay = new int[capacity];
        day = new int[capacity];
        quantity = new long[capacity];
        priority = new int[capacity];
        number = new int[capacity];
        line = new long[capacity];
        parentSite = new int[capacity];
        parent = new int[capacity];
        parentOrder = new int[capacity];
        bomLine = new int[capacity];
    }

    void add(
            DemandKind demandKind,
            int documentIndex,
            int own,
            int counts,
            long amount,
            int rank,
            int numberRank,
            long lineKey,
            int siteOfParent,
            int parentPoint,
            int orderOfParent,
            int bomLinePosition) {
        if (size == kind.length) {
            grow();
        }
        kind[size] = demandKind;
        document[size] = documentIndex;
        ownDay[size] = own;
        day[size] = counts;
        quantity[size] = amount;
        priority[size] = rank;
        number[size] = numberRank;
        line[size] = lineKey;
        parentSite[size] = siteOfParent;
        parent[size] = parentPoint;
        parentOrder[size] = orderOfParent;
        bomLine[size] = bomLinePosition;
        size++;
    }

    void addFrom(DemandList other, int i) {
        add(
                other.kind[i],
                other.document[i],
                other.ownDay[i],
                other.day[i],
                other.quantity[i],
                other.priority[i],
                other.number[i],
                other.line[i],
                other.parentSite[i],
                other.parent[i],
                other.parentOrder[i],
                other.bomLine[i]);
    }

    private void grow() {
        int capacity = Math.max(4, size * 2);
        kind = Arrays.copyOf(kind, capacity);
        document = Arrays.copyOf(document, capacity);
        ownDay = Arrays.copyOf(ownDay, capacity);
        day = Arrays.copyOf(day, capacity);
        quantity = Arrays.copyOf(quantity, capacity);
        priority = Arrays.copyOf(priority, capacity);
        number = Arrays.copyOf(number, capacity);
        line = Arrays.copyOf(line, capacity);
        parentSite = Arrays.copyOf(parentSite, capacity);
        parent = Arrays.copyOf(parent, capacity);
        parentOrder = Arrays.copyOf(parentOrder, capacity);
        bomLine = Arrays.copyOf(bomLine, capacity);
    }

    /** A copy in the order of turn. */
    DemandList sorted() {
        if (size == 0) {
            return EMPTY;
        }
        Integer[] order = new Integer[size];
        for (int i = 0; i < size; i++) {
            order[i] = i;
        }
        Arrays.sort(order, this::compare);
        DemandList sorted = new DemandList(size);
        for (int i : order) {
            sorted.addFrom(this, i);
        }
        return sorted;
    }

    private int compare(int a, int b) {
        int c = Integer.compare(day[a], day[b]);
        if (c == 0) c = Integer.compare(priority[a], priority[b]);
        if (c == 0) c = Integer.compare(number[a], number[b]);
        if (c == 0) c = Long.compare(line[a], line[b]);
        if (c == 0) c = Integer.compare(parentSite[a], parentSite[b]);
        if (c == 0) c = Integer.compare(parentOrder[a], parentOrder[b]);
        if (c == 0) c = Integer.compare(bomLine[a], bomLine[b]);
        return c;
    }
}
