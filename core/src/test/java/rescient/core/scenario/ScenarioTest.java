package rescient.core.scenario;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.math.BigDecimal;
import java.time.LocalDate;
import java.util.List;
import java.util.Set;
import org.junit.jupiter.api.Test;
import rescient.core.FewFacts;
import rescient.core.PlannedFact;
import rescient.core.company.BasicFacts;
import rescient.core.company.FactEdit;
import rescient.core.company.ForecastFacts;
import rescient.core.company.ItemFacts;
import rescient.core.company.MakingFacts;
import rescient.core.company.OrderFacts;
import rescient.core.company.PartnerFacts;
import rescient.core.company.PeriodUnit;
import rescient.core.company.Source;
import rescient.core.company.Stage;
import rescient.core.company.StockFacts;
import rescient.core.company.UnfitException;

/** What becomes of which facts, by examples worked out by hand. Monday is 2 March 2026. */
class ScenarioTest {
    private static final BasicFacts.Unit PCS = new BasicFacts.Unit("pcs", "pieces", 0);
    private static final BasicFacts.Unit KG = new BasicFacts.Unit("kg", "kilograms", 2);
    private static final ItemFacts.Item NAIL = item("NAIL", "METAL", "pcs");
    private static final ItemFacts.Item WAX = item("WAX", "STUFF", "kg");
    private static final BasicFacts.Site WORKS = new BasicFacts.Site("W", "Works", BasicFacts.SiteKind.WORKS, null);
    private static final PartnerFacts.Supplier SMITH = new PartnerFacts.Supplier("SMITH", null, null, null, null, null);

    private static ItemFacts.Item item(String code, String group, String unit) {
        return new ItemFacts.Item(code, null, group, unit, null, null, null, null, null, null);
    }

    private static BigDecimal number(String text) {
        return new BigDecimal(text);
    }

    private static LocalDate march(int day) {
        return LocalDate.of(2026, 3, day);
    }

    // ---- demand

    private static OrderFacts.CustomerOrder order(
            String number, String customer, String item, String quantity, int day) {
        return new OrderFacts.CustomerOrder(number, "1", customer, item, "W", number(quantity), march(day), null, null);
    }

    private static List<String> quantities(List<FactEdit<?>> edits) {
        return edits.stream()
                .map(edit -> edit.after() instanceof OrderFacts.CustomerOrder order
                        ? order.number() + " " + order.quantity()
                        : ((ForecastFacts.Forecast) edit.after()).fromDate() + " "
                                + ((ForecastFacts.Forecast) edit.after()).quantity())
                .toList();
    }

    @Test
    void demandGrowsByAPartRoundedHalvesUpInTheItemsUnit() {
        // 7 × 1.5 = 10.5, 0.33 × 1.5 = 0.495
        FewFacts company =
                FewFacts.of(PCS, KG, NAIL, WAX, order("1", null, "NAIL", "7", 3), order("2", null, "WAX", "0.33", 3));
        Demand all = new Demand(null, null, null, new Span(null, null));
        assertThat(quantities(all.orders(company, number("50")))).containsExactly("1 11", "2 0.50");
    }

    @Test
    void onlyTheDemandThatIsMeantGrows() {
        FewFacts company = FewFacts.of(
                PCS,
                KG,
                NAIL,
                WAX,
                order("1", "ANNA", "NAIL", "10", 3),
                order("2", "BERT", "NAIL", "10", 3),
                order("3", "ANNA", "NAIL", "10", 20),
                order("4", "ANNA", "WAX", "10", 3));
        Span week = new Span(march(2), march(8));
        assertThat(quantities(new Demand("NAIL", null, "ANNA", week).orders(company, number("-100"))))
                .containsExactly("1 0");
        assertThat(quantities(new Demand(null, "METAL", null, week).orders(company, number("10"))))
                .containsExactly("1 11", "2 11");
    }

    @Test
    void forecastsOfTheSetInUseGrow() {
        FewFacts company = FewFacts.of(
                PCS,
                NAIL,
                new ForecastFacts.Forecast("BASE", "NAIL", "W", march(2), PeriodUnit.WEEK, number("40")),
                new ForecastFacts.Forecast("OTHER", "NAIL", "W", march(2), PeriodUnit.WEEK, number("40")));
        Demand all = new Demand(null, null, null, new Span(null, null));
        assertThat(quantities(all.forecasts(company, number("20"), "BASE"))).containsExactly("2026-03-02 48");
    }

    // ---- suppliers

    private static PartnerFacts.SupplierItem terms(String item, Integer days) {
        return new PartnerFacts.SupplierItem("SMITH", item, BigDecimal.ZERO, null, null, days, null, null, null, null);
    }

    private static ItemFacts.Planning bought(String item) {
        return new ItemFacts.Planning(item, "W", planned("SMITH", null));
    }

