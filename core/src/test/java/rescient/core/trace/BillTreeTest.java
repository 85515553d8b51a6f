package rescient.core.trace;

import static org.assertj.core.api.Assertions.assertThat;

import java.math.BigDecimal;
import java.util.List;
import org.junit.jupiter.api.Test;
import rescient.core.FewFacts;
import rescient.core.company.MakingFacts;

class BillTreeTest {
    private static MakingFacts.BomLine line(String parent, String line, String component) {
        return new MakingFacts.BomLine(parent, line, component, BigDecimal.ONE);
    }

    private static List<String> shown(List<BillTree.Line> lines) {
        return lines.stream()
                .map(l -> "-".repeat(l.depth())
                        + l.line().component()
                        + (l.more() ? " …" : "")
                        + (l.loop() ? " loop" : ""))
                .toList();
    }

    @Test
    void everyLineIsFollowedByWhatStandsBelowIt() {
        // lines in order of their numbers, 9 before 10
        BillTree bills = new BillTree(FewFacts.of(
                line("CHAIR", "10", "LEG"),
                line("CHAIR", "9", "SEAT"),
                line("SEAT", "1", "FOAM"),
                line("LEG", "1", "WOOD")));
        assertThat(shown(bills.below("CHAIR"))).containsExactly("SEAT …", "-FOAM", "LEG …", "-WOOD");
        assertThat(bills.below("WOOD")).isEmpty();
    }

    @Test
    void whatStandsAboveItselfEndsThere() {
        BillTree bills = new BillTree(FewFacts.of(line("A", "1", "B"), line("B", "1", "A"), line("B", "2", "C")));
        assertThat(shown(bills.below("A"))).containsExactly("B …", "-A loop", "-C");
    }

    @Test
    void theSameComponentTwiceIsShownTwice() {
        BillTree bills = new BillTree(
                FewFacts.of(line("A", "1", "B"), line("A", "2", "C"), line("C", "1", "B"), line("B", "1", "D")));
        assertThat(shown(bills.below("A"))).containsExactly("B …", "-D", "C …", "-B …", "--D");
    }

    @Test
    void whereItIsUsedIsSortedByParent() {
        BillTree bills = new BillTree(
                FewFacts.of(line("TABLE", "1", "NAIL"), line("CHAIR", "2", "NAIL"), line("CHAIR", "1", "SEAT")));
        assertThat(bills.usedIn("NAIL")).extracting(MakingFacts.BomLine::parent).containsExactly("CHAIR", "TABLE");
    }
}
