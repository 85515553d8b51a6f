package rescient.core.order;

import static org.assertj.core.api.Assertions.assertThat;
import static rescient.core.Example.buy;
import static rescient.core.Example.day;

import java.util.List;
import org.junit.jupiter.api.Test;
import rescient.core.Example;
import rescient.core.company.PlanningData;
import rescient.core.company.Source;
import rescient.core.plan.Plan;
import rescient.core.plan.PlannedOrder;
import rescient.core.plan.PointView;

/** Customers want 5 on 10 March and 7 on 20 March; nothing is there. */
class EarlierNeedsTest {
    private final Plan plan = company();

    private static Plan company() {
        return new Example()
                .items("A")
                .planned(buy("A"))
                .wanted("A", 5, "10 Mar")
                .wanted("A", 7, "20 Mar")
                .plan();
    }

    private EarlierNeeds.Given given(int sequence) {
        PointView point = plan.point("A", "W").orElseThrow();
        PlannedOrder order = point.plannedOrders().get(sequence);
        return new EarlierNeeds.Given("N" + sequence, Drafting.of(point).planned(order.sequence()), order.dueDay());
    }

    /** The order for the 20th would be there for the need of the 10th, which has nothing else. */
    @Test
    void aLaterOrderAloneIsCountedForTheEarlierNeed() {
        EarlierNeeds needs = new EarlierNeeds(plan);
        List<EarlierNeeds.Earlier> earlier = needs.of(List.of(given(1)), List.of());
        assertThat(earlier)
                .singleElement()
                .satisfies(e -> assertThat(e.counted()).isEqualTo(day("10 Mar")));
        assertThat(needs.instead(given(1), order -> true).dueDay()).isEqualTo(day("10 Mar"));
        assertThat(needs.instead(given(1), order -> false)).isNull();
    }

    @Test
    void bothTogetherAreCountedEachForItsOwn() {
        assertThat(new EarlierNeeds(plan).of(List.of(given(0), given(1)), List.of()))
                .isEmpty();
    }

    @Test
    void whatNobodySellsHasAnObstacle() {
        OrderDraft order = given(0).order();
        assertThat(order.source()).isEqualTo(Source.BUY);
        assertThat(Obstacle.of(order)).isNull();
        PlannedOrder nobodys = new Example()
                .items("A")
                .planned(new PlanningData("A", "W", Source.BUY))
                .wanted("A", 5, "10 Mar")
                .plan()
                .plannedOrders()
                .get(0);
        assertThat(Obstacle.of(nobodys)).isEqualTo(Obstacle.NO_SUPPLIER);
    }
}
