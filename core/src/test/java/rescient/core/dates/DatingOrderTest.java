package rescient.core.dates;

import static org.assertj.core.api.Assertions.assertThat;
import static rescient.core.Example.buy;
import static rescient.core.Example.day;
import static rescient.core.Example.make;

import java.util.ArrayList;
import java.util.List;
import net.jqwik.api.ForAll;
import net.jqwik.api.Property;
import org.junit.jupiter.api.Test;
import rescient.core.ChangingCompany;
import rescient.core.Example;
import rescient.core.base.ChunkedList;
import rescient.core.base.Quantity;
import rescient.core.company.Change;
import rescient.core.company.OpenOrder;
import rescient.core.company.OpenOrderComponent;
import rescient.core.company.Source;
import rescient.core.company.Stage;
import rescient.core.company.StockLot;
import rescient.core.netting.DemandList;
import rescient.core.netting.PlannedOrders;
import rescient.core.netting.PointPlan;
import rescient.core.plan.Plan;
import rescient.core.plan.Planner;
import rescient.core.promise.Promise;
import rescient.core.snapshot.DatingOrder;
import rescient.core.snapshot.Impossible;
import rescient.core.snapshot.PlanOptions;

/** Open orders that wait for stock points which no bill of materials puts below theirs. */
class DatingOrderTest {
    /** F is made of P, which is made of C; nothing is made of A. */
    private static Example company() {
        return new Example()
                .planned(make("F").leadTimeDays(2), make("P").leadTimeDays(2), buy("C"), buy("A").leadTimeDays(10))
                .bom("F", "P", "1")
                .bom("P", "C", "1")
                .wanted("F", 5, "10 Mar");
    }

    private static List<OpenOrderComponent> fromA() {
        return List.of(new OpenOrderComponent("O", "1", "A", Quantity.of(5), day("4 Mar")));
    }

    private static OpenOrder ofP() {
        return new OpenOrder(
                "O",
                "1",
                Source.MAKE,
                Stage.FIRMED,
                "P",
                "W",
                null,
                null,
                Quantity.of(5),
                day("6 Mar"),
                day("4 Mar"),
                false);
    }

    /**
     * A is needed on Wednesday 4 Mar and can be there on 16 Mar, 10 working days from today: 8 working days late, and so
     * the order of P comes on 18 Mar instead of 6 Mar. F needs it on 6 Mar, 2 working days before it is wanted, waits 8
     * working days too, and comes on 20 Mar.
     */
    private static void assertWaitsForA(Plan plan) {
        Promise promise = Promise.of(plan).get(0);
        assertThat(promise.possibleDay()).isEqualTo(day("20 Mar"));
        assertThat(promise.causeItem()).isEqualTo("A");
    }

    @Test
    void anOrderWaitsForWhatNoBillOfMaterialsPutsBelowIt() {
        Plan plan = company()
                .open("O", Source.MAKE, Stage.FIRMED, "P", 5, "6 Mar", "4 Mar", false)
                .stillToIssue("O", "A", 5, "4 Mar")
                .plan();
        assertThat(plan.snapshot().network.levelOf(plan.snapshot().pointOf("A", "W")))
                .isZero();
        assertWaitsForA(plan);
    }

    @Test
    void suchAnOrderIsPutInPlaceWithoutReadingTheCompanyAgain() {
        Plan plan = company().plan();
        assertThat(Promise.of(plan).get(0).possibleDay()).isEqualTo(day("10 Mar"));
        Plan after = plan.after(List.of(new Change.Order(ofP(), fromA())));
        assertThat(after.snapshot().network).isSameAs(plan.snapshot().network);
        assertWaitsForA(after);
        Plan back = after.after(List.of(new Change.NoOrder("O", "1")));
        assertThat(back.snapshot.network).isSameAs(plan.snapshot().network);
        assertThat(Promise.of(back).get(0).possibleDay()).isEqualTo(day("10 Mar"));
    }

    @Test
    void whatChangesInALaterWaveIsFollowed() {
        Plan plan = company().plan().after(List.of(new Change.Order(ofP(), fromA())));
        // the 5 of A lie there, so nothing waits any more
        Plan after = plan.after(
                List.of(new Change.Stock(new StockLot("A", "W", "L", null, Quantity.of(5), Integer.MAX_VALUE))));
        assertThat(Promise.of(after).get(0).possibleDay()).isEqualTo(day("10 Mar"));
    }

    @Test
    void ordersThatWaitForEachOtherHaveNoWavesUntilOneIsGone() {
        Plan plan = company()
                .open("O", Source.MAKE, Stage.FIRMED, "P", 5, "6 Mar", "4 Mar", false)
                .stillToIssue("O", "F", 1, "4 Mar")
                .plan();
        assertThat(plan.snapshot().waves).isSameAs(DatingOrder.NONE);
        Plan after = plan.after(List.of(new Change.NoOrder("O", "1")));
        assertThat(after.snapshot().waves).isNotSameAs(DatingOrder.NONE);
        assertThat(Promise.of(after).get(0).possibleDay()).isEqualTo(day("10 Mar"));
    }

    /** Where waves will do, dates are those of asking point by point, and so are the points that decide them. */
    @Property(tries = 500)
    void wavesGiveWhatAskingPointByPointGives(@ForAll long seed) {
        ChangingCompany model = new ChangingCompany(seed);
        Plan plan = new Planner().plan(model.snapshot(), PlanOptions.ALL);
        for (int step = 0; step < 4; step++) {
            plan = plan.after(List.of(model.change()));
            if (plan.snapshot().waves != DatingOrder.NONE) {
                assertThat(inWaves(plan)).isEqualTo(oneByOne(plan));
            }
        }
    }

    private static List<String> inWaves(Plan plan) {
        List<String> dates = new ArrayList<>();
        for (int p = 0; p < plan.snapshot().network.planned(); p++) {
            for (int d = 0; d < plan.pegs().of(p).demands.size; d++) {
                dates.add(p + " " + d + " " + plan.pegs().possible().ofDemand(p, d) + " "
                        + plan.pegs().possible().causeOfDemand(p, d));
            }
            for (int o = 0; o < plan.pegs().of(p).planned.size; o++) {
                dates.add(p + " " + o + " " + plan.pegs().possible().ofPlanned(p, o));
            }
        }
        return dates;
    }

    private static List<String> oneByOne(Plan plan) {
        int points = plan.snapshot().points.length;
        ChunkedList<PointPlan> plans = ChunkedList.of(points, PointPlan[]::new);
        for (int p = 0; p < points; p++) {
            plans.put(p, plan.pegs().of(p));
        }
        ChunkedList<PointDates> all = ChunkedList.of(points, PointDates[]::new);
        new DatesOnDemand(plan.snapshot(), plans, all).all(new Impossible());
        List<String> dates = new ArrayList<>();
        for (int p = 0; p < plan.snapshot().network.planned(); p++) {
            PointDates own = all.get(p);
            boolean late = own != PointDates.ON_TIME;
            DemandList demands = plan.pegs().of(p).demands;
            for (int d = 0; d < demands.size; d++) {
                dates.add(p + " " + d + " " + (late ? own.day[demands.cell[d]] : demands.ownDay[d]) + " "
                        + (late ? own.cause[demands.cell[d]] : p));
            }
            PlannedOrders planned = plan.pegs().of(p).planned;
            for (int o = 0; o < planned.size; o++) {
                dates.add(p + " " + o + " " + (late ? own.day[own.firstPlanned + o] : planned.due[o]));
            }
        }
        return dates;
    }
}
