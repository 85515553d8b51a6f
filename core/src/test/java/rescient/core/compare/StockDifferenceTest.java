package rescient.core.compare;

import static org.assertj.core.api.Assertions.assertThat;

import java.math.BigDecimal;
import org.junit.jupiter.api.Test;
import rescient.core.Example;
import rescient.core.company.PlanningData;
import rescient.core.company.Source;
import rescient.core.plan.Plan;
import rescient.core.prices.Prices;

/** By how much more lies in stock in the mean. Today is Monday 2 March 2026, the last day 31 December: 305 days. A costs 10. */
class StockDifferenceTest {
    private static final Prices PRICES = new Prices() {
        @Override
        public BigDecimal standard(String item) {
            return item.equals("A") ? BigDecimal.TEN : null;
        }

        @Override
        public BigDecimal purchase(String item, String supplier, long units) {
            return null;
        }
    };

    private static Example example() {
        return new Example()
                .planned(new PlanningData("A", "W", Source.NONE), new PlanningData("N", "W", Source.NONE))
                .stock("A", 5)
                .stock("N", 5);
    }

    /** 3 of 5 go on 4 March: they are away on 303 of 305 days; what has no standard cost does not count. */
    @Test
    void whatGoesEarlierLiesThereForLess() {
        Plan before = example().plan();
        Plan after = example().wanted("A", 3, "4 Mar").wanted("N", 3, "4 Mar").plan();
        assertThat(StockDifference.mean(before, after, PRICES)).isEqualByComparingTo("-29.80");
        assertThat(StockDifference.mean(after, before, PRICES)).isEqualByComparingTo("29.80");
        assertThat(StockDifference.mean(before, example().plan(), PRICES)).isEqualByComparingTo("0");
    }

    /** 9 of 5 are missing 4 from 4 March on: nothing is worth less than nothing. */
    @Test
    void whatIsMissingIsWorthNothing() {
        Plan after = example().wanted("A", 9, "4 Mar").plan();
        assertThat(StockDifference.mean(example().plan(), after, PRICES)).isEqualByComparingTo("-49.67");
    }
}
