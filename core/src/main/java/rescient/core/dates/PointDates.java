package rescient.core.dates;

import java.util.Arrays;
import rescient.core.netting.DemandList;
import rescient.core.netting.PointPlan;

/**
 * When the demands and supplies of one stock point are really possible, and which point decides it: those of demands by
 * their cells ({@link DemandList}), then those of open orders, then those of planned orders.
 */
final class PointDates {
    /** Not worked out, or not there. */
    static final int UNKNOWN = Integer.MIN_VALUE;

    /** Everything of a point comes on its own date. */
    static final PointDates ON_TIME = new PointDates(new int[0], new int[0], new int[1], 0);

    final int[] day;
    /** The point at the end of the chain that decides each. */
    final int[] cause;
    /** The first cell of each edge that ends here, and of the documents. */
    final int[] cellStart;
    /** Behind the cells: the first open order, and the first planned order. */
    final int firstOpen;

    final int firstPlanned;

    private PointDates(int[] day, int[] cause, int[] cellStart, int firstOpen) {
        this.day = day;
        this.cause = cause;
        this.cellStart = cellStart;
        this.firstOpen = firstOpen;
        this.firstPlanned = firstOpen;
    }

    PointDates(PointPlan plan) {
        cellStart = plan.demands.cellStart;
        firstOpen = plan.demands.cells();
        firstPlanned = firstOpen + plan.known.open.length;
        day = new int[firstPlanned + plan.planned.size];
        cause = new int[day.length];
        Arrays.fill(day, UNKNOWN);
    }

    /** The cell of the first document. */
    int firstDocument() {
        return cellStart[cellStart.length - 1];
    }

    /** Whether everything that was worked out is on its own date. */
    boolean onTime(PointPlan plan) {
        for (int d = 0; d < plan.demands.size; d++) {
            if (day[plan.demands.cell[d]] != plan.demands.ownDay[d]) {
                return false;
            }
        }
        for (int i = 0; i < plan.known.open.length; i++) {
            if (day[firstOpen + i] != plan.known.open[i].countsOn(plan.demands.today)) {
                return false;
            }
        }
        for (int o = 0; o < plan.planned.size; o++) {
            if (day[firstPlanned + o] != plan.planned.due[o]) {
                return false;
            }
        }
        return true;
    }

    /** Whether what some orders above, or some documents, ask for is possible as it is in other dates. */
    boolean sameCells(int first, PointDates other, int firstThere, int cells) {
        return Arrays.equals(day, first, first + cells, other.day, firstThere, firstThere + cells)
                && Arrays.equals(cause, first, first + cells, other.cause, firstThere, firstThere + cells);
    }
}
