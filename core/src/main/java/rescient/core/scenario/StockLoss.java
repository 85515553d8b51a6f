package rescient.core.scenario;

import java.math.BigDecimal;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import rescient.core.base.DocumentOrder;
import rescient.core.company.BasicFacts;
import rescient.core.company.CompanyFacts;
import rescient.core.company.FactEdit;
import rescient.core.company.StockFacts;
import rescient.core.company.UnfitException;

/** What is in stock is not there: the lots that would be used first go first. */
public final class StockLoss {
    private static final Comparator<StockFacts.Stock> IN_USE = Comparator.comparing(
                    StockFacts.Stock::expiry, Comparator.nullsLast(Comparator.naturalOrder()))
            .thenComparing(StockFacts.Stock::lot, Comparator.nullsFirst(DocumentOrder.INSTANCE))
            .thenComparing(StockFacts.Stock::serial, Comparator.nullsFirst(DocumentOrder.INSTANCE));

    private StockLoss() {}

    /**
     * @param quantity that is lost; null: all of it
     * @throws UnfitException if there is not so much
     */
    public static List<FactEdit<?>> of(CompanyFacts company, String item, String site, BigDecimal quantity) {
        List<FactEdit<?>> edits = new ArrayList<>();
        BigDecimal lost = BigDecimal.ZERO;
        List<StockFacts.Stock> there = company.where(StockFacts.Stock.class, "item", item).stream()
                .filter(stock -> stock.site().equals(site))
                .sorted(IN_USE)
                .toList();
        for (StockFacts.Stock stock : there) {
            BigDecimal goes = quantity == null
                    ? stock.quantity()
                    : quantity.subtract(lost).min(stock.quantity());
            if (goes.signum() > 0) {
                lost = lost.add(goes);
                BigDecimal left = stock.quantity().subtract(goes);
                edits.add(new FactEdit<>(stock, left.signum() == 0 ? null : stock.withQuantity(left)));
            }
        }
        if (lost.signum() == 0 || quantity != null && lost.compareTo(quantity) < 0) {
            throw new UnfitException(
                    "There are only " + lost.stripTrailingZeros().toPlainString() + " " + item + " in stock at "
                            + company.known(BasicFacts.Site.class, site, "site").called(),
                    "quantity");
        }
        return edits;
    }
}
