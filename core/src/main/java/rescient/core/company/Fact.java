package rescient.core.company;

/**
 * A fact of the company: a row of one of its tables, as it is kept and exchanged, with the names of its columns. What is not
 * set is null; quantities are in the item's unit if nothing else is said, money in the company's currency, times in working
 * days or minutes as they are named. What the calculation makes of it are types of their own ({@link Item}, {@link BomLine},
 * {@link PlanningData} …).
 */
public sealed interface Fact
        permits BasicFacts, ForecastFacts, InvoiceFacts, ItemFacts, MakingFacts, OrderFacts, PartnerFacts, StockFacts {}
