package rescient.core.netting;

import static org.assertj.core.api.Assertions.assertThat;
import static rescient.core.Example.buy;
import static rescient.core.Example.make;

import java.util.List;
import org.junit.jupiter.api.Test;
import rescient.core.Example;
import rescient.core.base.Quantity;
import rescient.core.company.PlanningData;
import rescient.core.company.Source;
import rescient.core.company.Stage;
import rescient.core.plan.Plan;
import rescient.core.snapshot.Signal;

/** Section 10: what signals say of quantities and calendar days. Today is Mon 2 March. */
class SignalDaysTest {
    private static List<String> told(Plan plan) {
        return plan.signals().stream()
                .filter(signal -> signal.kind() != Signal.Kind.DEMAND_LATE)
                .map(signal -> signal.kind().name().toLowerCase(java.util.Locale.ROOT) + " "
                        + Quantity.text(signal.quantity())
                        + (signal.days() == Signal.NO_DAYS ? "" : ", " + signal.days() + " days"))
                .toList();
    }

    private static Example firmed(String start, String due) {
        return new Example()
                .planned(make("A"))
                .open("F", Source.MAKE, Stage.FIRMED, "A", 10, due, start, true)
                .wanted("A", 10, due);
    }

    /** To start on Thu 26 February, four days ago; today is in time, and tomorrow is nobody told. */
    @Test
    void aFirmedOrderThatShouldHaveStarted() {
        assertThat(told(firmed("26 Feb", "9 Mar").plan())).containsExactly("start_overdue 10, 4 days");
        assertThat(told(firmed("2 Mar", "9 Mar").plan())).containsExactly("release_due 10");
        assertThat(told(firmed("3 Mar", "9 Mar").plan())).isEmpty();
    }

    /** Two days ahead: what starts on Wed 4 is told, what starts on Thu 5 is not; of planned orders the same. */
    @Test
    void soManyDaysAhead() {
        for (String start : List.of("4 Mar", "5 Mar")) {
            List<String> expected = start.equals("4 Mar") ? List.of("release_due 10") : List.of();
            Example firmed = firmed(start, "9 Mar");
            firmed.builder.releaseAheadDays(2);
            assertThat(told(firmed.plan())).isEqualTo(expected);
            Example planned = new Example().planned(buy("A").leadTimeDays(0)).wanted("A", 10, start);
            planned.builder.releaseAheadDays(2);
            assertThat(told(planned.plan())).isEqualTo(expected);
        }
    }

    /** A released order has started, whatever its start; due on Thu 26 February it is four days overdue. */
    @Test
    void aReleasedOrderThatDidNotCome() {
        Plan plan = new Example()
                .planned(make("A"))
                .open("R", Source.MAKE, Stage.RELEASED, "A", 10, "26 Feb", "20 Feb", true)
                .wanted("A", 10, "2 Mar")
                .plan();
        assertThat(told(plan)).containsExactly("receipt_overdue 10, 4 days");
    }

    /** Due today it is not overdue. */
    @Test
    void whatIsDueTodayIsNotOverdue() {
        Plan plan = new Example()
                .planned(make("A"))
                .open("R", Source.MAKE, Stage.RELEASED, "A", 10, "2 Mar", "20 Feb", true)
                .wanted("A", 10, "2 Mar")
                .plan();
        assertThat(told(plan)).isEmpty();
    }

    /** From Mon 16 back to Fri 20 and forward to Mon 9 March: four and seven calendar days. */
    @Test
    void howFarAnOrderIsToBeMoved() {
        Plan later = new Example()
                .planned(buy("A"))
                .open("P", Source.BUY, Stage.RELEASED, "A", 10, "16 Mar")
                .wanted("A", 10, "20 Mar")
                .plan();
        assertThat(told(later)).containsExactly("push_back 10, 4 days");
        Plan earlier = new Example()
                .planned(buy("A"))
                .open("P", Source.BUY, Stage.RELEASED, "A", 10, "16 Mar")
                .wanted("A", 10, "9 Mar")
                .plan();
        assertThat(told(earlier)).containsExactly("bring_forward 10, 7 days");
    }

    /** Five working days before Mon 2 March is Mon 23 February: seven days late; 10 for today, 6 and 4 of them of two orders. */
    @Test
    void aPlannedOrderThatShouldHaveStarted() {
        Plan plan = new Example()
                .planned(buy("A").leadTimeDays(5))
                .wanted("A", 6, "2 Mar")
                .wanted("A", 4, "2 Mar")
                .plan();
        assertThat(told(plan)).containsExactly("start_overdue 10, 7 days");
    }

    /** 7 there, 5 to stay: 4 go on the 9th and 3 are left, two too few; after 2 more on the 16th four too few, until the 23rd. */
    @Test
    void howMuchIsMissingAtMostToSafetyStock() {
        Plan plan = new Example()
                .planned(new PlanningData("A", "W", Source.NONE).safetyStock(Quantity.of(5)))
                .stock("A", 7)
                .open("P", Source.BUY, Stage.RELEASED, "A", 20, "23 Mar", null, true)
                .wanted("A", 4, "9 Mar")
                .wanted("A", 2, "16 Mar")
                .plan();
        assertThat(told(plan)).contains("below_safety 4");
    }
}
