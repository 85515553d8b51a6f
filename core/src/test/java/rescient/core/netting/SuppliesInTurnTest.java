package rescient.core.netting;

import static org.assertj.core.api.Assertions.assertThat;
import static rescient.core.Example.buy;
import static rescient.core.Example.day;

import java.util.List;
import org.junit.jupiter.api.Test;
import rescient.core.Example;
import rescient.core.base.Quantity;
import rescient.core.company.OpenOrder;
import rescient.core.company.Source;
import rescient.core.company.Stage;
import rescient.core.plan.Plan;

/** Section 8: in which order a demand takes from the supplies; the quantities of each example tell them apart. */
class SuppliesInTurnTest {
    private static List<String> taken(Plan plan) {
        return plan.point("A", "W").orElseThrow().pegs().stream()
                .map(peg -> Quantity.text(peg.quantity()))
                .toList();
    }

    private static void open(Example example, String number, String line, Stage stage, long pieces, String due) {
        example.builder.openOrder(new OpenOrder(
                number,
                line,
                Source.BUY,
                stage,
                "A",
                "W",
                null,
                null,
                Quantity.of(pieces),
                day(due),
                OpenOrder.NO_DAY,
                true));
    }

    /** The lot that expires first, the next, what does not expire; then what comes on the day: released before firmed, by number. */
    @Test
    void stockThenReleasedThenFirmedThenPlanned() {
        Example example = new Example()
                .planned(buy("A"))
                .stock("A", 3)
                .lot("A", "Z", 1, "20 Mar")
                .lot("A", "B", 2, "30 Mar");
        open(example, "3", "1", Stage.FIRMED, 6, "9 Mar");
        open(example, "10", "1", Stage.RELEASED, 5, "9 Mar");
        open(example, "9", "1", Stage.RELEASED, 4, "9 Mar");
        // 21 are there or come, 7 more are planned
        assertThat(taken(example.wanted("A", 28, "9 Mar").plan())).containsExactly("1", "2", "3", "4", "5", "6", "7");
    }

    /** Of one order line 2 comes before line 10; of another day the earlier day before all else. */
    @Test
    void theDayThenTheNumberThenTheLine() {
        Example example = new Example().planned(buy("A"));
        open(example, "5", "10", Stage.RELEASED, 3, "9 Mar");
        open(example, "5", "2", Stage.RELEASED, 2, "9 Mar");
        open(example, "7", "1", Stage.RELEASED, 4, "9 Mar");
        open(example, "8", "1", Stage.FIRMED, 1, "6 Mar");
        assertThat(taken(example.wanted("A", 10, "9 Mar").plan())).containsExactly("1", "2", "3", "4");
    }

    /** A lot serves nothing on its last day: of 5 that expire on Mon 16 none is for that day, and 4 are for the day before. */
    @Test
    void aLotServesUntilTheDayBeforeItExpires() {
        Example example = new Example()
                .planned(buy("A"))
                .lot("A", "L", 5, "16 Mar")
                .wanted("A", 4, "13 Mar")
                .wanted("A", 7, "16 Mar");
        assertThat(taken(example.plan())).containsExactly("4", "7");
    }

    /** What the first leaves of a supply the second takes: 6 of 10, then 4 and 3 of the next ten. */
    @Test
    void demandsTakeWhatIsLeft() {
        Example example = new Example().planned(buy("A"));
        open(example, "1", "1", Stage.RELEASED, 10, "6 Mar");
        open(example, "2", "1", Stage.RELEASED, 10, "9 Mar");
        example.wanted("A", 6, "9 Mar").wanted("A", 7, "10 Mar");
        assertThat(taken(example.plan())).containsExactly("6", "4", "3");
    }
}
