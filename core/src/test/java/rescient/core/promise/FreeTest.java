package rescient.core.promise;

import static org.assertj.core.api.Assertions.assertThat;
import static rescient.core.Example.buy;
import static rescient.core.Example.day;
import static rescient.core.Example.make;

import org.junit.jupiter.api.Test;
import rescient.core.Example;
import rescient.core.base.Quantity;
import rescient.core.company.ForecastBucket;
import rescient.core.company.ItemKind;
import rescient.core.company.PeriodUnit;
import rescient.core.company.Source;
import rescient.core.company.Stage;
import rescient.core.plan.Plan;

/** What is free, worked out by hand. Today is Monday 2 March 2026. */
class FreeTest {
    private static String free(Plan plan, String item, String day) {
        Free.Figure figure = Free.on(plan, item, "W", day(day));
        return Quantity.text(figure.quantity()) + " by " + Example.text(figure.limitingDay());
    }

    private static String withPlanned(Plan plan, String item, String day) {
        Free.Figure figure = Free.of(plan.point(item, "W").orElseThrow()).withPlanned(day(day));
        return Quantity.text(figure.quantity());
    }

    /** 10 are there, 4 go on the 6th, 20 come on the 9th, 23 go on the 12th: 3 are left then, and that limits every day before. */
    @Test
    void theLeastOfAllDaysFromThenOn() {
        Plan plan = new Example()
                .planned(buy("A").leadTimeDays(5))
                .stock("A", 10)
                .wanted("A", 4, "6 Mar")
                .open("P", Source.BUY, Stage.RELEASED, "A", 20, "9 Mar")
                .wanted("A", 23, "12 Mar")
                .open("Q", Source.BUY, Stage.FIRMED, "A", 5, "16 Mar")
                .plan();
        assertThat(free(plan, "A", "2 Mar")).isEqualTo("3 by 12 Mar");
        assertThat(free(plan, "A", "12 Mar")).isEqualTo("3 by 12 Mar");
        assertThat(free(plan, "A", "13 Mar")).isEqualTo("3 by 13 Mar");
        assertThat(free(plan, "A", "16 Mar")).isEqualTo("8 by 16 Mar");
    }

    /** More is wanted than there is: nothing is free, and never less. Safety stock is free, forecasts take nothing. */
    @Test
    void neverBelowNothing() {
        Plan short2 = new Example()
                .planned(buy("A").leadTimeDays(5))
                .stock("A", 3)
                .wanted("A", 5, "6 Mar")
                .plan();
        assertThat(free(short2, "A", "2 Mar")).isEqualTo("0 by 6 Mar");
        Example example = new Example()
                .planned(buy("A").leadTimeDays(5).safetyStock(Quantity.of(8)))
                .stock("A", 8);
        example.builder.forecast(new ForecastBucket("F", "A", "W", day("2 Mar"), PeriodUnit.MONTH, Quantity.of(5)));
        assertThat(free(example.plan(), "A", "2 Mar")).isEqualTo("8 by 2 Mar");
    }

    /** Lot 1 of 6 expires on the 10th; 4 are taken from it on the 5th, so 2 of it are lost, and 10 of lot 2 are left. */
    @Test
    void whatExpiresUnusedIsNotFree() {
        Plan plan = new Example()
                .planned(buy("A").leadTimeDays(5))
                .lot("A", "1", 6, "10 Mar")
                .stock("A", 10)
                .wanted("A", 4, "5 Mar")
                .plan();
        assertThat(free(plan, "A", "2 Mar")).isEqualTo("10 by 10 Mar");
        assertThat(free(plan, "A", "10 Mar")).isEqualTo("10 by 10 Mar");
    }

    /** What is overdue counts today, whatever the plan makes of it. */
    @Test
    void anOpenOrderCountsOnItsOwnDayOrToday() {
        Plan plan = new Example()
                .planned(buy("A").leadTimeDays(5))
                .open("P", Source.BUY, Stage.RELEASED, "A", 7, "20 Feb")
                .plan();
        assertThat(free(plan, "A", "2 Mar")).isEqualTo("7 by 2 Mar");
    }

    /** 5 of B are there; making 3 of A, which is planned for the 20th, takes 6: with planned orders another B is bought. */
    @Test
    void plannedOrdersAreASecondFigure() {
        Plan plan = new Example()
                .planned(make("A").leadTimeDays(2), buy("B").leadTimeDays(1))
                .bom("A", "B", "2")
                .stock("B", 5)
                .wanted("A", 3, "20 Mar")
                .plan();
        assertThat(free(plan, "B", "2 Mar")).isEqualTo("5 by 2 Mar");
        assertThat(withPlanned(plan, "B", "2 Mar")).isEqualTo("0");
        assertThat(withPlanned(plan, "A", "2 Mar")).isEqualTo("0");
    }

    /** Of 10 P and 7 Q, two for each kit, three kits are free. */
    @Test
    void ofAKitWhatItsScarcestPartAllows() {
        Plan plan = new Example()
                .planned(buy("P").leadTimeDays(3), buy("Q").leadTimeDays(5))
                .item("K", ItemKind.KIT)
                .bom("K", "P", "1")
                .bom("K", "Q", "2")
                .stock("P", 10)
                .stock("Q", 7)
                .plan();
        assertThat(free(plan, "K", "2 Mar")).isEqualTo("3 by 2 Mar");
        assertThat(Free.overWithPlanned(plan, "K", "W").apply(day("2 Mar")).quantity())
                .isEqualTo(Quantity.of(3));
    }
}
