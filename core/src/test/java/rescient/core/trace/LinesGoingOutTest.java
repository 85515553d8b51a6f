package rescient.core.trace;

import static org.assertj.core.api.Assertions.assertThat;
import static rescient.core.Example.buy;

import java.util.List;
import java.util.stream.Stream;
import org.junit.jupiter.api.Test;
import rescient.core.Example;
import rescient.core.base.Quantity;
import rescient.core.trace.LinesGoingOut.Line;
import rescient.core.trace.LinesGoingOut.State;

/** What of lines of customer orders can go today: all of it, a part, or nothing yet. */
class LinesGoingOutTest {
    /** Seven lie there: five for who comes first, two of four for the next, nothing for the third. */
    private final Example example = new Example()
            .planned(buy("A").leadTimeDays(5))
            .stock("A", 7)
            .wanted("A", 5, "5 Mar")
            .wanted("A", 4, "6 Mar")
            .wanted("A", 1, "20 Mar");

    private static Line line(String number, int open, boolean together) {
        return new Line(number, "1", "A", "S", open * Quantity.ONE, 0, together);
    }

    private List<LinesGoingOut.Going> going(Line... lines) {
        return LinesGoingOut.of(example.plan(), List.of(lines));
    }

    @Test
    void allOfItAPartOrNothing() {
        assertThat(going(line("1", 5, false), line("2", 4, false), line("3", 1, false)))
                .extracting(one -> one.line().number() + " " + one.ready() / Quantity.ONE + " " + one.state())
                .containsExactly("1 5 WHOLE", "2 2 PART", "3 0 WAITS");
    }

    /** Of a line that is to go with all of its order nothing goes before all of them can. */
    @Test
    void whatGoesTogetherWaitsForTheLast() {
        Line first = line("1", 5, true);
        Line second = new Line("1", "2", "A", "S", Quantity.ONE, 0, true);
        assertThat(going(first, second)).extracting(LinesGoingOut.Going::state).containsOnly(State.WAITS);
        assertThat(going(first, second)).extracting(LinesGoingOut.Going::ready).containsOnly(0L);
        assertThat(going(first)).extracting(LinesGoingOut.Going::state).containsExactly(State.WHOLE);
    }

    /** A line that may go alone goes, whatever others of its order wait for. */
    @Test
    void whatMayGoAloneGoes() {
        Line second = new Line("1", "2", "A", "S", Quantity.ONE, 0, true);
        assertThat(Stream.of(going(line("1", 5, false), second)).flatMap(List::stream))
                .extracting(LinesGoingOut.Going::state)
                .containsExactly(State.WHOLE, State.WAITS);
    }
}
