package rescient.core.trace;

import static org.assertj.core.api.Assertions.assertThat;
import static rescient.core.Example.buy;

import java.math.BigDecimal;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Set;
import org.junit.jupiter.api.Test;
import rescient.core.Example;
import rescient.core.base.Quantity;
import rescient.core.base.Ratio;
import rescient.core.company.Operation;
import rescient.core.company.Source;
import rescient.core.company.Stage;
import rescient.core.company.WorkCenter;

/** Two chairs are released, of four legs and a seat each. */
class WorkbenchTest {
    private static Example chairs() {
        return new Example()
                .planned(buy("LEG").leadTimeDays(5), buy("SEAT").leadTimeDays(9), Example.make("CHAIR"))
                .open("MO-1", Source.MAKE, Stage.RELEASED, "CHAIR", 2, "6 Mar")
                .stillToIssue("MO-1", "LEG", 8, "4 Mar")
                .stillToIssue("MO-1", "SEAT", 2, "4 Mar");
    }

    private static Workbench.Job job(Example example, Workbench.Progress progress) {
        List<Workbench.Job> jobs = Workbench.of(example.plan()).jobs(order -> progress);
        assertThat(jobs).hasSize(1);
        return jobs.get(0);
    }

    @Test
    void whatHasAllItsPartsCanStart() {
        Workbench.Job job = job(chairs().stock("LEG", 8).stock("SEAT", 2), Workbench.Progress.NONE);
        assertThat(job.state()).isEqualTo(Workbench.State.CAN_START);
        assertThat(job.parts()).allMatch(Workbench.Part::isThere);
        assertThat(job.until()).isNull();
    }

    /** Six of eight legs are there; the seats, which take longest to get, decide. */
    @Test
    void whatLacksPartsWaitsForTheLast() {
        Workbench.Job job = job(chairs().stock("LEG", 6), Workbench.Progress.NONE);
        assertThat(job.state()).isEqualTo(Workbench.State.WAITS);
        assertThat(job.waitsFor()).isEqualTo("SEAT");
        assertThat(job.parts()).anySatisfy(part -> {
            assertThat(part.component()).isEqualTo("LEG");
            assertThat(part.there()).isEqualTo(6 * Quantity.ONE);
            assertThat(part.comes()).isLessThan(job.until());
        });
        // once begun it runs, whatever is still missing
        assertThat(job(chairs(), new Workbench.Progress(Map.of(), Set.of(), true))
                        .state())
                .isEqualTo(Workbench.State.RUNS);
    }

    /** What is planned, firmed, bought or moved is not worked on. */
    @Test
    void onlyWhatIsReleasedToBeMade() {
        Example example = new Example()
                .planned(buy("LEG").leadTimeDays(5), Example.make("CHAIR"))
                .open("FO-1", Source.MAKE, Stage.FIRMED, "CHAIR", 2, "6 Mar")
                .open("PO-1", Source.BUY, Stage.RELEASED, "LEG", 2, "6 Mar");
        assertThat(Workbench.of(example.plan()).jobs(order -> Workbench.Progress.NONE))
                .isEmpty();
    }

    /** Sawn for 30 minutes and 6 a piece, then joined for 12 a piece: ten chairs. */
    private static Workbench.Operation at(long open, Map<String, Long> reported) {
        Example example = new Example().planned(Example.make("CHAIR"));
        example.builder.workCenter(new WorkCenter("SAW", "W", null, ratio(480), Ratio.ONE));
        example.builder.workCenter(new WorkCenter("JOIN", "W", null, ratio(480), ratio(2)));
        example.builder.operation(
                new Operation("CHAIR", "10", null, "SAW", Ratio.ZERO, ratio(30), ratio(6), Ratio.ZERO));
        example.builder.operation(
                new Operation("CHAIR", "20", null, "JOIN", Ratio.ZERO, Ratio.ZERO, ratio(12), Ratio.ZERO));
        Map<String, Long> millionths = new HashMap<>();
        reported.forEach((step, pieces) -> millionths.put(step, pieces * Quantity.ONE));
        example.open("MO-1", Source.MAKE, Stage.RELEASED, "CHAIR", open, "6 Mar");
        return job(example, new Workbench.Progress(millionths, Set.of(), false)).at();
    }

    private static Ratio ratio(int number) {
        return Ratio.of(BigDecimal.valueOf(number));
    }

    private static String said(Workbench.Operation at) {
        return at.step() + " " + at.center() + " "
                + at.minutes().stripTrailingZeros().toPlainString() + " " + at.left() / Quantity.ONE;
    }

    @Test
    void anOrderStandsAtTheFirstStepThatPiecesHaveToPass() {
        // 30 + 10 × 6
        assertThat(said(at(10, Map.of()))).isEqualTo("10 SAW 90 10");
        // six are left, and it is set up
        assertThat(said(at(10, Map.of("10", 4L)))).isEqualTo("10 SAW 36 6");
        // joined twice as fast as is usual: 10 × 12 ÷ 2
        assertThat(said(at(10, Map.of("10", 10L)))).isEqualTo("20 JOIN 60 10");
        // four are put out and six open; all are sawn
        assertThat(said(at(6, Map.of("10", 10L, "20", 4L)))).isEqualTo("20 JOIN 36 6");
        // what is reported at the last step has passed the first
        assertThat(said(at(6, Map.of("20", 4L)))).isEqualTo("10 SAW 36 6");
    }
}
