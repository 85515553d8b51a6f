package rescient.core.plan;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.ArrayList;
import java.util.List;
import java.util.TreeMap;
import net.jqwik.api.ForAll;
import net.jqwik.api.Property;
import org.junit.jupiter.api.Test;
import rescient.core.ChangingCompany;
import rescient.core.Example;
import rescient.core.base.Quantity;
import rescient.core.company.Change;
import rescient.core.company.CustomerOrderLine;
import rescient.core.company.PlanningData;
import rescient.core.company.Shipment;
import rescient.core.company.Source;
import rescient.core.snapshot.DemandKind;
import rescient.core.snapshot.PlanOptions;
import rescient.core.snapshot.Snapshot;

/** A plan after changes is the plan that a full calculation of the changed company makes, value for value. */
class AfterTest {
    private static void assertSame(Plan plan, Plan full) {
        assertThat(plan.plannedOrders()).isEqualTo(full.plannedOrders());
        assertThat(plan.signals()).isEqualTo(full.signals());
        assertThat(plan.plannedOrderCount()).isEqualTo(full.plannedOrders().size());
        assertThat(plan.signalCount()).isEqualTo(full.allSignals().size());
        assertThat(plan.points()).hasSameSizeAs(full.points());
        for (PointView point : full.points()) {
            PointView same = plan.point(point.item(), point.site()).orElseThrow();
            assertThat(same.demands()).isEqualTo(point.demands());
            assertThat(same.pegs()).isEqualTo(point.pegs());
            assertThat(same.balances()).isEqualTo(point.balances());
            for (PlannedOrder order : point.plannedOrders()) {
                assertThat(same.needs(order.sequence())).isEqualTo(point.needs(order.sequence()));
            }
        }
    }

    @Property(tries = 800)
    void aPlanAfterChangesIsTheFullPlan(@ForAll long seed) {
        follows(seed);
    }

    /** Three open orders wait for each other in a circle, over planned ones, and the points are numbered anew. */
    @Test
    void itDoesNotMatterWhichOrderOfACircleComesFirst() {
        follows(-877564);
    }

    private static void follows(long seed) {
        ChangingCompany model = new ChangingCompany(seed);
        Plan plan = new Planner().plan(model.snapshot(), PlanOptions.ALL);
        for (int step = 0; step < 12; step++) {
            List<Change> changes = new ArrayList<>();
            int together = 1 + model.random.nextInt(2);
            for (int i = 0; i < together; i++) {
                changes.add(model.change());
            }
            plan = plan.after(changes);
            assertSame(plan, new Planner().plan(model.snapshot(), PlanOptions.ALL));
        }
    }

    /** What cannot change who asks whom leaves the network as it lies in memory. */
    @Test
    void planningTermsAndForecastsArePutInPlace() {
        ChangingCompany model = new ChangingCompany(7, true);
        Plan plan = new Planner().plan(model.snapshot(), PlanOptions.ALL);
        int[] edges = plan.snapshot().network.edgeTo;
        PlanningData slower = new PlanningData("I8", "W", Source.BUY).leadTimeDays(30);
        plan = plan.after(List.of(
                new Change.Planning(slower),
                new Change.Terms("I7", List.of(model.terms("S1", "I7"))),
                new Change.Shipped(new Shipment("I0", "W", Example.TODAY, "S9", Quantity.ONE))));

        assertThat(plan.snapshot().network.edgeTo).isSameAs(edges);
        assertThat(plan.snapshot().points[plan.snapshot().pointOf("I8", "W")].leadTimeDays)
                .isEqualTo(30);

        PlanningData made = new PlanningData("I8", "W", Source.TRANSFER).fromSite("D");
        assertThat(plan.after(List.of(new Change.Planning(made))).snapshot.network.edgeTo)
                .isNotEqualTo(edges);
    }

