package rescient.core.trace;

import static org.assertj.core.api.Assertions.assertThat;

import java.math.BigDecimal;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.List;
import org.junit.jupiter.api.Test;
import rescient.core.FewFacts;
import rescient.core.company.BasicFacts;
import rescient.core.company.Fact;
import rescient.core.company.ItemFacts;
import rescient.core.company.MakingFacts;
import rescient.core.company.Units;

class MaterialCostTest {
    private static final LocalDate DAY = LocalDate.of(2026, 3, 2);
    private static final Units UNITS = new Units(List.of(new BasicFacts.Unit("pcs", null, 0)), List.of());

    private static ItemFacts.Item item(String code, String cost) {
        return new ItemFacts.Item(
                code, null, null, "pcs", null, null, cost == null ? null : new BigDecimal(cost), null, null, null);
    }

    private static MakingFacts.BomLine line(String parent, String component, String quantity, LocalDate to) {
        return new MakingFacts.BomLine(
                parent, component, component, new BigDecimal(quantity), null, null, null, null, to, null);
    }

    private static BigDecimal cost(List<Fact> facts) {
        FewFacts company = new FewFacts(facts);
        return MaterialCost.of(company, new BillTree(company, UNITS).below("STOOL"), DAY);
    }

    /**
     * A stool of 3 legs of half a rod at 4 each, and a seat at 10: 3 × 0.5 × 4 + 10 = 16. The cost of the leg itself does not
     * count, nor what was built in until yesterday with all that is below it.
     */
    private static List<Fact> stool(String seat) {
        return new ArrayList<>(List.of(
                item("STOOL", "99"),
                item("LEG", "77"),
                item("ROD", "4"),
                item("SEAT", seat),
                item("OLD", "50"),
                item("WAX", "5"),
                line("STOOL", "LEG", "3", null),
                line("LEG", "ROD", "0.5", null),
                line("STOOL", "SEAT", "1", DAY),
                line("STOOL", "OLD", "1", DAY.minusDays(1)),
                line("OLD", "WAX", "2", null)));
    }

    @Test
    void whatIsMadeOfNothingCounts() {
        assertThat(cost(stool("10"))).isEqualByComparingTo("16");
    }

    @Test
    void withoutACostNothingIsSaid() {
        assertThat(cost(stool(null))).isNull();
    }
}
