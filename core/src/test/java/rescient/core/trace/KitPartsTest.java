package rescient.core.trace;

import static org.assertj.core.api.Assertions.assertThat;

import java.math.BigDecimal;
import java.time.LocalDate;
import java.util.List;
import org.junit.jupiter.api.Test;
import rescient.core.FewFacts;
import rescient.core.company.BasicFacts;
import rescient.core.company.ItemFacts;
import rescient.core.company.ItemKind;
import rescient.core.company.MakingFacts;
import rescient.core.company.Units;

/** A set of two jars, a quarter of a box of a hundred labels with 4 % lost, and, from tomorrow on, a spoon. */
class KitPartsTest {
    private static final LocalDate DAY = LocalDate.of(2026, 3, 2);
    private static final Units UNITS = new Units(
            List.of(new BasicFacts.Unit("pcs", null, 0), new BasicFacts.Unit("box", null, 2)),
            List.of(new BasicFacts.UnitConversion(null, "box", "pcs", new BigDecimal("100"))));

    private static ItemFacts.Item item(String code, ItemKind kind) {
        return new ItemFacts.Item(code, null, null, "pcs", kind, null, null, null, null, null);
    }

    private static MakingFacts.BomLine line(
            String parent, String component, String quantity, String unit, String scrap, LocalDate from, LocalDate to) {
        return new MakingFacts.BomLine(
                parent,
                component,
                component,
                new BigDecimal(quantity),
                unit,
                null,
                scrap == null ? null : new BigDecimal(scrap),
                from,
                to,
                null);
    }

    private static final FewFacts COMPANY = new FewFacts(List.of(
            item("SET", ItemKind.KIT),
            item("JAR", null),
            item("LABEL", null),
            item("SPOON", null),
            item("LID", null),
            line("SET", "JAR", "2", null, null, DAY, DAY),
            line("SET", "LABEL", "0.25", "box", "0.04", null, null),
            line("SET", "SPOON", "1", null, null, DAY.plusDays(1), null),
            item("ODD", ItemKind.KIT),
            line("ODD", "LID", "3", "crate", null, null, null),
            line("JAR", "LID", "1", null, null, null, null)));

    @Test
    void whatIsValidCountsInItsOwnUnitWithWhatIsLost() {
        // 0.25 × 100 × 1.04 = 26
        assertThat(KitParts.of(COMPANY, UNITS, "SET", DAY))
                .containsOnlyKeys("JAR", "LABEL")
                .hasEntrySatisfying("JAR", two -> assertThat(two).isEqualByComparingTo("2"))
                .hasEntrySatisfying("LABEL", labels -> assertThat(labels).isEqualByComparingTo("26"));
        assertThat(KitParts.of(COMPANY, UNITS, "SET", DAY.plusDays(1))).containsOnlyKeys("LABEL", "SPOON");
    }

    @Test
    void aUnitThatNothingConvertsHoldsUpNobody() {
        assertThat(KitParts.of(COMPANY, UNITS, "ODD", DAY).get("LID")).isEqualByComparingTo("3");
    }

    @Test
    void whatIsNoKitTakesNothingOfItsComponents() {
        assertThat(KitParts.of(COMPANY, UNITS, "JAR", DAY)).isEmpty();
        assertThat(KitParts.of(COMPANY, UNITS, "NOTHING", DAY)).isEmpty();
    }
}
