package rescient.core.netting;

import static org.assertj.core.api.Assertions.assertThat;
import static rescient.core.Example.buy;
import static rescient.core.Example.make;
import static rescient.core.Example.orders;

import java.math.BigDecimal;
import org.junit.jupiter.api.Test;
import rescient.core.Example;
import rescient.core.base.Quantity;
import rescient.core.base.Ratio;
import rescient.core.company.PeriodUnit;
import rescient.core.company.PlanningData;
import rescient.core.company.PlanningRule;
import rescient.core.company.Source;
import rescient.core.company.Stage;
import rescient.core.company.SupplierTerms;
import rescient.core.plan.Plan;
import rescient.core.plan.PlannedOrder;

/** Section 6: from the quantity wanted to the orders that supply it. */
class SizingTest {

    private static Plan planned(PlanningData data, long wanted) {
        return new Example().planned(data).wanted("A", wanted, "20 Mar").plan();
    }

    @Test
    void lotForLotOrdersWhatIsMissing() {
        assertThat(orders(planned(make("A"), 17))).containsExactly("A 17: 20 Mar > 20 Mar");
    }

    @Test
    void theMinimumRaisesAndTheMultipleRoundsUp() {
        PlanningData data = make("A").minQuantity(Quantity.of(50)).multiple(Quantity.of(12));
        // 17 → 50 → 60; 61 → 72
        assertThat(orders(planned(data, 17))).containsExactly("A 60: 20 Mar > 20 Mar");
        assertThat(orders(planned(data, 61))).containsExactly("A 72: 20 Mar > 20 Mar");
    }

    @Test
    void overTheMaximumItIsSplitAndTheRestRaisedAgain() {
        // 95 in twelves up to 40: 96; full ones are 36; 36 + 36 + 24
        PlanningData data =
                make("A").minQuantity(Quantity.of(20)).multiple(Quantity.of(12)).maxQuantity(Quantity.of(40));
        assertThat(planned(data, 95).point("A", "W").orElseThrow().plannedOrders())
                .extracting(o -> Quantity.text(o.quantity()))
                .containsExactly("36", "36", "24");
    }

    @Test
    void theYieldIsDividedOutAndGoodPiecesAreRoundedDown() {
        // 19 good at 0.9: 21.1 → 22 started, 19.8 → 19 good
        PlannedOrder order = planned(make("A").yield(Ratio.of(new BigDecimal("0.9"))), 19)
                .plannedOrders()
                .get(0);
        assertThat(Quantity.text(order.startQuantity())).isEqualTo("22");
        assertThat(Quantity.text(order.quantity())).isEqualTo("19");
    }

    @Test
    void partsThatMissTogetherAreSizedAgain() {
        // 18 good at 0.9 are 20 started; split at 7: 7, 7, 6 give 6 + 6 + 5 = 17; one more wanted:
        // 19 → 22 started: 7, 7, 7, 1 give 6 + 6 + 6 + 0 = 18
        PlanningData data = make("A").yield(Ratio.of(new BigDecimal("0.9"))).maxQuantity(Quantity.of(7));
        assertThat(planned(data, 18).point("A", "W").orElseThrow().plannedOrders())
                .extracting(o -> Quantity.text(o.startQuantity()))
                .containsExactly("7", "7", "7", "1");
    }

    @Test
    void aFixedQuantityComesAsOftenAsItTakes() {
        // 45 in twenties: three orders
        assertThat(orders(planned(make("A").rule(PlanningRule.FIXED_QUANTITY).fixedQuantity(Quantity.of(20)), 45)))
                .containsExactly("A 20: 20 Mar > 20 Mar", "A 20: 20 Mar > 20 Mar", "A 20: 20 Mar > 20 Mar");
    }

    @Test
    void aFixedQuantityReachesSafetyStockAndReorderPoint() {
        // 30 of reorder point 45: 15 missing: one order of 20
        Plan plan = new Example()
                .planned(make("A")
                        .rule(PlanningRule.FIXED_QUANTITY)
                        .fixedQuantity(Quantity.of(20))
                        .reorderPoint(Quantity.of(45)))
                .stock("A", 30)
                .plan();
        assertThat(orders(plan)).containsExactly("A 20: 2 Mar > 2 Mar");
    }