    private static ItemFacts.Planned planned(String supplier, Integer days) {
        PlannedFact said = new PlannedFact();
        said.supplier = supplier;
        said.leadTimeDays = days;
        return said.planned();
    }

    private static OrderFacts.OpenOrder open(String number, LocalDate due) {
        return new OrderFacts.OpenOrder(
                number,
                "1",
                Source.BUY,
                Stage.RELEASED,
                "NAIL",
                "W",
                null,
                "SMITH",
                BigDecimal.TEN,
                due,
                null,
                null,
                null,
                null,
                null,
                null,
                null,
                null,
                null,
                null,
                null,
                null,
                null,
                null,
                null);
    }

    private static List<LocalDate> dues(List<FactEdit<?>> edits) {
        return edits.stream()
                .filter(edit -> edit.after() instanceof OrderFacts.OpenOrder)
                .map(edit -> ((OrderFacts.OpenOrder) edit.after()).dueDate())
                .toList();
    }

    @Test
    void leadTimesGrowWhereTheyComeFrom() {
        // the terms for nails say 5, those for wax nothing, where the plan counts with 9; of glue there are no terms
        FewFacts company = FewFacts.of(SMITH, terms("NAIL", 5), terms("WAX", null), bought("NAIL"), bought("GLUE"));
        List<FactEdit<?>> edits = new Suppliers(company, march(2)).slower("SMITH", 3, item -> 9);
        assertThat(edits)
                .extracting(edit -> edit.after() instanceof PartnerFacts.SupplierItem terms
                        ? terms.item() + " " + terms.leadTimeDays()
                        : ((ItemFacts.Planning) edit.after()).item() + " "
                                + ((ItemFacts.Planning) edit.after()).planned().leadTimeDays())
                .containsExactly("NAIL 8", "WAX 12", "GLUE 12");
    }

    @Test
    void whatASupplierIsToBringWhileHeIsAwayComesOnHisFirstDayAfter() {
        // away from Thursday 5 to Sunday 15 March, back on Monday; what is overdue counts today
        FewFacts company = FewFacts.of(
                SMITH,
                WORKS,
                bought("NAIL"),
                open("1", march(5)),
                open("2", march(16)),
                open("3", LocalDate.of(2026, 2, 20)));
        Suppliers suppliers = new Suppliers(company, march(6));
        assertThat(dues(suppliers.out("SMITH", new Span(march(5), march(15))))).containsExactly(march(16), march(16));
    }

    @Test
    void whileHeIsSlowAnOrderComesWhenHeHasWorkedAsManyDays() {
        // of the ten working days from Monday 2 to Friday 13 March two are lost: the third and the eighth, 4 and 11
        // March.
        // Due on Tuesday 3: worked 2 days, as before. Due on Thursday 5: the fourth day, now Friday 6.
        // Due on Friday 13: the tenth, now Tuesday 17.
        FewFacts company = FewFacts.of(
                SMITH, WORKS, bought("NAIL"), open("1", march(3)), open("2", march(5)), open("3", march(13)));
        List<FactEdit<?>> edits = new Suppliers(company, march(2)).slowerFor("SMITH", 2, new Span(march(2), march(15)));
        assertThat(dues(edits)).containsExactly(march(6), march(17));
        assertThat(edits)
                .filteredOn(edit -> edit.after() instanceof BasicFacts.CalendarException)
                .extracting(edit -> ((BasicFacts.CalendarException) edit.after()).date())
                .containsExactly(march(4), march(11));
    }

    @Test
    void heCannotLoseMoreDaysThanHeWorks() {
        FewFacts company = FewFacts.of(SMITH, WORKS, bought("NAIL"));
        assertThatThrownBy(() -> new Suppliers(company, march(2)).slowerFor("SMITH", 2, new Span(march(6), march(8))))
                .isInstanceOf(UnfitException.class)
                .hasMessageContaining("only 1 working days");
    }

    // ---- calendars

    @Test
    void whoHasNoCalendarGetsOneOfItsOwn() {
        FewFacts company = FewFacts.of(WORKS);
        FewFacts closed = company.edited(new Closures(company, List.of(march(4)), false).site("W"));
        assertThat(closed.one(BasicFacts.Site.class, "W").orElseThrow().calendar())
                .isEqualTo("W");
        assertThat(closed.one(BasicFacts.CalendarException.class, "W", "2026-03-04"))
                .get()
                .matches(e -> !e.working());
        assertThat(closed.one(BasicFacts.Calendar.class, "W").orElseThrow().works(5))
                .isFalse();
    }

