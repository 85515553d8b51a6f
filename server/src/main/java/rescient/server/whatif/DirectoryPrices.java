package rescient.server.whatif;

import java.math.BigDecimal;
import rescient.core.base.Quantity;
import rescient.core.prices.PriceBreaks;
import rescient.core.prices.Prices;
import rescient.server.planning.Directory;

/** Prices as the company knows them. */
record DirectoryPrices(Directory directory) implements Prices {
    @Override
    public BigDecimal standard(String item) {
        return directory.item(item).standardCost();
    }

    @Override
    public BigDecimal purchase(String item, String supplier, long units) {
        BigDecimal amount = Quantity.decimal(units);
        return supplier == null ? null : PriceBreaks.value(amount, directory.purchasePrice(supplier, item, amount));
    }
}
