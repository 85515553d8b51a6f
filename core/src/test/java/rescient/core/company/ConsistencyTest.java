package rescient.core.company;

import static org.assertj.core.api.Assertions.assertThat;

import java.math.BigDecimal;
import java.time.LocalDate;
import java.util.List;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import rescient.core.PlannedFact;
import rescient.core.base.Quantity;
import rescient.core.base.Ratio;

/** The faults of facts that sections 1 and 6 name, and what the calculation makes of facts that have none. */
class ConsistencyTest {
    private static final ItemFacts.Item LEG = item("LEG", ItemKind.STOCKED);

    private final Consistency rules = new Consistency(new Units(
            List.of(
                    new BasicFacts.Unit("pcs", null, 0),
                    new BasicFacts.Unit("box", null, 0),
                    new BasicFacts.Unit("kg", null, 3)),
            List.of(new BasicFacts.UnitConversion(null, "box", "pcs", new BigDecimal("12")))));

    private static ItemFacts.Item item(String code, ItemKind kind) {
        return new ItemFacts.Item(code, code, null, "pcs", kind, null, null, null, null, null);
    }

    private static BigDecimal number(String text) {
        return text == null ? null : new BigDecimal(text);
    }

    private List<String> wrong(PlannedFact said, SupplierTerms... offered) {
        return rules.of(LEG, "W", said.planned(), () -> List.of(offered)).stream()
                .map(flaw -> flaw.column() + " " + flaw.value() + " " + flaw.wrong())
                .toList();
    }

    private static SupplierTerms terms(String supplier, Ratio unit, String min, String multiple, int preference) {
        return new SupplierTerms(
                supplier,
                "LEG",
                unit,
                Quantity.ONE,
                -1,
                min == null ? Quantity.NOT_SET : Quantity.of(min),
                multiple == null ? Quantity.NOT_SET : Quantity.of(multiple),
                Quantity.NOT_SET,
                preference);
    }

    @Test
    void whatIsNeverStockedIsNeverPlanned() {
        assertThat(rules.of(item("SET", ItemKind.KIT), "W", new PlannedFact().planned(), List::of))
                .singleElement()
                .satisfies(flaw -> assertThat(flaw.wrong()).isEqualTo("is a kit, which is never planned itself"));
    }

    @Test
    void aSourceIsNeededAndASiteWhereSomethingComesFromThere() {
        PlannedFact none = new PlannedFact();
        none.source = null;
        assertThat(wrong(none)).containsExactly("source  is missing here and in the item's group");
        PlannedFact transfer = new PlannedFact();
        transfer.source = Source.TRANSFER;
        assertThat(wrong(transfer)).containsExactly("from_site  is missing for a transfer");
        transfer.fromSite = "D";
        assertThat(wrong(transfer)).isEmpty();
    }

    @Test
    void aRuleNeedsItsParameters() {
        PlannedFact said = new PlannedFact();
        said.rule = PlanningRule.PERIOD;
        assertThat(wrong(said))
                .containsExactly(
                        "period_count  is missing for the rule period", "period_unit  is missing for the rule period");
        said.rule = PlanningRule.MIN_MAX;
        assertThat(wrong(said)).containsExactly("order_up_to  is missing for the rule min_max");
        said.rule = PlanningRule.FIXED_QUANTITY;
        assertThat(wrong(said)).containsExactly("fixed_quantity  is missing for the rule fixed_quantity");
        said.fixedQuantity = "20";
        assertThat(wrong(said)).isEmpty();
    }

    @Test
    void theOrderUpToLevelIsNotBelowTheReorderPoint() {
        PlannedFact said = new PlannedFact();
        said.reorderPoint = "31";
        said.orderUpTo = "30";
        assertThat(wrong(said)).containsExactly("reorder_point 31 is over the order_up_to of 30");
        said.reorderPoint = "30";
        assertThat(wrong(said)).isEmpty();
    }

