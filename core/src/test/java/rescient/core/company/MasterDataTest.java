package rescient.core.company;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.math.BigDecimal;
import java.time.LocalDate;
import java.util.List;
import java.util.Map;
import org.junit.jupiter.api.Test;
import rescient.core.FewFacts;
import rescient.core.base.Quantity;
import rescient.core.company.PlanningOrigins.Origin;

/** Where values come from, a new item like another, and one component in the place of another. */
class MasterDataTest {
    private static ItemFacts.Planned planned(Source source, PlanningRule rule, String minimum, Integer leadTime) {
        return planned(source, null, rule, minimum, leadTime);
    }

    private static ItemFacts.Planned planned(
            Source source, String supplier, PlanningRule rule, String minimum, Integer leadTime) {
        return new ItemFacts.Planned(
                source,
                supplier,
                null,
                rule,
                null,
                null,
                null,
                null,
                null,
                null,
                minimum == null ? null : new BigDecimal(minimum),
                null,
                null,
                null,
                leadTime,
                null,
                null,
                null,
                null,
                null,
                null,
                null,
                null);
    }

    private static ItemFacts.Item item(String code, String unit) {
        return new ItemFacts.Item(code, "A " + code, null, unit, null, null, null, null, null, null);
    }

    @Test
    void whatTheStockPointSaysStandsBeforeWhatItsGroupSays() {
        Map<String, PlanningOrigins.Value> values = PlanningOrigins.of(
                planned(Source.BUY, null, "10", null), planned(Source.MAKE, PlanningRule.PERIOD, "5", 7), null, false);
        assertThat(values.get("source").origin()).isEqualTo(Origin.OWN);
        assertThat(values.get("source").group()).isEqualTo(Source.MAKE);
        assertThat(values.get("min_quantity").value()).isEqualTo(BigDecimal.TEN);
        assertThat(values.get("rule"))
                .isEqualTo(new PlanningOrigins.Value(Origin.GROUP, PlanningRule.PERIOD, PlanningRule.PERIOD, true));
        assertThat(values.get("lead_time_days").origin()).isEqualTo(Origin.GROUP);
        assertThat(values.get("safety_stock")).isEqualTo(new PlanningOrigins.Value(Origin.DEFAULT, null, null, true));
        assertThat(values).hasSize(23);
    }

    /** What the rule and the source make nothing of is told so. */
    @Test
    void whatMatters() {
        Map<String, PlanningOrigins.Value> values =
                PlanningOrigins.of(planned(Source.BUY, PlanningRule.MIN_MAX, null, null), null, null, false);
        assertThat(values.entrySet().stream()
                        .filter(value -> !value.getValue().matters())
                        .map(Map.Entry::getKey))
                .containsExactlyInAnyOrder(
                        "from_site",
                        "fixed_quantity",
                        "period_count",
                        "period_unit",
                        "yield",
                        "lead_time_per_unit_days");
        assertThat(PlanningOrigins.of(planned(Source.NONE, null, null, null), null, null, false).entrySet().stream()
                        .filter(value -> value.getValue().matters())
                        .map(Map.Entry::getKey))
                .containsExactly("source");
    }

    /** Section 6: the terms of the supplier's base row replace the stock point's where given. */
    @Test
    void theSuppliersTermsStandBeforeBoth() {
        SupplierTerms terms =
                new SupplierTerms("S", "A", null, 1, 12, Quantity.NOT_SET, Quantity.of(20), Quantity.NOT_SET, 1);
        Map<String, PlanningOrigins.Value> values =
                PlanningOrigins.of(planned(Source.BUY, null, "10", 5), null, terms, false);
        assertThat(values.get("lead_time_days").origin()).isEqualTo(Origin.SUPPLIER);
        assertThat(values.get("multiple").origin()).isEqualTo(Origin.SUPPLIER);
        assertThat(values.get("min_quantity").origin()).isEqualTo(Origin.OWN);
    }

    private static SupplierTerms terms(String supplier, int preference, int from, int to) {
        long no = Quantity.NOT_SET;
        return new SupplierTerms(supplier, "A", null, 1, 3, no, no, no, preference, from, to);
    }

