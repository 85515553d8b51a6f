package rescient.core.trace;

import static org.assertj.core.api.Assertions.assertThat;
import static rescient.core.Example.buy;

import org.junit.jupiter.api.Test;
import rescient.core.Example;
import rescient.core.base.Quantity;
import rescient.core.company.ItemKind;
import rescient.core.company.Source;
import rescient.core.company.Stage;

/** What of customer order lines can go today. */
class LinesThereTest {
    private static long there(Example example, String number, long open) {
        return LinesThere.of(example.plan()).of(number, "1", open * Quantity.ONE, 0) / Quantity.ONE;
    }

    /** Ten lie there: six for who comes first, four for the next, nothing for the third. */
    @Test
    void whoComesFirstIsServedFirst() {
        Example example = new Example()
                .planned(buy("A").leadTimeDays(5))
                .stock("A", 10)
                .wanted("A", 6, "6 Mar")
                .wanted("A", 6, "5 Mar")
                .wanted("A", 2, "20 Mar");
        assertThat(there(example, "2", 6)).isEqualTo(6);
        assertThat(there(example, "1", 6)).isEqualTo(4);
        assertThat(there(example, "3", 2)).isZero();
    }

    /** Eight are kept for an order that starts before: two of five can go. */
    @Test
    void whatAnEarlierOrderNeedsDoesNotGo() {
        Example example = new Example()
                .planned(buy("A").leadTimeDays(5), buy("B").leadTimeDays(5))
                .stock("A", 10)
                .open("MO-1", Source.MAKE, Stage.RELEASED, "B", 8, "5 Mar")
                .stillToIssue("MO-1", "A", 8, "3 Mar")
                .wanted("A", 5, "6 Mar");
        assertThat(there(example, "1", 5)).isEqualTo(2);
    }

    /** Two A and one B each: five A are enough for two of four kits and a half; no half goes. */
    @Test
    void aKitGoesWhole() {
        Example example = new Example()
                .planned(buy("A").leadTimeDays(5), buy("B").leadTimeDays(5))
                .item("SET", ItemKind.KIT)
                .bom("SET", "A", "2")
                .bom("SET", "B", "1")
                .stock("A", 5)
                .stock("B", 9)
                .wanted("SET", 4, "6 Mar");
        assertThat(there(example, "3", 4)).isEqualTo(2);
    }

    @Test
    void whatThePlanDoesNotKnowDoesNotGo() {
        assertThat(there(new Example().planned(buy("A").leadTimeDays(5)).stock("A", 5), "9", 3))
                .isZero();
    }
}
