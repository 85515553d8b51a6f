package rescient.core.trace;

import static org.assertj.core.api.Assertions.assertThat;
import static rescient.core.Example.buy;
import static rescient.core.Example.make;

import java.util.ArrayList;
import java.util.List;
import net.jqwik.api.ForAll;
import net.jqwik.api.Property;
import org.junit.jupiter.api.Test;
import rescient.core.ChangingCompany;
import rescient.core.Example;
import rescient.core.base.Quantity;
import rescient.core.company.CustomerOrderLine;
import rescient.core.company.OpenOrder;
import rescient.core.company.Source;
import rescient.core.company.Stage;
import rescient.core.plan.Plan;
import rescient.core.plan.PlannedOrder;
import rescient.core.plan.Planner;
import rescient.core.snapshot.PlanOptions;

/** The customer orders that orders serve in the end. */
class EndsTest {
    private static List<String> numbers(List<CustomerOrderLine> lines) {
        return lines.stream().map(CustomerOrderLine::number).toList();
    }

    /** B goes into A and is sold too; a lot of 10 B brings what all three orders need. */
    private static Plan plan() {
        return new Example()
                .planned(make("A").leadTimeDays(1), buy("B").leadTimeDays(15).minQuantity(Quantity.of(10)))
                .bom("A", "B", "1")
                .wanted("A", 2, "12 Mar")
                .wanted("B", 3, "20 Mar")
                .wanted("A", 4, "25 Mar")
                .plan();
    }

    @Test
    void anOrderServesWhatStandsAboveItAndWhatIsSoldOfIt() {
        Ends ends = new Ends(plan());
        // B comes on Mon 23 March at the earliest: the A of 12 March and the B of 20 March will be late
        Ends.End lot = ends.ofPlanned("B", "W", 0);
        assertThat(lot.first().number()).isEqualTo("2");
        assertThat(lot.lines()).isEqualTo(3);
        assertThat(lot.late()).isTrue();

        Ends.End last = ends.ofPlanned("A", "W", 1);
        assertThat(last.first().number()).isEqualTo("4");
        assertThat(last.lines()).isEqualTo(1);
        assertThat(last.late()).isFalse();
        assertThat(numbers(Ends.allOfPlanned(plan(), "B", "W", 0))).containsExactly("2", "3", "4");
    }

    @Test
    void throughAnOpenOrderItServesWhatThatServes() {
        Plan plan = new Example()
                .planned(make("A").leadTimeDays(1), buy("B").leadTimeDays(2))
                .bom("A", "B", "1")
                .wanted("A", 2, "12 Mar")
                .open("M1", Source.MAKE, Stage.RELEASED, "A", 2, "12 Mar")
                .stillToIssue("M1", "B", 2, "11 Mar")
                .plan();
        Ends ends = new Ends(plan);
        assertThat(ends.ofPlanned("B", "W", 0).first().number()).isEqualTo("2");
        assertThat(ends.ofOpen("A", "W", "M1", "1").lines()).isEqualTo(1);
        assertThat(ends.ofOpen("A", "W", "M2", "1").first()).isNull();
        assertThat(numbers(Ends.allOfOpen(plan, "A", "W", "M1", "1"))).containsExactly("2");
        assertThat(Ends.allOfOpen(plan, "A", "W", "M2", "1")).isEmpty();
    }

    @Test
    void ordersThatWaitForEachOtherInACircleServeTheSame() {
        // M1 makes A of B, M2 makes B of A: what is sold of A waits for both, whichever is asked for first
        Plan plan = new Example()
                .planned(make("A").leadTimeDays(1), make("B").leadTimeDays(1))
                .wanted("A", 2, "20 Mar")
                .open("M1", Source.MAKE, Stage.RELEASED, "A", 6, "12 Mar")
                .stillToIssue("M1", "B", 3, "11 Mar")
                .open("M2", Source.MAKE, Stage.RELEASED, "B", 3, "10 Mar")
                .stillToIssue("M2", "A", 4, "9 Mar")
                .plan();
        for (String[] turn : new String[][] {{"A", "M1", "B", "M2"}, {"B", "M2", "A", "M1"}}) {
            Ends ends = new Ends(plan);
            assertThat(ends.ofOpen(turn[0], "W", turn[1], "1").lines()).isEqualTo(1);
            assertThat(ends.ofOpen(turn[2], "W", turn[3], "1").lines()).isEqualTo(1);
        }
    }

    @Test
    void manyLinesAreNotCountedOneByOne() {
        Example company = new Example().planned(buy("B").leadTimeDays(2).minQuantity(Quantity.of(1_000)));
        for (int i = 0; i < 120; i++) {
            company.wanted("B", 1, "20 Mar");
        }
        Plan plan = company.plan();
        Ends.End all = new Ends(plan).ofPlanned("B", "W", 0);
        assertThat(all.lines()).isEqualTo(Ends.MOST);
        assertThat(all.first().number()).isEqualTo("1");
        assertThat(Ends.allOfPlanned(plan, "B", "W", 0)).hasSize(120);
    }

    @Property(tries = 300)
    void askedForTogetherOrOneByOneTheyAreTheSame(@ForAll long seed) {
        Plan plan = new Planner().plan(new ChangingCompany(seed).snapshot(), PlanOptions.ALL);
        Ends ends = new Ends(plan);
        for (PlannedOrder order : plan.plannedOrders()) {
            List<CustomerOrderLine> lines = Ends.allOfPlanned(plan, order.item(), order.site(), order.sequence());
            same(plan, ends.ofPlanned(order.item(), order.site(), order.sequence()), lines);
        }
        for (OpenOrder order : plan.snapshot().openOrders()) {
            List<CustomerOrderLine> lines =
                    Ends.allOfOpen(plan, order.item(), order.site(), order.number(), order.line());
            same(plan, ends.ofOpen(order.item(), order.site(), order.number(), order.line()), lines);
        }
    }

    /** What is taken over from the plan before is what would be found anew. */
    @Property(tries = 300)
    void afterChangesTheyAreThoseOfThePlan(@ForAll long seed) {
        ChangingCompany model = new ChangingCompany(seed);
        Plan plan = new Planner().plan(model.snapshot(), PlanOptions.ALL);
        Ends ends = new Ends(plan);
        for (int step = 0; step < 8; step++) {
            allOf(plan, ends);
            plan = plan.after(List.of(model.change()));
            ends = ends.in(plan);
            assertThat(allOf(plan, ends)).isEqualTo(allOf(plan, new Ends(plan)));
        }
    }

    private static List<Ends.End> allOf(Plan plan, Ends ends) {
        List<Ends.End> all = new ArrayList<>();
        for (PlannedOrder order : plan.plannedOrders()) {
            all.add(ends.ofPlanned(order.item(), order.site(), order.sequence()));
        }
        for (OpenOrder order : plan.snapshot().openOrders()) {
            all.add(ends.ofOpen(order.item(), order.site(), order.number(), order.line()));
        }
        return all;
    }

    private static void same(Plan plan, Ends.End end, List<CustomerOrderLine> lines) {
        assertThat(end.first()).isEqualTo(lines.isEmpty() ? null : lines.get(0));
        assertThat(end.lines()).isEqualTo(Math.min(Ends.MOST, lines.size()));
        assertThat(end.late())
                .isEqualTo(lines.stream().anyMatch(l -> plan.isLate(l.number(), l.line(), l.item(), l.site())));
    }
}
