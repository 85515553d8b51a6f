package rescient.core.stock;

import java.math.BigDecimal;
import java.util.NavigableMap;

/** What was reported at the steps of an order. */
public final class StepReports {
    /** At one step. */
    public interface AtStep {
        /** Good units, in the item's unit. */
        BigDecimal reported();

        /** Units that were spoiled, in the item's unit. */
        BigDecimal scrapped();
    }

    private StepReports() {}

    /**
     * Units that passed a step: the most of what was reported at it or any later one, with what was spoiled from it up to there
     * (posting rules, "Production").
     *
     * @param steps by their number
     */
    public static BigDecimal passed(NavigableMap<Integer, ? extends AtStep> steps, int step) {
        BigDecimal most = BigDecimal.ZERO;
        BigDecimal scrapped = BigDecimal.ZERO;
        for (AtStep at : steps.tailMap(step, true).values()) {
            scrapped = scrapped.add(at.scrapped());
            most = most.max(at.reported().add(scrapped));
        }
        return most;
    }
}
