package rescient.core.trace;

import static org.assertj.core.api.Assertions.assertThat;
import static rescient.core.Example.buy;
import static rescient.core.Example.day;
import static rescient.core.Example.make;
import static rescient.core.Example.orders;
import static rescient.core.Example.signals;

import org.junit.jupiter.api.Test;
import rescient.core.Example;
import rescient.core.base.Quantity;
import rescient.core.base.Ratio;
import rescient.core.company.BomLine;
import rescient.core.company.ItemKind;
import rescient.core.company.PlanningData;
import rescient.core.company.Source;
import rescient.core.company.Stage;
import rescient.core.plan.Demand;
import rescient.core.plan.Plan;
import rescient.core.plan.PlannedOrder;
import rescient.core.snapshot.DemandKind;
import rescient.core.snapshot.Signal;

/** Sections 4 and 7 to 9: levels and loops, components, pegs and possible dates. */
class ThreadTest {

    @Test
    void componentsAreNeededOnTheStartOfTheirParent() {
        // 20 A on 20 Mar, lead 3: start 17 Mar; B 2 each with 5 % scrap: 42 on 17 Mar, lead 4: 11 Mar
        Plan plan = new Example()
                .planned(make("A").leadTimeDays(3), buy("B").leadTimeDays(4))
                .bom("A", "B", "2.1")
                .wanted("A", 20, "20 Mar")
                .plan();
        assertThat(orders(plan)).containsExactly("A 20: 17 Mar > 20 Mar", "B 42: 11 Mar > 17 Mar");
    }

    @Test
    void aComponentIsPlannedAfterAllThatNeedIt() {
        // B goes into A and into C; C goes into A: 5 A need 5 C and 5 B, the 5 C need 10 B
        Plan plan = new Example()
                .planned(make("A"), buy("B"), make("C").leadTimeDays(1))
                .bom("A", "B", "1")
                .bom("A", "C", "1")
                .bom("C", "B", "2")
                .wanted("A", 5, "20 Mar")
                .plan();
        assertThat(orders(plan))
                .containsExactly(
                        "A 5: 20 Mar > 20 Mar",
                        "B 10: 19 Mar > 19 Mar",
                        "B 5: 20 Mar > 20 Mar",
                        "C 5: 19 Mar > 20 Mar");
    }

    @Test
    void aLoopIsNamedAndOnlyItAndWhatLiesBelowIsLeftOut() {
        // A → B → A is a loop, C lies below it, D has nothing to do with it
        Plan plan = new Example()
                .planned(make("A"), make("B"), buy("C"), buy("D"))
                .bom("A", "B", "1")
                .bom("B", "A", "1")
                .bom("B", "C", "1")
                .wanted("A", 5, "20 Mar")
                .wanted("C", 5, "20 Mar")
                .wanted("D", 5, "20 Mar")
                .plan();
        assertThat(signals(plan)).containsExactly("loop A", "loop B");
        assertThat(orders(plan)).containsExactly("D 5: 20 Mar > 20 Mar");
        assertThat(plan.point("C", "W").orElseThrow().planned()).isFalse();
    }

    @Test
    void aBillOfMaterialsThatNamesItselfIsALoop() {
        Plan plan = new Example().planned(make("A")).bom("A", "A", "1").plan();
        assertThat(signals(plan)).containsExactly("loop A");
    }

    @Test
    void aKitThatContainsItselfIsALoopToo() {
        Plan plan = new Example()
                .item("K", ItemKind.KIT)
                .item("L", ItemKind.KIT)
                .bom("K", "L", "1")
                .bom("L", "K", "1")
                .wanted("K", 5, "20 Mar")
                .plan();
        assertThat(signals(plan)).containsExactly("loop K", "loop L");
    }

    @Test
    void aTransferTakesFromTheSendingSiteOnItsStart() {
        Plan plan = new Example()
                .planned(
                        new PlanningData("A", "D", Source.TRANSFER)
                                .fromSite("W")
                                .leadTimeDays(2),
                        buy("A").leadTimeDays(1))
                .wanted("A", "D", 6, "20 Mar", 5)
                .plan();
        assertThat(plan.plannedOrders())
                .extracting(o -> o.site() + " " + o.fromSite() + " " + Example.text(o.startDay()))
                .containsExactly("D W 18 Mar", "W null 17 Mar");
        assertThat(plan.point("A", "W").orElseThrow().demands())
                .extracting(Demand::kind, Demand::number, Demand::line)
                .containsExactly(org.assertj.core.groups.Tuple.tuple(DemandKind.TRANSFER, "D", "2026-03-20"));
    }

