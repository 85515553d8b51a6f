package rescient.core;

import java.math.BigDecimal;
import rescient.core.company.ItemFacts;
import rescient.core.company.PeriodUnit;
import rescient.core.company.PlanningRule;
import rescient.core.company.Source;

/** How a stock point is planned, a form to fill in for tests: what nobody sets is not said. Quantities as they are written. */
public final class PlannedFact {
    public Source source = Source.BUY;
    public String supplier;
    public String fromSite;
    public PlanningRule rule;
    public String reorderPoint;
    public String orderUpTo;
    public String fixedQuantity;
    public Integer periodCount;
    public PeriodUnit periodUnit;
    public String minQuantity;
    public String maxQuantity;
    public String multiple;
    public Integer leadTimeDays;

    public ItemFacts.Planned planned() {
        return new ItemFacts.Planned(
                source,
                supplier,
                fromSite,
                rule,
                null,
                number(reorderPoint),
                number(orderUpTo),
                number(fixedQuantity),
                periodCount,
                periodUnit,
                number(minQuantity),
                number(maxQuantity),
                number(multiple),
                null,
                leadTimeDays,
                null,
                null,
                null,
                null,
                null,
                null,
                null,
                null);
    }

    private static BigDecimal number(String text) {
        return text == null ? null : new BigDecimal(text);
    }
}
