package rescient.bench;

import rescient.core.PlanningRule;
import rescient.core.Source;

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
        int multiple) {}
