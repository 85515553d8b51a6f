package rescient.server.whatif;

import jakarta.validation.constraints.DecimalMax;
import jakarta.validation.constraints.PositiveOrZero;
import jakarta.validation.constraints.Size;
import java.math.BigDecimal;
import java.util.List;
import rescient.core.company.BasicFacts;
import rescient.core.company.ItemFacts;
import rescient.core.scenario.StockLoss;
import rescient.dataset.FactChange;
import rescient.server.planning.Directory;
import rescient.server.platform.Nullable;

/**
 * What is in stock is not there.
 *
 * @param quantity null: all of it
 */
record StockLost(
        @Nullable @Size(max = LONGEST) String item,
        @Nullable @Size(max = LONGEST) String site,
        @Nullable @PositiveOrZero @DecimalMax(MOST) BigDecimal quantity)
        implements Assumption {
    @Override
    public List<FactChange> apply(Assumed company) {
        company.facts().known(ItemFacts.Item.class, item, "item");
        company.facts().known(BasicFacts.Site.class, site, "site");
        return FactChange.of(StockLoss.of(company.facts(), item, site, quantity));
    }

    @Override
    public String sentence(Directory directory) {
        return (quantity == null ? "All" : Assumed.some(quantity)) + " " + item + " in stock at "
                + directory.siteName(site) + " are lost";
    }
}
