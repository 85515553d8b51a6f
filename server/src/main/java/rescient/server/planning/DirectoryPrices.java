package rescient.server.planning;

import java.math.BigDecimal;
import rescient.core.base.Quantity;
import rescient.core.company.ItemFacts;
import rescient.core.prices.PriceBreaks;
import rescient.core.prices.Prices;

/** Prices as the company knows them. */
public record DirectoryPrices(Directory directory) implements Prices {
    @Override
    public BigDecimal standard(String item) {
        ItemFacts.Item known = directory.item(item);
        return known == null ? null : known.standardCost();
    }

    @Override
    public BigDecimal purchase(String item, String supplier, long units) {
        BigDecimal amount = Quantity.decimal(units);
        return supplier == null ? null : PriceBreaks.value(amount, directory.purchasePrice(supplier, item, amount));
    }
}
