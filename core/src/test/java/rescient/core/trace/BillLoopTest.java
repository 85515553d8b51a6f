package rescient.core.trace;

import static org.assertj.core.api.Assertions.assertThat;

import java.math.BigDecimal;
import org.junit.jupiter.api.Test;
import rescient.core.FewFacts;
import rescient.core.company.MakingFacts;

class BillLoopTest {
    private static MakingFacts.BomLine line(String parent, String component) {
        return new MakingFacts.BomLine(parent, component, component, BigDecimal.ONE);
    }

    private static final FewFacts TABLE =
            FewFacts.of(line("TABLE", "LEG"), line("TABLE", "TOP"), line("LEG", "WOOD"), line("TOP", "WOOD"));

    @Test
    void aComponentThatIsMadeOfItsParentClosesALoop() {
        assertThat(BillLoop.closedBy(TABLE, "WOOD", "TABLE")).containsExactly("WOOD", "TABLE", "LEG", "WOOD");
        assertThat(BillLoop.closedBy(TABLE, "LEG", "TABLE")).containsExactly("LEG", "TABLE", "LEG");
    }

    @Test
    void anItemIsNoComponentOfItself() {
        assertThat(BillLoop.closedBy(TABLE, "LEG", "LEG")).containsExactly("LEG", "LEG");
    }

    @Test
    void theSameComponentInTwoPlacesIsNoLoop() {
        assertThat(BillLoop.closedBy(TABLE, "TABLE", "WOOD")).isEmpty();
        assertThat(BillLoop.closedBy(TABLE, "LEG", "TOP")).isEmpty();
    }

    /** A loop that is there already, and does not lead back to the parent, is another's. */
    @Test
    void aLoopBelowEndsTheSearch() {
        FewFacts looped = FewFacts.of(line("A", "B"), line("B", "A"));
        assertThat(BillLoop.closedBy(looped, "NEW", "A")).isEmpty();
    }
}
