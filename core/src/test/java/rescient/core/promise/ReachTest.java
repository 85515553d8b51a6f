package rescient.core.promise;

import static org.assertj.core.api.Assertions.assertThat;
import static rescient.core.Example.buy;
import static rescient.core.Example.day;
import static rescient.core.Example.make;

import org.junit.jupiter.api.Test;
import rescient.core.Example;
import rescient.core.base.Quantity;
import rescient.core.company.Source;
import rescient.core.company.Stage;
import rescient.core.plan.Plan;

/** What is out of reach, worked out by hand. Today is Monday 2 March 2026. */
class ReachTest {
    private static boolean within(Plan plan, long pieces, String day) {
        return new Reach(plan.snapshot()).within("A", "W", Quantity.of(pieces), day(day));
    }

    /** 4 are there and 3 on order; an eighth has to be bought, five working days: Monday 9 March. */
    @Test
    void whatIsMoreThanThereIsHasToBeBought() {
        Plan plan = new Example()
                .planned(buy("A").leadTimeDays(5))
                .stock("A", 4)
                .open("P", Source.BUY, Stage.RELEASED, "A", 3, "20 Mar")
                .plan();
        assertThat(within(plan, 7, "2 Mar")).isTrue();
        assertThat(within(plan, 8, "6 Mar")).isFalse();
        assertThat(within(plan, 8, "9 Mar")).isTrue();
    }

    /** A takes two days and two B each, of which 10 are there: of the sixth on B is bought first, 9 March, and A is there on the 11th. */
    @Test
    void whatIsMadeWaitsForItsComponents() {
        Plan plan = new Example()
                .planned(make("A").leadTimeDays(2))
                .planned(buy("B").leadTimeDays(5))
                .bom("A", "B", "2")
                .stock("B", 10)
                .plan();
        assertThat(within(plan, 5, "3 Mar")).isFalse();
        assertThat(within(plan, 5, "4 Mar")).isTrue();
        assertThat(within(plan, 6, "10 Mar")).isFalse();
        assertThat(within(plan, 6, "11 Mar")).isTrue();
    }
}
