package rescient.core.plan;

import java.util.Arrays;
import rescient.core.base.Periods;
import rescient.core.dates.PossibleDates;

/**
 * Where a stock point falls short, period by period.
 *
 * @param stock whether the balance at the end of a day falls below zero, or else below the safety stock
 * @param waiting whether something of this point waits because its supplies cannot be there in time: from the day on which
 *     it is asked for to the day before its possible date, or to the end if it can never be there
 */
public record PeriodMarks(Stock[] stock, boolean[] waiting) {
    /** How the lowest balance of a period lies. */
    public enum Stock {
        ENOUGH,
        BELOW_SAFETY,
        BELOW_ZERO
    }

    /**
     * Those of a stock point.
     *
     * @param record of the point over the same periods
     */
    public static PeriodMarks of(PointView point, PeriodRecord record, Periods periods) {
        Stock[] stock = record.cells().stream()
                .map(cell -> cell.lowest() < 0
                        ? Stock.BELOW_ZERO
                        : cell.lowest() < point.safetyStock() ? Stock.BELOW_SAFETY : Stock.ENOUGH)
                .toArray(Stock[]::new);
        return new PeriodMarks(stock, waiting(point.plan(), point.number(), periods));
    }

    private static boolean[] waiting(Plan plan, int p, Periods periods) {
        boolean[] waiting = new boolean[periods.size()];
        int demands = plan.possible.late(p) ? plan.plans.get(p).demands.size : 0;
        for (int d = 0; d < demands; d++) {
            int asked = plan.plans.get(p).demands.ownDay[d];
            int possible = plan.possible.ofDemand(p, d);
            if (possible > asked && asked <= periods.end()) {
                int last = possible == PossibleDates.NEVER ? periods.size() - 1 : periods.at(possible - 1);
                Arrays.fill(waiting, periods.at(asked), last + 1, true);
            }
        }
        return waiting;
    }

    /** Whether there is a period in which the stock falls short or something waits. */
    public boolean any() {
        for (int i = 0; i < stock.length; i++) {
            if (stock[i] != Stock.ENOUGH || waiting[i]) {
                return true;
            }
        }
        return false;
    }
}