    @Test
    void whoSharesACalendarLeavesItToTheOthersWithItsOtherExceptions() {
        BasicFacts.Calendar shared = new BasicFacts.Calendar("C", null, null, null, null, null, true, null);
        FewFacts company = FewFacts.of(
                shared,
                new BasicFacts.CalendarException("C", march(4), true),
                new BasicFacts.CalendarException("C", march(9), false),
                WORKS.withCalendar("C"),
                new BasicFacts.Site("D", null, null, "C"),
                // the code is taken
                BasicFacts.Calendar.ordinary("W"));
        FewFacts closed = company.edited(new Closures(company, List.of(march(4)), false).site("W"));
        assertThat(closed.one(BasicFacts.Site.class, "W").orElseThrow().calendar())
                .isEqualTo("W-2");
        assertThat(closed.one(BasicFacts.Site.class, "D").orElseThrow().calendar())
                .isEqualTo("C");
        assertThat(closed.one(BasicFacts.Calendar.class, "W-2").orElseThrow().works(5))
                .isTrue();
        assertThat(closed.where(BasicFacts.CalendarException.class, "calendar", "W-2"))
                .containsExactlyInAnyOrder(
                        new BasicFacts.CalendarException("W-2", march(4), false),
                        new BasicFacts.CalendarException("W-2", march(9), false));
        assertThat(closed.where(BasicFacts.CalendarException.class, "calendar", "C"))
                .hasSize(2);
    }

    @Test
    void whoHasACalendarAloneKeepsIt() {
        FewFacts company = FewFacts.of(BasicFacts.Calendar.ordinary("C"), WORKS.withCalendar("C"));
        List<FactEdit<?>> edits = new Closures(company, List.of(march(7)), true).site("W");
        assertThat(edits).hasSize(1);
        Closures then = new Closures(company.edited(edits), Set.of(), false);
        assertThat(then.supplierDay("NOBODY", "W", march(7), 0)).isEqualTo(march(7));
        assertThat(then.supplierDay("NOBODY", "W", march(7), 1)).isEqualTo(march(9));
    }

    // ---- bills of materials

    @Test
    void aBillOfMaterialsGetsALineBehindTheLast() {
        FewFacts company = FewFacts.of(
                new MakingFacts.BomLine("CHAIR", "10", "SEAT", BigDecimal.ONE),
                new MakingFacts.BomLine("CHAIR", "35", "LEG", number("4")),
                new MakingFacts.BomLine("CHAIR", "x", "GLUE", BigDecimal.ONE));
        BillChange bill = new BillChange(company, "CHAIR");
        assertThat(bill.with("NAIL", number("8")))
                .isEqualTo(FactEdit.added(new MakingFacts.BomLine("CHAIR", "45", "NAIL", number("8"))));
        assertThat(bill.quantity("35", number("3")).after())
                .isEqualTo(new MakingFacts.BomLine("CHAIR", "35", "LEG", number("3")));
        assertThat(bill.without("10").after()).isNull();
        assertThatThrownBy(() -> bill.without("11")).hasMessage("The bill of materials of CHAIR has no line 11");
    }

    // ---- stock

    private static StockFacts.Stock lot(String lot, String quantity, LocalDate expiry) {
        return new StockFacts.Stock("WAX", "W", lot, null, number(quantity), expiry, null, null, null, null);
    }

    @Test
    void theLotsThatWouldBeUsedFirstAreLostFirst() {
        FewFacts company = FewFacts.of(
                WORKS, lot("10", "5", null), lot("9", "5", null), lot("A", "3", march(30)), lot("B", "0", null));
        assertThat(StockLoss.of(company, "WAX", "W", number("7")))
                .containsExactly(
                        FactEdit.gone(lot("A", "3", march(30))),
                        new FactEdit<>(lot("9", "5", null), lot("9", "1", null)));
        assertThat(StockLoss.of(company, "WAX", "W", null)).hasSize(3).allMatch(edit -> edit.after() == null);
    }

    @Test
    void moreThanThereIsCannotBeLost() {
        FewFacts company = FewFacts.of(WORKS, lot("9", "5.50", null));
        assertThatThrownBy(() -> StockLoss.of(company, "WAX", "W", number("6")))
                .isInstanceOfSatisfying(
                        UnfitException.class, e -> assertThat(e.field()).isEqualTo("quantity"))
                .hasMessage("There are only 5.5 WAX in stock at Works");
    }

    // ---- time

    @Test
    void aTimeHasABeginningAndAnEndBehindIt() {
        assertThatThrownBy(() -> new Span(march(2), null).complete()).hasMessageContaining("from which day");
        assertThatThrownBy(() -> new Span(march(3), march(2)).complete()).hasMessageContaining("before the first");
        assertThat(new Span(march(2), march(2)).complete().days()).containsExactly(march(2));
        assertThat(new Span(null, march(2)).holds(march(3))).isFalse();
        assertThat(new Span(null, march(2)).holds(march(1))).isTrue();
    }
}
