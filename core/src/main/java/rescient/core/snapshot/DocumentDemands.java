package rescient.core.snapshot;

import java.util.Arrays;
import rescient.core.company.CustomerOrderLine;
import rescient.core.company.OpenOrder;

/**
 * What documents demand of one stock point: the lines of customer orders first, then what open orders still have to
 * issue, each by number, line and position. Kits are resolved into the parts.
 */
public final class DocumentDemands {
    static final DocumentDemands NONE = new DocumentDemands(0);

    public int size;
    /** How many of them are customer orders. */
    public int customerOrders;
    /** A {@link CustomerOrderLine} or an {@link OpenOrder}. */
    public Object[] document;

    public int[] ownDay;
    public long[] quantity;
    public int[] priority;
    /** Ranks of number and line. */
    public int[] number;

    public int[] line;
    /** Site of the open order, -1 for customer orders. */
    public int[] parentSite;
    /** Place among the parts of a kit or the components of the order. */
    public int[] position;

    DocumentDemands(int capacity) {
        document = new Object[capacity];
        ownDay = new int[capacity];
        quantity = new long[capacity];
        priority = new int[capacity];
        number = new int[capacity];
        line = new int[capacity];
        parentSite = new int[capacity];
        position = new int[capacity];
    }

    /** Adds behind the others; the caller keeps the order. */
    void add(
            Object demandedBy, int day, long amount, int rank, int numberRank, int lineRank, int siteOfParent, int at) {
        if (size == document.length) {
            grow(Math.max(2, size * 2));
        }
        document[size] = demandedBy;
        ownDay[size] = day;
        quantity[size] = amount;
        priority[size] = rank;
        number[size] = numberRank;
        line[size] = lineRank;
        parentSite[size] = siteOfParent;
        position[size++] = at;
        if (demandedBy instanceof CustomerOrderLine) {
            customerOrders = size;
        }
    }

    /** A copy without room to spare; made one after the other, those of neighbouring points lie side by side in memory. */
    DocumentDemands packed() {
        if (size == 0) {
            return NONE;
        }
        DocumentDemands copy = new DocumentDemands(size);
        for (int i = 0; i < size; i++) {
            copy.addFrom(this, i);
        }
        return copy;
    }

    private void grow(int capacity) {
        document = Arrays.copyOf(document, capacity);
        ownDay = Arrays.copyOf(ownDay, capacity);
        quantity = Arrays.copyOf(quantity, capacity);
        priority = Arrays.copyOf(priority, capacity);
        number = Arrays.copyOf(number, capacity);
        line = Arrays.copyOf(line, capacity);
        parentSite = Arrays.copyOf(parentSite, capacity);
        position = Arrays.copyOf(position, capacity);
    }

    /** The first demand of an open order, or where it would stand. */
    public int firstOf(int numberRank, int lineRank) {
        int low = customerOrders;
        int high = size;
        while (low < high) {
            int middle = (low + high) >>> 1;
            boolean before = number[middle] != numberRank ? number[middle] < numberRank : line[middle] < lineRank;
            if (before) {
                low = middle + 1;
            } else {
                high = middle;
            }
        }
        return low;
    }

    /** A copy without the demands of one document and with these instead, which all have its number and line. */
    DocumentDemands with(Object gone, DocumentDemands instead) {
        DocumentDemands copy = new DocumentDemands(size + instead.size);
        int next = 0;
        for (int i = 0; i < size; i++) {
            while (next < instead.size && instead.isBefore(next, this, i)) {
                copy.addFrom(instead, next++);
            }
            if (document[i] != gone) {
                copy.addFrom(this, i);
            }
        }
        while (next < instead.size) {
            copy.addFrom(instead, next++);
        }
        return copy;
    }

    private boolean isBefore(int i, DocumentDemands other, int j) {
        boolean ordered = document[i] instanceof CustomerOrderLine;
        if (ordered != other.document[j] instanceof CustomerOrderLine) {
            return ordered;
        }
        return number[i] != other.number[j] ? number[i] < other.number[j] : line[i] < other.line[j];
    }

    private void addFrom(DocumentDemands other, int i) {
        add(
                other.document[i],
                other.ownDay[i],
                other.quantity[i],
                other.priority[i],
                other.number[i],
                other.line[i],
                other.parentSite[i],
                other.position[i]);
    }
}
