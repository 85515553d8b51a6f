package rescient.core.scenario;

import java.math.BigDecimal;
import java.math.RoundingMode;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.stream.Stream;
import rescient.core.company.BasicFacts;
import rescient.core.company.CompanyFacts;
import rescient.core.company.Fact;
import rescient.core.company.FactEdit;
import rescient.core.company.ForecastFacts;
import rescient.core.company.ItemFacts;
import rescient.core.company.OrderFacts;

/**
 * Whose demand is otherwise, and when.
 *
 * @param item null: all; so are {@code group} and {@code customer}. Forecasts have no customer
 */
public record Demand(String item, String group, String customer, Span span) {
    private static final BigDecimal HUNDRED = BigDecimal.valueOf(100);

    /**
     * Customer orders of this demand, more by a part; rounded to the item's unit, halves up.
     *
     * @param percent more than −100 if not all of it goes
     */
    public List<FactEdit<?>> orders(CompanyFacts company, BigDecimal percent) {
        Growth growth = new Growth(company, percent);
        List<FactEdit<?>> edits = new ArrayList<>();
        of(company, OrderFacts.CustomerOrder.class)
                .filter(order -> growth.concerns(order.item())
                        && (customer == null || customer.equals(order.customer()))
                        && span.holds(order.dueDate()))
                .forEach(order -> edits.add(
                        new FactEdit<>(order, order.withQuantity(growth.of(order.item(), order.quantity())))));
        return edits;
    }

    /** The same of the forecasts of a set. */
    public List<FactEdit<?>> forecasts(CompanyFacts company, BigDecimal percent, String set) {
        Growth growth = new Growth(company, percent);
        List<FactEdit<?>> edits = new ArrayList<>();
        of(company, ForecastFacts.Forecast.class)
                .filter(bucket ->
                        bucket.set().equals(set) && growth.concerns(bucket.item()) && span.holds(bucket.fromDate()))
                .forEach(bucket -> edits.add(
                        new FactEdit<>(bucket, bucket.withQuantity(growth.of(bucket.item(), bucket.quantity())))));
        return edits;
    }

    private <F extends Fact> Stream<F> of(CompanyFacts company, Class<F> kind) {
        return item == null ? company.all(kind) : company.where(kind, "item", item).stream();
    }

    /** How quantities of the items that are meant grow. */
    private final class Growth {
        private final CompanyFacts company;
        private final BigDecimal factor;
        /** The decimals of each item's unit; negative if it is not meant. */
        private final Map<String, Integer> decimals = new HashMap<>();

        Growth(CompanyFacts company, BigDecimal percent) {
            this.company = company;
            this.factor = HUNDRED.add(percent);
        }

        boolean concerns(String code) {
            return decimals(code) >= 0;
        }

        BigDecimal of(String code, BigDecimal quantity) {
            return quantity.multiply(factor).divide(HUNDRED).setScale(decimals(code), RoundingMode.HALF_UP);
        }

        private int decimals(String code) {
            return decimals.computeIfAbsent(code, c -> {
                ItemFacts.Item own = company.one(ItemFacts.Item.class, c).orElseThrow();
                boolean meant = group == null || group.equals(own.group());
                return meant
                        ? company.one(BasicFacts.Unit.class, own.unit())
                                .orElseThrow()
                                .decimals()
                        : -1;
            });
        }
    }
}
