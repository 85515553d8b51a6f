package rescient.core.trace;

import static org.assertj.core.api.Assertions.assertThat;
import static rescient.core.Example.buy;
import static rescient.core.Example.make;

import java.util.List;
import org.junit.jupiter.api.Test;
import rescient.core.Example;
import rescient.core.plan.Plan;
import rescient.core.plan.PointView;

/** What of an order serves which demand, through all levels. */
class ServedDemandsTest {
    /** One order of 5 chairs brings 2 for one customer and 3 for another; its 20 legs are bought in one order. */
    private static Plan chairs() {
        return new Example()
                .planned(make("CHAIR").leadTimeDays(2), buy("LEG").leadTimeDays(1))
                .bom("CHAIR", "LEG", "4")
                .wanted("CHAIR", 2, "20 Mar")
                .wanted("CHAIR", 3, "20 Mar")
                .plan();
    }

    private static List<String> served(Plan plan, String item, int most) {
        PointView point = plan.point(item, "W").orElseThrow();
        return ServedDemands.of(plan, point.serves(0), most).stream()
                .map(one -> one.depth() + " " + one.demand().item() + " "
                        + one.quantity().stripTrailingZeros().toPlainString())
                .toList();
    }

    @Test
    void eachDemandAboveHasItsShareInTheUnitOfTheSupply() {
        assertThat(served(chairs(), "LEG", 40)).containsExactly("0 LEG 20", "1 CHAIR 8", "1 CHAIR 12");
        assertThat(served(chairs(), "CHAIR", 40)).containsExactly("0 CHAIR 2", "0 CHAIR 3");
    }

    @Test
    void noMoreAreToldThanAreAskedFor() {
        assertThat(served(chairs(), "LEG", 2)).containsExactly("0 LEG 20", "1 CHAIR 8");
    }
}
