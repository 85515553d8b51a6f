package rescient.core.plan;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.ArrayList;
import java.util.List;
import java.util.function.Predicate;
import net.jqwik.api.ForAll;
import net.jqwik.api.Property;
import net.jqwik.api.constraints.IntRange;
import org.junit.jupiter.api.Test;
import rescient.core.ChangingCompany;
import rescient.core.Example;
import rescient.core.base.Quantity;
import rescient.core.company.Source;
import rescient.core.company.Stage;
import rescient.core.snapshot.PlanOptions;
import rescient.core.snapshot.Signal;

/** The first of the signals that ask something, against all of them in a list. */
class AskedSignalsTest {
    private static List<Signal> asked(Plan plan, Predicate<Signal> fits) {
        List<Signal> all = new ArrayList<>();
        for (Ask ask : Ask.values()) {
            plan.allSignals().stream()
                    .filter(signal -> Ask.of(signal.kind()) == ask && fits.test(signal))
                    .forEach(all::add);
        }
        return all;
    }

    /** B lacks a supplier, the order of A is not needed: what is to be changed comes first. */
    @Test
    void whatIsToBeChangedComesBeforeWhatCannotBePlanned() {
        Plan plan = new Example()
                .planned(
                        Example.buy("A"),
                        Example.buy("B").supplier(null),
                        Example.buy("C").safetyStock(Quantity.of(5)))
                .open("P1", Source.BUY, Stage.RELEASED, "A", 10, "9 Mar")
                .wanted("B", 4, "20 Mar")
                .plan();
        assertThat(AskedSignals.of(plan, 10, signal -> true).first())
                .extracting(Signal::kind)
                .startsWith(Signal.Kind.CANCEL, Signal.Kind.NO_SUPPLIER);
        assertThat(AskedSignals.of(plan, 1, signal -> true).first())
                .extracting(Signal::kind)
                .containsExactly(Signal.Kind.CANCEL);
        assertThat(AskedSignals.of(plan, 1, signal -> true).count())
                .isEqualTo(asked(plan, signal -> true).size());
    }

    @Property(tries = 200)
    void theyAreTheFirstOfAll(@ForAll long seed, @ForAll @IntRange(min = 1, max = 12) int most) {
        ChangingCompany company = new ChangingCompany(seed);
        Plan plan = new Planner().plan(company.snapshot(), PlanOptions.ALL);
        for (int step = 0; step < 3; step++) {
            for (Predicate<Signal> fits : List.<Predicate<Signal>>of(
                    signal -> true, signal -> signal.item().hashCode() % 2 == 0)) {
                List<Signal> all = asked(plan, fits);
                AskedSignals asked = AskedSignals.of(plan, most, fits);
                assertThat(asked.count()).isEqualTo(all.size());
                assertThat(asked.first()).isEqualTo(all.subList(0, Math.min(most, all.size())));
            }
            assertThat(plan.signalCount()).isEqualTo(plan.allSignals().size());
            plan = plan.after(List.of(company.change()));
        }
    }
}