    @Test
    void aSubcontractorUsesComponentsAtItsOwnPremises() {
        Plan plan = new Example()
                .planned(new PlanningData("A", "W", Source.SUBCONTRACT)
                        .fromSite("C")
                        .leadTimeDays(5))
                .planned(new PlanningData("B", "C", Source.TRANSFER).fromSite("W"))
                .bom("A", "B", "1")
                .wanted("A", 6, "20 Mar")
                .plan();
        assertThat(plan.point("B", "C").orElseThrow().demands())
                .extracting(Demand::dueDay)
                .containsExactly(day("13 Mar"));
    }

    @Test
    void aPhantomUsesItsOwnStockAndPassesTheRestOn() {
        // 12 A on 20 Mar, lead 2: 18 Mar; H 1 each, 5 in stock: 7 pass; B 3 each: 21
        Plan plan = new Example()
                .item("H", ItemKind.PHANTOM)
                .planned(make("A").leadTimeDays(2), buy("B").leadTimeDays(1))
                .bom("A", "H", "1")
                .bom("H", "B", "3")
                .stock("H", 5)
                .wanted("A", 12, "20 Mar")
                .plan();
        assertThat(orders(plan)).containsExactly("A 12: 18 Mar > 20 Mar", "B 21: 17 Mar > 18 Mar");
        assertThat(Example.balances(plan, "H")).containsExactly("2 Mar 5", "18 Mar 0");
    }

    @Test
    void aKitIsWantedAsItsPartsAndIsAsLateAsTheLatest() {
        // 3 K: 3 × 2 = 6 B and, through the kit L within it, 3 × 1 × 4 = 12 D; D takes 10 days from 2 Mar: 16 Mar
        Plan plan = new Example()
                .item("K", ItemKind.KIT)
                .item("L", ItemKind.KIT)
                .planned(buy("B").leadTimeDays(1), buy("D").leadTimeDays(10))
                .bom("K", "B", "2")
                .bom("K", "L", "1")
                .bom("L", "D", "4")
                .wanted("K", 3, "10 Mar")
                .plan();
        assertThat(orders(plan)).containsExactly("B 6: 9 Mar > 10 Mar", "D 12: 24 Feb > 10 Mar");
        Signal late = plan.signals().stream()
                .filter(s -> s.kind() == Signal.Kind.DEMAND_LATE)
                .findFirst()
                .orElseThrow();
        assertThat(late.item()).isEqualTo("K");
        assertThat(late.newDay()).isEqualTo(day("16 Mar"));
        assertThat(late.causeItem()).isEqualTo("D");
    }

    @Test
    void linesThatAreNotValidOnTheStartDoNotCount() {
        Example example = new Example()
                .planned(make("A").leadTimeDays(1), buy("B"), buy("C"))
                .wanted("A", 1, "10 Mar")
                .wanted("A", 1, "17 Mar");
        example.builder
                .bomLine(new BomLine("A", "10", "B", Ratio.ONE, false, Integer.MIN_VALUE, day("13 Mar")))
                .bomLine(new BomLine("A", "20", "C", Ratio.ONE, false, day("14 Mar"), Integer.MAX_VALUE));
        assertThat(orders(example.plan()))
                .contains("B 1: 9 Mar > 9 Mar", "C 1: 16 Mar > 16 Mar")
                .hasSize(4);
    }

    @Test
    void aLinePerOrderDoesNotGrowWithTheOrder() {
        Example example = new Example().planned(make("A"), buy("B")).wanted("A", 50, "10 Mar");
        example.builder.bomLine(
                new BomLine("A", "10", "B", new Ratio(2, 1), true, Integer.MIN_VALUE, Integer.MAX_VALUE));
        assertThat(orders(example.plan())).contains("B 2: 10 Mar > 10 Mar");
    }

    @Test
    void demandsTakeFromSuppliesInTurn() {
        // stock 8, P1 10 on 5 Mar, 2 planned on 12 Mar; demands 5 on 4 Mar, 10 on 6 Mar, 5 on 12 Mar
        Plan plan = new Example()
                .planned(buy("A"))
                .stock("A", 8)
                .open("P1", Source.BUY, Stage.RELEASED, "A", 10, "5 Mar")
                .wanted("A", 5, "4 Mar")
                .wanted("A", 10, "6 Mar")
                .wanted("A", 5, "12 Mar")
                .plan();
        assertThat(plan.point("A", "W").orElseThrow().pegs())
                .extracting(p -> p.demand().number() + " " + p.supply().kind() + " " + Quantity.text(p.quantity()))
                .containsExactly("1 STOCK 5", "2 STOCK 3", "2 OPEN 7", "3 OPEN 3", "3 PLANNED 2");
    }