    @Test
    void minMaxFillsUpFromThePosition() {
        // 58 + P1 60 − 14 − 48 − 84 = −28: up to 90 are 118, lead 12 from 18 Mar: 2 Mar
        Plan plan = new Example()
                .planned(buy("A").rule(PlanningRule.MIN_MAX)
                        .reorderPoint(Quantity.of(45))
                        .orderUpTo(Quantity.of(90))
                        .leadTimeDays(12))
                .stock("A", 58)
                .open("P1", Source.BUY, Stage.RELEASED, "A", 60, "10 Mar")
                .wanted("A", 14, "5 Mar")
                .wanted("A", 48, "12 Mar")
                .wanted("A", 84, "18 Mar")
                .plan();
        assertThat(orders(plan)).containsExactly("A 118: 2 Mar > 18 Mar");
    }

    @Test
    void aPeriodGathersTheNeedOfItsWindow() {
        // 10 on Mon 9, 5 on Fri 13, 7 on Mon 16 Mar: the week from 9 Mar needs 15, the next 7
        Plan plan = new Example()
                .planned(make("A").rule(PlanningRule.PERIOD).period(1, PeriodUnit.WEEK))
                .wanted("A", 10, "9 Mar")
                .wanted("A", 5, "13 Mar")
                .wanted("A", 7, "16 Mar")
                .plan();
        assertThat(orders(plan)).containsExactly("A 15: 9 Mar > 9 Mar", "A 7: 16 Mar > 16 Mar");
    }

    @Test
    void perOrderKeepsDemandsApart() {
        // 10 in stock; on 20 Mar 6 (priority 2), 8 (priority 1), 5: the 8 first, 2 of the 6, so 4 and 5 are ordered
        Plan plan = new Example()
                .planned(make("A").rule(PlanningRule.PER_ORDER).leadTimeDays(1))
                .stock("A", 10)
                .wanted("A", "W", 6, "20 Mar", 2)
                .wanted("A", "W", 8, "20 Mar", 1)
                .wanted("A", "W", 5, "20 Mar", 5)
                .plan();
        assertThat(plan.plannedOrders())
                .extracting(o -> Quantity.text(o.quantity()) + " for " + o.forOrder())
                .containsExactly("4 for 1", "5 for 3");
    }

    @Test
    void theSuppliersTermsReplaceThePointsAndCountInPurchaseUnits() {
        // 1 250 screws in boxes of 500, at least 2: 2.5 → 3 boxes = 1 500; the point's multiple of 70 does not count
        Example example = new Example()
                .planned(buy("A").multiple(Quantity.of(70)).leadTimeDays(9))
                .wanted("A", 1250, "20 Mar");
        example.builder
                .supplier("S", null)
                .supplierTerms(new SupplierTerms(
                        "S",
                        "A",
                        new Ratio(500, 1),
                        Quantity.ONE,
                        4,
                        Quantity.of(2),
                        Quantity.NOT_SET,
                        Quantity.NOT_SET,
                        1));
        assertThat(orders(example.plan())).containsExactly("A 1500: 16 Mar > 20 Mar");
    }

    @Test
    void withoutAChosenSupplierTheFirstPreferenceCounts() {
        Example example =
                new Example().planned(new PlanningData("A", "W", Source.BUY)).wanted("A", 5, "20 Mar");
        example.builder.supplier("S1", null).supplier("S2", null).supplier("S3", null);
        for (String supplier : new String[] {"S3", "S2", "S1"}) {
            example.builder.supplierTerms(new SupplierTerms(
                    supplier,
                    "A",
                    null,
                    Quantity.ONE,
                    3,
                    Quantity.NOT_SET,
                    Quantity.NOT_SET,
                    Quantity.NOT_SET,
                    supplier.equals("S3") ? 2 : 1));
        }
        assertThat(example.plan().plannedOrders())
                .extracting(PlannedOrder::supplier)
                .containsExactly("S1");
    }

    @Test
    void aNeedThatWouldTakeAbsurdlyManyOrdersIsRefused() {
        PlanningData data = make("A").rule(PlanningRule.FIXED_QUANTITY).fixedQuantity(Quantity.of(1));
        assertThat(Example.unplannable(new Example()
                        .planned(data)
                        .wanted("A", 1_000_000_000, "20 Mar")
                        .plan()))
                .singleElement()
                .asString()
                .contains("A at W");
    }
}
