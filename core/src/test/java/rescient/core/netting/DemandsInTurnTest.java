package rescient.core.netting;

import static org.assertj.core.api.Assertions.assertThat;
import static rescient.core.Example.buy;
import static rescient.core.Example.day;
import static rescient.core.Example.make;

import java.util.List;
import org.junit.jupiter.api.Test;
import rescient.core.Example;
import rescient.core.base.Quantity;
import rescient.core.company.CustomerOrderLine;
import rescient.core.company.ForecastBucket;
import rescient.core.company.PeriodUnit;
import rescient.core.company.PlanningData;
import rescient.core.company.Source;
import rescient.core.plan.Plan;

/** Section 8: in which order demands of one day take from the supplies; the quantities of each example tell them apart. */
class DemandsInTurnTest {
    /** What is asked of BOLT at W, in turn. */
    private static List<String> asked(Plan plan) {
        return plan.point("BOLT", "W").orElseThrow().demands().stream()
                .map(demand -> Quantity.text(demand.quantity()))
                .toList();
    }

    /**
     * A table takes two bolts by one line of its bill and three by the next, and is to be finished on Tue 10 and on Wed 11 March;
     * it takes ten days, so that both should have begun before today and all four demands count today. Earlier due first,
     * then by line of the bill: 1 × 2, 1 × 3, 4 × 2, 4 × 3.
     */
    @Test
    void ofOrdersThatShouldHaveBegunTheOneDueEarlierComesFirst() {
        Example example = new Example()
                .planned(make("TABLE").leadTimeDays(10), buy("BOLT"))
                .bom("TABLE", "BOLT", "2")
                .bom("TABLE", "BOLT", "3")
                .wanted("TABLE", 1, "10 Mar")
                .wanted("TABLE", 4, "11 Mar");
        assertThat(asked(example.plan())).containsExactly("2", "3", "8", "12");
    }

    /**
     * Two depots want 5 and 6 of it on Tue 10 and 7 and 8 on Wed 11; ten days away, all four should have left by now. What a depot
     * asks for goes under its code, by the day on which it is due there: all of C before all of D.
     */
    @Test
    void whatDepotsAskForGoesUnderTheirCodes() {
        Example example = new Example().planned(buy("BOLT"));
        for (String site : List.of("D", "C")) {
            example.builder.planning(new PlanningData("BOLT", site, Source.TRANSFER)
                    .fromSite("W")
                    .leadTimeDays(10));
        }
        example.wanted("BOLT", "D", 6, "10 Mar", 5)
                .wanted("BOLT", "C", 5, "10 Mar", 5)
                .wanted("BOLT", "D", 8, "11 Mar", 5)
                .wanted("BOLT", "C", 7, "11 Mar", 5);
        assertThat(asked(example.plan())).containsExactly("5", "7", "6", "8");
    }

    /** What one takes is called by the item that takes it: a bench comes before a table. */
    @Test
    void ofSeveralItemsThatTakeItTheFirstByCodeComesFirst() {
        Example example = new Example()
                .planned(make("TABLE"), make("BENCH"), buy("BOLT"))
                .bom("TABLE", "BOLT", "1")
                .bom("BENCH", "BOLT", "1")
                .wanted("TABLE", 3, "10 Mar")
                .wanted("BENCH", 2, "10 Mar");
        assertThat(asked(example.plan())).containsExactly("2", "3");
    }

    /** Of 25 tables that are made ten at most at a time the full orders come first: 10, 10, 5. */
    @Test
    void ofASplitTheFullOnesComeFirst() {
        Example example = new Example()
                .planned(make("TABLE").maxQuantity(Quantity.of(10)), buy("BOLT"))
                .bom("TABLE", "BOLT", "1")
                .wanted("TABLE", 25, "10 Mar");
        assertThat(asked(example.plan())).containsExactly("10", "10", "5");
    }

    /** Customers' orders of one day by priority, which may be any number: 2 before 7 before 16 before 300. */
    @Test
    void aPriorityOfAnySizeCounts() {
        Example example = new Example()
                .planned(buy("BOLT"))
                .wanted("BOLT", "W", 4, "10 Mar", 300)
                .wanted("BOLT", "W", 3, "10 Mar", 16)
                .wanted("BOLT", "W", 1, "10 Mar", 2)
                .wanted("BOLT", "W", 2, "10 Mar", 7);
        assertThat(asked(example.plan())).containsExactly("1", "2", "3", "4");
    }

    /**
     * A priority that does not fit beside the others leaves orders of the plan and forecasts in their places: 5, 9, 20. Of the 90
     * that are forecast the 50 of the customer's order are taken.
     */
    @Test
    void beyondAllPrioritiesPlannedOrdersAndForecastsKeepTheirPlaces() {
        Example example = new Example()
                .planned(make("TABLE").leadTimeDays(10), buy("BOLT"))
                .bom("TABLE", "BOLT", "2")
                .bom("TABLE", "BOLT", "3")
                .wanted("TABLE", 1, "10 Mar")
                .wanted("TABLE", 4, "11 Mar")
                .wanted("BOLT", "W", 50, "2 Mar", 20);
        example.builder.forecast(new ForecastBucket("F", "BOLT", "W", day("2 Mar"), PeriodUnit.DAY, Quantity.of(90)));
        assertThat(asked(example.plan())).containsExactly("2", "3", "8", "12", "40", "50");
    }

    /** Of one order its lines as numbers: 2 before 10; of orders 9 before 10, and both before B. */
    @Test
    void numbersOfDocumentsCountByTheirValue() {
        Example example = new Example().planned(buy("BOLT"));
        String[][] lines = {{"B", "1", "5"}, {"10", "1", "4"}, {"9", "10", "3"}, {"9", "2", "2"}};
        for (String[] line : lines) {
            example.builder.customerOrder(new CustomerOrderLine(
                    line[0], line[1], "BOLT", "W", Quantity.of(Long.parseLong(line[2])), day("10 Mar"), 5));
        }
        assertThat(asked(example.plan())).containsExactly("2", "3", "4", "5");
    }
}
