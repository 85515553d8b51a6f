package rescient.core.snapshot;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.List;
import org.junit.jupiter.api.Test;
import rescient.core.Example;
import rescient.core.base.Quantity;
import rescient.core.base.Ratio;
import rescient.core.base.WorkCalendar;
import rescient.core.company.BomLine;
import rescient.core.company.CustomerOrderLine;
import rescient.core.company.Item;
import rescient.core.company.ItemKind;
import rescient.core.company.PlanningRule;
import rescient.core.plan.Demand;
import rescient.core.plan.Plan;
import rescient.core.plan.PlannedOrder;
import rescient.core.plan.Planner;
import rescient.core.plan.PointView;

/** Absurd companies get a clear error or a signal: never a wrong number, an endless loop or a full memory. */
class BadInputTest {
    private static final long TRILLION = 1_000_000_000_000L;

    @Test
    void aSumThatCannotBeHeldIsNamed() {
        // ten orders for a trillion each are more than 9.2 trillion
        Example example = new Example().planned(Example.make("A"));
        for (int i = 0; i < 10; i++) {
            example.wanted("A", TRILLION, "20 Mar");
        }
        assertThat(Example.unplannable(example.plan()))
                .singleElement()
                .asString()
                .startsWith("A: ")
                .contains("too large to be planned");
    }

    @Test
    void aProductThatCannotBeHeldIsNamed() {
        Example example = new Example().planned(Example.make("A"), Example.buy("B"));
        example.bom("A", "B", "1000").wanted("A", TRILLION, "20 Mar");
        Plan plan = example.plan();
        // the order for A stands; what it asks of B cannot be held, so B is left out and A's order can never be met
        assertThat(Example.unplannable(plan)).singleElement().asString().startsWith("B: ");
        assertThat(plan.plannedOrders())
                .extracting(PlannedOrder::item, PlannedOrder::possibleDay)
                .containsExactly(org.assertj.core.groups.Tuple.tuple("A", null));
    }

    @Test
    void aNeedThatWouldTakeEndlessOrdersIsRefusedByName() {
        Example example = new Example()
                .planned(Example.make("A").rule(PlanningRule.FIXED_QUANTITY).fixedQuantity(Quantity.ONE));
        example.wanted("A", TRILLION, "20 Mar");
        assertThat(Example.unplannable(example.plan()))
                .singleElement()
                .asString()
                .contains("One need of A at W would take");
    }

    @Test
    void aFixedQuantityThatYieldLeavesNothingOfIsNamed() {
        Example example = new Example()
                .planned(Example.make("A")
                        .rule(PlanningRule.FIXED_QUANTITY)
                        .fixedQuantity(Quantity.ONE)
                        .yield(new Ratio(1, 2)));
        example.wanted("A", 4, "20 Mar");
        assertThat(Example.unplannable(example.plan()))
                .singleElement()
                .asString()
                .contains("leaves nothing after yield");
    }

    @Test
    void threeThousandDaysOfLeadTimeAndTenYearsOfHorizonArePlanned() {
        // needed on 2 Mar 2036; 3,000 working days are 600 weeks: the start is 4,200 days earlier
        int needed = Example.TODAY + 10 * 365 + 2;
        SnapshotBuilder builder = Snapshot.builder(Example.TODAY, needed);
        builder.site("W", null).item(new Item("A", 0, ItemKind.STOCKED));
        builder.planning(Example.make("A").leadTimeDays(3000));
        builder.customerOrder(new CustomerOrderLine("1", "1", "A", "W", Quantity.ONE, needed, 5));
        WorkCalendar weekdays = WorkCalendar.mondayToFriday(Example.TODAY);
        assertThat(new Planner().plan(builder.build(), PlanOptions.ALL).plannedOrders())
                .singleElement()
                .satisfies(order -> {
                    assertThat(order.dueDay()).isEqualTo(weekdays.back(needed, 0));
                    assertThat(order.startDay()).isEqualTo(weekdays.back(needed, 0) - 4200);
                });
    }

    @Test
    void oneComponentOfFiftyThousandParentsAddsUpAndIsTakenInTurn() {
        int parents = 50_000;
        SnapshotBuilder builder = Snapshot.builder(Example.TODAY, Example.day("31 Dec"));
        builder.site("W", null).item(new Item("SCREW", 0, ItemKind.STOCKED));
        builder.planning(Example.buy("SCREW").leadTimeDays(2));
        for (int i = 0; i < parents; i++) {
            String parent = "P" + i;
            builder.item(new Item(parent, 0, ItemKind.STOCKED));
            builder.planning(Example.make(parent).leadTimeDays(1));
            builder.bomLine(
                    new BomLine(parent, "1", "SCREW", new Ratio(2, 1), false, Integer.MIN_VALUE, Integer.MAX_VALUE));
            builder.customerOrder(new CustomerOrderLine(
                    "C" + i, "1", parent, "W", Quantity.ONE, Example.day(i % 2 == 0 ? "20 Mar" : "27 Mar"), 5));
        }
        Plan plan = new Planner().plan(builder.build(), PlanOptions.ALL);
        PointView screw = plan.point("SCREW", "W").orElseThrow();
        // each parent starts a working day before: half of them on 19 Mar, half on 26 Mar, 2 screws each
        assertThat(screw.plannedOrders())
                .extracting(PlannedOrder::dueDay, PlannedOrder::quantity)
                .containsExactly(
                        org.assertj.core.groups.Tuple.tuple(Example.day("19 Mar"), Quantity.of(50_000L)),
                        org.assertj.core.groups.Tuple.tuple(Example.day("26 Mar"), Quantity.of(50_000L)));
        List<Demand> demands = screw.demands();
        assertThat(demands).hasSize(parents);
        // of one day the parents come by code point: P0, P10, P100, P1000, P10000, P10002 …
        assertThat(demands.subList(0, 6))
                .extracting(Demand::number)
                .containsExactly("P0", "P10", "P100", "P1000", "P10000", "P10002");
    }

    @Test
    void aLoopAmongManyIsNamedAndTheRestIsPlanned() {
        Example example = new Example()
                .planned(Example.make("A"), Example.make("B"), Example.make("C"), Example.make("D"))
                .bom("A", "B", "1")
                .bom("B", "C", "1")
                .bom("C", "A", "1")
                .wanted("A", 1, "20 Mar")
                .wanted("D", 1, "20 Mar");
        Plan plan = example.plan();
        assertThat(plan.signals())
                .filteredOn(s -> s.kind() == Signal.Kind.LOOP)
                .extracting(Signal::item)
                .containsExactly("A", "B", "C");
        assertThat(plan.plannedOrders()).extracting(PlannedOrder::item).containsExactly("D");
    }
}