    private static SupplierTerms chosen(String supplier, int day, SupplierTerms... offered) {
        PlanningData data = PlanningData.of("A", "W", planned(Source.BUY, supplier, null, null, null));
        return SupplierTerms.chosen(data, List.of(offered), day);
    }

    /** Section 6: the terms that are valid today, both ends included. */
    @Test
    void termsHoldFromTheirFirstToTheirLastDay() {
        SupplierTerms old = terms("S", 1, Integer.MIN_VALUE, 9);
        SupplierTerms next = terms("S", 1, 10, 19);
        assertThat(chosen("S", 9, old, next)).isSameAs(old);
        assertThat(chosen("S", 10, old, next)).isSameAs(next);
        assertThat(chosen("S", 19, old, next)).isSameAs(next);
        assertThat(chosen("S", 20, old, next)).isNull();
        assertThat(chosen(null, 20, old, next)).isNull();
        assertThat(SupplierTerms.of("T", List.of(old, next), 9)).isNull();
    }

    /** Of two at once those that began last are the supplier's; only then his preference is compared with that of others. */
    @Test
    void laterTermsReplaceEarlierOnesOfTheSameSupplier() {
        SupplierTerms always = terms("S", 1, Integer.MIN_VALUE, Integer.MAX_VALUE);
        SupplierTerms since = terms("S", 3, 5, Integer.MAX_VALUE);
        SupplierTerms other = terms("T", 2, Integer.MIN_VALUE, Integer.MAX_VALUE);
        assertThat(chosen("S", 4, always, since, other)).isSameAs(always);
        assertThat(chosen("S", 5, since, always, other)).isSameAs(since);
        assertThat(chosen(null, 4, always, since, other)).isSameAs(always);
        assertThat(chosen(null, 5, always, other, since)).isSameAs(other);
        assertThat(chosen(null, 5, other, since, always)).isSameAs(other);
    }

    @Test
    void anOfferOfADayIsOfEachQuantityTheOneThatBeganLast() {
        PartnerFacts.SupplierItem base = offer("0", null, null);
        PartnerFacts.SupplierItem autumn = offer("0", "2026-09-01", "2026-11-30");
        PartnerFacts.SupplierItem many = offer("100", null, "2026-09-15");
        List<PartnerFacts.SupplierItem> all = List.of(base, autumn, many);
        assertThat(PartnerFacts.SupplierItem.on(LocalDate.parse("2026-08-31"), all))
                .containsExactly(base, many);
        assertThat(PartnerFacts.SupplierItem.on(LocalDate.parse("2026-09-15"), all))
                .containsExactly(autumn, many);
        assertThat(PartnerFacts.SupplierItem.on(LocalDate.parse("2026-11-30"), all))
                .containsExactly(autumn);
        assertThat(PartnerFacts.SupplierItem.on(LocalDate.parse("2026-12-01"), all))
                .containsExactly(base);
    }

    private static PartnerFacts.SupplierItem offer(String quantity, String from, String to) {
        return new PartnerFacts.SupplierItem(
                "S",
                "A",
                new BigDecimal(quantity),
                null,
                BigDecimal.ONE,
                null,
                null,
                null,
                null,
                null,
                from == null ? null : LocalDate.parse(from),
                to == null ? null : LocalDate.parse(to),
                null,
                null,
                null);
    }

    @Test
    void aRoutingSaysHowLongItTakes() {
        Map<String, PlanningOrigins.Value> values =
                PlanningOrigins.of(planned(Source.MAKE, null, null, 5), null, null, true);
        assertThat(values.get("lead_time_days").origin()).isEqualTo(Origin.ROUTING);
        assertThat(values.get("lead_time_per_unit_days").origin()).isEqualTo(Origin.ROUTING);
        assertThat(values.get("safety_time_days").origin()).isEqualTo(Origin.DEFAULT);
    }