    @Test
    void aQuantityHasNoMoreDecimalsThanItsUnit() {
        PlannedFact said = new PlannedFact();
        said.minQuantity = "2.5";
        assertThat(wrong(said)).containsExactly("min_quantity 2.5 has more decimals than the unit pcs");
        said.minQuantity = "2.0";
        assertThat(wrong(said)).isEmpty();
    }

    /** 30 at most in tens: 30. At least 31, and at least 25 that becomes 30, and at most 9 in tens, which is none. */
    @ParameterizedTest
    @CsvSource(
            nullValues = "-",
            value = {
                "31, 10, 30, min_quantity 31 is over the max_quantity of 30",
                "25, 10, 30, -",
                "25, 10, 29, 'min_quantity 25 is over the max_quantity of 29, both in whole steps of 10'",
                "-, 10, 9, multiple 10 is over the max_quantity of 9",
                "-, 10, 10, -"
            })
    void theSmallestOrderIsNotOverTheLargest(String min, String multiple, String max, String wrong) {
        PlannedFact said = new PlannedFact();
        said.minQuantity = min;
        said.multiple = multiple;
        said.maxQuantity = max;
        assertThat(wrong(said)).isEqualTo(wrong == null ? List.of() : List.of(wrong));
    }

    /** 40 pieces at most are 3 boxes of 12. The supplier who is chosen sells 4 at least; the other would sell one. */
    @Test
    void theTermsOfTheChosenSupplierCount() {
        PlannedFact said = new PlannedFact();
        said.maxQuantity = "40";
        SupplierTerms second = terms("A", null, null, null, 2);
        SupplierTerms first = terms("B", new Ratio(12, 1), "4", null, 1);
        assertThat(wrong(said, second, first))
                .containsExactly("min_quantity 4 is over the max_quantity of 3, by the terms of B");
        assertThat(wrong(said, second)).isEmpty();
    }

    @Test
    void aSuppliersTermsAreInAUnitThatCanBeConverted() {
        assertThat(rules.of(offer("kg", "1.0005", null, null), LEG))
                .extracting(Consistency.Flaw::wrong)
                .containsExactly("cannot be converted to pcs", "has more decimals than the unit kg");
        assertThat(rules.of(offer("box", "3", "2", "2"), LEG))
                .singleElement()
                .satisfies(flaw -> assertThat(flaw.wrong()).isEqualTo("is over the max_quantity of 2"));
        assertThat(rules.of(offer(null, "2", "2", "2"), LEG)).isEmpty();
    }

    private static PartnerFacts.SupplierItem offer(String unit, String min, String multiple, String max) {
        return new PartnerFacts.SupplierItem(
                "B", "LEG", BigDecimal.ZERO, unit, null, null, number(min), number(multiple), number(max), null);
    }

    @Test
    void aCalendarHasAWorkingDay() {
        assertThat(Consistency.of(BasicFacts.Calendar.ordinary("C"))).isEmpty();
        assertThat(Consistency.of(new BasicFacts.Calendar("C", false, false, false, false, false, false, true)))
                .isEmpty();
        assertThat(Consistency.of(new BasicFacts.Calendar("C", false, false, false, false, false, null, null)))
                .hasSize(1);
    }

    @Test
    void bucketsThatOverlapAreAFault() {
        ForecastBucket week = bucket("2026-03-02", PeriodUnit.WEEK);
        assertThat(Consistency.apart(week, bucket("2026-03-08", PeriodUnit.DAY)))
                .isPresent();
        assertThat(Consistency.apart(week, bucket("2026-03-09", PeriodUnit.DAY)))
                .isEmpty();
    }

    private static ForecastBucket bucket(String from, PeriodUnit unit) {
        int day = (int) LocalDate.parse(from).toEpochDay();
        return new ForecastBucket("BASE", "LEG", "W", day, unit, Quantity.ONE);
    }

