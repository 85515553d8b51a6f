package rescient.core.plan;

import static org.assertj.core.api.Assertions.assertThat;
import static rescient.core.Example.buy;
import static rescient.core.Example.day;
import static rescient.core.Example.make;

import java.util.List;
import org.junit.jupiter.api.Test;
import rescient.core.Example;
import rescient.core.base.Quantity;
import rescient.core.company.OpenOrder;
import rescient.core.company.PlanningRule;
import rescient.core.company.Source;
import rescient.core.company.Stage;

/** Section 11: every figure states its own derivation. */
class WhyTest {

    private static List<String> lines(Why why) {
        return why.terms().stream()
                .map(t -> t.kind()
                        + (t.quantity() == Quantity.NOT_SET ? "" : " " + Quantity.text(t.quantity()))
                        + (t.day() == OpenOrder.NO_DAY ? "" : " " + Example.text(t.day()))
                        + (t.days() < 0 ? "" : " " + t.days() + " days"))
                .toList();
    }

    @Test
    void aQuantityIsTheSumOfWhatComesAndGoes() {
        Plan plan = new Example()
                .planned(buy("A").rule(PlanningRule.MIN_MAX)
                        .reorderPoint(Quantity.of(45))
                        .orderUpTo(Quantity.of(90))
                        .leadTimeDays(12))
                .stock("A", 58)
                .open("P1", Source.BUY, Stage.RELEASED, "A", 60, "10 Mar")
                .wanted("A", 14, "5 Mar")
                .wanted("A", 48, "12 Mar")
                .wanted("A", 84, "18 Mar")
                .plan();
        PointView point = plan.point("A", "W").orElseThrow();
        // 58 + 60 − 14 − 48 − 84 = −28; 90 + 28 = 118
        assertThat(lines(point.whyQuantity(0)))
                .containsExactly(
                        "ON_HAND 58",
                        "DEMAND -14 5 Mar",
                        "OPEN_ORDER 60 10 Mar",
                        "DEMAND -48 12 Mar",
                        "DEMAND -84 18 Mar",
                        "WOULD_BE_LEFT -28 18 Mar",
                        "ORDER_UP_TO 90",
                        "WANTED 118",
                        "TO_ORDER 118 18 Mar");
        assertThat(lines(point.whyDates(0)))
                .containsExactly("NEED_DAY 18 Mar", "DUE 18 Mar", "LEAD_TIME 12 days", "START 2 Mar");
    }

    @Test
    void modifiersStandBetweenWantedAndOrdered() {
        Plan plan = new Example()
                .planned(make("A")
                        .safetyStock(Quantity.of(10))
                        .minQuantity(Quantity.of(50))
                        .multiple(Quantity.of(12)))
                .stock("A", 12)
                .wanted("A", 9, "10 Mar")
                .plan();
        // 12 − 9 = 3; safety 10: 7 wanted → 50 → 60
        assertThat(lines(plan.point("A", "W").orElseThrow().whyQuantity(0)))
                .containsExactly(
                        "ON_HAND 12",
                        "DEMAND -9 10 Mar",
                        "WOULD_BE_LEFT 3 10 Mar",
                        "SAFETY_STOCK 10",
                        "WANTED 7",
                        "MINIMUM 50",
                        "MULTIPLE 12",
                        "TO_ORDER 60 10 Mar");
    }

    /** 100 are wanted and 40 at most go into one order: 40, 40 and 20. */
    @Test
    void aMaximumStandsThereWhereItSplits() {
        Plan plan = new Example()
                .planned(make("A").maxQuantity(Quantity.of(40)))
                .wanted("A", 100, "10 Mar")
                .wanted("A", 40, "20 Mar")
                .plan();
        PointView point = plan.point("A", "W").orElseThrow();
        assertThat(lines(point.whyQuantity(0))).contains("WANTED 100", "MAXIMUM 40", "TO_ORDER 40 10 Mar");
        assertThat(lines(point.whyQuantity(3))).contains("TO_ORDER 40 20 Mar").doesNotContain("MAXIMUM 40");
    }

    @Test
    void aBalanceIsExplainedToo() {
        Plan plan = new Example()
                .planned(buy("A").leadTimeDays(1))
                .lot("A", "L1", 40, "12 Mar")
                .wanted("A", 25, "10 Mar")
                .wanted("A", 5, "16 Mar")
                .plan();
        // 40 − 25 = 15 expire on 12 Mar; 5 planned for the 5 on 16 Mar
        assertThat(lines(plan.point("A", "W").orElseThrow().whyBalance(day("16 Mar"))))
                .containsExactly(
                        "ON_HAND 40",
                        "DEMAND -25 10 Mar",
                        "EXPIRY -15 12 Mar",
                        "PLANNED_ORDER 5 16 Mar",
                        "DEMAND -5 16 Mar",
                        "BALANCE 0 16 Mar");
    }

    @Test
    void aDateThatWasPutOffSaysSo() {
        Plan plan = new Example()
                .planned(buy("A").safetyStock(Quantity.of(20)).leadTimeDays(10))
                .stock("A", 15)
                .plan();
        assertThat(lines(plan.point("A", "W").orElseThrow().whyDates(0)))
                .containsExactly("NEED_DAY 2 Mar", "EARLIEST 16 Mar", "DUE 16 Mar", "LEAD_TIME 10 days", "START 2 Mar");
    }
}
