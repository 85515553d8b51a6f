package rescient.core.trace;

import static org.assertj.core.api.Assertions.assertThat;

import java.math.BigDecimal;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import org.junit.jupiter.api.Test;
import rescient.core.FewFacts;
import rescient.core.base.Quantity;
import rescient.core.company.BasicFacts;
import rescient.core.company.Fact;
import rescient.core.company.ItemFacts;
import rescient.core.company.ItemKind;
import rescient.core.company.MakingFacts;
import rescient.core.company.Source;
import rescient.core.company.Units;

/** A stool of one seat and three legs; a leg of half a metre of rod; a seat of 0.2 board and, for each order, one template. */
class BuildableTest {
    private static final int TODAY = (int) LocalDate.of(2026, 3, 2).toEpochDay();
    private static final List<BasicFacts.Unit> UNITS =
            List.of(new BasicFacts.Unit("pcs", null, 0), new BasicFacts.Unit("m", null, 3));

    private final List<Fact> facts = new ArrayList<>();

    private void item(String code, String unit, ItemKind kind, Source source) {
        facts.add(new ItemFacts.Item(code, null, null, unit, kind, null, null, null, null, null));
        if (source != null) {
            facts.add(new ItemFacts.Planning(code, "W", planned(source, null)));
        }
    }

    private static ItemFacts.Planned planned(Source source, BigDecimal yield) {
        return new ItemFacts.Planned(
                source, null, null, null, null, null, null, null, null, null, null, null, null, yield, null, null, null,
                null, null, null, null, null, null);
    }

    private void line(String parent, String component, String quantity) {
        facts.add(new MakingFacts.BomLine(parent, component, component, new BigDecimal(quantity)));
    }

    private void stools() {
        item("STOOL", "pcs", ItemKind.STOCKED, Source.ASSEMBLE);
        item("SEAT", "pcs", ItemKind.STOCKED, Source.MAKE);
        item("LEG", "pcs", ItemKind.STOCKED, Source.MAKE);
        item("ROD", "m", ItemKind.STOCKED, Source.BUY);
        item("BOARD", "m", ItemKind.STOCKED, Source.BUY);
        line("STOOL", "SEAT", "1");
        line("STOOL", "LEG", "3");
        line("LEG", "ROD", "0.5");
        line("SEAT", "BOARD", "0.2");
    }

    private Buildable of(Map<String, String> stock) {
        return new Buildable(
                new FewFacts(facts),
                new Units(UNITS, List.of()),
                "W",
                TODAY,
                item -> Quantity.of(new BigDecimal(stock.getOrDefault(item, "0"))));
    }

    private static long pieces(long units) {
        return Quantity.of(units);
    }

    /** 10 seats and 16 legs: 5 stools take 15 legs; the sixth would need 18, and 2 are missing. */
    @Test
    void ofItsOwnComponentsAsTheyLieThere() {
        stools();
        Buildable.Built built = of(Map.of("SEAT", "10", "LEG", "16", "ROD", "100", "BOARD", "100"))
                .fromComponents("STOOL");
        assertThat(built.quantity()).isEqualTo(pieces(5));
        assertThat(built.open()).isFalse();
        assertThat(built.limits()).containsExactly(new Buildable.Missing("LEG", pieces(18), pieces(16)));
        assertThat(built.limits().get(0).quantity()).isEqualTo(pieces(2));
    }

    /** With 4 m of rod 8 more legs are made: 24 legs are 8 stools; the ninth would need 11 legs made, of 5.5 m. */
    @Test
    void withComponentsThatAreMadeThere() {
        stools();
        Buildable.Built built =
                of(Map.of("SEAT", "10", "LEG", "16", "ROD", "4", "BOARD", "0")).throughAllLevels("STOOL");
        assertThat(built.quantity()).isEqualTo(pieces(8));
        assertThat(built.limits()).containsExactly(new Buildable.Missing("ROD", Quantity.of("5.5"), Quantity.of("4")));
    }

    /** Half of the legs are scrap: 8 m of rod are 16 legs started and 8 good ones, 2 stools. */
    @Test
    void theYieldOfWhatIsMadeCounts() {
        stools();
        facts.removeIf(fact -> fact instanceof ItemFacts.Planning p && p.item().equals("LEG"));
        facts.add(new ItemFacts.Planning("LEG", "W", planned(Source.MAKE, new BigDecimal("0.5"))));
        assertThat(of(Map.of("SEAT", "9", "ROD", "8")).throughAllLevels("STOOL").quantity())
                .isEqualTo(pieces(2));
    }

    /** A phantom is its parts, even where only what lies there counts. */
    @Test
    void aPhantomIsItsParts() {
        item("BOX", "pcs", ItemKind.STOCKED, Source.ASSEMBLE);
        item("SCREWS", "pcs", ItemKind.PHANTOM, null);
        item("SCREW", "pcs", ItemKind.STOCKED, Source.BUY);
        line("BOX", "SCREWS", "1");
        line("SCREWS", "SCREW", "8");
        assertThat(of(Map.of("SCREW", "20")).fromComponents("BOX").quantity()).isEqualTo(pieces(2));
    }

    /** One template for the whole order: the first stool needs it, and none more. */
    @Test
    void whatIsForTheWholeOrderIsTakenOnce() {
        item("SIGN", "pcs", ItemKind.STOCKED, Source.MAKE);
        item("SHEET", "pcs", ItemKind.STOCKED, Source.BUY);
        item("TEMPLATE", "pcs", ItemKind.STOCKED, Source.BUY);
        line("SIGN", "SHEET", "2");
        facts.add(new MakingFacts.BomLine(
                "SIGN", "9", "TEMPLATE", BigDecimal.ONE, null, MakingFacts.Per.ORDER, null, null, null, null));
        assertThat(of(Map.of("SHEET", "7", "TEMPLATE", "1"))
                        .fromComponents("SIGN")
                        .quantity())
                .isEqualTo(pieces(3));
        assertThat(of(Map.of("SHEET", "7")).fromComponents("SIGN").quantity()).isZero();
    }

    /** A line counts while it is valid; 5 % more is taken than is built in. */
    @Test
    void validityAndScrap() {
        item("SIGN", "pcs", ItemKind.STOCKED, Source.MAKE);
        item("SHEET", "m", ItemKind.STOCKED, Source.BUY);
        item("OLD", "pcs", ItemKind.STOCKED, Source.BUY);
        facts.add(new MakingFacts.BomLine(
                "SIGN", "1", "SHEET", BigDecimal.ONE, null, null, new BigDecimal("0.05"), null, null, null));
        facts.add(new MakingFacts.BomLine(
                "SIGN", "2", "OLD", BigDecimal.ONE, null, null, null, null, LocalDate.of(2026, 3, 1), null));
        assertThat(of(Map.of("SHEET", "2.1")).fromComponents("SIGN").quantity()).isEqualTo(pieces(2));
        assertThat(of(Map.of("SHEET", "2.099")).fromComponents("SIGN").quantity())
                .isEqualTo(pieces(1));
    }

    @Test
    void withoutComponentsNothingIsBuilt() {
        item("ROD", "m", ItemKind.STOCKED, Source.BUY);
        assertThat(of(Map.of()).fromComponents("ROD")).isEqualTo(new Buildable.Built(0, List.of(), false));
    }
}