    @Test
    void anAlternativeIsAnotherItemThatIsStocked() {
        ItemFacts.AlternativeItem self = new ItemFacts.AlternativeItem("LEG", "LEG", null, null, null);
        assertThat(Consistency.of(self, LEG, LEG))
                .extracting(Consistency.Flaw::wrong)
                .containsExactly("is the item itself");
        ItemFacts.AlternativeItem set = new ItemFacts.AlternativeItem("LEG", "SET", null, null, null);
        assertThat(Consistency.of(set, LEG, item("SET", ItemKind.PHANTOM)))
                .singleElement()
                .satisfies(flaw -> assertThat(flaw.column()).isEqualTo("alternative"));
    }

    @Test
    void anOpenTransferComesFromSomewhere() {
        assertThat(Consistency.openOrder(Source.TRANSFER, null)).isPresent();
        assertThat(Consistency.openOrder(Source.SUBCONTRACT, "S")).isEmpty();
        assertThat(Consistency.openOrder(Source.BUY, null)).isEmpty();
    }

    @Test
    void theHorizonDoesNotEndBeforeToday() {
        LocalDate today = LocalDate.of(2026, 3, 2);
        assertThat(Consistency.horizon(today, today)).isEmpty();
        assertThat(Consistency.horizon(today, today.minusDays(1))).isPresent();
    }

    /** 2 boxes of 12 for each, and a twentieth is lost: 25.2. */
    @Test
    void whatIsLostOnTheWayIsNeededToo() {
        assertThat(BomLine.needed(new Ratio(2, 1), new Ratio(12, 1), new BigDecimal("0.05")))
                .isEqualTo(new Ratio(126, 5));
        assertThat(BomLine.needed(new Ratio(2, 1), Ratio.ONE, null)).isEqualTo(new Ratio(2, 1));
    }

    /** 90 ordered at a yield of 0.9 are 100 started; of 91 102. With 30 of 90 open a third of them is still to start. */
    @Test
    void whatIsStillOpenOfAnOrderStartsItsPartOfTheWhole() {
        Ratio yield = new Ratio(9, 10);
        long all = Quantity.of(90);
        assertThat(OpenOrder.toStart(Source.MAKE, all, all, Quantity.NOT_SET, yield, Quantity.ONE))
                .isEqualTo(Quantity.of(100));
        assertThat(OpenOrder.toStart(
                        Source.MAKE, Quantity.of(91), Quantity.NOT_SET, Quantity.NOT_SET, yield, Quantity.ONE))
                .isEqualTo(Quantity.of(102));
        assertThat(OpenOrder.toStart(Source.MAKE, Quantity.of(30), all, Quantity.of(120), yield, Quantity.ONE))
                .isEqualTo(Quantity.of(40));
        assertThat(OpenOrder.toStart(Source.BUY, Quantity.of(30), all, Quantity.NOT_SET, yield, Quantity.ONE))
                .isEqualTo(Quantity.of(30));
        assertThat(OpenOrder.toStart(Source.MAKE, 0, 0, Quantity.NOT_SET, yield, Quantity.ONE))
                .isZero();
    }

    @Test
    void onlyStockOutOfQuarantineAndOnlyBaseTermsPlan() {
        assertThat(StockLot.counts(true)).isFalse();
        assertThat(StockLot.counts(null)).isTrue();
        assertThat(SupplierTerms.areBase(new BigDecimal("0.00"))).isTrue();
        assertThat(SupplierTerms.areBase(BigDecimal.ONE)).isFalse();
    }

    @Test
    void whatAStockPointDoesNotSayItsGroupSays() {
        PlannedFact own = new PlannedFact();
        own.minQuantity = "5";
        PlannedFact group = new PlannedFact();
        group.source = Source.MAKE;
        group.minQuantity = "9";
        group.multiple = "0";
        group.maxQuantity = "50";
        PlanningData data = PlanningData.of("LEG", "W", own.planned().or(group.planned()));
        assertThat(data.source).isEqualTo(Source.BUY);
        assertThat(data.minQuantity).isEqualTo(Quantity.of(5));
        assertThat(data.maxQuantity).isEqualTo(Quantity.of(50));
        // a multiple of 0 is none
        assertThat(data.multiple).isEqualTo(Quantity.NOT_SET);
        assertThat(data.rule).isEqualTo(PlanningRule.LOT_FOR_LOT);
    }
}