    private static final MakingFacts.BomLine LEG =
            new MakingFacts.BomLine("STOOL", "10", "LEG", new BigDecimal("3"), null, null, null, null, null, "20");
    private static final FewFacts STOOL = FewFacts.of(
            item("STOOL", "pcs"),
            item("LEG", "pcs"),
            item("PEG", "pcs"),
            LEG,
            new MakingFacts.BomLine("BENCH", "10", "LEG", new BigDecimal("4")),
            new MakingFacts.Operation("STOOL", "20", null, "BENCH-1", null, null, BigDecimal.ONE, null, "glue"),
            new ItemFacts.Planning("STOOL", "W", planned(Source.ASSEMBLE, null, null, 2)),
            new PartnerFacts.SupplierItem("S", "STOOL", BigDecimal.ZERO, null, BigDecimal.TEN, 5, null, null, null, 1),
            new BasicFacts.UnitConversion("STOOL", "box", "pcs", new BigDecimal("6")));

    @Test
    void aNewItemLikeAnotherHasAllThatSaysSomethingAboutIt() {
        List<FactEdit<?>> edits = new ItemCopy(STOOL, "STOOL").as(" STOOL-R ", "Red stool", ItemCopy.Parts.ALL);
        assertThat(edits).extracting(FactEdit::before).containsOnlyNulls();
        assertThat(edits)
                .extracting(edit -> (Object) edit.after())
                .containsExactlyInAnyOrder(
                        new ItemFacts.Item("STOOL-R", "Red stool", null, "pcs", null, null, null, null, null, null),
                        LEG.of("STOOL-R", "20"),
                        new MakingFacts.Operation(
                                "STOOL-R", "20", null, "BENCH-1", null, null, BigDecimal.ONE, null, "glue"),
                        new ItemFacts.Planning("STOOL-R", "W", planned(Source.ASSEMBLE, null, null, 2)),
                        new PartnerFacts.SupplierItem(
                                "S", "STOOL-R", BigDecimal.ZERO, null, BigDecimal.TEN, 5, null, null, null, 1),
                        new BasicFacts.UnitConversion("STOOL-R", "box", "pcs", new BigDecimal("6")));
    }

    /** Without the routing no line can name a step of it. */
    @Test
    void partsOfItAreLeftOut() {
        List<FactEdit<?>> edits =
                new ItemCopy(STOOL, "STOOL").as("STOOL-R", null, new ItemCopy.Parts(true, false, false, false));
        assertThat(edits)
                .extracting(edit -> (Object) edit.after())
                .containsExactlyInAnyOrder(
                        new ItemFacts.Item("STOOL-R", "A STOOL", null, "pcs", null, null, null, null, null, null),
                        LEG.of("STOOL-R", null),
                        new BasicFacts.UnitConversion("STOOL-R", "box", "pcs", new BigDecimal("6")));
    }

    @Test
    void aCodeInUseIsRefused() {
        ItemCopy copy = new ItemCopy(STOOL, "STOOL");
        assertThatThrownBy(() -> copy.as("LEG", null, ItemCopy.Parts.ALL))
                .isInstanceOf(UnfitException.class)
                .hasMessageContaining("There is an item LEG already");
        assertThatThrownBy(() -> copy.as(" ", null, ItemCopy.Parts.ALL)).hasMessageContaining("Say the code");
        assertThatThrownBy(() -> new ItemCopy(STOOL, "NOBODY")).hasMessageContaining("There is no item NOBODY");
    }

    /** Two pegs do what one leg did: 3 legs are 6 pegs, 4 are 8. */
    @Test
    void oneComponentTakesThePlaceOfAnother() {
        ComponentReplacement replacement = new ComponentReplacement(STOOL, "LEG", "PEG", new BigDecimal("2"));
        assertThat(replacement.in(parent -> true))
                .extracting(edit -> (Object) edit.after())
                .containsExactlyInAnyOrder(
                        LEG.withComponent("PEG", new BigDecimal("6"), null),
                        new MakingFacts.BomLine("BENCH", "10", "PEG", new BigDecimal("8")));
        assertThat(replacement.in("STOOL"::equals))
                .singleElement()
                .satisfies(edit -> assertThat(edit.before()).isEqualTo(LEG));
    }

    @Test
    void aFactorOfNothingIsRefused() {
        assertThatThrownBy(() -> new ComponentReplacement(STOOL, "LEG", "PEG", BigDecimal.ZERO))
                .hasMessageContaining("more than 0");
        assertThatThrownBy(() -> new ComponentReplacement(STOOL, "LEG", "LEG", null))
                .hasMessageContaining("by itself");
    }
}
