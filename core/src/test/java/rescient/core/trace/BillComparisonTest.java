package rescient.core.trace;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.tuple;

import java.math.BigDecimal;
import org.junit.jupiter.api.Test;
import rescient.core.FewFacts;
import rescient.core.company.MakingFacts;

class BillComparisonTest {
    private static MakingFacts.BomLine line(String parent, String line, String component, String quantity) {
        return new MakingFacts.BomLine(parent, line, component, new BigDecimal(quantity));
    }

    @Test
    void componentsStandSideBySide() {
        FewFacts two = FewFacts.of(
                line("OAK", "10", "LEG", "4"),
                line("OAK", "20", "TOP", "1"),
                line("OAK", "30", "OIL", "0.5"),
                line("PINE", "10", "TOP", "1.000"),
                line("PINE", "20", "LEG", "3"),
                line("PINE", "30", "WAX", "0.2"));
        assertThat(BillComparison.of(two, "OAK", "PINE"))
                .extracting(
                        BillComparison.Pair::component,
                        pair -> pair.left() == null ? null : pair.left().line(),
                        pair -> pair.right() == null ? null : pair.right().line(),
                        BillComparison.Pair::same)
                .containsExactly(
                        tuple("LEG", "10", "20", false),
                        tuple("TOP", "20", "10", true),
                        tuple("OIL", "30", null, false),
                        tuple("WAX", null, "30", false));
    }

    @Test
    void whatStandsThereTwiceIsComparedInTurn() {
        FewFacts two = FewFacts.of(line("A", "1", "LEG", "2"), line("A", "2", "LEG", "1"), line("B", "1", "LEG", "2"));
        assertThat(BillComparison.of(two, "A", "B"))
                .extracting(pair -> pair.left().line(), pair -> pair.right() == null, BillComparison.Pair::same)
                .containsExactly(tuple("1", false, true), tuple("2", true, false));
    }
}