    @Property(tries = 200)
    void whatIsLeftOutStaysLeftOut(@ForAll long seed) {
        ChangingCompany model = new ChangingCompany(seed);
        PlanOptions options = new PlanOptions(
                java.util.Set.of(PlanOptions.Kind.values()[Math.floorMod(seed, 8)]),
                java.util.Set.of(new PlanOptions.Line("C1", "1")));
        Plan plan = new Planner().plan(model.snapshot(), options);
        for (int step = 0; step < 6; step++) {
            plan = plan.after(List.of(model.change()));
            assertSame(plan, new Planner().plan(model.snapshot(), options));
        }
    }

    @Property(tries = 1000)
    void aDemandLeftOutNeverMakesAnotherLater(@ForAll long seed) {
        ChangingCompany model = new ChangingCompany(seed, true);
        Snapshot snapshot = model.snapshot();
        var before = possible(new Planner().plan(snapshot, PlanOptions.ALL));
        for (CustomerOrderLine line : model.orders.values()) {
            PlanOptions without =
                    new PlanOptions(java.util.Set.of(), java.util.Set.of(new PlanOptions.Line(line.number(), "1")));
            possible(new Planner().plan(snapshot, without)).forEach((demand, day) -> {
                assertThat(day).as(demand).isLessThanOrEqualTo(before.get(demand));
            });
        }
    }

    /** The possible day of each customer order line at each stock point, the end of time if there is none. */
    private static java.util.Map<String, Integer> possible(Plan plan) {
        java.util.Map<String, Integer> days = new TreeMap<>();
        for (PointView point : plan.points()) {
            for (Demand demand : point.demands()) {
                if (demand.kind() == DemandKind.CUSTOMER_ORDER) {
                    Integer day = demand.possibleDay();
                    days.merge(point.item() + " " + demand.number(), day == null ? Integer.MAX_VALUE : day, Math::max);
                }
            }
        }
        return days;
    }

    @Test
    void onlyWhatAChangeTouchesIsPlannedAgain() {
        // A is made of B; X of Y. An order for A more touches A and B, and leaves X and Y what they were.
        Example example = new Example()
                .planned(
                        Example.make("A").leadTimeDays(1),
                        Example.buy("B").leadTimeDays(2),
                        Example.make("X").leadTimeDays(1),
                        Example.buy("Y").leadTimeDays(2));
        example.bom("A", "B", "2").bom("X", "Y", "1");
        example.builder.customerOrder(line("1", "X", 4));
        Plan before = new Planner().plan(example.builder.build(), PlanOptions.ALL);
        Plan after = before.after(List.of(new Change.CustomerOrder(line("2", "A", 3))));
        assertThat(after.point("B", "W").orElseThrow().plannedOrders())
                .singleElement()
                .extracting(PlannedOrder::quantity)
                .isEqualTo(Quantity.of(6));
        for (String item : List.of("X", "Y")) {
            int p = before.snapshot().pointOf(item, "W");
            assertThat(after.pegs().of(p)).isSameAs(before.pegs().of(p));
        }
    }

    /** The next numbers of a series have their place between it and the items that stand behind it. */
    @Test
    void howeverManyOrdersAreEnteredWhatTheyDoNotTouchStays() {
        Example example = new Example()
                .planned(Example.buy("A").leadTimeDays(2), Example.buy("X").leadTimeDays(2));
        example.builder.customerOrder(line("SO-1001", "X", 4));
        example.builder.customerOrder(line("SO-1002", "X", 4));
        Plan first = new Planner().plan(example.builder.build(), PlanOptions.ALL);
        Plan plan = first;
        for (int number = 1003; number < 1303; number++) {
            plan = plan.after(List.of(new Change.CustomerOrder(line("SO-" + number, "A", 1))));
        }
        assertThat(plan.pegs().of(plan.snapshot().pointOf("X", "W")))
                .isSameAs(first.pegs().of(first.snapshot().pointOf("X", "W")));
        assertThat(plan.point("A", "W").orElseThrow().demands()).hasSize(300);
    }

    private static CustomerOrderLine line(String number, String item, int pieces) {
        return new CustomerOrderLine(number, "1", item, "W", Quantity.of(pieces), Example.day("20 Mar"), 5);
    }
}
