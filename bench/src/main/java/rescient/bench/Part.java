package rescient.bench;

import rescient.core.company.PlanningRule;
import rescient.core.company.Source;

/**
 * How one generated item is planned at one site. Quantities are whole pieces, times working days; 0 where not set.
 *
 * @param fromSite the sending site of a transfer, else null
 * @param supplier of a bought item, else null
 * @param weeks of a period
 */
record Part(
        String item,
        String site,
        Source source,
        String fromSite,
        String supplier,
        PlanningRule rule,
        int leadTimeDays,
        int safetyStock,
        int reorderPoint,
        int orderUpTo,
        int fixedQuantity,
        int weeks,
        int minQuantity,
        int multiple) {

    /** Lot-for-lot, without limits. */
    static Part of(String item, String site, Source source, String from, String supplier, int lead, int safety) {
        return new Part(item, site, source, from, supplier, PlanningRule.LOT_FOR_LOT, lead, safety, 0, 0, 0, 0, 0, 0);
    }

    Part lots(int least, int multipleOf) {
        return with(rule, reorderPoint, orderUpTo, fixedQuantity, weeks, least, multipleOf);
    }

    Part perOrder() {
        return with(PlanningRule.PER_ORDER, 0, 0, 0, 0, 0, 0);
    }

    Part collected(int overWeeks, int multipleOf) {
        return with(PlanningRule.PERIOD, 0, 0, 0, overWeeks, 0, multipleOf);
    }

    Part fixed(int reorderAt, int quantity) {
        return with(PlanningRule.FIXED_QUANTITY, reorderAt, 0, quantity, 0, 0, 0);
    }

    Part minMax(int reorderAt, int upTo) {
        return with(PlanningRule.MIN_MAX, reorderAt, upTo, 0, 0, 0, 0);
    }

    private Part with(PlanningRule as, int reorderAt, int upTo, int fixed, int overWeeks, int least, int multipleOf) {
        return new Part(
                item,
                site,
                source,
                fromSite,
                supplier,
                as,
                leadTimeDays,
                safetyStock,
                reorderAt,
                upTo,
                fixed,
                overWeeks,
                least,
                multipleOf);
    }
}