    @Test
    void latenessClimbsThroughTheLevelsAndNamesItsCause() {
        // A due 10 Mar, lead 3: start 5 Mar; B lead 6 should have started 25 Feb and can be there on 10 Mar,
        // 3 working days after 5 Mar; so A on 13 Mar
        Plan plan = new Example()
                .planned(make("A").leadTimeDays(3), buy("B").leadTimeDays(6))
                .bom("A", "B", "1")
                .wanted("A", 4, "10 Mar")
                .plan();
        Signal late = plan.signals().get(0);
        assertThat(late.kind()).isEqualTo(Signal.Kind.DEMAND_LATE);
        assertThat(late.newDay()).isEqualTo(day("13 Mar"));
        assertThat(late.days()).isEqualTo(3);
        assertThat(late.causeItem()).isEqualTo("B");
        assertThat(plan.plannedOrders())
                .extracting(PlannedOrder::possibleDay)
                .containsExactly(day("13 Mar"), day("10 Mar"));
    }

    @Test
    void whatNeverCanBeSuppliedHasNoPossibleDate() {
        Plan plan = new Example()
                .planned(make("A"), new PlanningData("B", "W", Source.NONE))
                .bom("A", "B", "1")
                .wanted("A", 4, "10 Mar")
                .plan();
        assertThat(plan.plannedOrders().get(0).possibleDay()).isNull();
        assertThat(plan.point("A", "W").orElseThrow().demands().get(0).daysLate())
                .isNull();
    }

    @Test
    void anOpenOrderWaitsForItsComponents() {
        // M1 of A due 10 Mar still needs 5 B on 5 Mar; P1 brings them on 9 Mar, 2 working days later: A on 12 Mar
        Plan plan = new Example()
                .planned(make("A"), buy("B"))
                .open("M1", Source.MAKE, Stage.RELEASED, "A", 5, "10 Mar", "5 Mar", false)
                .stillToIssue("M1", "B", 5, "5 Mar")
                .open("P1", Source.BUY, Stage.RELEASED, "B", 5, "9 Mar")
                .wanted("A", 5, "10 Mar")
                .plan();
        assertThat(signals(plan)).containsExactly("demand_late 1 10 Mar > 12 Mar", "bring_forward P1 9 Mar > 5 Mar");
        assertThat(plan.signals().get(0).causeItem()).isEqualTo("B");
    }

    @Test
    void openOrdersThatWaitForEachOtherEnd() {
        // a circle of two open orders, each due before the other needs it: both count with their own dates
        Plan plan = new Example()
                .planned(make("A"), make("B"))
                .open("M1", Source.MAKE, Stage.RELEASED, "A", 5, "10 Mar")
                .stillToIssue("M1", "B", 5, "10 Mar")
                .open("M2", Source.MAKE, Stage.RELEASED, "B", 5, "10 Mar")
                .stillToIssue("M2", "A", 5, "10 Mar")
                .plan();
        assertThat(plan.point("A", "W").orElseThrow().demands().get(0).possibleDay())
                .isEqualTo(day("10 Mar"));
    }

    /**
     * Each waits for the other, which is too late for it. Seen from M1: M2 gets what M1 brings on its own date, 12 Mar
     * instead of 9 Mar, so it is 3 working days later, on 19 Mar; M1 needed that on 10 Mar, 7 working days before, and comes
     * on 23 Mar. Seen from M2: M1 gets what M2 brings on 16 Mar instead of 10 Mar and comes on 18 Mar, 7 working days after
     * 9 Mar; so M2 comes on 25 Mar. It does not matter which of the two is looked at first.
     */
    @Test
    void anOrderOfACircleIsSeenFromEachAsFromNobodyElse() {
        for (String[] items : new String[][] {{"A", "B"}, {"B", "A"}}) {
            Plan plan = new Example()
                    .planned(make("A"), make("B"))
                    .open("M1", Source.MAKE, Stage.RELEASED, items[0], 5, "12 Mar")
                    .stillToIssue("M1", items[1], 5, "10 Mar")
                    .open("M2", Source.MAKE, Stage.RELEASED, items[1], 5, "16 Mar")
                    .stillToIssue("M2", items[0], 5, "9 Mar")
                    .plan();
            assertThat(plan.point(items[0], "W").orElseThrow().demands().get(0).possibleDay())
                    .isEqualTo(day("23 Mar"));
            assertThat(plan.point(items[1], "W").orElseThrow().demands().get(0).possibleDay())
                    .isEqualTo(day("25 Mar"));
        }
    }

    @Test
    void aQuantityTooLargeIsAnErrorAndNeverAWrongNumber() {
        Example example = new Example()
                .planned(make("A"), buy("B"))
                .bom("A", "B", "100")
                .wanted("A", 1_000_000_000_000L, "10 Mar");
        assertThat(Example.unplannable(example.plan()))
                .singleElement()
                .asString()
                .contains("too large");
    }
}
