package rescient.server.whatif;

import java.math.BigDecimal;
import java.math.RoundingMode;
import java.util.LinkedHashMap;
import java.util.Map;
import rescient.core.company.Source;
import rescient.core.compare.PlanFigures;
import rescient.server.planning.Words;

/**
 * What a plan comes to, in one column of a comparison.
 *
 * @param plannedOrders all; {@code bySource}: each kind
 * @param stockNow value at the end of the first week; {@code stockMean}: of all weeks; {@code stockEnd}: of the last
 * @param spend all that is bought
 * @param hours of work in all work centers
 */
record Figures(
        int lateLines,
        int daysLate,
        int neverMet,
        int plannedOrders,
        Map<String, Integer> bySource,
        int changesAsked,
        BigDecimal stockNow,
        BigDecimal stockMean,
        BigDecimal stockEnd,
        BigDecimal spend,
        BigDecimal hours,
        int unpriced) {
    private static final int CENTS = 2;

    static Figures of(PlanFigures figures) {
        Map<String, Integer> bySource = new LinkedHashMap<>();
        for (Source source : Source.values()) {
            if (figures.plannedOrders().getOrDefault(source, 0) > 0) {
                bySource.put(Words.word(source), figures.plannedOrders().get(source));
            }
        }
        int last = figures.stockValue().size() - 1;
        return new Figures(
                figures.lateLines(),
                figures.daysLate(),
                figures.neverMet(),
                figures.allPlannedOrders(),
                bySource,
                figures.changesAsked(),
                cents(figures.stockValue().get(0)),
                figures.meanStockValue(),
                cents(figures.stockValue().get(last)),
                cents(figures.allSpend()),
                figures.allHours().setScale(1, RoundingMode.HALF_UP),
                figures.unpriced());
    }

    static BigDecimal cents(BigDecimal value) {
        return value.setScale(CENTS, RoundingMode.HALF_UP);
    }
}
